import { FLICKERS_BELOW_HZ, SEEN_IN_THE_DARK_A } from '../drive/index.ts';
import type { Told } from '../items/index.ts';
import { amps, type Message, quantity, say, volts } from '../units/index.ts';

/** Lights that take turns, as they are called. */
interface Scanned {
  readonly name: Message;
}

/** What is seen of a light that should be dark; null where nothing is. Wherever it is asked about. */
export function tellScanGlow({
  name,
  acrossOffV,
  glowA,
}: Scanned & { readonly acrossOffV: number; readonly glowA: number }): Told | null {
  if (glowA < SEEN_IN_THE_DARK_A) return null;
  return {
    rule: 'scan-glow',
    gravity: 'mend',
    actual: { kind: 'currentA', value: glowA },
    limit: { kind: 'currentA', value: SEEN_IN_THE_DARK_A },
    what: say`${name} glows where it should be dark: ${volts(acrossOffV)} stand over a light that is off, and ${amps(glowA)} flow`,
    why: 'A row is higher than a column at rest by so much. Low-drop colours glow at it where high-drop ones stay dark.',
    mend: 'Let go of the columns that are dark, or put a diode behind each light.',
  };
}

/** Pictures that follow each other too slowly for the eye; null where they do not. */
export function tellScanFlicker({
  name,
  turns,
  picturesPerS,
}: Scanned & { readonly turns: number; readonly picturesPerS: number }): Told | null {
  if (picturesPerS >= FLICKERS_BELOW_HZ) return null;
  return {
    rule: 'scan-flicker',
    gravity: 'mend',
    actual: { kind: 'frequencyHz', value: picturesPerS },
    limit: { kind: 'frequencyHz', value: FLICKERS_BELOW_HZ },
    what: say`${name} flickers: ${turns} turns leave ${quantity('frequencyHz', picturesPerS)} for the whole picture`,
    why: 'The eye sees it below a hundred a second, sooner where it or the piece moves.',
    mend: 'Fewer rows with more columns, two groups on two boards, or a part that scans by itself.',
  };
}

/** What one light carries for good if the program stands still in its turn; null where it bears that. */
export function tellScanStill({
  name,
  brightestA,
  ratedA,
}: Scanned & { readonly brightestA: number; readonly ratedA: number }): Told | null {
  if (brightestA <= ratedA * (1 + 1e-9)) return null;
  return {
    rule: 'scan-still',
    gravity: 'mind',
    actual: { kind: 'currentA', value: brightestA },
    limit: { kind: 'currentA', value: ratedA },
    what: say`If the program stands still, a light of ${name} carries ${amps(brightestA)} for good; it bears ${amps(ratedA)}`,
    why: 'What is sound in one turn of many is too much all the time: a program that halts, is loaded or is stepped through burns the row that it stopped in.',
    mend: 'Ask for no more than a light bears for good, and take the lights’ lead off while you load the program.',
  };
}
