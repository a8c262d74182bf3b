/** Types of postgres.mjs, for the tests. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  readonly stop: () => void;
  readonly kill: () => void;
  readonly answers: () => boolean;
}
export class SetUpError extends Error {}
export function sayFolder(error: unknown): unknown;
export function startCluster(options: { folder: string; careless?: boolean; port?: number }): Promise<Cluster>;
export function placeCluster(wished: string): string;
export function removeCluster(folder: string): void;
export function setAside(folder: string, stamp: string): string;
export function findFreePort(): Promise<number>;
