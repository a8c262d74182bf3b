import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, askAndPut, askOutOf, between, figureOf, itemOf, toldBy } from '../../tests/askedAndPut.ts';
import { type Assessment, assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import {
  builtInLibrary,
  findPart,
  outsideSupplies,
  type PixelTapePart,
  pixelTapes,
  plainTapes,
} from '../parts/index.ts';
import { type Design, emptyDesign } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { askOfField } from './ofFields.ts';
import { freshItem } from './piece.ts';

const at = { xMm: 0, yMm: 0 };

/** Fed so often that its rails carry it: the supply is what gives way. */
const everyEighth = (pixels: number): number[] => Array.from({ length: Math.floor(pixels / 8) }, (_, i) => 8 * (i + 1));

/** A tape rolled up at a supply of 5 V, so that no lead counts, lit all along in one colour. */
function pixelsOn(
  supply: string,
  part: PixelTapePart,
  pixels: number,
  { colour, feedsAt }: { readonly colour: string; readonly feedsAt: readonly number[] },
): Design {
  const mood = { id: 'm', name: 'All', brightness: 1, moves: { t: { kind: 'steady' as const, colour, level: 1 } } };
  return {
    ...emptyDesign,
    items: [
      freshItem('outside supply', { id: 's', name: 'Supply', at, part: supply, volts: 5 }),
      freshItem('board', { id: 'b', name: 'Board', at, part: 'controller-large-5v', feed: 's' }),
      freshItem('pixel tape', {
        id: 't',
        name: 'Tape',
        at,
        part: part.id,
        feed: 's',
        lengthMm: ((pixels + 0.5) * 1000) / part.perMetre,
        route: [at, { xMm: 1, yMm: 0 }],
        feedsAt: [...feedsAt],
      }),
    ],
    moods: { list: [mood], startId: 'm', cues: [], course: [], cueUses: [] },
  };
}

/** Dice that are lit in a colour. */
const diceOf = new Map([
  ['#ffffff', 3],
  ['#ff0000', 1],
  ['#ffff00', 2],
]);

/** What the board draws all day. */
const boardA = ({ consumers }: Assessment): number =>
  consumers.filter(({ id }) => id === 'b').reduce((sum, { restA, steadyA }) => sum + restA + steadyA, 0);

const strips = pixelTapes.filter(({ form, dice, ratedVoltageV }) => !form && dice === 3 && ratedVoltageV === 5);

describe('a sum about tapes and a plan of the same thing say the same', () => {
  it('pixels that a controller can’t hold: the sum never says so where the plan holds them', () => {
    const met = new Set<string>();
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 900 }),
        fc.constantFrom('controller-large-5v', 'controller-small-5v'),
        (pixels, boardId) => {
          const board = findPart(builtInLibrary, 'controller', boardId);
          if (!board) throw new Error('no such part');
          const { answer, design } = askAndPut('tape-count', { routeMm: (pixels * 1000) / 60 + 5, perMetre: 60 });
          const count = figureOf(answer, 'lights') ?? 0;
          const at = { xMm: 1, yMm: 1 };
          const items = [
            freshItem('outside supply', { id: 's', name: 'Supply', at, part: 'supply-bench', volts: 5 }),
            freshItem('board', { id: 'b', name: 'Board', at, part: boardId }),
            ...design.items.map((item) => (item.kind === 'pixel tape' ? { ...item, board: 'b' } : item)),
          ];
          const whole = { ...design, items };
          const told = checkDesign(whole, assess(whole)).map(({ rule }) => rule);
          const sum = toldBy(
            answerOf('pixel-data', { pixels: count, memory: board.memoryBytes, supplyV: 5, logicV: 5 }),
          );
          if (sum.includes('memory-short')) expect(told).toContain('memory');
          if (told.includes('memory'))
            expect([...sum]).toEqual(expect.arrayContaining([expect.stringMatching(/^memory-/)]));
          for (const id of sum) met.add(id);
        },
      ),
      { seed: 20, numRuns: 25 },
    );
    expect(met).toContain('memory-short');
  });

  it('plain tape on a supply: what it draws, how far it fades, and what is too much for the supply', () => {
    const told = new Set<string>();
    const supplied = outsideSupplies.filter(({ switchesOffBelowA }) => switchesOffBelowA === undefined);
    fc.assert(
      fc.property(
        fc.constantFrom(...plainTapes),
        fc.constantFrom(...supplied),
        between(100, 9000),
        between(50, 2000),
        (part, supplyPart, lengthMm, apartMm) => {
          const at = { xMm: 0, yMm: 0 };
          const end = { xMm: apartMm, yMm: 0 };
          const supply = freshItem('outside supply', {
            id: 's',
            name: 'The supply',
            at,
            part: supplyPart.id,
            volts: part.voltageV,
          });
          const tape = freshItem('plain tape', {
            id: 't',
            name: 'The tape',
            at: end,
            part: part.id,
            feed: 's',
            lengthMm,
            switchedBy: Array.from({ length: part.colours }, () => ({ way: 'always on' }) as const),
            route: [end, { xMm: apartMm + 1, yMm: 0 }],
          });
          const design = { ...emptyDesign, items: [supply, tape] };
          const rules = ['link', 'start', 'tape-fades'];
          const { assessment, answer, inPlan, bySum } = askOutOf(design, tape, 'lengthMm', rules);
          expect(figureOf(answer, 'fedA')).toBeCloseTo(assessment.supply?.mostA ?? -1, 4);
          expect(figureOf(answer, 'leastShare')).toBeCloseTo(assessment.fades[0]?.leastShare ?? -1, 5);
          const ofTape = (findings: typeof inPlan) =>
            findings.map(({ rule, gravity, why, actual }) => [rule, gravity, why, actual?.value.toPrecision(4)]);
          expect(ofTape(bySum)).toEqual(ofTape(inPlan));
          for (const { rule } of inPlan.length > 0 ? inPlan : [{ rule: 'nothing' }]) told.add(rule);
        },
      ),
      { seed: 37, numRuns: 60 },
    );
    expect([...told].sort()).toEqual(['link', 'nothing', 'tape-fades']);
  });

  it('the ceiling of pixels on a supply: as bright as its limit bears, or nothing', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...outsideSupplies.filter(({ volts, adjustable }) => volts === 5 || adjustable)),
        fc.constantFrom(...strips),
        fc.integer({ min: 1, max: 1000 }),
        fc.constantFrom(...diceOf.keys()),
        (supplyPart, part, pixels, colour) => {
          const design = pixelsOn(supplyPart.id, part, pixels, { colour, feedsAt: everyEighth(pixels) });
          const assessment = assess(design);
          const [ceiling] = assessment.ceilings;
          if (!ceiling) throw new Error('no ceiling');
          const answer = answerOf('ceiling', {
            limitA: supplyPart.limitA,
            pixels: assessment.lightCount,
            otherA: boardA(assessment),
            restA: part.restCurrentA.likely,
            dieA: part.dieCurrentA.likely,
            dice: diceOf.get(colour),
          });
          const bySum = figureOf(answer, 'brightness') ?? -1;
          // What the pixels’ rail loses takes a little of what they ask.
          if (ceiling.linkId === 'cell' || ceiling.linkId === null)
            expect(Math.abs(bySum - Math.min(1, ceiling.brightness)), `${ceiling.brightness}`).toBeLessThan(0.02);
          const rules = checkDesign(design, assessment).map(({ rule }) => rule);
          const isClear = bySum === 0 || bySum > 0.01;
          if (isClear) expect(toldBy(answer).includes('nothing-lit')).toBe(rules.includes('nothing-lit'));
          told.add(bySum === 0 ? 'nothing' : bySum < 1 ? 'some' : 'all');
        },
      ),
      { seed: 43, numRuns: 60 },
    );
    expect([...told].sort()).toEqual(['all', 'nothing', 'some']);
  });

  it('where to feed a tape: a plan that is fed there has what its pixels want, and one feed fewer has not', () => {
    const counts = new Set<number>();
    fc.assert(
      fc.property(fc.constantFrom(...strips), fc.integer({ min: 40, max: 700 }), (part, pixels) => {
        const tapeOf = (feedsAt: readonly number[]): Design =>
          pixelsOn('supply-bench', part, pixels, { colour: '#ffffff', feedsAt });
        const bare = tapeOf([]);
        const before = assess(bare);
        const asked = askOfField('feedsAt', { design: bare, assessment: before, item: itemOf(bare, 'pixel tape') });
        const [chain] = before.chains;
        if (!asked || !chain) throw new Error('nothing is asked');
        const { feeds: _feeds, leadsOhm: _leads, ...tape } = asked.given;
        const answer = answerOf('feed-points', { ...tape, leadOhm: 0, wantedV: chain.wantsV });
        const places = answer.results.find(({ key }) => key === 'feedsMm');
        const count = figureOf(answer, 'feeds');
        if (places?.form !== 'figures' || count === null) throw new Error('no places');
        // Fed at one end, as the plan is without more.
        expect(Math.abs((figureOf(answer, 'oneEndV') ?? 0) - chain.leastV)).toBeLessThan(0.1);
        const lights = places.values.map((mm) => Math.round((mm * part.perMetre) / 1000 - 0.5) + 1);
        const fed = assess(tapeOf(lights.filter((light) => light > 1))).chains[0];
        expect(fed?.leastV ?? 0).toBeGreaterThanOrEqual(chain.wantsV - 0.02);
        // By hand: of an even tape each feed in the middle of its part is the best there is; with one fewer it is too little.
        if (count > 1) {
          const fewer = Array.from({ length: count - 1 }, (_, i) =>
            Math.floor(((2 * i + 1) * pixels) / (2 * (count - 1))),
          );
          const short = answerOf('tape-drop', {
            ...tape,
            leadOhm: 0,
            leadsOhm: [],
            feeds: fewer.map((light) => ((light + 0.5) * 1000) / part.perMetre),
            wantedV: chain.wantsV,
          });
          expect(toldBy(short)).toContain('tape-low');
        }
        counts.add(count);
      }),
      { seed: 44, numRuns: 40 },
    );
    expect(counts.size).toBeGreaterThan(2);
  });

  it('what a program lights is at its peak, moods or none; what is lit all the time has none', () => {
    const [strip] = strips;
    if (!strip) throw new Error('no such tape');
    const lit = pixelsOn('supply-port-0a5', strip, 60, { colour: '#ffffff', feedsAt: [] });
    const told = (design: Design) =>
      checkDesign(design, assess(design))
        .filter(({ rule }) => rule === 'link')
        .map(({ what }) => usualPrinter.message(what));
    // 60 · 39.8 mA through a port for 0.5 A, before a mood is made.
    expect(told({ ...lit, moods: emptyDesign.moods }).join()).toMatch(/at peak and is good for 500 mA/);
    const steady = answerOf('plain-tape', { powerPerMetreW: 9.6, lengthMm: 2400, supplyA: 1 }).findings;
    expect(
      steady
        .filter(({ rule }) => rule === 'link')
        .map(({ what }) => usualPrinter.message(what))
        .join(),
    ).toMatch(/^The supply carries \S+ A and is good for 1\.00 A$/);
  });
});
