import { describe, expect, it } from 'vitest';
import { moodOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { figuresOf } from '../figures/index.ts';
import { readPartsCsv } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

// One small piece of parts with round figures, reckoned whole on paper: 300 mm of 60 a metre are 18 lights; each die
// takes 10 mA at full, each light 1 mA when dark; the board takes 20 mA; the cell has 2000 mAh.
const table = `kind,like,name,price,density,die current,rest current,draw,capacity
pixel-tape,pixel-tape-60,Round tape,10,60/m,10 mA,1 mA,,
controller,controller-large-5v,Round board,8,,,,20 mA,
pack,pack-lithium-round-3400,Round cell,6,,,,,2000 mAh
`;
const { parts: ownParts, problems } = readPartsCsv(table);
const [tape, board, cell] = ownParts.map((part) => part.id);
const power = { ...soundSimple.power, fuseA: 2 };
const simple = soundDesign({ power, tapes: [tapeOf({ part: tape ?? '', lengthMm: 300 })] });

/** With the board and the cell of the table. */
const round = (items: Design['items']): Design['items'] =>
  items.map((item) =>
    item.kind === 'board'
      ? { ...item, part: board ?? '' }
      : item.kind === 'pack'
        ? { ...item, part: cell ?? '' }
        : item,
  );
const piece = (brightness: number, from: Design = simple): Design => ({
  ...from,
  ownParts,
  items: round(from.items),
  moods: { ...from.moods, list: [moodOf({ brightness })] },
});
const reckoned = assess(piece(0.4));

describe('a piece of round figures', () => {
  it('has its parts as the table says', () => {
    expect(problems).toEqual([]);
    expect(reckoned.lightCount).toBe(18);
  });

  it('rests at 20 + 18 · 1 = 38 mA', () => {
    expect(figuresOf(reckoned).restA.likely).toBeCloseTo(0.038, 9);
  });

  it('draws 38 + 18 · 3 · 10 · 0.4 = 254 mA in white at 40 %, at its height as in the mean', () => {
    const { peakA, usualA } = figuresOf(reckoned);
    expect(peakA.likely).toBeCloseTo(0.254, 9);
    expect(usualA.likely).toBeCloseTo(0.254, 9);
  });

  it.each([
    ['#ffffff', 1, 38 + 540],
    ['#ff0000', 1, 38 + 180],
    // Two of three dice; a colour is what is seen, and half of that is 0.502 to the power of 2.2, 56 of 255 of the current.
    ['#ff8000', 1, 38 + 180 + 180 * (56 / 255)],
    ['#000000', 1, 38],
  ])('draws in %s at %s of its brightness %f mA', (colour, brightness, milliamps) => {
    const design = piece(brightness);
    const steady = { kind: 'steady', colour, level: 1 } as const;
    const assessment = assess({
      ...design,
      moods: { ...design.moods, list: [moodOf({ brightness, moves: { tape: steady } })] },
    });
    expect((figuresOf(assessment).usualA.likely ?? 0) * 1000).toBeCloseTo(milliamps, 0);
  });

  it('asks of its cell 254 mA · 5 V by way of a converter of 80 to 97 %: 312 mA from a full one, 529 from an empty', () => {
    const cellA = reckoned.supply?.links.find((link) => link.id === 'cell')?.loadA ?? 0;
    expect(cellA).toBeGreaterThan((0.254 * 5) / 0.97 / 4.2);
    expect(cellA).toBeLessThan((0.254 * 5) / 0.8 / 3);
  });

  it('runs for 2000 mAh over that: 3.7 h at the least, 6.4 at the most', () => {
    const { runsForH } = figuresOf(reckoned);
    expect(runsForH.likely).toBeGreaterThan(2000 / 529);
    expect(runsForH.likely).toBeLessThan(2000 / 312);
    expect(runsForH.cautious).toBeLessThan(runsForH.likely ?? 0);
    // Energy: 2 Ah at 3.6 V are 7.2 Wh, of which nine tenths come out, and 1.27 W go in at the tape and the board.
    expect(runsForH.likely).toBeGreaterThan((7.2 * 0.8) / 1.27);
    expect(runsForH.likely).toBeLessThan((7.4 * 1) / 1.27);
  });

  it('sends 18 · 24 bits of 1.25 µs and a pause: more than 1,000 pictures a second', () => {
    const [line] = reckoned.dataLines;
    expect(line?.line.pixels).toBe(18);
    expect(line?.line.frameS).toBeGreaterThan(18 * 24 * 1.25e-6);
    expect(line?.line.frameS).toBeLessThan(18 * 24 * 1.25e-6 + 0.0005);
  });

  it('has on its feed what is behind it: 18 + 216 mA, and loses what its copper does', () => {
    const feed = reckoned.runs.find((run) => run.cores.some((core) => core.meaning.startsWith('data')));
    expect(feed?.peakA).toBeCloseTo(0.234, 9);
    const acrossMm = 0.127 * 92 ** ((36 - (feed?.gaugeAwg ?? 0)) / 39);
    const ohm = (2 * (feed?.lengthMm ?? 0) * 0.01724e-3) / ((Math.PI / 4) * acrossMm ** 2);
    // To the strands' own share of a few hundredths.
    expect((feed?.dropV ?? 0) / (0.234 * ohm)).toBeGreaterThan(0.95);
    expect((feed?.dropV ?? 0) / (0.234 * ohm)).toBeLessThan(1.1);
  });

  it('may be set to full: 578 mA of white are within the 2 A of its fuse and the 1.5 A of its converter', () => {
    expect(figuresOf(assess(piece(1))).ceiling.likely).toBe(1);
  });

  it('with ten times the tape may not: 5.4 A of white and 0.2 A of rest are more than 1.5 A, a quarter is not', () => {
    const long = soundDesign({ power, tapes: [tapeOf({ part: tape ?? '', lengthMm: 3000 })] });
    const ceiling = figuresOf(assess(piece(0.2, long))).ceiling.likely ?? 1;
    // (1.5 − 0.02 − 0.18) / 5.4 = 0.24, before the fuse of 2 A at the cell takes its part.
    expect(ceiling).toBeLessThanOrEqual(0.241);
    expect(ceiling).toBeGreaterThan(0.05);
  });

  it('costs of its tape 0.3 m of a metre at 10, of its board 8, of its cell 6', () => {
    const cost = (name: string): number =>
      reckoned.shopping
        .filter((line) => line.forWhat.includes(name) || String(line.name).includes(name))
        .reduce((sum, line) => sum + line.cost, 0);
    expect(cost('Round tape')).toBeCloseTo(3, 9);
    expect(cost('Round board')).toBeCloseTo(8, 9);
    expect(cost('Round cell')).toBeCloseTo(6, 9);
  });
});
