import { type Item, kindOf } from '../items/index.ts';
import { controlsOf } from '../plan/index.ts';
import { nameNets } from './netNames.ts';
import type { RunDraft } from './runs.ts';
import { isProgrammed } from './ways.ts';
import { wireControl } from './wireControl.ts';
import { wireLights } from './wireLights.ts';
import { wireOther } from './wireOther.ts';
import { wirePixels } from './wirePixels.ts';
import { wireScanDriver } from './wireScan.ts';
import { wireUnits } from './wireUnits.ts';
import { endAt, port, Wiring, type WiringInput } from './wiring.ts';

/** Every join of a design with its cores, before lengths and gauges. */
export function draftRuns(input: WiringInput): readonly RunDraft[] {
  const { design, library, rails, placed } = input;
  const wiring = new Wiring(input, nameNets(design, rails, library));
  for (const item of design.items) {
    const { lead, role } = kindOf(item.kind);
    if (lead && isLed(item, wiring)) wiring.leadTo(item, lead);
    wireOther(wiring, item);
    if (lead?.minus) wiring.minusThrough(item, lead.minus);
    if (role === 'load') wireSwitched(wiring, item);
    if (kindOf(item.kind).isTold) wireScanDriver(wiring, item.id);
  }
  for (const group of placed) {
    if (group.shape === 'pixels') wirePixels(wiring, group);
    else if (group.shape === 'units') wireUnits(wiring, group);
    else wireLights(wiring, group);
  }
  for (const control of controlsOf(design)) wireControl(wiring, control);
  return wiring.joins;
}

/** A charger whose pack is taken out for it has no lead in the piece. */
function isLed(item: Item, wiring: Wiring): boolean {
  if (kindOf(item.kind).role !== 'charges') return true;
  const { rails } = wiring.input;
  const gives = rails.byId.get(rails.byId.get(rails.feedOf(item) ?? '')?.sourceId ?? '')?.gives;
  return gives?.form !== 'cells' || gives.item.charging !== 'taken out';
}

/** The lead of a load, from what switches it. */
function wireSwitched(wiring: Wiring, item: Item): void {
  const [switched] = wiring.input.switched.get(item.id) ?? [];
  const hub = switched && wiring.prepare(switched);
  if (!switched || !hub) return;
  wiring.transistorLeg(switched, hub);
  wiring.add({
    id: `lead:${item.id}`,
    name: `Lead of ${item.name}`,
    from: endAt(hub),
    to: endAt(item),
    cores: [
      { ...wiring.side(switched.way.plusSide, switched, hub), to: port(item.id, 'plus') },
      { ...wiring.side(switched.way.minusSide, switched, hub), to: port(item.id, 'minus') },
      ...(isProgrammed(switched.way) && switched.way.transistor === null && switched.way.throughPin === 'not'
        ? [{ ...wiring.side('channel', switched, hub), to: port(item.id, 'input') }]
        : []),
    ],
    carries: { kind: 'items', itemIds: [item.id], share: 1 },
  });
}
