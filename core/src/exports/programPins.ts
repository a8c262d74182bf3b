import type { Assessment } from '../assess.ts';
import type { Plan } from '../plan/index.ts';
import { safe } from './programText.ts';

const macro = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/^_|_$/g, '')
    .toUpperCase();

/** The header with the pins of a plan: one line each, so that another pin is one line changed. */
export function writePins(plan: Plan, assessment: Assessment): string {
  const given = assessment.pinPlan?.given ?? [];
  const lines = given.map(
    ({ demand, pin }) => `#define PIN_${macro(demand.label)} ${macro(pin.name)} /* ${safe(demand.label)} */`,
  );
  const nameOf = (demandId: string): string => {
    const found = given.find(({ demand }) => demand.id === demandId);
    return found ? `PIN_${macro(found.demand.label)}` : 'NO_PIN';
  };
  const list = (names: readonly string[]): string => `{ ${names.join(', ') || 'NO_PIN'} }`;
  const channels = assessment.show.groups.flatMap((group) =>
    group.bytesPerPoint === 1
      ? Array.from({ length: group.points }, (_, i) => nameOf(`channel:${group.id}:${i + 1}`))
      : [],
  );
  return `/* ${safe(plan.name)}: the pins, one line each. A board file says what each name is on its chip. */
#ifndef PINS_H
#define PINS_H

${lines.join('\n') || '/* No controller is chosen yet. */'}

/* In the order of the plan: channels of single lights, chains of pixels, controls. */
#define UG_CHANNEL_PINS ${list(channels)}
#define UG_LINE_PINS ${list(assessment.chains.map((chain) => nameOf(`data:${chain.tapeIds[0] ?? ''}`)))}
#define UG_CONTROL_PINS ${list(plan.design.drive.controls.map((control) => nameOf(`control:${control.id}`)))}

#endif
`;
}
