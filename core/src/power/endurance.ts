import { defineFormula } from '../units/index.ts';

/** Time that a pack lasts at another current than it was rated for (Peukert). @example 7 Ah rated over 20 h, at 7 A with exponent 1.2: 0.55 h, not 1 h */
export const rateLaw = defineFormula({
  name: 'Time at a high rate',
  gives: { meaning: 'time', kind: 'timeH' },
  symbols: {
    C: { meaning: 'capacity at the stated time', kind: 'capacityMah' },
    H: { meaning: 'time it is stated at', kind: 'timeH' },
    I: { meaning: 'current', kind: 'currentA' },
    k: { meaning: 'rate exponent', kind: 'count' },
  },
  form: '{t} = {H} · ({C} / ({I} · {H})) ^ {k}',
  source: 'Peukert’s law; k 1.1 to 1.3 for lead-acid and alkaline, 1 for lithium',
  reckon: ({ C, H, I, k }) => H * (C / 1000 / (I * H)) ** k,
});

/** Packs to bring. @example 8 h with packs that last 3.1 h: 3 */
export const packsForEvent = defineFormula({
  name: 'Packs to bring',
  gives: { meaning: 'packs', kind: 'count' },
  symbols: {
    T: { meaning: 'how long the event lasts', kind: 'timeH' },
    t: { meaning: 'what one pack runs for, with caution', kind: 'timeH' },
  },
  form: '{n} = ceil({T} / {t})',
  source: 'count with the cautious time, not with the likely one',
  reckon: ({ T, t }) => Math.ceil(T / t - 1e-9),
});

/** Energy of a pack, as carriers ask for it. @example 3.7 V and 2600 mAh: 9.62 Wh */
export const packEnergy = defineFormula({
  name: 'Energy of a pack',
  gives: { meaning: 'energy', kind: 'energyWh' },
  symbols: {
    U: { meaning: 'nominal voltage', kind: 'voltageV' },
    C: { meaning: 'capacity', kind: 'capacityMah' },
  },
  form: '{E} = {U} · {C}',
  source: 'what carriers ask for',
  reckon: ({ U, C }) => (U * C) / 1000,
});

/** Nobody reads a longer list. */
const MOST_SWAPS = 1000;

/** When each pack is to be changed, in hours from the start: at the cautious time of each. */
export const swapTimesH = (eventH: number, cautiousH: number): readonly number[] =>
  Array.from(
    { length: Math.min(MOST_SWAPS, Math.max(0, packsForEvent.reckon({ T: eventH, t: cautiousH }) - 1)) },
    (_, i) => (i + 1) * cautiousH,
  );
