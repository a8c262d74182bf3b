import { type EngineFiles } from '@glimmer/core/exports';
import type { Plan } from '@glimmer/core/plan';
/** The engine and the board files as they stand in the repository. */
export declare const engineFiles: EngineFiles;
/** Writes the program of a plan into a folder of its own. */
export declare function writeProgram(plan: Plan): string;
