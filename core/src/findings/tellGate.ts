import type { Told } from '../items/index.ts';
import { type Message, say, volts } from '../units/index.ts';

/** What is driven, and by how much with the pack at its lowest. */
export interface DrivenGate {
  /** The transistor, as it is called. */
  readonly name: Message;
  readonly type: 'field-effect' | 'bipolar';
  readonly drivenV: number;
  /** Promised to be full on at so much; of a bipolar one, what its junction takes. */
  readonly fullOnV: number;
}

/** Where a transistor is not full on; null where it is. Wherever it is asked about. */
export function tellGate({ name, type, drivenV, fullOnV }: DrivenGate): Told | null {
  if (drivenV >= fullOnV - 1e-9) return null;
  const base = {
    rule: 'gate-low',
    gravity: 'stop',
    actual: { kind: 'voltageV', value: drivenV },
    limit: { kind: 'voltageV', value: fullOnV },
  } as const;
  return type === 'bipolar'
    ? {
        ...base,
        what: say`${volts(drivenV)} does not turn ${name} on: its base takes ${volts(fullOnV)}`,
        why: 'Below that no current flows into its base, and the lights stay dark.',
        mend: 'Drive it from a higher voltage.',
      }
    : {
        ...base,
        what: say`${volts(drivenV)} does not turn ${name} full on: its on-resistance is promised at ${volts(fullOnV)}`,
        why: 'The threshold is where it begins to conduct, not where it is on; between the two it is a heater.',
        mend: say`Take one that is promised at ${volts(drivenV)} or less.`,
      };
}
