import { z } from 'zod';
import { feed, part, placed } from '../schemaFields.ts';

/** Two feeds to one rail: which of the two it takes is a hand's switch, a diode each, or what is plugged in. */
export const changeoverSchema = z.strictObject({
  kind: z.literal('changeover'),
  ...placed,
  /** The feed that it is reckoned with; null = the only rail there is. */
  feed,
  /** The other one, as a rule an outside supply; null until it is chosen. */
  other: feed,
  /** A switch with two throws, a diode before each, or the two simply joined. */
  by: z.enum(['switch', 'diodes', 'joined']),
  /** The switch, where it is one. */
  part,
});
