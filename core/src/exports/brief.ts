import type { Assessment } from '../assess.ts';
import { type Figure, figuresOf, onRails } from '../figures/index.ts';
import { checkPlan, listWishes } from '../findings/index.ts';
import type { Plan } from '../plan/index.ts';
import { describeEnd, sayCeiling } from '../power/index.ts';
import { amps, type Message, money, type Printer, percent, say } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

const gravityWords = { stop: 'STOP', mend: 'mend', mind: 'mind' } as const;

/** The assessment as a page of text that a person reads. */
export function writeBrief(plan: Plan, assessment: Assessment, printer: Printer): string {
  const findings = checkPlan(plan, assessment);
  const figures = figuresOf(assessment);
  const told = (figure: Figure, more: Message = ''): Message =>
    figure.likely === null && !figure.goesOn
      ? `not decided: needs ${figure.needs.join(', ')}`
      : say`${figure.answer}${more}`;
  const { supply, runsFor: runs } = assessment;
  const fromPack =
    supply && Number.isFinite(supply.atPeak.packA)
      ? say`, ${amps(supply.atPeak.packA)} from ${supply.rail.name} near its end`
      : '';
  const lines: readonly Message[] = [
    plan.name,
    '='.repeat(plan.name.length),
    `Mark          ${fingerprint(plan.design)}: the program and the sheets of this very plan carry the same`,
    `Lights        ${assessment.lightCount} in ${assessment.placed.length} groups`,
    say`Peak draw     ${told(figures.peakA, say` ${onRails(assessment)}${fromPack}`)}`,
    say`Usual draw    ${told(figures.usualA, say` ${onRails(assessment)}`)}`,
    say`Runs for      ${told(figures.runsForH, runs ? say`; ends because ${describeEnd(runs.end)}` : '')}`,
    say`Weakest link  ${figures.weakestLink.link ? figures.weakestLink.answer : told(figures.weakestLink)}`,
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
