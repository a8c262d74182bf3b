import { slipsALoopAfterS, toggleInStep } from '../drive/index.ts';
import { kindOf } from '../items/index.ts';
import type { Show } from '../motion/index.ts';
import { controlsOf, type Design } from '../plan/index.ts';

/** How far the clocks of two controllers of one kind may differ: typical of boards with a resonator. */
const MISMATCH = 0.004;
/** Presses of a remote that one of the copies does not hear: typical of a crowd. */
const LOSS = 0.05;
const PRESSES = 20;
/** Frames that are this far apart are seen as two. */
const SEEN_APART_S = 0.1;

/** How copies of a piece that each run by themselves keep together. */
export interface CopiesInStep {
  /** The longest round of any mood that comes round, in seconds. */
  readonly loopS: number;
  /** How far two clocks may differ, as a share. */
  readonly mismatch: number;
  /** Until two copies are seen apart, and until they are a whole round apart. */
  readonly seenApartAfterS: number;
  /** When two copies are a whole round apart. */
  readonly roundApartAfterS: number;
  /** A remote whose press changes the mood over: chance that two are alike after 20 presses. */
  readonly toggle: { readonly presses: number; readonly loss: number; readonly inStep: number } | null;
  /** A cue that chance gives runs alike only in copies that were switched on together. */
  readonly hasChance: boolean;
}

/** Whether one remote key changes between moods, so that where it arrives depends on where the copy was. */
function hasToggle(design: Design): boolean {
  const remotes = new Map(
    controlsOf(design).flatMap((control) => {
      const radio = kindOf(control.kind).control?.radio?.(control);
      return radio === undefined ? [] : [[control.id, radio] as const];
    }),
  );
  const targets = new Map<string, Set<string>>();
  for (const { when, to } of design.moods.cues) {
    if (when.kind !== 'button' || !remotes.has(when.controlId)) continue;
    targets.set(when.controlId, (targets.get(when.controlId) ?? new Set()).add(to));
  }
  return [...targets.values()].some((moods) => moods.size > 1) || [...remotes.values()].includes('latched');
}

/** What several copies do over an evening; null for a single one, and for one that never moves. */
export function judgeCopies(design: Design, show: Show): CopiesInStep | null {
  const loopS = Math.max(0, ...show.moods.map((mood) => mood.throughMs)) / 1000;
  if (design.piece.copies < 2 || loopS < SEEN_APART_S) return null;
  return {
    loopS,
    mismatch: MISMATCH,
    seenApartAfterS: SEEN_APART_S / MISMATCH,
    roundApartAfterS: slipsALoopAfterS(loopS, MISMATCH),
    toggle: hasToggle(design) ? { presses: PRESSES, loss: LOSS, inStep: toggleInStep(PRESSES, LOSS) } : null,
    hasChance: show.cues.some((cue) => cue.when === 'random'),
  };
}
