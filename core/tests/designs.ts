import { readFileSync } from 'node:fs';
import {
  createPlan,
  type Design,
  emptyDesign,
  type LedGroup,
  type Mood,
  type Plan,
  type Tape,
} from '../src/plan/index.ts';
import { readPlanText } from '../src/plan/reading.ts';

/** The text of the demo plan as it ships. */
export const demoText = readFileSync(new URL('../../demo/anglerfish-headdress.glimmer.json', import.meta.url), 'utf8');

/** The demo plan as it ships. */
export function demoPlan(): Plan {
  const read = readPlanText(demoText);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.plan;
}

export const tapeOf = (change: Partial<Tape> = {}): Tape => ({
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

export const ledsOf = (change: Partial<LedGroup> = {}): LedGroup => ({
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

/** A design in which everything suits: a short tape, a mood, a large controller, a fused and switched cell. */
export function soundDesign(change: Partial<Design> = {}): Design {
  return {
    ...emptyDesign,
    tapes: [tapeOf()],
    moods: { ...emptyDesign.moods, list: [moodOf()], startId: 'mood' },
    drive: { ...emptyDesign.drive, controller: 'controller-large-5v', dataResistorOhm: 330 },
    power: {
      ...emptyDesign.power,
      pack: 'pack-lithium-round-3400',
      converter: 'boost-5v-1a5',
      switch: 'switch-slide-3a',
      plug: 'plug-2way-3a',
      fuseA: 1,
      reservoirUf: 1000,
      housing: 'hard case',
    },
    ...change,
  };
}

export const planOf = (design: Design): Plan =>
  createPlan({ id: '00000000-0000-4000-8000-000000000001', name: 'Test piece', design });
