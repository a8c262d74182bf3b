import { type Message, mm, say } from '../../units/index.ts';
import type { Told } from '../finding.ts';
import { REACH_MARGIN, worksThrough } from './magnet.ts';

/** A magnet before its switch, with the wall between. */
export interface MagnetBehind {
  /** The switch, as it is called. */
  readonly name: Message;
  /** Within which it closes. */
  readonly pullInMm: number;
  readonly wallMm: number;
}

/** That a magnet does not reach its switch, or barely; null where it does with a margin. Wherever it is asked about. */
export const tellMagnet = ({ name, pullInMm, wallMm }: MagnetBehind): Told | null =>
  worksThrough(pullInMm, wallMm)
    ? null
    : {
        rule: 'magnet-weak',
        gravity: pullInMm >= wallMm ? 'mend' : 'stop',
        actual: { kind: 'lengthMm', value: pullInMm },
        limit: { kind: 'lengthMm', value: wallMm * REACH_MARGIN },
        what: say`The magnet of ${name} closes it from ${mm(pullInMm)}; the wall is ${mm(wallMm)}`,
        why: 'A little off the axis, or with steel nearby, it does not close.',
        mend: 'A stronger or larger magnet, or a thinner wall over the switch.',
      };
