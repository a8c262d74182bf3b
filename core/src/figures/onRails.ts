import type { Assessment } from '../assess.ts';
import { joinMessages, type Message, say, volts } from '../units/index.ts';

/** Rails whose volts differ by less give amperes that may be added. */
const ALIKE = 0.02;

/**
 * Where the amperes of a piece are counted. Those of rails of several voltages are of no one lead: it says so, since the
 * pack gives something else.
 */
export function onRails({ consumers, rails }: Pick<Assessment, 'consumers' | 'rails'>): Message {
  const ids = new Set(consumers.flatMap(({ railId }) => railId ?? []));
  const nominalV = [...ids]
    .flatMap((id) => rails.byId.get(id)?.range?.nominalV ?? [])
    .sort((one, other) => one - other)
    .filter((each, i, all) => i === 0 || each > (all[i - 1] ?? 0) * (1 + ALIKE));
  return nominalV.length < 2 ? 'on the rails' : say`on rails of ${joinMessages(nominalV.map(volts), ', ')}, added up`;
}
