import { type Item, kindOf } from '../items/index.ts';
import { controlsOf } from '../plan/index.ts';
import { nameNets } from './netNames.ts';
import type { RunDraft } from './runs.ts';
import { wireControl } from './wireControl.ts';
import { wireLights } from './wireLights.ts';
import { wirePixels } from './wirePixels.ts';
import { wireUnits } from './wireUnits.ts';
import { endAt, port, Wiring, type WiringInput } from './wiring.ts';

/** Every join of a design with its cores, before lengths and gauges. */
export function draftRuns(input: WiringInput): readonly RunDraft[] {
  const { design, library, rails, placed } = input;
  const wiring = new Wiring(input, nameNets(design, rails, library));
  for (const item of design.items) {
    const { lead, role } = kindOf(item.kind);
    if (lead) wiring.leadTo(item, lead);
    if (lead?.minus) wiring.minusThrough(item, lead.minus);
    if (role === 'load') wireSwitched(wiring, item);
  }
  for (const group of placed) {
    if (group.shape === 'pixels') wirePixels(wiring, group);
    else if (group.shape === 'units') wireUnits(wiring, group);
    else wireLights(wiring, group);
  }
  for (const control of controlsOf(design)) wireControl(wiring, control);
  return wiring.joins;
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
    ],
    carries: { kind: 'items', itemIds: [item.id], share: 1 },
  });
}
