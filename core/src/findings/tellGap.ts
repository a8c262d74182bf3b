import type { Told } from '../items/index.ts';
import type { Guided } from '../lights/index.ts';
import { type Message, mm, percent, say } from '../units/index.ts';

/** So much farther than it must be, a light shines past the guides. */
const FAR_GAP = 2;
/** A gap that loses less than this is not spoken of. */
const FAR_LOSS = 0.5;
/** Of which so much is lit, none is seen to be dark. */
const ALL_LIT = 0.98;

/** Guides before a light. */
interface BeforeLight {
  /** As they are called. */
  readonly name: Message;
  /** Gathered before one light. */
  readonly atMouth: number;
  readonly gapMm: number;
  readonly guided: Pick<Guided, 'litShare' | 'neededGapMm' | 'kept'>;
}

/** The gap that is proposed: to a tenth of a millimetre, never less than what lights all of them. */
export const gapToSetMm = ({ neededGapMm }: Pick<Guided, 'neededGapMm'>): number =>
  Math.ceil(neededGapMm * 10 - 1e-9) / 10;

/**
 * A light so near that it lights only the middle of what is gathered before it, or so far that most of it shines past; null
 * where it is neither. Wherever it is asked about.
 */
export function tellGap({ name, atMouth, gapMm, guided }: BeforeLight): Told | null {
  const { litShare, neededGapMm, kept } = guided;
  const needed = gapToSetMm(guided);
  if (litShare < ALL_LIT && atMouth > 1)
    return {
      rule: 'guide-near',
      gravity: 'mend',
      actual: { kind: 'lengthMm', value: gapMm },
      limit: { kind: 'lengthMm', value: neededGapMm },
      what: say`The light is so near to ${name} that ${percent(litShare)} of the bundle is lit: about ${Math.round(atMouth * (1 - litShare))} of ${atMouth} stay dark`,
      why: 'Its spot is smaller than the mouth of the bundle, and shines into the middle alone.',
      mend: say`Stand the bundle off by ${mm(needed)}, or fill the gap with clear glue, which mixes and costs light.`,
    };
  if (gapMm <= FAR_GAP * neededGapMm + 1 || kept.entersCone > FAR_LOSS) return null;
  return {
    rule: 'guide-far',
    gravity: 'mind',
    actual: { kind: 'lengthMm', value: gapMm },
    limit: { kind: 'lengthMm', value: neededGapMm },
    what: say`${name} begin ${mm(gapMm)} from their light: ${percent(kept.entersCone)} of it goes in`,
    why: 'The rest shines past them, into the hollow.',
    mend: say`${mm(needed)} lights all of them.`,
  };
}
