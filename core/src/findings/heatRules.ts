import type { WarmPart } from '../assess.ts';
import { forwardVoltageV } from '../circuit/index.ts';
import { deratedCurrentA, isTooNear, LIGHT_SHARE, softensAtC, touchLimitsC } from '../heat/index.ts';
import { type Edit, type Finding, type Fix, named } from '../items/index.ts';
import { converters } from '../parts/index.ts';
import { changeItem } from '../plan/index.ts';
import { amps, celsius, quantity, say } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';
import { singleLights } from './singleLights.ts';

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
    thermalKPerW: (part.insideC - part.airC) / part.heatW,
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

/** A part that is hotter inside than it bears. */
export const hotRule: Rule = (input) =>
  input.assessment.warm
    .filter((part) => part.insideC > part.limitC)
    .map((part): Finding => {
      const derated = part.what === 'light' ? derate(input, part) : null;
      const enough = quantity('thermalKPerW', (part.limitC - part.airC) / part.heatW);
      return {
        ...named('too-hot', part.id),
        gravity: 'stop',
        stage: part.what === 'converter' ? 'power' : 'drive',
        aboutId: part.itemId,
        actual: { kind: 'temperatureC', value: part.insideC },
        limit: { kind: 'temperatureC', value: part.limitC },
        what: say`${part.name} comes to ${celsius(part.insideC)} inside; it bears ${celsius(part.limitC)}`,
        why: 'Light and life fall with heat, and gross excess kills at once.',
        mend: derated
          ? say`At most ${amps(derated.mostA)}, or a heatsink and air that make it ${enough} from inside to the room.`
          : say`Less current, less voltage to lose in it, or ${enough} to the air.`,
        fixes: derated
          ? [{ label: say`At most ${amps(roundDown(derated.mostA))}`, edits: derated.edits }]
          : takeSwitching(input, part),
      };
    });

/** A power star that softens what holds it, while it is lit as long as the maker says. */
export const softRule: Rule = ({ assessment }) =>
  assessment.warm.flatMap((part): Finding[] => {
    const item = part.what === 'light' ? singleLights(assessment, part.itemId) : null;
    const softensC = item?.heldBy ? softensAtC[item.heldBy] : undefined;
    if (!item || softensC === undefined || !isTooNear(part.afterC, softensC)) return [];
    return [
      {
        ...named('softens', part.id),
        gravity: 'mend',
        stage: 'lights',
        aboutId: part.itemId,
        actual: { kind: 'temperatureC', value: part.afterC },
        limit: { kind: 'temperatureC', value: softensC - 10 },
        what: say`${part.name} comes to ${celsius(part.afterC)} where it is held, and ${item.heldBy ?? ''} softens at ${celsius(softensC)}`,
        why: 'Within ten kelvin of that nothing is held for long: it creeps, and what it held comes loose in the warm.',
        mend: 'A larger heatsink, less current, lit for a shorter time, or screws.',
        fixes: [],
      },
    ];
  });

/** What is hot to a hand or a skin on a piece that somebody carries. */
export const touchRule: Rule = ({ design, assessment }) =>
  design.piece.carriedBy === 'nobody'
    ? []
    : assessment.warm
        .filter((part) => part.what === 'light' && part.afterC > touchLimitsC.long)
        .map(
          (part): Finding => ({
            ...named('hot-touch', part.id),
            gravity: part.afterC > touchLimitsC.short ? 'mend' : 'mind',
            stage: 'lights',
            aboutId: part.itemId,
            actual: { kind: 'temperatureC', value: part.afterC },
            limit: { kind: 'temperatureC', value: touchLimitsC.long },
            what: say`${part.name} comes to ${celsius(part.afterC)} where it can be touched`,
            why: say`Skin bears ${celsius(touchLimitsC.long)} for long and ${celsius(touchLimitsC.short)} for a short touch.`,
            mend: 'Cover it with air between, turn it away from the body, or give it less current.',
            fixes: [],
          }),
        );
