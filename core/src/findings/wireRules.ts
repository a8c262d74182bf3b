import { type Finding, type Fix, named } from '../items/index.ts';
import { type WireRun, waysOfRun } from '../network/index.ts';
import { takeGauge } from '../plan/index.ts';
import { gauge, say } from '../units/index.ts';
import { dropShare, soldGauges, thinnestGauge } from '../wires/index.ts';
import type { Rule, RuleInput } from './finding.ts';
import { tellRun } from './tellRun.ts';

/** The voltage of the rail that a run belongs to. */
const railVOf = (run: WireRun, { assessment }: RuleInput): number => {
  const railId = run.joins.find(({ net }) => net.railId !== null)?.net.railId ?? null;
  const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
  return range?.nominalV ?? 5;
};

function fixRun(run: WireRun, input: RuleInput): Fix[] {
  const stock = input.design.wires.gaugesInStock;
  const need = {
    currentA: run.peakA ?? 0,
    lengthMm: run.lengthMm ?? 0,
    ways: waysOfRun(run),
    mostDropV: dropShare.most * railVOf(run, input),
  };
  const inStock = thinnestGauge(
    soldGauges.filter((each) => stock.includes(each)),
    need,
  );
  const thick = inStock ?? thinnestGauge(soldGauges, need);
  if (thick === undefined) return [];
  const where = inStock === undefined ? ', which is not in your stock' : '';
  return [{ label: say`Take ${gauge(thick)}${where}`, edits: [takeGauge(run.id, thick)] }];
}

/** A run that carries too much for its gauge, or drops too much on its way. */
export const wireRule: Rule = (input) =>
  input.assessment.runs.flatMap((run): Finding[] => {
    const { name, gaugeAwg, peakA, carriesA, dropV, lengthMm } = run;
    if (peakA === null) return [];
    const fixes = fixRun(run, input);
    const told = tellRun({
      name,
      wire: gauge(gaugeAwg),
      peakA,
      carriesA,
      dropV,
      lengthMm: lengthMm ?? 0,
      mostDropV: dropShare.most * railVOf(run, input),
      thicker: fixes.length > 0,
    });
    return told ? [{ ...told, ...named(told.rule, run.id), stage: 'wires', aboutId: run.id, fixes }] : [];
  });
