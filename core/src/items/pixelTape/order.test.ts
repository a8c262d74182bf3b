import { describe, expect, it } from 'vitest';
import { type ColourOrder, colourOrders } from '../../parts/index.ts';
import { orderSeen, sayOrder } from './order.ts';

/** What is seen of a pure colour by hand: the program puts it at its place on the wire, the tape takes that place for another. */
function shown(taken: ColourOrder, real: ColourOrder): string[] {
  return [...'RGB'].map((colour) => {
    const bytes = [...taken].map((each) => (each === colour ? 255 : 0));
    return real[bytes.indexOf(255)] ?? '';
  });
}

describe('the order in which a tape takes its colours', () => {
  it('follows from what the test showed, whatever it was taken for and whatever it is', () => {
    for (const taken of colourOrders)
      for (const real of colourOrders) expect(orderSeen(taken, shown(taken, real))).toBe(real);
  });
  it('taken for green first, a tape of red first shows green for red: it is RGB', () => {
    expect(orderSeen('GRB', ['G', 'R', 'B'])).toBe('RGB');
    expect(sayOrder('RGB')).toBe('red, green, blue');
  });
  it('a colour that is seen twice is no order', () => {
    expect(orderSeen('GRB', ['R', 'R', 'B'])).toBeNull();
    expect(orderSeen('GRB', [])).toBeNull();
  });
});
