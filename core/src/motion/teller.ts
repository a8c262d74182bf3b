import type { PlayerState } from './player.ts';
import { ANY } from './show.ts';

/** What a program said last, and what has been seen since: as `say.c` keeps it. */
export interface Teller {
  readonly mood: number;
  /** Percent that the limiter left at least. */
  readonly held: number;
  /** Percent; null until it is said. */
  readonly charge: number | null;
  /** Of the limiter since it looked last, 256 = untouched. */
  readonly least256: number;
  readonly sinceMs: number;
}

/** What does not change from one line to the next. */
export interface Told {
  readonly moodNames: readonly string[];
  /** Number of the control that reads the charge; null where none does. */
  readonly chargeControl: number | null;
}

const LOOK_MS = 1000;
const CHARGE_STEP = 2;
const LINE_LETTERS = 39;

/** Before a program has said anything but the mark of its plan. */
export const freshTeller: Teller = { mood: ANY, held: 100, charge: null, least256: 256, sinceMs: 0 };

/** What a program says first. */
export const sayMark = (mark: string): string => `plan ${mark}`;

function lookAround(
  before: Teller,
  { chargeControl }: Told,
  state: PlayerState,
): { readonly held: number; readonly charge: number | null; readonly lines: readonly string[] } {
  const held = (before.least256 * 100) >> 8;
  const heldLine = held === 100 ? 'light as the mood asks' : `light held to ${held} %`;
  const level = chargeControl === null ? null : (state.controls[chargeControl]?.level ?? null);
  const charge = level === null ? null : Math.floor((level * 100 + 127) / 255);
  const isNews = charge !== null && (before.charge === null || Math.abs(charge - before.charge) >= CHARGE_STEP);
  return {
    held,
    charge: isNews ? charge : before.charge,
    lines: [...(held === before.held ? [] : [heldLine]), ...(isNews ? [`charge ${charge} %`] : [])],
  };
}

/**
 * What a program says for itself after a frame, line for line as `say.c` does: each mood it goes to, and once a second what
 * the limiter held back at most and the charge of the pack, where either is another than was said last.
 */
export function tellOn(
  before: Teller,
  told: Told,
  state: PlayerState,
  nowMs: number,
  scale256: number,
): { readonly teller: Teller; readonly lines: readonly string[] } {
  const name = told.moodNames[state.mood];
  const moodLine = name === undefined ? 'mood none: dark' : `mood ${name}`.slice(0, LINE_LETTERS);
  const lines = state.mood === before.mood ? [] : [moodLine];
  const seen = { ...before, mood: state.mood, least256: Math.min(before.least256, scale256) };
  if (nowMs - before.sinceMs < LOOK_MS) return { teller: seen, lines };
  const { held, charge, lines: more } = lookAround(seen, told, state);
  return { teller: { ...seen, held, charge, least256: 256, sinceMs: nowMs }, lines: [...lines, ...more] };
}

/** What a line of a board’s console says; null for a line that is none of ours. */
export type Heard =
  | { readonly kind: 'mark'; readonly mark: string }
  | { readonly kind: 'mood'; readonly name: string | null }
  | { readonly kind: 'held'; readonly percent: number }
  | { readonly kind: 'charge'; readonly percent: number };

/** Reads a line as a board says it. */
export function readHeard(line: string): Heard | null {
  const text = line.trim();
  const mark = /^plan ([0-9a-f]{4,})$/.exec(text)?.[1];
  if (mark) return { kind: 'mark', mark };
  if (text === 'mood none: dark') return { kind: 'mood', name: null };
  if (text.startsWith('mood ')) return { kind: 'mood', name: text.slice('mood '.length) };
  if (text === 'light as the mood asks') return { kind: 'held', percent: 100 };
  const [, what, percent] = /^(light held to|charge) (\d{1,3}) %$/.exec(text) ?? [];
  return what ? { kind: what === 'charge' ? 'charge' : 'held', percent: Number(percent) } : null;
}
