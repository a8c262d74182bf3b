import { findPart } from '../../parts/index.ts';
import { amps, say } from '../../units/index.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { bands } from '../limits.ts';
import { boxRow, feedRow, heldByRow, itsPart, partRow } from '../rows.ts';
import { drawOwn } from '../switcher.ts';

/** Holds the current of lights in series, whatever the voltage, down to its drop-out. */
export const driver: KindDefinition<'driver'> = {
  kind: 'driver',
  name: 'Constant-current driver',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({ kind: 'driver', id, name, at, part: 'driver-20ma', feed: null, setA: null }),
  rows: [
    partRow('driver', 'Driver'),
    {
      type: 'quantity',
      field: 'setA',
      label: 'Set to',
      quantity: 'currentA',
      band: bands.loadA,
      empty: 'as its kind gives',
    },
    feedRow,
    boxRow,
    heldByRow,
  ],
  parts: ({ part }) => itsPart('driver', part),
  lead: { plus: 'plus in', minus: 'minus' },
  draws: ({ part }, library) => {
    const found = findPart(library, 'driver', part);
    return found ? drawsAtRest(found.ownA, 0.2) : null;
  },
  assembly: ({ name, setA, part }, library) => {
    const found = findPart(library, 'driver', part);
    return setA === null || !found || setA === found.setA
      ? null
      : {
          title: `Set ${name}`,
          todo: say`To ${amps(setA)}, by what its sheet says (a resistor, a trimmer or a jumper), before a light hangs on it: as it is sold it gives ${amps(found.setA)}.`,
        };
  },
  draw: ({ id }, drawing) => drawOwn(id, drawing),
};
