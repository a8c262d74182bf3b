import type { KindDefinition } from '../contract.ts';
import { itsPart, partRow } from '../rows.ts';

/** What charges a pack that stays in the piece: its lead joins what it is led to, whatever else hangs there. */
export const charger: KindDefinition<'charger'> = {
  kind: 'charger',
  name: 'Charger',
  stage: 'power',
  role: 'charges',
  create: ({ id, name, at }) => ({
    kind: 'charger',
    id,
    name,
    at,
    part: 'charger-lithium-1-0a5',
    feed: null,
    inlet: 'covered socket',
  }),
  rows: [
    partRow('charger', 'Charger'),
    { type: 'named', field: 'feed', label: 'Its lead ends at', names: 'feeder', none: 'the pack' },
    {
      type: 'choice',
      field: 'inlet',
      label: 'Joined at',
      options: [
        { value: 'covered socket', label: 'a covered socket' },
        { value: 'bare terminals', label: 'bare terminals outside' },
      ],
    },
  ],
  beside: ({ inlet }, port) =>
    inlet === 'covered socket' && port === 'plus' ? ', with a covered socket between' : null,
  parts: ({ part }) => itsPart('charger', part),
  lead: { plus: 'plus', minus: 'minus' },
};
