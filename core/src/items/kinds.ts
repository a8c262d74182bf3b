import type { Library } from '../parts/index.ts';
import { board } from './board/kind.ts';
import { box } from './box/kind.ts';
import { changeover } from './changeover/kind.ts';
import { charger } from './charger/kind.ts';
import type { AnyKind, FormRow } from './contract.ts';
import { button, latchingSwitch, remote, tiltSwitch } from './control/kind.ts';
import { converter } from './converter/kind.ts';
import { driver } from './driver/kind.ts';
import { guide } from './guide/kind.ts';
import { leadSwitch } from './leadSwitch/kind.ts';
import { light } from './light/kind.ts';
import { lightGate } from './lightGate/kind.ts';
import { load } from './load/kind.ts';
import { outsideSupply } from './outsideSupply/kind.ts';
import { pack } from './pack/kind.ts';
import { pixelTape } from './pixelTape/kind.ts';
import { plainTape } from './plainTape/kind.ts';
import { receiver } from './receiver/kind.ts';
import { scanDriver } from './scanDriver/kind.ts';
import { chargeSense, knob, lightSensor, motionSensor, soundSensor } from './sensor/kind.ts';
import { signal } from './signal/kind.ts';
import type { Item, ItemKind } from './types.ts';

const definitions = [
  light,
  pixelTape,
  plainTape,
  guide,
  board,
  button,
  latchingSwitch,
  tiltSwitch,
  remote,
  lightSensor,
  chargeSense,
  knob,
  motionSensor,
  soundSensor,
  signal,
  lightGate,
  driver,
  scanDriver,
  box,
  receiver,
  pack,
  outsideSupply,
  converter,
  leadSwitch,
  changeover,
  charger,
  load,
] as const;

/** Every kind of item, in the order in which they are offered. */
// Each definition is only ever given items of its own kind: the lookup below is by kind.
export const kinds: readonly AnyKind[] = definitions as unknown as readonly AnyKind[];

const byKind = new Map<ItemKind, AnyKind>(kinds.map((each) => [each.kind, each]));

/** The definition of a kind. */
export function kindOf(kind: ItemKind): AnyKind {
  const found = byKind.get(kind);
  if (!found) throw new Error(`No kind of item is called "${kind}"; it must stand in items/kinds.ts`);
  return found;
}

/** The rows of an item's form: those of its kind, and what its settings ask besides. */
export function rowsOf(item: Item): readonly FormRow[] {
  const { rows, rowsFor } = kindOf(item.kind);
  return rowsFor?.(item) ?? rows;
}

/** Whether a light item has colours of its own that moods mix, as pixels and colour tape have. */
export const hasColours = (item: Item, library: Library): boolean =>
  kindOf(item.kind).light?.hasColours(item, library) ?? false;
