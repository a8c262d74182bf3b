import type { SupplyAssessment } from '../assess.ts';
import { converterTakesA, type Finding, isLinear, named, type Told } from '../items/index.ts';
import { runOhm } from '../network/index.ts';
import { type ConverterPart, findPart } from '../parts/index.ts';
import { changeItem } from '../plan/index.ts';
import { drawAt, sourceAt } from '../power/index.ts';
import { amps, percent, quantity, say, watts } from '../units/index.ts';
import { beforeConverter } from './beforeConverter.ts';
import type { Rule } from './finding.ts';
import { reservoirsUf } from './reservoirs.ts';
import { starvesBoard } from './starvesBoard.ts';
import { tellCollapse, tellInputLow, tellNearCollapse } from './tellConverter.ts';

/** Saving less than this share of what is taken in, or less than this current, is not worth another part. */
const WORTH_SHARE = 0.25;
const WORTH_A = 0.02;

/** A linear regulator that burns much of what the pack gives, where a converter that lowers would not. */
export const wastefulRule: Rule = ({ design, assessment, library }) =>
  assessment.rails.list.flatMap((rail): Finding[] => {
    const from = rail.fromId === null ? undefined : assessment.rails.byId.get(rail.fromId);
    if (rail.gives.form !== 'converter' || rail.gives.part?.topology !== 'linear' || !from?.range) return [];
    const { part, item } = rail.gives;
    const outA = assessment.railFigures.find(({ id }) => id === rail.id)?.usualA ?? 0;
    const inV = from.range.nominalV;
    const nowA = converterTakesA(part, outA, inV);
    const better = [...library.parts.values()]
      .filter(
        (each): each is ConverterPart =>
          each.kind === 'converter' &&
          each.topology === 'buck' &&
          each.outputV === part.outputV &&
          each.outputLimitA >= part.outputLimitA &&
          (from.range?.mostV ?? 0) <= each.inputMostV &&
          (from.range?.leastV ?? 0) >= each.inputLeastV,
      )
      .map((each) => ({ part: each, inA: converterTakesA(each, outA, inV) }))
      .sort((a, b) => a.inA - b.inA)[0];
    if (!better || nowA - better.inA < Math.max(WORTH_A, WORTH_SHARE * nowA)) return [];
    return [
      {
        ...named('regulator-wastes', rail.id),
        gravity: 'mind',
        stage: 'power',
        aboutId: rail.id,
        actual: { kind: 'currentA', value: nowA },
        limit: { kind: 'currentA', value: better.inA },
        what: say`${rail.name} burns ${percent(1 - part.outputV / inV)} of what it takes in: ${watts((inV - part.outputV) * outA)} in the mean`,
        why: say`A linear regulator takes ${amps(nowA)} for ${amps(outA)} given; one that switches takes ${amps(better.inA)}, and the pack lasts so much longer.`,
        mend: 'Take a converter that lowers; the linear one where its hum would be heard, or for a few milliamperes.',
        fixes: [{ label: `Take: ${better.part.name}`, edits: changeItem(design, item.id, { part: better.part.id }) }],
      },
    ];
  });

/** What is told of the converter at this place of a tree that nothing solves. */
function tellStarved(supply: SupplyAssessment, node: number): Told | null {
  const { name = '', converter } = supply.tree.nodes[node] ?? {};
  const before = beforeConverter(supply, node);
  if (!converter || !isLinear(converter)) return tellCollapse({ name, ...before });
  const outputA = drawAt(supply.peak[node], converter.outputV);
  return tellInputLow({
    name,
    inputV: Math.max(0, before.openV - outputA * before.sourceOhm),
    leastV: converter.inputLeastV,
  });
}

/**
 * A converter that what stands before it can't feed at its height, with little charge left. Where moods light it their
 * ceiling tells of that, and of a board that starves the rule of rails.
 */
export const starvedConverterRule: Rule = ({ assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { tree, atPeak, ceilings, rail } = supply;
    const isTold = ceilings.some(({ setTo, brightness }) => setTo > brightness + 1e-6);
    const first = tree.nodes.findIndex(({ converter }) => converter !== null);
    if (isTold || first < 0 || starvesBoard(assessment, supply)) return [];
    const common = { stage: 'power', aboutId: rail.id, fixes: [] } as const;
    if (atPeak.collapses) {
      const told = tellStarved(supply, first);
      return told ? [{ ...common, ...told, ...named(told.rule, rail.id) }] : [];
    }
    return tree.nodes.flatMap(({ id, name, converter }, i): Finding[] => {
      const state = atPeak.nodes[i];
      if (!converter || !state || state.outA <= 0) return [];
      const low = tellInputLow({ name, inputV: state.inV, leastV: converter.inputLeastV });
      // A linear one passes its current on: it asks for no more as the voltage falls.
      const near = isLinear(converter)
        ? null
        : tellNearCollapse({ name, askedW: state.inV * state.inA, ...beforeConverter(supply, i) });
      const told = low ?? near;
      return told ? [{ ...common, ...told, ...named(told.rule, id), aboutId: id }] : [];
    });
  });

/** A contact bears so many times its rating for the moment in which a capacitor is filled; typical. */
const BEARS_TIMES = 20;
const LEAST_UF = 200;

/** A reservoir that a small contact fills at once. */
export const inrushRule: Rule = ({ assessment, library }) =>
  assessment.rails.list.flatMap((rail): Finding[] => {
    if (rail.gives.form !== 'contact') return [];
    const part = findPart(library, 'switch', rail.gives.item.part);
    const supply = assessment.supplies.find((each) => each.rail.id === rail.sourceId);
    const from = rail.fromId === null ? undefined : assessment.rails.byId.get(rail.fromId);
    // Behind a converter its own slow start fills them.
    if (!part || !supply || !from || from.gives.form === 'converter') return [];
    const microfarads = reservoirsUf(rail.id, assessment);
    if (microfarads < LEAST_UF) return [];
    const { openV, ohm } = sourceAt(supply.tree.source, 1);
    const lead = assessment.runs.find(({ id }) => id === `lead:${rail.id}`);
    const peakA = openV / Math.max(0.01, ohm + part.contactOhm + runOhm(lead));
    if (peakA <= part.limitA * BEARS_TIMES) return [];
    return [
      {
        ...named('inrush', rail.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: rail.id,
        actual: { kind: 'currentA', value: peakA },
        limit: { kind: 'currentA', value: part.limitA * BEARS_TIMES },
        what: say`${rail.name} closes onto ${quantity('capacitanceUf', microfarads)}: about ${amps(peakA)} for a moment, through a contact for ${amps(part.limitA)}`,
        why: 'The contact sparks at every switching on, and welds shut in time: then it can’t be switched off.',
        mend: 'A larger switch, a smaller reservoir, or the converter behind the switch.',
        fixes: [],
      },
    ];
  });
