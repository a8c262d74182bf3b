import { type Finding, type Fix, named } from '../items/index.ts';
import { type WireRun, waysOfRun } from '../network/index.ts';
import { takeGauge } from '../plan/index.ts';
import { amps, gauge, mm, say, volts } from '../units/index.ts';
import { soldGauges, wireCarriesA, wireDrop, wireOhmPerMetre } from '../wires/index.ts';
import type { Rule, RuleInput } from './finding.ts';

/** More than this share of the rail lost in one run shows in the light. */
const MOST_DROP_SHARE = 0.05;

/** The voltage of the rail that a run belongs to. */
const railVOf = (run: WireRun, { assessment }: RuleInput): number => {
  const railId = run.joins.find(({ net }) => net.railId !== null)?.net.railId ?? null;
  const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
  return range?.nominalV ?? 5;
};

function fixRun(run: WireRun, input: RuleInput): Fix[] {
  const peakA = run.peakA ?? 0;
  const stock = input.design.wires.gaugesInStock;
  const suits = (gaugeAwg: number): boolean =>
    wireCarriesA(gaugeAwg) >= peakA &&
    wireDrop.reckon({ n: waysOfRun(run), I: peakA, L: run.lengthMm ?? 0, r: wireOhmPerMetre(gaugeAwg) }) <=
      MOST_DROP_SHARE * railVOf(run, input);
  const inStock = soldGauges.find((each) => stock.includes(each) && suits(each));
  const thick = inStock ?? soldGauges.find(suits);
  if (thick === undefined) return [];
  const where = inStock === undefined ? ', which is not in your stock' : '';
  return [{ label: say`Take ${gauge(thick)}${where}`, edits: [takeGauge(run.id, thick)] }];
}

/** What is left to do where even the thickest wire is not enough. */
const noneSuits = say`Not even ${gauge(Math.min(...soldGauges))} is enough: take a shorter way, two wires side by side, or feed it nearer to the pack.`;

/** A run that carries too much for its gauge, or drops too much on its way. */
export const wireRule: Rule = (input) =>
  input.assessment.runs.flatMap((run): Finding[] => {
    if (run.peakA === null) return [];
    const overloaded = run.peakA > run.carriesA * (1 + 1e-9);
    const dropping = run.dropV > MOST_DROP_SHARE * railVOf(run, input);
    if (!overloaded && !dropping) return [];
    const fixes = fixRun(run, input);
    return [
      {
        ...named('wire', run.id),
        gravity: overloaded ? 'stop' : 'mend',
        stage: 'wires',
        aboutId: run.id,
        what: overloaded
          ? say`${run.name}: ${gauge(run.gaugeAwg)} carries ${amps(run.carriesA)} in a bundle, and ${amps(run.peakA)} flow at peak`
          : say`${run.name} loses ${volts(run.dropV)} at peak on ${mm(run.lengthMm ?? 0)} of ${gauge(run.gaugeAwg)}`,
        why: overloaded
          ? 'Bundled under cloth it warms up until its insulation softens.'
          : 'What is lost on the way is missing at the light, and the far end goes dim and warm.',
        mend: fixes.length > 0 ? 'Take thicker wire or a shorter way.' : noneSuits,
        fixes,
      },
    ];
  });
