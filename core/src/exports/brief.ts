import type { Assessment } from '../assess.ts';
import { describeWeakest } from '../explain/index.ts';
import { type Figured, figuresOf } from '../figures/index.ts';
import { checkPlan, listWishes } from '../findings/index.ts';
import type { Plan } from '../plan/index.ts';
import { describeEnd, sayCeiling } from '../power/index.ts';
import { amps, hours, type Message, money, type Printer, percent, say } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

const gravityWords = { stop: 'STOP', mend: 'mend', mind: 'mind' } as const;

/** The assessment as a page of text that a person reads. */
export function writeBrief(plan: Plan, assessment: Assessment, printer: Printer): string {
  const findings = checkPlan(plan, assessment);
  const figures = figuresOf(assessment);
  const told = (figure: Figured, sayIt: (value: number) => Message): Message =>
    figure.likely === null ? `not decided: needs ${figure.needs.join(', ')}` : sayIt(figure.likely);
  const { supply, runsFor: runs } = assessment;
  const lines: readonly Message[] = [
    plan.name,
    '='.repeat(plan.name.length),
    `Mark          ${fingerprint(plan.design)}: the program and the sheets of this very plan carry the same`,
    `Lights        ${assessment.lightCount} in ${assessment.placed.length} groups`,
    say`Peak draw     ${told(figures.peakA, (value) => say`${amps(value)} on the rails`)}${figures.peakA.likely !== null && supply && Number.isFinite(supply.atPeak.packA) ? say`, ${amps(supply.atPeak.packA)} from ${supply.rail.name} near its end` : ''}`,
    say`Usual draw    ${told(figures.usualA, (value) => say`${amps(value)} on the rails`)}`,
    say`Runs for      ${figures.runsForH.likely === null ? told(figures.runsForH, String) : runs ? say`${hours(runs.likelyH)} likely, ${hours(runs.cautiousH)} with caution; ends because ${describeEnd(runs.end)}` : 'as long as its outside supply'}`,
    say`Weakest link  ${figures.peakA.likely === null ? told(figures.peakA, String) : assessment.weakest ? describeWeakest(assessment.weakest) : 'not decided: needs a pack'}`,
    ...(figures.peakA.likely === null ? [] : assessment.ceilings).map(
      (ceiling) =>
        say`Ceiling       ${ceiling.name}: ${sayCeiling(ceiling.brightness)} (set to ${percent(ceiling.setTo)})`,
    ),
    say`Cost          ${money(assessment.costPerCopy)} a copy, by usual prices`,
    '',
    'Wishes',
    ...listWishes(plan.design, assessment).map(
      (wish) =>
        say`  ${wish.status === 'met' ? '[x]' : wish.status === 'open' ? '[ ]' : '[?]'} ${wish.text}: ${wish.reached}`,
    ),
    '',
    `Findings (${findings.length})`,
    ...findings.map((finding) => say`  ${gravityWords[finding.gravity].padEnd(5)} ${finding.what}. ${finding.mend}`),
    '',
    'Figures are planning values; a test at the bench decides. Follow the sheets of the parts and local rules.',
  ];
  return `${lines.map(printer.message).join('\n')}\n`;
}
