import { defineFormula } from '../units/index.ts';

/** How fast pixels dim themselves: typical of the kind, 400 Hz to 2 kHz are met. */
export const PIXEL_DIMMING_HZ = 430;

/** On-time from 0 to a time for a light that is on for the first part of each period. */
const onTime = (tS: number, periodS: number, duty: number): number => {
  const whole = Math.floor(tS / periodS);
  return whole * duty * periodS + Math.min(tS - whole * periodS, duty * periodS);
};

/** Share of one exposure for which a dimmed light is on: from picture to picture it may differ. */
export const exposedShare = defineFormula({
  name: 'Light that a shutter catches of a dimmed lamp',
  gives: { meaning: 'share of full light', kind: 'fraction' },
  symbols: {
    d: { meaning: 'level after dimming', kind: 'fraction' },
    f: { meaning: 'dimming frequency', kind: 'frequencyHz' },
    t: { meaning: 'shutter opens', kind: 'timeS' },
    e: { meaning: 'shutter time', kind: 'timeS' },
  },
  form: '{x} = (on({t} + {e}) − on({t})) / {e}, where the lamp is on for the first {d} of each 1/{f}',
  source: 'pulse-width dimming looked at through an open shutter; long against the period it comes to the level itself',
  reckon: ({ d, f, t, e }) => (onTime(t + e, 1 / f, d) - onTime(t, 1 / f, d)) / e,
});
