/** Makes a thing when it is first asked for, and gives the same one ever after. */
export function once<T extends object>(make: () => T): () => T {
  let made: T | null = null;
  return () => {
    made ??= make();
    return made;
  };
}
