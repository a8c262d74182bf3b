import type { Told } from '../items/index.ts';
import { type Message, ohms, say } from '../units/index.ts';

/** A light sensor, with what it reads. */
export interface ReadSensor {
  /** As it is called. */
  readonly name: Message;
  readonly darkOhm: number;
  readonly lightOhm: number;
}

/** That the two readings of a sensor are exchanged, or the same: dark must be the higher. Wherever it is asked about. */
export const tellSwapped = ({ name, darkOhm, lightOhm }: ReadSensor): Told | null =>
  darkOhm > lightOhm
    ? null
    : {
        rule: 'sensor-swapped',
        gravity: 'stop',
        actual: { kind: 'resistanceOhm', value: darkOhm },
        limit: { kind: 'resistanceOhm', value: lightOhm },
        what: say`${name} reads ${ohms(darkOhm)} in the dark and ${ohms(lightOhm)} in light: the two are exchanged, or the same`,
        why: 'A photoresistor has the higher resistance in the dark. As it stands the piece lights by day.',
        mend: 'Exchange the two readings, or measure again.',
      };
