import { coloursOfTape, type Item, type PlacedPlain } from '../items/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunCarries, RunEnd } from './runs.ts';
import type { Switched } from './switching.ts';
import { extraFeeds } from './tapeFeeds.ts';
import { padsBefore, padsIn, padsOut, pieceRunId, pieceStarts } from './tapePads.ts';
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
    const coresTo = (pads: (side: string) => string): CoreDraft[] =>
      own.flatMap((each): CoreDraft[] => {
        const minusPort = tape.part.colours > 1 ? (colours[each.channel] ?? 'minus') : 'minus';
        // The common core of plain colour tape is its plus: a way from above serves tape of one colour alone.
        return [
          { ...wiring.side(each.way.plusSide, each, hub), to: port(tape.id, pads(common)) },
          { ...wiring.side(each.way.minusSide, each, hub), to: port(tape.id, pads(minusPort)) },
        ];
      });
    const cores = coresTo((side) => side);
    const part = own.length / Math.max(1, channels.length);
    const carries: RunCarries = { kind: 'line', tapeIds: [tape.id], part };
    for (const feed of extraFeeds(tape)) {
      const isEnd = feed.light === tape.cut.lights;
      const where = isEnd ? 'end' : `before light ${feed.light + 1}`;
      const to = {
        name: `${tape.name}, ${where}`,
        itemId: tape.id,
        at: tape.places[Math.min(feed.light, tape.places.length - 1)] ?? null,
      };
      const again = coresTo((side) => padsBefore(tape, side, feed.light));
      wiring.add({
        id: h === 0 ? feed.runId : `${feed.runId}:${h + 1}`,
        name: `Feed of ${tape.name}, ${where}`,
        from: endAt(hub),
        to,
        cores: uniqueCores(again),
        carries,
      });
      bridge(wiring, again, { id: h === 0 ? feed.runId : `${feed.runId}:${h + 1}`, at: to });
    }
    wiring.add({
      id: h === 0 ? `feed:${tape.id}` : `feed:${tape.id}:${h + 1}`,
      name: `Feed of ${tape.name}`,
      from: endAt(hub),
      to: { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null },
      cores: uniqueCores(cores),
      carries,
    });
    bridge(wiring, cores, {
      id: h === 0 ? `feed:${tape.id}` : `feed:${tape.id}:${h + 1}`,
      at: { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null },
    });
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
      carries: { kind: 'line', tapeIds: [tape.id] },
    });
  }
}

/** Colours that are lit as one hang on one core: their pads are bridged where it is fed. */
function bridge(
  wiring: Wiring,
  cores: readonly CoreDraft[],
  { id, at }: { readonly id: string; readonly at: RunEnd },
): void {
  const first = new Map<Net, PortRef>();
  const bridges = cores.flatMap(({ net, to }): CoreDraft[] => {
    const from = first.get(net);
    if (!from) first.set(net, to);
    return from && from.port !== to.port ? [{ net, from, to }] : [];
  });
  if (bridges.length > 0) wiring.leg(`bridge:${id}`, at, bridges);
}
