import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { type Assessment, assess } from '../assess.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { operate } from '../power/index.ts';
import { wireOhmPerMetre } from '../wires/index.ts';

const at = (xMm: number, yMm = 0) => ({ xMm, yMm });
const bright = {
  ...circuitOf([]).moods,
  list: [moodOf({ brightness: 1, moves: { lights: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
};
const supply = itemOf('outside supply', {
  id: 'supply',
  name: 'Supply',
  part: 'supply-wall-12v-5a',
  plug: null,
  fuseA: null,
});
const five = itemOf('converter', { id: 'five', name: 'Five', part: 'buck-5v-3a', feed: 'supply' });
const bareBoard = itemOf('board', { id: 'board', name: 'Board', part: 'controller-large-5v', feed: 'five' });
const tape = (change: Partial<Extract<Item, { kind: 'plain tape' }>> = {}): Item =>
  itemOf('plain tape', {
    id: 'lights',
    name: 'Tape',
    part: 'plain-tape-12v-60-1',
    feed: 'supply',
    switchedBy: [{ way: 'transistor below', board: 'board', part: null }],
    route: [at(100), at(1100)],
    ...change,
  });
const drivenOf = ({ driven }: Assessment) => {
  const [first] = driven;
  if (!first?.transistor) throw new Error('the lights hang on a transistor');
  return { ...first, transistor: first.transistor };
};

describe('a board on 5 V that switches lights on 12 V', () => {
  it('drives its transistors with 5 V: none is chosen that wants 10 V at its gate', () => {
    // Ten metres of 20 W: 17 A. The one that bears them opens at 10 V only; what 5 V opens is too weak, and is said so.
    const powerPerMetreW = { likely: 20, spread: 1, origin: 'measured' } as const;
    const design = circuitOf([tape({ lengthMm: 10_000, powerPerMetreW }), supply, five, bareBoard], { moods: bright });
    const assessment = assess(design);
    expect(drivenOf(assessment).transistor.part.gateV).toBeLessThanOrEqual(5);
    expect(checkDesign(design, assessment).map(({ id }) => id)).toContain('switch-load:lights:0');
  });

  it('sizes a base resistor for its 5 V: (5 − 0.75) V · 10 / 0.12 A = 354 Ω, so 330 Ω', () => {
    // 30 cm of 4.8 W a metre: 0.12 A at 12 V.
    const named = { way: 'transistor below', board: 'board', part: 'transistor-npn-small' } as const;
    const assessment = assess(
      circuitOf(
        [
          tape({
            lengthMm: 300,
            switchedBy: [named],
            powerPerMetreW: { likely: 4.8, spread: 0.1, origin: 'measured' },
          }),
          supply,
          five,
          bareBoard,
        ],
        { moods: bright },
      ),
    );
    const { transistor, channelA } = drivenOf(assessment);
    expect(channelA).toBeGreaterThan(0.11);
    expect(channelA).toBeLessThan(0.125);
    expect(transistor.gateOhm).toBe(330);
    expect(transistor.pinA * 1000).toBeCloseTo((1000 * (5 - 0.75)) / 330, 1);
  });

  it('feeds its tape on round a corner: the jumper carries what the piece behind it takes, at its own drop', () => {
    const cut = tape({ cutAtCorners: true, route: [at(100), at(1100), { xMm: 1100, yMm: 500 }] });
    const { placed, runs } = assess(circuitOf([cut, supply, five, bareBoard], { moods: bright }));
    // Sixty a metre on a metre and on half of one: 60 lights and 30, a third of them behind the corner.
    expect(placed[0]?.shape === 'units' && placed[0].pieces).toEqual([60, 30]);
    const runOf = (id: string) => runs.find((run) => run.id === id);
    const [feed, jumper] = [runOf('feed:lights'), runOf('row:lights:1')];
    expect(jumper?.joins.map(({ from, to }) => [from.port, to.port])).toEqual(
      ['plus', 'minus'].map((side) => [`${side}, piece 1 out`, `${side}, piece 2 in`]),
    );
    expect((jumper?.peakA ?? 0) / (feed?.peakA ?? 1)).toBeCloseTo(1 / 3, 9);
    // Both ways by the copper of its gauge: AWG n is 0.127 mm · 92^((36 − n)/39) thick.
    const gauge = jumper?.gaugeAwg ?? 0;
    const areaMm2 = (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2;
    const ohm = (2 * 0.01724 * (jumper?.lengthMm ?? 0)) / 1000 / areaMm2;
    expect(jumper?.dropV).toBeCloseTo((jumper?.peakA ?? 0) * ohm, 3);
  });

  it('fed again at its far end it fades less, and the finding that asked for it is gone', () => {
    const long = tape({ route: [at(100), at(5100)] });
    const design = circuitOf([long, supply, five, bareBoard], { moods: bright });
    const assessment = assess(design);
    const [fade] = assessment.fades;
    // 300 lights of 60 a metre: the last of them is the dimmest.
    expect([fade?.dimmestLight, fade?.isFarEnd]).toEqual([298, true]);
    expect(fade?.leastShare).toBeLessThan(0.8);
    const found = checkDesign(design, assessment).find(({ id }) => id === 'tape-fades:lights');
    const mended = applyEdits(design, found?.fixes[0]?.edits ?? []);
    const fed = assess(mended);
    expect(checkDesign(mended, fed).map(({ id }) => id)).not.toContain('tape-fades:lights');
    // Two thirds on, the copper before it and what lies behind it lose alike.
    expect(fed.placed[0]?.shape === 'units' && fed.placed[0].tape.feedsAt).toEqual([201]);
    const [start, again] = ['feed:lights', 'feed:lights:at 199'].map((id) => fed.runs.find((run) => run.id === id));
    expect(again?.joins.map(({ to }) => to.port)).toEqual(['plus before light 199', 'minus before light 199']);
    // Both leads together carry what the tape takes.
    const whole = fed.consumers.find(({ id }) => id === 'lights');
    expect((start?.peakA ?? 0) + (again?.peakA ?? 0)).toBeCloseTo(whole?.fullA ?? 0, 6);
    const solved = solveNetlist(drawNetwork(mended, fed, { charge: 1, moodId: 'mood', openIds: [] }).netlist);
    const exactA = solved.ok ? -(solved.currentA.get('supply: open voltage') ?? 0) : Number.NaN;
    expect(Math.abs(exactA / (fed.supplies[0]?.atPeak.packA ?? 0) - 1)).toBeLessThan(1e-3);
  });

  it('takes the base current out of the 5 V rail, not out of the 12 V', () => {
    const named = { way: 'transistor below', board: 'board', part: 'transistor-npn-small' } as const;
    const assessment = assess(
      circuitOf([tape({ lengthMm: 300, switchedBy: [named] }), supply, five, bareBoard], { moods: bright }),
    );
    const { transistor } = drivenOf(assessment);
    const [mood] = assessment.moods;
    const draws = assessment.supply?.moodPeaks.get(mood?.moodId ?? '');
    if (!draws || !assessment.supply) throw new Error('the mood is fed');
    const at5 = assessment.supply.laid.nodeOf.get('board on five') ?? assessment.supply.laid.nodeOf.get('five') ?? -1;
    const { nodes } = operate(assessment.supply.tree, 1, draws);
    // The board's own 28 mA and (5 − 0.75) V through the base resistor; the lead takes a few millivolts of it.
    const baseA = (5 - 0.75) / transistor.gateOhm;
    expect(nodes[at5]?.ownA).toBeCloseTo(0.028 + baseA, 4);
    expect(assessment.consumers.find((each) => each.id === 'lights')?.byBoard?.fullA).toBeCloseTo(baseA, 9);
  });
});

describe('a light that a pin lights low, from a rail above the chip’s', () => {
  const light = (feed: string, resistorOhm: number): Item =>
    itemOf('light', {
      id: 'lights',
      name: 'Eyes',
      part: 'led-5mm-red',
      feed,
      switchedBy: { way: 'pin low', board: 'board' },
      resistorOhm,
      places: [{ id: 'a', at: at(300), hollowId: null }],
    });
  const idsOf = (design: Design): string[] => checkDesign(design, assess(design)).map(({ id }) => id);

  it('feeds a bare chip on 5 V backwards: (12 − 5 − 1.9) V / 1 kΩ = 5 mA, a stop', () => {
    expect(idsOf(circuitOf([light('supply', 1000), supply, five, bareBoard], { moods: bright }))).toContain(
      'clamp:lights',
    );
  });

  it('is dark from the chip’s own rail: nothing is left between the two', () => {
    const ids = idsOf(circuitOf([light('five', 270), supply, five, bareBoard], { moods: bright }));
    expect(ids.filter((id) => id.startsWith('clamp:') || id.startsWith('glows-unlit:'))).toEqual([]);
  });

  it('keeps what is left while it is dark out of its own rail, and the board’s rail gives so much less', () => {
    // 22 kΩ: (12 − 5 − 1.7) V / 22 kΩ = 0.24 mA.
    const { consumers, driven } = assess(
      circuitOf([light('supply', 22_000), supply, five, bareBoard], { moods: bright }),
    );
    const restOf = (id: string): number => (consumers.find((each) => each.id === id)?.restA ?? 0) * 1000;
    expect(restOf('lights')).toBeGreaterThan(0.22);
    expect(restOf('lights')).toBeLessThan(0.27);
    expect(restOf('board')).toBeCloseTo(28 - restOf('lights'), 9);
    // Lit it is no more than the light: (12 − 1.8) V / 22 kΩ = 0.46 mA, and not the rest on top of that.
    const litA = (consumers.find((each) => each.id === 'lights')?.fullA ?? 0) + restOf('lights') / 1000;
    expect(litA).toBeCloseTo(driven[0]?.totalA ?? Number.NaN, 7);
    expect(litA).toBeLessThan(0.00048);
  });
});

describe('two minus leads to one hub', () => {
  // The lights' 12 V is led to the board past the converter: two leads of 400 mm, and one of the converter, 100 mm.
  const run = (runId: string, lengthMm: number) => ({ runId, lengthMm, gaugeAwg: 20, colours: null });
  const design = circuitOf(
    [
      tape({ lengthMm: 1000 }),
      { ...supply, at: at(0) } as Item,
      { ...five, at: at(50) } as Item,
      { ...bareBoard, at: at(400) } as Item,
    ],
    {
      moods: bright,
      wires: {
        ...circuitOf([]).wires,
        runs: [run('lead:five', 100), run('lead:board', 400), run('rail:supply:board', 400)],
      },
    },
  );
  const { supply: source, moods } = assess(design);
  if (!source) throw new Error('the supply is known');

  it('share the current that comes back, as 500 mm beside 400 mm do: 4/9 of it by way of the converter', () => {
    const perMm = wireOhmPerMetre(20) / 1000;
    expect(source.tree.returns).not.toBeNull();
    const draws = source.moodPeaks.get(moods[0]?.moodId ?? '');
    if (!draws) throw new Error('the mood is fed');
    const { nodes } = operate(source.tree, 1, draws);
    const nodeOf = (key: string) => nodes[source.laid.nodeOf.get(key) ?? -1];
    const [lit, chip, into] = [nodeOf('board on supply'), nodeOf('board on five'), nodeOf('five')];
    const before = nodes[0];
    if (!lit || !chip || !into || !before) throw new Error('all rails are in the tree');
    // By hand: nodes supply minus (0 V), converter minus c, board minus b; what comes back at b is the lights' and the
    // chip's, at c the converter's input less its output.
    const [g1, g2, g3] = [1 / (100 * perMm), 1 / (400 * perMm), 1 / (400 * perMm)];
    const [atC, atB] = [into.inA - into.outA, lit.ownA + chip.ownA];
    // (g1 + g2)·c − g2·b = atC and −g2·c + (g2 + g3)·b = atB.
    const determinant = (g1 + g2) * (g2 + g3) - g2 * g2;
    const c = ((g2 + g3) * atC + g2 * atB) / determinant;
    const b = ((g1 + g2) * atB + g2 * atC) / determinant;
    expect(lit.outV).toBeCloseTo(before.outV - 400 * perMm * lit.inA - b, 6);
    expect(into.inV).toBeCloseTo(before.outV - 100 * perMm * into.inA - c, 6);
    expect(chip.outV).toBeCloseTo(into.outV - 400 * perMm * chip.inA - (b - c), 6);
  });

  it('are reckoned apart where there is one alone', () => {
    expect(assess(circuitOf([tape(), supply], { moods: bright })).supply?.tree.returns ?? null).toBeNull();
  });
});

describe('the wire that is bought', () => {
  it('is the one that is reckoned with: what the tape draws behind it is what the exact network draws', () => {
    for (const part of ['plain-tape-12v-60-1', 'plain-tape-12v-120-1'])
      for (const lengthMm of [500, 1500, 3000, 4500]) {
        const always = tape({ part, lengthMm, switchedBy: [{ way: 'always on' }], route: [at(100), at(2100)] });
        const design = circuitOf([always, supply]);
        const assessment = assess(design);
        const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] });
        const exact = solveNetlist(netlist);
        if (!exact.ok || !assessment.supply) throw new Error('the tape is fed');
        const reduced = operate(assessment.supply.tree, 1, assessment.supply.dark);
        const exactA = -(exact.currentA.get('supply: open voltage') ?? 0);
        expect(exactA).toBeGreaterThan(0.1);
        expect(Math.abs(reduced.packA / exactA - 1)).toBeLessThan(1e-4);
      }
  });
});
