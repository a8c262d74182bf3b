/** The texts of the lists of moves, by file: their definitions, and their schemas. */
export function listMoves(movesFolder: string): Readonly<Record<string, string>>;
/** The facts of the boards, in the order in which they are offered. */
export function readBoards(boardsFolder: string): readonly unknown[];
/** The text of the list of boards that core reads. */
export function listBoards(boardsFolder: string): string;
