import type { Assessment } from '../assess.ts';
import { describeWeakest } from '../explain/index.ts';
import { checkDesign, listWishes } from '../findings/index.ts';
import type { Plan } from '../plan/index.ts';
import { describeEnd, printCeiling } from '../power/index.ts';
import { printQuantity } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

const gravityWords = { stop: 'STOP', mend: 'mend', mind: 'mind' } as const;

/** The assessment as a page of text that a person reads. */
export function writeBrief(plan: Plan, assessment: Assessment): string {
  const { supply } = assessment;
  const findings = checkDesign(plan.design, assessment);
  const runs = supply?.runsFor;
  const lines = [
    plan.name,
    '='.repeat(plan.name.length),
    `Mark          ${fingerprint(plan.design)}: the program and the sheets of this very plan carry the same`,
    `Lights        ${assessment.lightCount} in ${assessment.placed.length} groups`,
    `Peak draw     ${printQuantity('currentA', assessment.peakA)} on the rail${supply && Number.isFinite(supply.atPeak.packA) ? `, ${printQuantity('currentA', supply.atPeak.packA)} from the pack near its end` : ''}`,
    `Usual draw    ${printQuantity('currentA', assessment.usualA)} on the rail`,
    `Runs for      ${runs ? `${printQuantity('timeH', runs.likelyH)} likely, ${printQuantity('timeH', runs.cautiousH)} with caution; ends because ${describeEnd(runs.end)}` : 'not decided: needs a pack and a mood'}`,
    `Weakest link  ${supply?.weakest ? describeWeakest(supply.weakest) : 'not decided: needs a pack'}`,
    ...(supply?.ceilings ?? []).map(
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
