import type { Assessment } from '../assess.ts';
import { describeWeakest } from '../explain/index.ts';
import { type Figured, figuresOf } from '../figures/index.ts';
import { checkPlan, listWishes } from '../findings/index.ts';
import type { Plan } from '../plan/index.ts';
import { describeEnd, printCeiling } from '../power/index.ts';
import { printQuantity } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

const gravityWords = { stop: 'STOP', mend: 'mend', mind: 'mind' } as const;

/** The assessment as a page of text that a person reads. */
export function writeBrief(plan: Plan, assessment: Assessment): string {
  const findings = checkPlan(plan, assessment);
  const figures = figuresOf(assessment);
  const told = (figure: Figured, print: (value: number) => string): string =>
    figure.likely === null ? `not decided: needs ${figure.needs.join(', ')}` : print(figure.likely);
  const { supply, runsFor: runs } = assessment;
  const lines = [
    plan.name,
    '='.repeat(plan.name.length),
    `Mark          ${fingerprint(plan.design)}: the program and the sheets of this very plan carry the same`,
    `Lights        ${assessment.lightCount} in ${assessment.placed.length} groups`,
    `Peak draw     ${told(figures.peakA, (value) => `${printQuantity('currentA', value)} on the rails`)}${figures.peakA.likely !== null && supply && Number.isFinite(supply.atPeak.packA) ? `, ${printQuantity('currentA', supply.atPeak.packA)} from ${supply.rail.name} near its end` : ''}`,
    `Usual draw    ${told(figures.usualA, (value) => `${printQuantity('currentA', value)} on the rails`)}`,
    `Runs for      ${figures.runsForH.likely === null ? told(figures.runsForH, String) : runs ? `${printQuantity('timeH', runs.likelyH)} likely, ${printQuantity('timeH', runs.cautiousH)} with caution; ends because ${describeEnd(runs.end)}` : 'as long as its outside supply'}`,
    `Weakest link  ${figures.peakA.likely === null ? told(figures.peakA, String) : assessment.weakest ? describeWeakest(assessment.weakest) : 'not decided: needs a pack'}`,
    ...(figures.peakA.likely === null ? [] : assessment.ceilings).map(
      (ceiling) =>
        `Ceiling       ${ceiling.name}: ${printCeiling(ceiling.brightness)} (set to ${printQuantity('fraction', ceiling.setTo)})`,
    ),
    `Cost          ${printQuantity('money', assessment.costPerCopy)} a copy, by usual prices`,
    '',
    'Wishes',
    ...listWishes(plan.design, assessment).map(
      (wish) =>
        `  ${wish.status === 'met' ? '[x]' : wish.status === 'open' ? '[ ]' : '[?]'} ${wish.text}: ${wish.reached}`,
    ),
    '',
    `Findings (${findings.length})`,
    ...findings.map((finding) => `  ${gravityWords[finding.gravity].padEnd(5)} ${finding.what}. ${finding.mend}`),
    '',
    'Figures are planning values; a test at the bench decides. Follow the sheets of the parts and local rules.',
  ];
  return `${lines.join('\n')}\n`;
}
