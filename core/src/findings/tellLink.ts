import type { Told } from '../items/index.ts';
import type { LinkLimit } from '../power/index.ts';
import { amps, type Message, say } from '../units/index.ts';

/** A link between cell and light, with what it carries at the height. */
export interface CarryingLink extends Pick<LinkLimit, 'id' | 'limitA'> {
  /** As it is called. */
  readonly name: Message;
  readonly loadA: number;
  /** All the time, not at the height alone. */
  readonly isSteady?: boolean;
}

/** What is told of a link that carries more than it may; null where it does not. Wherever it is asked about. */
export function tellLink(link: CarryingLink): Told | null {
  const { id, name, loadA, limitA, isSteady = false } = link;
  if (loadA <= limitA * (1 + 1e-9)) return null;
  return {
    rule: 'link',
    gravity: 'stop',
    actual: { kind: 'currentA', value: loadA },
    limit: { kind: 'currentA', value: limitA },
    what: say`${name} carries ${amps(loadA)}${isSteady ? '' : ' at peak'} and is good for ${amps(limitA)}`,
    why:
      id === 'fuse'
        ? isSteady
          ? 'It blows, at once or after a while.'
          : 'It blows in the middle of the evening.'
        : 'It heats, drops voltage or fails, on the night rather than on the bench.',
    mend: 'Take a stronger one, or lower the brightness.',
  };
}
