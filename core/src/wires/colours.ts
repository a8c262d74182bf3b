/** What a core is for. One colour has one meaning in a piece. */
export type CoreMeaning = 'pack plus' | 'minus' | 'rail plus' | 'data' | `signal ${string}` | `channel ${string}`;

const reserved: Readonly<Record<string, string>> = {
  'pack plus': 'red',
  minus: 'black',
  'rail plus': 'orange',
  data: 'green',
};
const forSignals = ['white', 'yellow', 'blue', 'violet', 'grey', 'brown', 'pink', 'turquoise'] as const;

/** The colours of wire that the app knows, with how each is drawn. */
export const wireColours: Readonly<Record<string, string>> = {
  red: '#b3261e',
  black: '#22201c',
  orange: '#d9730d',
  green: '#2f7d3b',
  white: '#f4f1ea',
  yellow: '#d8b400',
  blue: '#2b5fa8',
  violet: '#7a3f9d',
  grey: '#86827a',
  brown: '#6d4423',
  pink: '#d77a9a',
  turquoise: '#2a9d94',
};

/** A colour for every meaning, plus and minus reserved; past the eight signal colours they come round with a stripe. */
export function colourCores(meanings: readonly CoreMeaning[]): ReadonlyMap<CoreMeaning, string> {
  const result = new Map<CoreMeaning, string>();
  let next = 0;
  for (const meaning of meanings) {
    if (result.has(meaning)) continue;
    const fixed = reserved[meaning];
    if (fixed) {
      result.set(meaning, fixed);
      continue;
    }
    const round = Math.floor(next / forSignals.length);
    const colour = forSignals[next % forSignals.length] ?? 'white';
    result.set(meaning, round === 0 ? colour : `${colour}, ${round} stripe${round > 1 ? 's' : ''}`);
    next += 1;
  }
  return result;
}
