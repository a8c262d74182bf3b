// Speed as medians and as ratios of sizes; nothing here passes or fails by the clock.
import { readFileSync } from 'node:fs';
import { assess, prepareNights } from '@glimmer/core/assess';
import { solveLadder, solveNetlist } from '@glimmer/core/circuit';
import { checkDesign } from '@glimmer/core/findings';
import { itemsOf } from '@glimmer/core/items';
import { firstRail, paintFrame, type Show, traceCurrent, weaveRibbons } from '@glimmer/core/motion';
import { applyEdits, changeItem, type Design } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { runNight } from '@glimmer/core/power';
import { answerSum, findSum } from '@glimmer/core/sums';
import { usualPrinter } from '@glimmer/core/units';
import { circuitKinds, createStream } from '../core/tests/circuits.ts';

const read = readPlanText(readFileSync(new URL('../demo/anglerfish-headdress.glimmer.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(JSON.stringify(read.problems));
const { design } = read.plan;

/** The demo with its jaws so long that they hold this many pixels. */
function blowUp(pixels: number): Design {
  const lengthMm = ((pixels / 2) * 1000) / 74 + 1;
  const longer = itemsOf(design, 'pixel tape').flatMap(({ id }) => changeItem(design, id, { lengthMm }));
  return applyEdits(design, longer);
}

function median(run: () => void, rounds: number): number {
  for (let i = 0; i < rounds; i += 1) run();
  const times = Array.from({ length: rounds }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  });
  return times.sort((a, b) => a - b)[Math.floor(rounds / 2)] ?? 0;
}

const rows: (readonly [string, number, string])[] = [];
const row = (name: string, value: number, remark = ''): void => void rows.push([name, value, remark]);

/** Assessments of a design as it is edited: each time it is another one, by a slider on one mood or by new moves in all. */
function editing(of: Design, isSlider: boolean): () => void {
  let edits = 0;
  return () => {
    edits += 1;
    const list = of.moods.list.map((mood, i) =>
      isSlider
        ? { ...mood, brightness: i === 0 ? 0.2 + edits * 1e-4 : mood.brightness }
        : {
            ...mood,
            moves: Object.fromEntries(
              Object.entries(mood.moves).map(([id, move]) => [
                id,
                { ...move, colour: `#${(0x808080 + edits).toString(16)}` },
              ]),
            ),
          },
    );
    assess({ ...of, moods: { ...of.moods, list } });
  };
}

const big = blowUp(600);
const bigger = blowUp(1200);
row('assessment of the demo while a slider moves, ms', median(editing(design, true), 300), 'aim 2');
row('assessment of the demo with every move new, ms', median(editing(design, false), 300), 'aim 2');
const bigMs = median(editing(big, true), 100);
const demo = assess(design);
row(
  'findings of the demo, ms',
  median(() => checkDesign(design, demo), 200),
);
row('assessment with 600 pixels while a slider moves, ms', bigMs, 'aim 5');
row('assessment with 600 pixels and every move new, ms', median(editing(big, false), 100), 'aim 5');
row('1200 against 600 pixels, times', median(editing(bigger, true), 60) / bigMs, 'linear is 2');

const stacked = (of: Design): Design => ({
  ...of,
  moods: {
    ...of.moods,
    list: of.moods.list.map((mood) => ({
      ...mood,
      tops: itemsOf(of, 'pixel tape').map((tape) => ({
        id: tape.id,
        on: tape.id,
        how: 'add' as const,
        move: { kind: 'sparkle' as const, colour: '#ffffff', share: 0.1, stepS: 0.5, seed: 3, level: 1 },
      })),
    })),
  },
});
row('the same with a move laid upon each tape in three moods, ms', median(editing(stacked(big), true), 20));

const { show, limit } = assess(big);
/** Milliseconds of a thousand frames of a show, its moods in turn. */
function paintMs(of: Show): number {
  const frame = new Uint8Array(of.frameBytes);
  return median(() => {
    for (let i = 0; i < 1000; i += 1) paintFrame(of, i % 3, i * 16, frame);
  }, 9);
}
const frameMs = paintMs(show) / 1000;
row('one frame of 600 pixels, µs', frameMs * 1000);
row('one frame of 2400 against 600 pixels, times', paintMs(assess(blowUp(2400)).show) / 1000 / frameMs, 'linear is 4');
row(
  'ribbons and current of 60 s, 600 pixels, ms',
  median(() => {
    weaveRibbons(show, 0, { spanMs: 60_000, columns: 280, mostRows: 64 });
    traceCurrent(show, 0, firstRail(limit), { spanMs: 60_000, columns: 280 });
  }, 9),
);

const ladderOf = (pixels: number): Parameters<typeof solveLadder>[0] => ({
  supplyV: 5,
  plusOhm: new Array<number>(pixels).fill(0.0025),
  minusOhm: new Array<number>(pixels).fill(0.0025),
  loadA: new Array<number>(pixels).fill(0.0368),
  feeds: [0, Math.floor(pixels / 2), pixels - 1].map((at) => ({ at, rail: 'both', leadOhm: 0.02 })),
  fullAboveV: 3.7,
});
const ladderMs = median(() => solveLadder(ladderOf(600)), 60);
row('600 pixels on two rails, three feeds, ms', ladderMs, 'aim 5');
row('2400 against 600 pixels on rails, times', median(() => solveLadder(ladderOf(2400)), 30) / ladderMs, 'linear is 4');
const gridMs = median(() => {
  for (let seed = 1; seed <= 20; seed += 1) solveNetlist(circuitKinds.grid?.(createStream(seed)) ?? []);
}, 20);
row('one scanned grid by the general solver, ms', gridMs / 20);
for (const name of ['led-resistor', 'runtime', 'tape-cut', 'feed-points'] as const) {
  const sum = findSum(name);
  if (!sum) throw new Error(`no sum ${name}`);
  const given = Object.fromEntries(
    Object.entries(sum.inputs).map(([key, input]) => [
      key,
      'initial' in input ? input.initial : 'example' in input ? input.example : undefined,
    ]),
  );
  row(
    `quick sum ${name}, ms`,
    median(() => answerSum(sum, given, usualPrinter), 15),
  );
}

for (const makeNight of prepareNights(design).values()) {
  const { tree, course } = makeNight({ capacity: 0, resistance: 0, load: 0 });
  const night = runNight(tree, course, { stepS: 30 });
  row(
    `a night of ${night.hours.toFixed(1)} hours in steps of 30 s, ms`,
    median(() => runNight(tree, course, { stepS: 30 }), 60),
    'aim 50',
  );
}
for (const [name, value, remark] of rows)
  console.log(`${name.padEnd(44)} ${value.toFixed(value < 10 ? 3 : 1).padStart(10)}  ${remark}`);
