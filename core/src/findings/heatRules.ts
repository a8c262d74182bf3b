import type { WarmPart } from '../assess.ts';
import { forwardVoltageV } from '../circuit/index.ts';
import { cellsBearC, deratedCurrentA, isTooNear, LIGHT_SHARE, softensAtC, touchLimitsC } from '../heat/index.ts';
import { type Edit, type Finding, type Fix, heldByOf, named, type Stage } from '../items/index.ts';
import { converters } from '../parts/index.ts';
import { changeItem } from '../plan/index.ts';
import { amps, celsius, lasting, say } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';
import { singleLights } from './singleLights.ts';
import { enoughKPerW, isTooHot, tellTooHot } from './tellTooHot.ts';

/** Two significant figures of a current, rounded down: it is to be kept. */
function roundDown(currentA: number): number {
  const step = 10 ** (Math.floor(Math.log10(currentA)) - 1);
  return Math.floor(currentA / step) * step;
}

/** The current that keeps a power star at what it bears, and the edit that sets it. */
function derate(
  { design, assessment }: RuleInput,
  part: WarmPart,
): { readonly mostA: number; readonly edits: readonly Edit[] } | null {
  const driven = assessment.driven.find((each) => each.itemId === part.itemId);
  if (!driven || part.heatW <= 0) return null;
  const brightA = driven.corners.brightestA;
  const mostA = deratedCurrentA({
    ambientC: part.airC,
    limitC: part.limitC,
    // All of the chain together, with what the others of its group add to the air.
    thermalKPerW: (part.after.insideC - part.airC) / part.heatW,
    lightShare: LIGHT_SHARE,
    mostA: brightA,
    voltageAt: (currentA) => forwardVoltageV(driven.loop.curve, currentA),
  });
  const [first] = assessment.switched.get(part.itemId) ?? [];
  const wishedA = roundDown((mostA / brightA) * driven.corners.currentA);
  const edits =
    first?.by && driven.loop.heldA !== null
      ? changeItem(design, first.by.id, { setA: roundDown(mostA) })
      : changeItem(design, part.itemId, { wantedCurrentA: wishedA, resistorOhm: null });
  return { mostA, edits };
}

/** A switching converter in place of a linear one that burns what is over: the smallest that gives as much. */
function takeSwitching({ design, assessment }: RuleInput, { itemId, what }: WarmPart): Fix[] {
  const nodes = assessment.supplies.flatMap(({ tree, atPeak, atFull }) =>
    tree.nodes.map((node, i) => ({ node, outA: Math.max(...[atPeak, atFull].map((at) => at.nodes[i]?.outA ?? 0)) })),
  );
  const found = nodes.find(({ node }) => what === 'converter' && node.id === itemId);
  const now = found?.node.converter;
  if (!found || !now || now.topology !== 'linear') return [];
  const part = converters
    .filter((each) => each.topology === 'buck' && each.outputV === now.outputV && each.outputLimitA >= found.outA)
    .sort((a, b) => a.outputLimitA - b.outputLimitA)[0];
  return part ? [{ label: `Take: ${part.name}`, edits: changeItem(design, itemId, { part: part.id }) }] : [];
}

/** Where the maker mends what gets warm. */
const stageOf = ({ what }: WarmPart): Stage =>
  what === 'light' ? 'lights' : what === 'converter' || what === 'load' ? 'power' : 'drive';

/** A resistor that is told of for its rating: a larger one is what it wants, hot as it is. */
function isOverItsRating({ assessment }: RuleInput, { what, itemId, heatW }: WarmPart): boolean {
  const item = what === 'resistor' ? singleLights(assessment, itemId) : null;
  return item !== null && heatW > item.resistorRatedW / 2;
}

/** A part that is hotter inside than it bears. */
export const hotRule: Rule = (input) =>
  input.assessment.warm.parts
    .filter((part) => isTooHot({ ...part, insideC: part.after.insideC }) && !isOverItsRating(input, part))
    .map((part): Finding => {
      const derated = part.what === 'light' ? derate(input, part) : null;
      const told = tellTooHot({ ...part, insideC: part.after.insideC });
      return {
        ...told,
        ...named(told.rule, part.id),
        stage: part.what === 'light' ? 'drive' : stageOf(part),
        aboutId: part.itemId,
        ...(derated && {
          mend: say`At most ${amps(derated.mostA)}, or a heatsink and air that make it ${enoughKPerW(part)} from inside to the room.`,
        }),
        fixes: derated
          ? [{ label: say`At most ${amps(roundDown(derated.mostA))}`, edits: derated.edits }]
          : takeSwitching(input, part),
      };
    });

/**
 * When a part that heats up comes to a temperature inside: between two times of its course, by what is still missing
 * to its last temperature, which falls by the same share in the same time.
 */
function reachesAfterS({ course, airC, forGood }: WarmPart, insideC: number): number {
  const missing = (atC: number): number => Math.log(forGood.insideC - atC);
  let before = { seconds: 0, insideC: airC };
  for (const time of course) {
    if (time.insideC >= insideC && Number.isFinite(time.seconds)) {
      const share = (missing(before.insideC) - missing(insideC)) / (missing(before.insideC) - missing(time.insideC));
      return before.seconds + share * (time.seconds - before.seconds);
    }
    if (Number.isFinite(time.seconds)) before = time;
  }
  return before.seconds;
}

/** What bears its work for as long as the maker says, and would not if it were left on. */
export const leftOnRule: Rule = ({ assessment }) =>
  assessment.warm.parts
    .filter(({ after, forGood, limitC }) => after.insideC <= limitC && forGood.insideC > limitC)
    .map(
      (part): Finding => ({
        ...named('hot-left-on', part.id),
        gravity: 'mend',
        stage: stageOf(part),
        aboutId: part.itemId,
        actual: { kind: 'temperatureC', value: part.forGood.insideC },
        limit: { kind: 'temperatureC', value: part.limitC },
        what: say`${part.name} bears ${lasting(part.after.seconds)} at a time; left on it comes to ${celsius(part.forGood.insideC)} inside, past its ${celsius(part.limitC)} after about ${lasting(reachesAfterS(part, part.limitC))}`,
        why: 'Sooner or later a switch is left on, and then only the heat itself ends it.',
        mend: 'Let something end it: a mood that goes out by itself, a push button, or less current.',
        fixes: [],
      }),
    );

/** What softens that which holds it, while it is at work as long as the maker says. */
export const softRule: Rule = ({ design, assessment }) =>
  assessment.warm.parts.flatMap((part): Finding[] => {
    const item = design.items.find(({ id }) => id === part.itemId);
    const heldBy = item && heldByOf(item);
    const softensC = heldBy && softensAtC[heldBy];
    const isHeld = part.what !== 'resistor' && part.what !== 'transistor' && part.what !== 'regulator';
    if (softensC === undefined || !isHeld || !isTooNear(part.after.outsideC, softensC)) return [];
    return [
      {
        ...named('softens', part.id),
        gravity: 'mend',
        stage: stageOf(part),
        aboutId: part.itemId,
        actual: { kind: 'temperatureC', value: part.after.outsideC },
        limit: { kind: 'temperatureC', value: softensC - 10 },
        what: say`${part.name} comes to ${celsius(part.after.outsideC)} where it is held, and ${heldBy ?? ''} softens at ${celsius(softensC)}`,
        why: 'Within ten kelvin of that nothing is held for long: it creeps, and what it held comes loose in the warm.',
        mend:
          part.what === 'light'
            ? 'A larger heatsink, less current, lit for a shorter time, or screws.'
            : 'Air round it, less current, or screws.',
        fixes: [],
      },
    ];
  });

/** What is hot to a hand or a skin on a piece that somebody carries: lights and loads, and the walls of what is closed. */
export const touchRule: Rule = ({ design, assessment }) => {
  if (design.piece.carriedBy === 'nobody') return [];
  const { parts, boxes } = assessment.warm;
  const touched = [
    ...parts
      .filter(({ what, boxId }) => what === 'light' || (what === 'load' && boxId === null))
      .map((part) => ({ part, id: part.id, name: part.name, atC: part.after.outsideC })),
    ...boxes.map(({ boxId, name, wallC }) => ({
      part: null,
      id: `box:${boxId}`,
      name: say`The outside of ${name}`,
      atC: wallC,
    })),
  ];
  return touched
    .filter(({ atC }) => atC > touchLimitsC.long)
    .map(
      ({ part, id, name, atC }): Finding => ({
        ...named('hot-touch', id),
        gravity: atC > touchLimitsC.short ? 'mend' : 'mind',
        stage: part ? stageOf(part) : 'piece',
        aboutId: part?.itemId ?? null,
        actual: { kind: 'temperatureC', value: atC },
        limit: { kind: 'temperatureC', value: touchLimitsC.long },
        what: part
          ? say`${name} comes to ${celsius(atC)} where it can be touched`
          : say`${name} comes to ${celsius(atC)}`,
        why: say`Skin bears ${celsius(touchLimitsC.long)} for long and ${celsius(touchLimitsC.short)} for a short touch.`,
        mend: part
          ? 'Cover it with air between, turn it away from the body, or give it less current.'
          : 'Openings for air, a larger box, something between it and the body, or less current in it.',
        fixes: [],
      }),
    );
};

/** Cells that share a box with what warms it: they age fast there, and past their limit they are a danger. */
export const warmCellsRule: Rule = ({ design, assessment }) =>
  assessment.warm.boxes.flatMap(({ boxId, name, airC }) =>
    airC <= cellsBearC.charging
      ? []
      : assessment.supplies.flatMap(({ rail }): Finding[] => {
          const item = design.items.find(({ id }) => id === rail.id);
          if (rail.gives?.form !== 'cells' || !item || !('boxId' in item) || item.boxId !== boxId) return [];
          const isPast = airC > cellsBearC.giving;
          const limitC = isPast ? cellsBearC.giving : cellsBearC.charging;
          return [
            {
              ...named('cells-warm', rail.id),
              gravity: isPast ? 'stop' : 'mend',
              stage: 'power',
              aboutId: rail.id,
              actual: { kind: 'temperatureC', value: airC },
              limit: { kind: 'temperatureC', value: limitC },
              what: say`${rail.name} lies in ${name}, whose air comes to ${celsius(airC)}: ${isPast ? 'no cell is used' : 'no cell is charged'} above ${celsius(limitC)}`,
              why: 'Warm cells age fast and swell, and lithium cells past their limit can catch fire. Their maker’s sheet rules.',
              mend: 'Lay the pack elsewhere, open the box to the air, or put less heat into it.',
              fixes: [],
            },
          ];
        }),
  );
