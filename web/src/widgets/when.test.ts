import { describe, expect, it } from 'vitest';
import { writeTime } from './when.ts';

describe('a moment as it is read', () => {
  // Without a zone it is in the time of this machine, wherever that stands.
  const at = '2026-12-03T14:05';
  it('with its month as a word, the year first, the month first, the day first', () => {
    expect(writeTime(at, 'words')).toBe('3 Dec 2026, 14:05');
    expect(writeTime(at, 'year first')).toBe('2026-12-03 14:05');
    expect(writeTime(at, 'month first')).toMatch(/^12\/03\/2026, 02:05\sPM$/);
    expect(writeTime(at, 'day first')).toBe('03.12.2026, 14:05');
  });
});
