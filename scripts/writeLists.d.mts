/** The texts of the lists of moves, by file: their definitions, and their schemas. */
export function listMoves(movesFolder: string): Readonly<Record<string, string>>;
