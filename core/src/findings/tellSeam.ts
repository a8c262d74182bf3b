import type { Told } from '../items/index.ts';
import { interleave } from '../lights/index.ts';
import { type Message, say } from '../units/index.ts';

/** Lights by turns on channels, round a closed ring. */
interface WovenRing {
  /** As they are called. */
  readonly name: Message;
  readonly lights: number;
  readonly channels: number;
}

/** Two channels only swing: from three on a run is seen to stumble. */
const RUNS_FROM = 3;

/** Channels, as a maker counts them, that are left out between the last light of a ring and its first. @example "channels 2, 3" */
export const missingChannels = (lights: number, channels: number): string | null => {
  const missing = interleave(lights, channels, null).missingAtSeam.map((each) => each + 1);
  return missing.length === 0 ? null : `${missing.length > 1 ? 'channels' : 'channel'} ${missing.join(', ')}`;
};

/** A ring whose lights do not go up on its channels; null where they do, or nothing runs. Wherever it is asked about. */
export function tellSeam({ name, lights, channels }: WovenRing): Told | null {
  const missing = missingChannels(lights, channels);
  if (missing === null || channels < RUNS_FROM || lights <= channels) return null;
  const fewer = lights - (lights % channels);
  return {
    rule: 'seam',
    gravity: 'mend',
    actual: { kind: 'count', value: lights },
    limit: { kind: 'count', value: fewer + channels },
    what: say`${name}: ${lights} lights on ${channels} channels leave a seam: ${missing} ${missing.startsWith('channels') ? 'are' : 'is'} missing between light ${lights} and light 1`,
    why: 'What runs round the ring stumbles there once a turn.',
    mend: `Take ${fewer} or ${fewer + channels} lights, or a number of channels that goes into ${lights}.`,
  };
}
