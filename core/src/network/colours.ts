import type { Net, NetRole } from './netNames.ts';

const reserved: Readonly<Partial<Record<NetRole, string>>> = {
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

/**
 * A colour for every net, plus and minus reserved; past the eight signal colours they come round with a stripe. A second
 * plus or minus of its own keeps its colour and gets a stripe too, so that no colour has two meanings.
 */
export function colourCores(nets: readonly Net[]): ReadonlyMap<string, string> {
  const result = new Map<string, string>();
  const stripes = new Map<string, number>();
  let next = 0;
  // The rail that most hangs on keeps the plain colour, wherever its first core is met.
  const mainFirst = [...nets].sort((a, b) => Number(b.name === 'rail plus') - Number(a.name === 'rail plus'));
  for (const net of mainFirst) {
    if (result.has(net.id)) continue;
    const fixed = reserved[net.role];
    const colour = fixed ?? forSignals[next % forSignals.length] ?? 'white';
    if (!fixed) next += 1;
    // Data runs on from tape to tape: one colour says it all along.
    const round = net.role === 'data' ? 0 : (stripes.get(colour) ?? 0);
    stripes.set(colour, round + 1);
    result.set(net.id, round === 0 ? colour : `${colour}, ${round} stripe${round > 1 ? 's' : ''}`);
  }
  return result;
}
