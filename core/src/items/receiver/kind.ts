import { findPart, type Library } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { bands } from '../limits.ts';
import { boxRow, feedRow, itsPart, partRow } from '../rows.ts';
import { drawOwn } from '../switcher.ts';
import type { ReceiverItem } from '../types.ts';

const outputsOf = ({ part }: ReceiverItem, library: Library): readonly string[] =>
  Array.from({ length: findPart(library, 'receiver', part)?.outputs ?? 0 }, (_, i) => `output ${i + 1}`);

/** The hand transmitter of a receiver; null where the kind is not known. */
function transmitterOf(library: Library, part: string): { readonly name: string; readonly price: number } | null {
  const found = findPart(library, 'receiver', part);
  return found
    ? {
        name: `Hand transmitter, ${found.carrier}, ${found.outputs} ${found.outputs === 1 ? 'key' : 'keys'}`,
        price: found.transmitterPrice,
      }
    : null;
}

/** A receiver with outputs that a board hears. */
export const receiver: KindDefinition<'receiver'> = {
  kind: 'receiver',
  name: 'Receiver',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({
    kind: 'receiver',
    id,
    name,
    at,
    part: 'receiver-radio-4-held',
    feed: null,
    rangeMm: 10_000,
    transmitters: 'one each',
  }),
  rows: [
    partRow('receiver', 'Receiver, with its transmitter'),
    { type: 'quantity', field: 'rangeMm', label: 'To be worked from', quantity: 'lengthMm', band: bands.rangeMm },
    {
      type: 'choice',
      field: 'transmitters',
      label: 'Of several copies',
      options: [
        { value: 'one each', label: 'each has a transmitter of its own' },
        { value: 'one for all copies', label: 'one transmitter works them all' },
      ],
    },
    feedRow,
    boxRow,
  ],
  parts: ({ part }) => itsPart('receiver', part),
  lead: { plus: 'plus in', minus: 'minus' },
  outputs: outputsOf,
  draws: ({ part }, library) => {
    const found = findPart(library, 'receiver', part);
    return found ? drawsAtRest(found.standbyA, 0.3) : null;
  },
  buys: ({ name, part, transmitters }, library) => {
    const found = transmitterOf(library, part);
    return found === null
      ? []
      : [
          {
            name: found.name,
            quantity: 1,
            unit: 'piece',
            unitPrice: found.price,
            forWhat: name,
            ...(transmitters === 'one for all copies' && { isShared: true }),
          },
        ];
  },
  draw: ({ id }, drawing) => drawOwn(id, drawing),
};
