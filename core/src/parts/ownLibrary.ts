import { builtInLibrary, createLibrary, type Library } from './catalogue.ts';
import { controllers } from './controllers.ts';
import type { OwnPart } from './ownKinds.ts';

/** One library for one list of parts, so that what follows from it is known again. */
const libraries = new WeakMap<readonly OwnPart[], Library>();

/** A board of one's own scans as its ready file does, whatever was known of that when its plan was kept; without one, not at all. */
const withItsScan = (part: OwnPart): OwnPart =>
  part.kind === 'controller'
    ? { ...part, scan: controllers.find(({ code }) => code !== null && code === part.code)?.scan }
    : part;

/** The library with the maker's own parts in it. */
export function withOwnParts(parts: readonly OwnPart[] | undefined): Library {
  if (parts === undefined || parts.length === 0) return builtInLibrary;
  const known = libraries.get(parts);
  if (known) return known;
  const made = createLibrary([...builtInLibrary.parts.values(), ...parts.map(withItsScan)]);
  libraries.set(parts, made);
  return made;
}
