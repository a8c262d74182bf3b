import { coloursOfTape, type Item, type PlacedPlain } from '../items/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunEnd } from './runs.ts';
import type { Switched } from './switching.ts';
import { padsIn, padsOut, pieceRunId, pieceStarts } from './tapePads.ts';
import { endAt, port, uniqueCores, type Wiring } from './wiring.ts';

/** Units of plain tape: a feed from each hub that switches some of its colours. */
export function wireUnits(wiring: Wiring, tape: PlacedPlain): void {
  if (tape.cut.lights === 0) return;
  const channels = wiring.input.switched.get(tape.id) ?? [];
  const hubs = new Map<string, { readonly hub: Item; readonly channels: Switched[] }>();
  for (const each of channels) {
    const hub = wiring.prepare(each);
    if (!hub) continue;
    wiring.transistorLeg(each, hub);
    const known = hubs.get(hub.id);
    if (known) known.channels.push(each);
    else hubs.set(hub.id, { hub, channels: [each] });
  }
  const colours = coloursOfTape(tape.part);
  const common = tape.part.colours > 1 ? 'common' : 'plus';
  const fed = new Map<string, Net>();
  [...hubs.values()].forEach(({ hub, channels: own }, h) => {
    const cores = own.flatMap((each): CoreDraft[] => {
      const minusPort = tape.part.colours > 1 ? (colours[each.channel] ?? 'minus') : 'minus';
      // The common core of plain colour tape is its plus: a way from above serves tape of one colour alone.
      return [
        { ...wiring.side(each.way.plusSide, each, hub), to: port(tape.id, common) },
        { ...wiring.side(each.way.minusSide, each, hub), to: port(tape.id, minusPort) },
      ];
    });
    wiring.add({
      id: h === 0 ? `feed:${tape.id}` : `feed:${tape.id}:${h + 1}`,
      name: `Feed of ${tape.name}`,
      from: endAt(hub),
      to: { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null },
      cores: uniqueCores(cores),
      carries: { kind: 'items', itemIds: [tape.id], share: own.length / Math.max(1, channels.length) },
    });
    bridge(wiring, tape, cores);
    for (const { net, to } of cores) fed.set(to.port, net);
  });
  wirePieces(wiring, tape, fed);
}

/** Each piece is cut off and joined to the one before, pad by pad: a core for each, also where some are lit as one. */
function wirePieces(wiring: Wiring, tape: PlacedPlain, fed: ReadonlyMap<string, Net>): void {
  const starts = pieceStarts(tape.pieces);
  for (let piece = 0; piece < tape.pieces.length - 1; piece += 1) {
    const next = starts[piece + 1] ?? 0;
    const at = (light: number): RunEnd['at'] => tape.places[light] ?? null;
    wiring.add({
      id: pieceRunId(tape.id, piece),
      name: `${tape.name}, piece ${piece + 1} to ${piece + 2}`,
      from: { name: `${tape.name}, end of piece ${piece + 1}`, itemId: tape.id, at: at(next - 1) },
      to: { name: `${tape.name}, piece ${piece + 2}`, itemId: tape.id, at: at(next) },
      cores: [...fed].map(([side, net]) => ({
        net,
        from: port(tape.id, padsOut(tape, side, piece)),
        to: port(tape.id, padsIn(tape, side, piece + 1)),
      })),
      carries: { kind: 'items', itemIds: [tape.id], share: (tape.cut.lights - next) / tape.cut.lights },
    });
  }
}

/** Colours that are lit as one hang on one core: their pads are bridged at the start of the tape. */
function bridge(wiring: Wiring, tape: PlacedPlain, cores: readonly CoreDraft[]): void {
  const first = new Map<Net, PortRef>();
  const bridges = cores.flatMap(({ net, to }): CoreDraft[] => {
    const from = first.get(net);
    if (!from) first.set(net, to);
    return from && from.port !== to.port ? [{ net, from, to }] : [];
  });
  const start: RunEnd = { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null };
  if (bridges.length > 0) wiring.leg(`bridge:${tape.id}`, start, bridges);
}
