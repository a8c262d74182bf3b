import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, planOf } from '../../tests/designs.ts';
import { assess, type Sensing } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { exportProgram, exportShoppingCsv, exportWireCsv } from '../exports/index.ts';
import { checkDesign } from '../findings/index.ts';
import { chipVoltageV } from '../items/index.ts';
import { sense, startPlayer } from '../motion/index.ts';
import { builtInLibrary, type ControllerPart, controllers, createLibrary } from '../parts/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';

const at = { xMm: 60, yMm: 40 };
const base = [
  itemOf('outside supply', { id: 'supply', at: { xMm: 10, yMm: 10 }, part: 'supply-bench', volts: 5 }),
  itemOf('board', {
    id: 'board',
    name: 'Board',
    at: { xMm: 30, yMm: 10 },
    part: 'controller-large-5v',
    feed: 'supply',
  }),
  itemOf('light', {
    id: 'lamp',
    name: 'Lamp',
    part: 'led-5mm-red',
    feed: 'supply',
    places: [{ id: 'a', at: { xMm: 300, yMm: 200 }, hollowId: null }],
  }),
];
const withItems = (...items: readonly Item[]): Design => ({
  ...circuitOf([...base, ...items]),
  moods: {
    list: [{ id: 'm', name: 'On', brightness: 1, moves: { lamp: { kind: 'steady', colour: '#ffffff', level: 1 } } }],
    startId: 'm',
    cues: [],
    course: [],
    cueUses: [],
  },
});
const day = itemOf('light sensor', { id: 'day', name: 'Dusk', at, board: 'board', darkOhm: 20_000, lightOhm: 2000 });
const night = itemOf('light sensor', {
  id: 'night',
  name: 'Night',
  at,
  board: 'board',
  with: 'day',
  darkOhm: 180_000,
  lightOhm: 20_000,
});
type OfLight = Extract<Sensing, { kind: 'light' }>;
const lightOf = (design: Design, id: string): OfLight => {
  const found = assess(design).sensing.find(({ control }) => control.id === id);
  if (found?.kind !== 'light') throw new Error(`no light sensor ${id}`);
  return found;
};

describe('two levels on one light sensor', () => {
  const design = withItems(day, night);

  it('one fixed resistor for the whole span, and thresholds of each by its own readings', () => {
    // √(180 kΩ · 2 kΩ) = 18.97 kΩ; of 18 and 22 kΩ 18 lies nearer: 18.97/18 = 1.05, 22/18.97 = 1.16.
    const [a, b] = [lightOf(design, 'day').design, lightOf(design, 'night').design];
    expect(a.fixedOhm).toBe(b.fixedOhm);
    expect(a.fixedOhm).toBe(18_000);
    // At ten bits: 1024 · Rf / (Rf + Rs).
    const code = (ohm: number): number => Math.floor((1024 * a.fixedOhm) / (a.fixedOhm + ohm));
    expect([a.darkCode, a.lightCode]).toEqual([code(20_000), code(2000)]);
    expect([b.darkCode, b.lightCode]).toEqual([code(180_000), code(20_000)]);
    expect(b.lightAbove).toBeLessThan(a.darkBelow);
  });

  it('over every code, falling and rising: what is dark is a staircase, never both the wrong way round', () => {
    const { show } = assess(design);
    const indexOf = (id: string): number => show.controls.findIndex((each) => each.id === id);
    const run = (codes: readonly number[]): number[] => {
      let state = startPlayer(show);
      let now = 0;
      return codes.map((code) => {
        for (let k = 0; k < 2; k++) {
          now += 400;
          for (const id of ['day', 'night']) state = sense(show, state, indexOf(id), code, now);
        }
        return ['day', 'night'].filter((id) => state.controls[indexOf(id)]?.isOn).length;
      });
    };
    const down = Array.from({ length: 1024 }, (_, i) => 1023 - i);
    for (const codes of [down, [...down].reverse()]) {
      const levels = run(codes);
      const steps = levels.slice(1).map((level, i) => level - (levels[i] ?? 0));
      const sign = codes === down ? 1 : -1;
      expect(steps.every((step) => step === 0 || step === sign)).toBe(true);
      expect(new Set(levels).size).toBe(3);
    }
  });

  it('one part, one pin, one resistor, one draw; both read that pin in the program', () => {
    const assessment = assess(design);
    const demands = assessment.pins.flatMap(({ plan }) => (plan.ok ? plan.given : []));
    expect(demands.filter(({ demand }) => demand.needs === 'analog')).toHaveLength(1);
    const bought = exportShoppingCsv(assessment, 1, usualPrinter);
    expect(bought.match(/Light sensor/g)).toHaveLength(1);
    expect(bought.match(/fixed, to minus/g)).toHaveLength(1);
    expect(assessment.consumers.filter(({ id }) => ['day', 'night'].includes(id))).toHaveLength(1);
    const pins = exportProgram(planOf(design), assessment, {})['pins.h'];
    expect(pins).toMatch(/UG_CONTROL_PINS \{ (PIN_\w+), \1 \}/);
  });

  it('at the bench each level is brought to the light of its own readings: a hand over it is darker than dusk', () => {
    const steps = listSteps(design, assess(design));
    const of = (id: string) => steps.find((each) => each.id === id);
    const dusk = of('sensor-dark:day');
    expect(usualPrinter.message(dusk?.todo ?? '')).toContain('in which you measured 20.0 kΩ');
    // 5 V · 18/(18 + 20) = 2.37 V at dusk; under a hand 5 V · 18/(18 + 180) = 0.45 V, which is outside of the band.
    expect(dusk?.expect?.likely).toBeCloseTo(2.37, 1);
    expect(dusk?.expect?.low).toBeGreaterThan(0.45);
    expect(of('sensor-dark:night')?.expect?.likely).toBeCloseTo(0.45, 1);
    const alone = listSteps(withItems(day), assess(withItems(day))).find((each) => each.id === 'sensor-dark:day');
    expect(usualPrinter.message(alone?.todo ?? '')).toContain('with a hand');
  });

  it('a sensor that is taken away leaves its level a sensor of its own; a level of a level is refused', () => {
    const chain = withItems(day, night, { ...night, id: 'third', with: 'night' } as Item);
    const read = readPlanText(JSON.stringify(planOf(chain)));
    expect(read.ok ? [] : read.problems.map(({ place }) => place)).toEqual(['design.items.5.with']);
  });

  it('a level that another board is to read is told, once', () => {
    const apart = withItems(
      day,
      { ...night, board: 'second' } as Item,
      itemOf('board', { id: 'second', at: { xMm: 90, yMm: 10 }, part: 'controller-large-5v', feed: 'supply' }),
    );
    expect(checkDesign(apart, assess(apart)).filter(({ rule }) => rule === 'level-apart')).toHaveLength(1);
  });

  it('two readings that lie nearer than the noise of the converter', () => {
    // 10 bits: ±25 of 4096 are ±6.25 codes, so 13 must lie between the thresholds, a third of 39 codes.
    const near = withItems({ ...day, darkOhm: 2300 } as Item);
    expect(checkDesign(near, assess(near)).some(({ id }) => id === 'sensor-narrow:day')).toBe(true);
    const own = withItems(day);
    expect(checkDesign(own, assess(own)).some(({ id }) => id === 'sensor-narrow:day')).toBe(false);
  });
});

describe('how quick a sensor is', () => {
  it('a photoresistor takes its time towards the dark, a phototransistor wants a capacitor against lamps that pulse', () => {
    const slow = withItems(itemOf('light sensor', { id: 'eye', name: 'Eye', at, board: 'board' }));
    // 180 kΩ and 2.4 kΩ: 20 or 22 kΩ; dark below a third of the way from 102 to 923 codes ≈ 376: 22 kΩ · (1024/376 − 1) =
    // 37.9 kΩ; (37.9 − 2.4) kΩ at 200 kΩ a second ≈ 0.18 s.
    expect(lightOf(slow, 'eye').design.toDarkS).toBeGreaterThan(0.15);
    expect(lightOf(slow, 'eye').design.toDarkS).toBeLessThan(0.22);
    expect(lightOf(slow, 'eye').design.smoothingUf).toBeNull();
    const quick = withItems(
      itemOf('light sensor', { id: 'eye', name: 'Eye', at, board: 'board', element: 'phototransistor' }),
    );
    const { fixedOhm, smoothingUf } = lightOf(quick, 'eye').design;
    // At 100 pulses a second a tenth of a second leaves 1/(2π · 100 · 0.1) = 1.6 % of them.
    expect((smoothingUf ?? 0) * 1e-6 * fixedOhm).toBeGreaterThanOrEqual(0.1);
    expect((smoothingUf ?? 0) * 1e-6 * fixedOhm).toBeLessThan(0.3);
    expect(exportShoppingCsv(assess(quick), 1, usualPrinter)).toMatch(/Capacitor 4\.70 µF/);
    // The one who solders reads of it where the wire ends.
    expect(exportWireCsv(assess(quick), usualPrinter)).toMatch(/with 22\.0 kΩ to minus and 4\.70 µF across it/);
  });
});

describe('what controls draw all day', () => {
  const heard = withItems(
    itemOf('remote', { id: 'key', name: 'Key', at, board: 'board' }),
    itemOf('knob', { id: 'knob', name: 'Knob', at, board: 'board' }),
    itemOf('motion sensor', { id: 'eye', name: 'Eye', at, board: 'board' }),
    itemOf('sound sensor', { id: 'ear', name: 'Ear', at, board: 'board' }),
    itemOf('button', { id: 'button', name: 'Button', at, board: 'board' }),
  );

  it('receiver 5 mA, knob 5 V over 10 kΩ = 0.5 mA, motion 60 µA, sound 4 mA, button nothing: in the rest draw', () => {
    const { consumers, restA } = assess(heard);
    const drawn = (id: string): number | undefined => consumers.find((each) => each.id === id)?.restA;
    expect(['key', 'knob', 'eye', 'ear', 'button'].map(drawn)).toEqual([0.005, 0.0005, 60e-6, 0.004, undefined]);
    const bare = assess(withItems());
    expect(restA - bare.restA).toBeCloseTo(0.00956, 9);
  });

  it('and the exact network takes as much more from its supply', () => {
    const drawn = (design: Design): number => {
      const assessment = assess(design);
      const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] });
      const solved = solveNetlist(netlist);
      if (!solved.ok) throw new Error('no solution');
      return solved.currentA.get('supply: open voltage') ?? 0;
    };
    expect(Math.abs(Math.abs(drawn(heard)) - Math.abs(drawn(withItems())))).toBeCloseTo(0.00956, 4);
  });

  it('a module is told of where the chip’s supply leaves what it works from, and not on 5 V', () => {
    const on = (source: Item): string[] => {
      const design = circuitOf([
        source,
        itemOf('board', { id: 'board', name: 'Board', at, part: 'controller-tiny-3v', feed: 'supply' }),
        itemOf('motion sensor', { id: 'eye', name: 'Eye', at, board: 'board' }),
      ]);
      return checkDesign(design, assess(design)).flatMap(({ id, gravity }) =>
        id.startsWith('module-volts') ? [`${id} ${gravity}`] : [],
      );
    };
    expect(on(itemOf('outside supply', { id: 'supply', at, part: 'supply-bench', volts: 5 }))).toEqual([]);
    expect(on(itemOf('outside supply', { id: 'supply', at, part: 'supply-bench', volts: 5.5 }))).toEqual([
      'module-volts:eye stop',
    ]);
    // Two AA cells end at 1.8 V and begin at 3.2 V: it works from 3 V.
    expect(on(itemOf('pack', { id: 'supply', at, part: 'pack-two-aa-alkaline' }))).toEqual(['module-volts:eye mend']);
  });

  it('what goes high while it is closed is said so to the board, and read so at the bench', () => {
    const assessment = assess(heard);
    const text = exportProgram(planOf(heard), assessment, {})['show.c'];
    expect(text).toMatch(/\.reads_high = 1 \}, \/\* Eye \*\//);
    expect(text).not.toMatch(/reads_high = 1 \}, \/\* Button/);
    const band = listSteps(heard, assessment).find(({ id }) => id === 'contact:eye')?.expect;
    // From six tenths of 5 V to 5 V, and what a meter is wrong by.
    expect(band?.low).toBeCloseTo(3, 1);
    expect(band?.high).toBeCloseTo(5, 0);
  });
});

describe('a knob', () => {
  it('counts as turned up above half, with 3 % of its turn to each side, and is never up past the reference', () => {
    const half = withItems(itemOf('knob', { id: 'knob', name: 'Knob', at, board: 'board' }));
    const found = assess(half).sensing[0];
    // 1024 · 0.47 = 481, 1024 · 0.53 = 542.
    expect(found?.kind === 'knob' && [found.design.downBelow, found.design.upAbove]).toEqual([481, 542]);
    expect(checkDesign(half, assess(half)).some(({ rule }) => rule === 'knob-never')).toBe(false);
  });
});

describe('the wires of a charge sense', () => {
  it('its upper resistor sits at the pack, so that a chafed wire shorts nothing', () => {
    const design = withItems(
      itemOf('pack', { id: 'pack', name: 'Pack', at: { xMm: 10, yMm: 200 }, part: 'pack-lithium-round-3400' }),
      itemOf('charge sense', { id: 'low', name: 'Low', at, board: 'board', of: 'pack' }),
    );
    const csv = exportWireCsv(assess(design), usualPrinter);
    // 4.19 V against 5 V need no dividing: 10 kΩ keep a wrong wire from harming the pin.
    expect(csv).toMatch(/Pack plus, behind 10\.0 kΩ there/);
    expect(csv).toMatch(/where the wire from the pack, 100 kΩ and the signal meet/);
    expect(csv).toMatch(/free end of its 100 kΩ/);
  });
});

describe('the alarm of a charge sense', () => {
  /** Whether it is low at once, comes while the pack falls from full to its cut-off, or never, counted out hundredth by hundredth of a volt. */
  function whenItComes(
    part: ControllerPart,
    sensing: Extract<Sensing, { kind: 'charge' }>,
  ): 'at once' | 'in time' | 'never' {
    const { upperOhm, lowerOhm, lowBelow } = sensing.design;
    const isLow = (packV: number): boolean => {
      const countsByV = part.converterReferenceV ?? chipVoltageV(part, packV);
      return Math.floor(((packV * lowerOhm) / (upperOhm + lowerOhm) / countsByV) * 2 ** part.converterBits) < lowBelow;
    };
    if (isLow(sensing.fullV)) return 'at once';
    for (let packV = sensing.fullV; packV >= sensing.emptyV; packV -= 0.01) if (isLow(packV)) return 'in time';
    return 'never';
  }

  it('comes in time wherever nothing is told, on every board that hangs on the pack', () => {
    const seen = new Set<string>();
    for (const part of controllers)
      for (const lowV of [2.9, 3.2, 3.4, 3.58, 3.8, 4.3]) {
        const design = circuitOf([
          itemOf('pack', { id: 'pack', at, part: 'pack-lithium-round-2600' }),
          itemOf('board', { id: 'board', at, part: part.id, feed: 'pack' }),
          itemOf('charge sense', { id: 'sense', at, board: 'board', of: 'pack', lowV }),
        ]);
        const assessment = assess(design);
        const [sensing] = assessment.sensing;
        if (sensing?.kind !== 'charge') continue;
        const comes = whenItComes(part, sensing);
        const [told] = checkDesign(design, assessment).filter(({ rule }) => rule.startsWith('sense-'));
        expect(told === undefined, `${part.name} ${lowV} ${comes} ${told?.rule}`).toBe(comes === 'in time');
        // And what is proposed instead comes in time.
        const [fix] = told?.fixes ?? [];
        if (fix) {
          const better = applyEdits(design, fix.edits);
          const [again] = assess(better).sensing;
          expect(again?.kind === 'charge' && whenItComes(part, again)).toBe('in time');
        }
        seen.add(told?.rule ?? comes);
      }
    expect([...seen].sort()).toEqual(['in time', 'sense-never', 'sense-own-rail', 'sense-sinks']);
  });

  it('a reference of its own tells a pack that the chip runs on: no regulator is needed for it', () => {
    const [own] = controllers.filter(({ regulator }) => regulator === null);
    if (!own) throw new Error('no such board');
    const part = { ...own, id: 'own-board', own: true as const, converterReferenceV: 1.1 };
    const design: Design = {
      ...circuitOf([
        itemOf('pack', { id: 'pack', at, part: 'pack-lithium-round-2600' }),
        itemOf('board', { id: 'board', at, part: 'own-board', feed: 'pack' }),
        itemOf('charge sense', { id: 'sense', at, board: 'board', of: 'pack', lowV: 3.4 }),
      ]),
    };
    const library = createLibrary([...builtInLibrary.parts.values(), part]);
    const assessment = assess(design, library);
    expect(assessment.sensing).toHaveLength(1);
    expect(checkDesign(design, assessment).filter(({ rule }) => rule.startsWith('sense-'))).toEqual([]);
  });

  it('3.3 V behind a drop-out of 0.2 V stand still down to 3.5 V: at 3.4 V the reading rises again, and 3.55 V is proposed', () => {
    const [part] = controllers.filter(({ regulator, logicV }) => regulator?.dropOutV === 0.2 && logicV === 3.3);
    const design = circuitOf([
      itemOf('pack', { id: 'pack', at, part: 'pack-lithium-round-2600' }),
      itemOf('board', { id: 'board', at, part: part?.id ?? '', feed: 'pack' }),
      itemOf('charge sense', { id: 'sense', at, board: 'board', of: 'pack', lowV: 3.4 }),
    ]);
    const [told] = checkDesign(design, assess(design)).filter(({ rule }) => rule === 'sense-sinks');
    expect(told?.limit?.value).toBeCloseTo(3.5, 9);
    expect(told && usualPrinter.message(told.fixes[0]?.label ?? '')).toBe('Set it to 3.55 V');
  });
});
