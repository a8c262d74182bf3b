import { builtInLibrary, createLibrary, type Library } from './catalogue.ts';
import type { OwnPart } from './ownKinds.ts';

/** One library for one list of parts, so that what follows from it is known again. */
const libraries = new WeakMap<readonly OwnPart[], Library>();

/** The library with the maker's own parts in it. */
export function withOwnParts(parts: readonly OwnPart[] | undefined): Library {
  if (parts === undefined || parts.length === 0) return builtInLibrary;
  const known = libraries.get(parts);
  if (known) return known;
  const made = createLibrary([...builtInLibrary.parts.values(), ...parts]);
  libraries.set(parts, made);
  return made;
}
