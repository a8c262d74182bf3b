import { readdirSync, readFileSync } from 'node:fs';
import type { z } from 'zod';
import { type ItemKind, type ItemOf, kindOf } from '../src/items/index.ts';
import { createPlan, type Design, emptyDesign, type Item, type Mood, type Plan } from '../src/plan/index.ts';
import { readPlanText } from '../src/plan/reading.ts';
import { migrateDesign } from '../src/plan/versionOne/migrate.ts';
import type { planOneSchema } from '../src/plan/versionOne/schema.ts';

/** A piece with one controller, one pack and one rail, in few words: what most tests need of a plan. */
export type Simple = z.infer<typeof planOneSchema>['design'];
type SimpleTape = Simple['tapes'][number];
type SimpleLeds = Simple['leds'][number];

/** The text of the demo plan as it ships. */
export const demoText = readFileSync(new URL('../../demo/anglerfish-headdress.glimmer.json', import.meta.url), 'utf8');

/** The demo plan as it ships. */
export function demoPlan(): Plan {
  const read = readPlanText(demoText);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.plan;
}

/** Every demo plan as it ships, by its name. */
export function allDemos(): readonly (readonly [string, Plan])[] {
  const folder = new URL('../../demo/', import.meta.url);
  return readdirSync(folder).map((file) => {
    const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
    return [read.plan.name, read.plan];
  });
}

export const tapeOf = (change: Partial<SimpleTape> = {}): SimpleTape => ({
  id: 'tape',
  name: 'Tape',
  part: 'pixel-tape-74',
  route: [
    { xMm: 0, yMm: 0 },
    { xMm: 300, yMm: 0 },
  ],
  lengthMm: null,
  reversed: false,
  after: null,
  channelId: null,
  dieCurrentA: null,
  ...change,
});

export const ledsOf = (change: Partial<SimpleLeds> = {}): SimpleLeds => ({
  id: 'leds',
  name: 'Leds',
  part: 'led-5mm-amber',
  channels: 1,
  wantedCurrentA: 0.01,
  forwardV: null,
  resistorOhm: null,
  resistorRatedW: 0.25,
  sleeved: true,
  drivenBy: 'auto',
  places: [{ id: 'a', at: { xMm: 10, yMm: 10 }, hollowId: null }],
  ...change,
});

export const moodOf = (change: Partial<Mood> = {}): Mood => ({
  id: 'mood',
  name: 'Mood',
  brightness: 0.4,
  moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } },
  ...change,
});

/** Nothing decided yet. */
export const emptySimple: Simple = {
  piece: { ...emptyDesign.piece },
  view: { picture: { kind: 'none' }, widthMm: 400, heightMm: 280 },
  hollows: [],
  tapes: [],
  leds: [],
  moods: { list: [], startId: null, cues: [], course: [], cueUses: [] },
  drive: {
    controller: null,
    at: { xMm: 200, yMm: 140 },
    controls: [],
    pinLocks: [],
    dataResistorOhm: null,
    levelShifter: false,
  },
  power: {
    pack: null,
    at: { xMm: 200, yMm: 200 },
    capacityMah: null,
    converter: null,
    switch: null,
    fuseA: null,
    plug: null,
    reservoirUf: null,
    housing: 'none',
    nextToBody: false,
    lockedLid: false,
    charging: 'taken out',
  },
  wires: { gaugesInStock: [30, 28, 26, 24, 22, 20], runs: [] },
};

/** A piece in which everything suits: a short tape, a mood, a large controller, a fused and switched cell. */
export const soundSimple: Simple = {
  ...emptySimple,
  tapes: [tapeOf()],
  moods: { ...emptySimple.moods, list: [moodOf() as Simple['moods']['list'][number]], startId: 'mood' },
  drive: { ...emptySimple.drive, controller: 'controller-large-5v', dataResistorOhm: 330 },
  power: {
    ...emptySimple.power,
    pack: 'pack-lithium-round-3400',
    converter: 'boost-5v-1a5',
    switch: 'switch-slide-3a',
    plug: 'plug-2way-3a',
    fuseA: 1,
    reservoirUf: 1000,
    housing: 'hard case',
  },
};

type Change = Partial<Omit<Simple, 'moods'>> & { readonly moods?: Design['moods'] };

/** A simple piece as the items it is made of; no way that was soldered is open. */
export function designOf(simple: Change): Design {
  const { moods, ...rest } = simple;
  const design = migrateDesign({ ...emptySimple, ...rest, moods: (moods ?? emptySimple.moods) as Simple['moods'] });
  return {
    ...design,
    items: design.items.map((item) => {
      if (item.kind !== 'light') return item;
      const { waySoldered: _, ...said } = item;
      return said;
    }),
  };
}

/** The sound piece with some of it changed. */
export const soundDesign = (change: Change = {}): Design => designOf({ ...soundSimple, ...change });

export const planOf = (design: Design): Plan =>
  createPlan({ id: '00000000-0000-4000-8000-000000000001', name: 'Test piece', design });

/** One item of a kind, as a fresh one is but for the change. */
export const itemOf = <K extends ItemKind>(kind: K, change: Partial<ItemOf<K>> & { readonly id: string }): Item =>
  ({ ...kindOf(kind).create({ id: change.id, name: change.id, at: { xMm: 0, yMm: 0 } }), ...change }) as Item;

/** A design of items alone: nothing moves but what the moods say. */
/** Lights in rows, one centimetre apart, as an item "grid". */
export const gridOf = (count: number, rows: number, change: Partial<ItemOf<'light'>> = {}): Item => {
  const columns = Math.ceil(count / rows);
  return itemOf('light', {
    id: 'grid',
    name: 'Grid',
    part: 'led-5mm-amber',
    wantedCurrentA: 0.012,
    places: Array.from({ length: count }, (_, i) => ({
      id: `g${i + 1}`,
      at: { xMm: 40 + 10 * (i % columns), yMm: 40 + 10 * Math.floor(i / columns) },
      hollowId: null,
    })),
    ...change,
  });
};

export const circuitOf = (items: readonly Item[], change: Partial<Design> = {}): Design => ({
  ...emptyDesign,
  ...change,
  items: [...items],
});

/** A plan as a program of version 2 wrote it: its tapes named the hollow that they lie in by `channelId`. */
export function asVersionTwo(plan: Plan): Record<string, unknown> {
  const older = (design: Design) => ({
    ...design,
    items: design.items.map((item) => {
      if (!('hollowId' in item)) return item;
      const { hollowId: channelId, ...rest } = item;
      return { ...rest, channelId };
    }),
  });
  const versions = plan.logbook.versions.map((version) => ({ ...version, design: older(version.design) }));
  return { ...plan, version: 2, design: older(plan.design), logbook: { ...plan.logbook, versions } };
}
