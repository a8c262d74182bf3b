import { chargers } from './chargers.ts';
import { controllers } from './controllers.ts';
import { converters, protections } from './converters.ts';
import { guides } from './guides.ts';
import { plugs, sensors, switches, transistors, wires } from './hardware.ts';
import type { Part } from './kinds.ts';
import { leds } from './leds.ts';
import { boxes, drivers, loads, scanDrivers } from './loads.ts';
import { packs } from './packs.ts';
import { receivers } from './receivers.ts';
import { outsideSupplies } from './supplies.ts';
import { pixelShapes, pixelTapes, plainTapes } from './tapes.ts';

/** All parts that can be named in a plan. */
export interface Library {
  /** By their ids, built-in and own. */
  readonly parts: ReadonlyMap<string, Part>;
}

/** A library of the given parts; a later part replaces an earlier one of the same id. */
export function createLibrary(parts: readonly Part[]): Library {
  return { parts: new Map(parts.map((part) => [part.id, part])) };
}

/** The parts that ship with the app. */
export const builtInLibrary: Library = createLibrary([
  ...leds,
  ...pixelTapes,
  ...controllers,
  ...packs,
  ...converters,
  ...transistors,
  ...switches,
  ...plugs,
  ...plainTapes,
  ...pixelShapes,
  ...protections,
  ...sensors,
  ...outsideSupplies,
  ...loads,
  ...drivers,
  ...scanDrivers,
  ...boxes,
  ...chargers,
  ...receivers,
  ...wires,
  ...guides,
]);

/** The part of this id if it is of this kind; undefined for none, since a plan may name a part that is gone. */
export function findPart<K extends Part['kind']>(
  library: Library,
  kind: K,
  id: string | null,
): Extract<Part, { kind: K }> | undefined {
  const part = id === null ? undefined : library.parts.get(id);
  // The kind was compared just now, which is what narrows the union.
  return part?.kind === kind ? (part as Extract<Part, { kind: K }>) : undefined;
}
