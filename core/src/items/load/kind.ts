import { findPart } from '../../parts/index.ts';
import { asReckoned, type FormRow, type KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { boxRow, feedRow, heldByRow, itsPart, partRow, switchedRow } from '../rows.ts';
import type { USUAL_PULSE_S } from './pulses.ts';
import { loadStartRule, loadWayRule } from './rules.ts';

const amps = (field: string, label: string): FormRow => ({
  type: 'quantity',
  field,
  label,
  quantity: 'currentA',
  band: bands.loadA,
  empty: 'typical of the kind',
  isFigure: true,
});

const pulse = (field: string, label: string, place: keyof typeof USUAL_PULSE_S): FormRow => ({
  type: 'quantity',
  field,
  label,
  quantity: 'timeS',
  band: bands.pulseS,
  empty: place === 'rest' ? '1 ms: one end of its way' : '2 ms: the other end',
  isLeftOut: true,
});

/** What draws and is no light: sound, motor, anything that is said in volts and amperes. */
export const load: KindDefinition<'load'> = {
  kind: 'load',
  name: 'Other load',
  stage: 'power',
  role: 'load',
  create: ({ id, name, at }) => ({
    kind: 'load',
    id,
    name,
    at,
    part: 'load-sound-3w',
    feed: null,
    switchedBy: asReckoned,
    restA: null,
    usualA: null,
    mostA: null,
    startA: null,
  }),
  rows: [
    partRow('load', 'What it is'),
    amps('restA', 'Draws with nothing to do'),
    amps('usualA', 'Draws on the mean'),
    amps('mostA', 'Draws at its most'),
    amps('startA', 'Draws in the first moment'),
    {
      type: 'quantity',
      field: 'runS',
      label: 'At work at a time for',
      quantity: 'timeS',
      band: bands.litS,
      empty: 'as long as it may be',
      isLeftOut: true,
    },
    pulse('restPulseS', 'Pulse where it stands still', 'rest'),
    pulse('workPulseS', 'Pulse where it is at work', 'work'),
    switchedRow,
    feedRow,
    boxRow,
    heldByRow,
  ],
  parts: ({ part }) => itsPart('load', part),
  channels: () => [''],
  draws: (item, library) => {
    const part = findPart(library, 'load', item.part);
    if (!part) return null;
    const [rest, usual] = [item.restA ?? part.restA, item.usualA ?? part.usualA];
    const [most, start] = [item.mostA ?? part.mostA, item.startA ?? part.startA];
    const usualA = Math.max(rest.likely, usual.likely);
    return {
      restA: rest.likely,
      steadyA: usualA - rest.likely,
      steadyPeakA: Math.max(usualA, most.likely) - rest.likely,
      startA: Math.max(start.likely, most.likely),
      relativeSpread: usual.likely > 0 ? usual.spread / usual.likely : 0,
    };
  },
  draw: ({ id }, drawing) => {
    const [from, to] = [drawing.at(id, 'plus'), drawing.at(id, 'minus')];
    if (drawing.isLive(id))
      drawing.add(id, { kind: 'current', name: `${id}: load`, from, to, amps: drawing.drawnA(id), leastV: 0 });
  },
  rules: [loadWayRule, loadStartRule],
};
