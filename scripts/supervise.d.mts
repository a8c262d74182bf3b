export interface Running {
  readonly exited: Promise<number | null>;
  readonly stop: () => void;
}
export function keepRunning(options: {
  readonly start: () => Promise<Running>;
  readonly onStopped: (how: {
    readonly code: number | null;
    readonly pauseMs: number;
    readonly error: unknown;
  }) => void;
  readonly pause: (ms: number) => Promise<void>;
  readonly now?: () => number;
}): { readonly stop: () => Promise<void> };
export function createLog(file: string, mostBytes?: number): (chunk: Uint8Array | string) => void;
