/** Types of postgres.mjs, for the tests. */
export interface Cluster {
  readonly url: string;
  readonly stop: () => void;
  readonly kill: () => void;
}
export class SetUpError extends Error {}
export function startCluster(options: { folder: string; careless?: boolean }): Promise<Cluster>;
export function placeCluster(wished: string): string;
export function removeCluster(folder: string): void;
export function setAside(folder: string, stamp: string): string;
export function findFreePort(): Promise<number>;
