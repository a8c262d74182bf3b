import type { Told } from '../items/index.ts';
import { fuseMostTimes } from '../power/index.ts';
import { amps, type Message, say } from '../units/index.ts';
import { fusesFor, guardA, type LeadToFuse, suitFuse } from './fuses.ts';
import { fuseStep } from './margins.ts';

/** A lead out of a pack, with the fuse in it. */
export interface FusedLead extends LeadToFuse {
  /** The pack, as it is called. */
  readonly name: Message;
  /** Null = none fitted. */
  readonly fuseA: number | null;
  /** Whether its cells can burn. */
  readonly burns: boolean;
}

/** A source whose short gives less than this can't heat a thin wire: it limits itself. */
const HARMLESS_SHORT_A = 1;

/** Whether a short of a source can’t heat a thin wire, since it limits itself. */
export const limitsItself = ({ shortA }: Pick<LeadToFuse, 'shortA'>): boolean => shortA < HARMLESS_SHORT_A;

/** Where no fuse suits: it would blow in use, or what it guards bears less than it. Null where one does, or nothing is known. */
export function tellNoneSuits(lead: LeadToFuse): Pick<Told, 'what' | 'why' | 'mend'> | null {
  const fuses = fusesFor(lead);
  if (!fuses || fuses.bestA !== null) return null;
  const [weakest] = [...lead.guarded].sort((one, other) => one.limitA - other.limitA);
  const bearsA = guardA(lead);
  return {
    what:
      weakest && weakest.limitA <= bearsA
        ? say`No fuse that is sold is both above ${amps(fuses.leastA)} and below the ${amps(bearsA)} that ${weakest.name} bears`
        : say`No fuse that is sold is both above ${amps(fuses.leastA)} and below the ${amps(bearsA)} at which a short still blows it`,
    why: 'It would blow in use, or the wire would burn before it.',
    mend: 'A thicker wire or plug, or less current.',
  };
}

function noFuse(lead: FusedLead): Told | null {
  const { name, burns, shortA } = lead;
  const none = tellNoneSuits(lead);
  const bestA = suitFuse(lead);
  if (limitsItself(lead) && !burns) return null;
  return {
    rule: 'no-fuse',
    gravity: burns ? 'stop' : 'mend',
    what: say`No fuse in the lead of ${name}`,
    why: burns
      ? 'A pinched lead turns the cell’s whole energy to heat in seconds, and a lithium cell can burn.'
      : say`A pinched lead takes up to ${amps(shortA)} from it: wire and switch get hot enough to burn.`,
    mend: none
      ? say`${none.what}: ${none.mend}`
      : say`Fit a fuse close to the pack${bestA === null ? '' : say`: ${amps(bestA)} suits`}.`,
  };
}

/** Cells that can burn keep a fuse; others may do without. */
function mendNever(bestA: number | null, burns: boolean): Message {
  if (bestA === null)
    return burns ? 'Take cells that give more, or less current.' : 'Leave it out: a short only drains them.';
  return burns ? say`Fit ${amps(bestA)}.` : say`Fit ${amps(bestA)}, or leave it out.`;
}

const neverBlows = ({ name, shortA, burns, ...lead }: FusedLead, fuseA: number): Told => ({
  rule: 'fuse-never',
  gravity: 'mend',
  actual: { kind: 'currentA', value: fuseA },
  limit: { kind: 'currentA', value: shortA / 2 },
  what: say`The fuse of ${amps(fuseA)} never blows: ${name} gives ${amps(shortA)} into a short`,
  why: 'A fuse wants about twice its rating to blow in seconds; these cells limit themselves below that.',
  mend: mendNever(suitFuse({ ...lead, shortA }), burns),
});

function large(lead: FusedLead, fuseA: number): Told | null {
  const { steadyA, guarded } = lead;
  const bestA = suitFuse(lead);
  const [worst] = guarded
    .filter((link) => fuseA > link.limitA * (1 + 1e-9))
    .sort((one, other) => one.limitA - other.limitA);
  const isLarge = fuseA > fuseMostTimes * steadyA * fuseStep && bestA !== null && bestA < fuseA;
  if (!worst && !isLarge) return null;
  return {
    rule: 'fuse-large',
    gravity: worst ? 'stop' : 'mend',
    actual: { kind: 'currentA', value: fuseA },
    limit: { kind: 'currentA', value: worst?.limitA ?? fuseMostTimes * steadyA },
    what: worst
      ? say`The fuse of ${amps(fuseA)} guards too little: ${worst.name} bears ${amps(worst.limitA)}`
      : say`The fuse of ${amps(fuseA)} guards too little`,
    why: worst
      ? 'What is behind it burns before the fuse does.'
      : say`A fuse should be 1.25 to 2 times the ${amps(steadyA)} that flow through it.`,
    mend: bestA === null ? 'Take a smaller fuse, or stronger parts behind it.' : say`Fit ${amps(bestA)}.`,
  };
}

/** What is amiss with the fuse of a lead, or its want; null where nothing is. That it blows in use is told of the link. */
export function tellFuse(lead: FusedLead): Told | null {
  const { fuseA, shortA } = lead;
  if (fuseA === null) return noFuse(lead);
  return fuseA > shortA / 2 ? neverBlows(lead, fuseA) : large(lead, fuseA);
}
