import { describe, expect, it } from 'vitest';
import { keepFew } from './keepFew.ts';

describe('the last few results of a pure function', () => {
  const counting = (most?: number, compared?: number) => {
    let made = 0;
    const kept = keepFew(
      (items: readonly object[], words: readonly string[], factor: number) => {
        made += 1;
        return { items, words, factor };
      },
      most,
      compared,
    );
    return { kept, count: () => made };
  };
  const [one, two] = [[{}], [{}]];
  it('are given again for the very same things, and for lists of the same words', () => {
    const { kept, count } = counting();
    expect(kept(one, ['a', 'b'], 1)).toBe(kept(one, ['a', 'b'], 1));
    expect(count()).toBe(1);
  });
  it('are made anew for other things, however alike, and for other words or numbers', () => {
    const { kept, count } = counting();
    kept(one, ['a'], 1);
    kept(two, ['a'], 1);
    kept(one, ['b'], 1);
    kept(one, ['a', 'b'], 1);
    kept(one, ['a'], 2);
    expect(count()).toBe(5);
  });
  it('are as many as were asked for: the oldest goes', () => {
    const { kept, count } = counting(2);
    kept(one, [], 1);
    kept(one, [], 2);
    kept(one, [], 3);
    kept(one, [], 3);
    expect(count()).toBe(3);
    kept(one, [], 1);
    expect(count()).toBe(4);
  });
  it('look at as many of the needs as decide it', () => {
    const { kept, count } = counting(4, 2);
    kept(one, ['a'], 1);
    kept(one, ['a'], 2);
    expect(count()).toBe(1);
  });
});
