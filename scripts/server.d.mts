import type { ChildProcess } from 'node:child_process';

/** Types of server.mjs, for the tests. */
export const root: string;
export function startServer(options: {
  databaseUrl: string;
  port: number;
  demo: boolean;
  webRoot?: string;
  log?: (chunk: Uint8Array) => void;
}): Promise<{ address: string; child: ChildProcess }>;
