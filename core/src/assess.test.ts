import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import {
  demoPlan,
  demoText,
  emptySimple,
  ledsOf,
  moodOf,
  planOf,
  soundDesign,
  soundSimple,
  tapeOf,
} from '../tests/designs.ts';
import { findNaN } from '../tests/findNaN.ts';
import { assess } from './assess.ts';
import { exportShoppingCsv, exportTemplateSvg, exportWireCsv, writeBrief } from './exports/index.ts';
import { explainCeiling, explainData, explainDrive, explainRun, explainTape, figuresOf } from './figures/index.ts';
import { checkDesign } from './findings/index.ts';
import { itemsOf } from './items/index.ts';
import { firstRail, paintFrame } from './motion/index.ts';
import { builtInLibrary } from './parts/index.ts';
import { applyEdits, changeItem, type Design, emptyDesign, plenty } from './plan/index.ts';
import { mm, quantity, usualPrinter } from './units/index.ts';

describe('the pipeline', () => {
  it('the demo: 66 pixels and three lights, the check jaw’s currents', () => {
    const a = assess(demoPlan().design);
    expect(a.lightCount).toBe(69);
    const jaw = a.consumers.filter((consumer) => consumer.id.startsWith('jaw'));
    const restA = jaw.reduce((sum, consumer) => sum + consumer.restA, 0);
    const fullA = jaw.reduce((sum, consumer) => sum + consumer.fullA, 0);
    // with a controller of 0.12 A, 2.549 A at white and 0.173 A dark.
    expect(0.12 + restA + fullA).toBeCloseTo(2.549, 3);
    expect(0.12 + restA).toBeCloseTo(0.173, 3);
    // 40 % white for 30 % of the time: 0.458 A.
    expect(0.12 + restA + 0.3 * 0.4 * fullA).toBeCloseTo(0.458, 3);
  });

  it('a pixel with a white die draws at full what all four dice draw: 6 lights of 4 × 16 mA', () => {
    const { consumers } = assess(soundDesign({ tapes: [tapeOf({ part: 'pixel-tape-60-rgbw', lengthMm: 110 })] }));
    expect(consumers.find((each) => each.id === 'tape')?.fullA).toBeCloseTo(0.384, 9);
  });

  it('has no number that is not one: empty plans, parts that are gone, no lights, no volts', () => {
    const odd: Design[] = [
      emptyDesign,
      soundDesign({ tapes: [] }),
      soundDesign({ tapes: [tapeOf({ route: [] })] }),
      soundDesign({ tapes: [tapeOf({ part: 'gone' })], drive: { ...emptySimple.drive, controller: 'gone' } }),
      soundDesign({ power: { ...soundSimple.power, pack: null } }),
      soundDesign({ moods: emptyDesign.moods }),
      soundDesign({ leds: [ledsOf({ places: [] })] }),
      soundDesign({ power: { ...soundSimple.power, converter: null, pack: 'pack-three-aa-alkaline' } }),
    ];
    for (const design of odd) {
      const a = assess(design);
      expect(findNaN(a)).toEqual([]);
      expect(() => checkDesign(design, a)).not.toThrow();
      expect(findNaN(figuresOf(a))).toEqual([]);
      expect(writeBrief(planOf(design), a, usualPrinter)).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it('more brightness never draws less, lasts longer or lifts the far end', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.double({ min: 0.01, max: 0.1, noNaN: true }),
        fc.integer({ min: 100, max: 900 }),
        (brightness, more, lengthMm) => {
          const at = (share: number) =>
            assess(
              soundDesign({
                tapes: [tapeOf({ lengthMm })],
                moods: { ...soundDesign().moods, list: [moodOf({ brightness: share })] },
              }),
            );
          const [dim, bright] = [at(brightness), at(brightness + more)];
          expect(bright.peakA).toBeGreaterThanOrEqual(dim.peakA);
          // The limiter cuts in whole steps of a byte: what it leaves of more brightness may be a step less.
          expect(bright.supply?.runsFor?.likelyH ?? 0).toBeLessThanOrEqual(
            (dim.supply?.runsFor?.likelyH ?? 0) * (bright.moods[0]?.limited ? 1.03 : 1.01),
          );
          // Gauges are chosen for the build, whatever the brightness.
          expect(bright.runs.map((run) => run.gaugeAwg)).toEqual(dim.runs.map((run) => run.gaugeAwg));
          expect(bright.chains[0]?.leastV ?? 0).toBeLessThanOrEqual((dim.chains[0]?.leastV ?? 0) + 1e-9);
        },
      ),
      { seed: 15, numRuns: 40 },
    );
  });

  it('the sum over the consumers is the sum over the frame’s own bytes', () => {
    const { design } = demoPlan();
    const a = assess(design);
    const frame = new Uint8Array(a.show.frameBytes);
    const strike = design.moods.list.findIndex((mood) => mood.id === 'strike');
    paintFrame(a.show, strike, 0, frame);
    const fromBytes = a.show.groups.reduce((sum, group) => {
      const consumer = a.consumers.find((each) => each.id === group.id);
      const bytes = frame.slice(group.offset, group.offset + group.points * group.bytesPerPoint);
      const share = bytes.reduce((total, byte) => total + byte, 0) / (255 * bytes.length);
      return sum + (consumer?.restA ?? 0) + (consumer?.fullA ?? 0) * share;
    }, 0.12);
    // One step of 255 in the brightness.
    expect(Math.abs(fromBytes - (a.moods[strike]?.peakA ?? 0)) / fromBytes).toBeLessThan(1 / 255);
  });

  it('the order of groups changes no figure', () => {
    const leds = [ledsOf({ id: 'a', name: 'A' }), ledsOf({ id: 'b', name: 'B', part: 'led-3mm-white' })];
    const one = assess(soundDesign({ leds }));
    const other = assess(soundDesign({ leds: [...leds].reverse() }));
    expect(other.peakA).toBeCloseTo(one.peakA, 12);
    expect(other.costPerCopy).toBeCloseTo(one.costPerCopy, 9);
    expect(other.supply?.runsFor?.likelyH).toBeCloseTo(one.supply?.runsFor?.likelyH ?? 0, 9);
  });

  it('the same plan gives the same result', () => {
    const plain = (design: Design): unknown => JSON.parse(JSON.stringify(assess(design)));
    expect(plain(demoPlan().design)).toEqual(plain(demoPlan().design));
  });

  it('a cue takes its share of the evening: 20 times an hour for 4 s is 1/45 of it', () => {
    const { design } = demoPlan();
    const a = assess(design);
    const [doze, strike] = [
      a.moods.find((mood) => mood.moodId === 'doze'),
      a.moods.find((mood) => mood.moodId === 'strike'),
    ];
    // The strike is more than the supply gives, so the program limits it, and that is what the night is run with.
    expect(strike?.limited?.peakA).toBeLessThan(strike?.peakA ?? 0);
    expect(a.course[0]?.meanA).toBeCloseTo((44 * (doze?.meanA ?? 0) + (strike?.limited?.meanA ?? 0)) / 45, 9);
    expect(a.course[0]?.peakA).toBe(strike?.limited?.peakA);
    expect(strike?.limited?.peakA).toBeLessThanOrEqual(firstRail(a.limit).limitMicroA / 1e6);
  });
});

describe('what is taken out', () => {
  const plan = demoPlan();
  const a = assess(plan.design);

  it('66 pixels read 66 everywhere, and at 58 all follow', () => {
    const count = (lengths: readonly [number, number]): number[] => {
      const [upper, lower] = itemsOf(plan.design, 'pixel tape');
      if (!upper || !lower) throw new Error('the demo has two jaws');
      const changes = [upper, lower].flatMap((tape, i) => changeItem(plan.design, tape.id, { lengthMm: lengths[i] }));
      const changed = { ...plan, design: applyEdits(plan.design, changes) };
      const assessed = assess(changed.design);
      const inList =
        exportShoppingCsv(assessed, 1, usualPrinter)
          .match(/(\d+) lights/g)
          ?.reduce((sum, text) => sum + Number.parseInt(text, 10), 0) ?? 0;
      const inDrawing =
        (exportTemplateSvg(changed, assessed, 'front', usualPrinter).split('the drawn line is')[0] ?? '').match(
          /<rect x="[\d.-]+" y="[\d.-]+" width="2"/g,
        )?.length ?? 0;
      const inData = assessed.dataLines.reduce((sum, { line }) => sum + line.pixels, 0);
      const inShow = assessed.show.groups
        .filter((group) => group.bytesPerPoint === 3)
        .reduce((sum, group) => sum + group.points, 0);
      return [inList, inDrawing, inData, inShow];
    };
    expect(count([583, 312])).toEqual([66, 66, 66, 66]);
    expect(count([583, 204])).toEqual([58, 58, 58, 58]);
  });
  it('the shopping list is a CSV whose costs add up, for all copies', () => {
    const rows = Papa.parse<Record<string, string>>(exportShoppingCsv(a, 3, usualPrinter), {
      header: true,
      skipEmptyLines: true,
    }).data;
    const total = rows.reduce((sum, row) => sum + Number(row.cost), 0);
    expect(total).toBeCloseTo(3 * a.costPerCopy, 0);
    expect(rows.length).toBe(a.shopping.length);
  });
  it('the wire list has one line a core, and a name that looks like a formula stays a text', () => {
    const rows = Papa.parse<Record<string, string>>(exportWireCsv(a, usualPrinter), {
      header: true,
      skipEmptyLines: true,
    }).data;
    const cut = rows.filter(({ colour }) => colour !== '');
    expect(cut.length).toBe(a.runs.reduce((sum, run) => sum + run.cores.length, 0));
    // The board is on its converter by two, the switch on the pack; two transistors’ far legs, and a resistor at each light.
    expect(rows.length - cut.length).toBe(3 + 2 + 3);
    const sly = assess(soundDesign({ leds: [ledsOf({ name: '=1+1' })] }));
    expect(exportWireCsv(sly, usualPrinter)).toContain("'=1+1");
  });
  it('the template is at true size, escaped, and its back mirrors places only', () => {
    const svg = exportTemplateSvg({ ...plan, name: 'Fish & <chips>' }, a, 'front', usualPrinter);
    expect(svg).toContain('width="680mm"');
    expect(svg).toContain('viewBox="0 0 680');
    expect(svg).toContain('Fish &amp; &lt;chips&gt;');
    const x = (text: string): number[] =>
      [...(text.split('the drawn line is')[0] ?? '').matchAll(/<rect x="([\d.-]+)" y="[\d.-]+" width="2"/g)].map(
        (match) => Number(match[1]) + 1,
      );
    const [front, back] = [x(svg), x(exportTemplateSvg(plan, a, 'back', usualPrinter))];
    front.forEach((place, i) => {
      // Front and back are each the other's mirror about the middle of the view.
      expect(place + (back[i] ?? 0)).toBeCloseTo(680, 1);
    });
  });
  it('each sum can be opened, with its numbers put in', () => {
    const [tape] = a.placed;
    const [drive] = a.driven;
    const [run] = a.runs;
    const [ceiling] = a.supply?.ceilings ?? [];
    if (tape?.shape !== 'pixels' || !drive || !run || !ceiling) throw new Error('the demo has all of these');
    const all = [
      ...Object.values(figuresOf(a)),
      explainTape(tape),
      explainDrive(drive, a),
      explainRun(run, 50),
      explainCeiling(a, ceiling),
      explainData(a),
    ];
    for (const each of all) expect(JSON.stringify(each)).not.toMatch(/NaN|undefined|\{[A-Z]/);
    // floor(583 mm · 74/m / 1) · 1
    expect(explainTape(tape).sums[0]).toMatchObject({
      answer: quantity('count', 43),
      filled: [
        'floor(',
        mm(583),
        ' · ',
        quantity('perMetre', 74),
        ' / ',
        quantity('count', 1),
        ') · ',
        quantity('count', 1),
      ],
    });
  });
});

describe('the catalogue', () => {
  it('has parts of every kind, each with an id and a name of its own and a price', () => {
    const parts = [...builtInLibrary.parts.values()];
    expect(new Set(parts.map((part) => part.name)).size).toBe(parts.length);
    // What a maker has already, or describes by its figures, is not bought here.
    for (const part of parts) expect(part.price).toBeGreaterThanOrEqual(0);
    expect(demoText.length).toBeLessThan(plenty.pictureBytes);
  });
});
