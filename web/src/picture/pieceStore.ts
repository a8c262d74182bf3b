import type { PlayerState } from '@glimmer/core/motion';
import { create } from 'zustand';

/** A moment of the running piece: what a controller would hold in its memory just then. */
export interface PieceMoment {
  /** Time of the piece. */
  readonly nowMs: number;
  /** Which mood runs, and since when. */
  readonly state: PlayerState;
  /** As it was painted last. */
  readonly frame: Uint8Array;
  /** The least that its limiter scaled a frame to since the moment before: 256 = untouched. */
  readonly scale256: number;
}

const EVERY_MS = 100;

/** The piece as the picture runs it, told ten times a second for whoever reads along. */
export const usePieceStore = create<{ readonly moment: PieceMoment | null }>()(() => ({ moment: null }));

let least256 = 256;

/** Tells of a moment; the frame is copied, since the picture paints into it again. */
export function tellMoment(moment: PieceMoment): void {
  const before = usePieceStore.getState().moment;
  least256 = Math.min(least256, moment.scale256);
  if (before?.state === moment.state && Math.abs(moment.nowMs - before.nowMs) < EVERY_MS) return;
  usePieceStore.setState({ moment: { ...moment, scale256: least256, frame: Uint8Array.from(moment.frame) } });
  least256 = 256;
}
