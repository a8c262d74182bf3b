import { type Assessment, eveningWithSpares } from '../assess.ts';
import { type Figure, figuresOf } from '../figures/index.ts';
import { kindOf } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import { celsius, hours, type Message, money, say } from '../units/index.ts';

/** A wish of the brief that can be tested: met, open, or not to be decided yet, and by which sum and which test. */
export interface Wish {
  readonly id: 'hours' | 'budget' | 'lights-itself' | 'switch' | 'steady';
  /** What is wanted. */
  readonly text: Message;
  /** Undecided while the plan says too little. */
  readonly status: 'met' | 'open' | 'undecided';
  /** Where the plan stands. */
  readonly reached: Message;
  /** How it is tried at the bench. */
  readonly test: string;
}

const judge = (known: boolean, met: boolean): Wish['status'] => (known ? (met ? 'met' : 'open') : 'undecided');

/** With packs that are exchanged, what they last together. */
function sayRuns({ standBy, runsFor }: Assessment, alone: Message): Message {
  const together = eveningWithSpares(standBy);
  return together !== null && together > (runsFor?.cautiousH ?? 0) + 1e-9
    ? say`${hours(together)} with caution, packs exchanged`
    : alone;
}

/** That nothing resets; null of what runs without a program, which has nothing that does. */
function steadyWish({ boards, driven, ceilings }: Assessment, { likely, needs }: Figure): Wish | null {
  if (boards.length === 0 && driven.length > 0) return null;
  const isKnown = likely !== null;
  const over = ceilings.filter((ceiling) => ceiling.setTo > ceiling.brightness + 1e-6);
  const reached =
    over.length === 0
      ? 'every mood is below its ceiling'
      : `${over.map(({ name }) => name).join(', ')} above the ceiling`;
  return {
    id: 'steady',
    text: 'Never resets, down to the last tenth of the charge',
    status: judge(isKnown, over.length === 0),
    reached: isKnown ? reached : `needs ${needs.join(', ')}`,
    test: 'every mood at the end of the run test',
  };
}

/** The wishes of a brief; their status follows from the plan alone and is never kept by hand. */
export function listWishes(design: Design, assessment: Assessment): Wish[] {
  const { piece, moods } = design;
  const { supply } = assessment;
  const figures = figuresOf(assessment);
  const runs = figures.runsForH.likely === null ? null : assessment.runsFor;
  const { goesOn = false } = figures.runsForH;
  const levers = assessment.rails.list.filter((rail) => rail.gives.form === 'contact');
  const lightsUp =
    moods.cues.some((cue) => cue.when.kind === 'dark') || design.items.some((item) => kindOf(item.kind).seesLight);
  const wishes: (Wish | null)[] = [
    {
      id: 'hours',
      text: say`Runs at least ${hours(piece.hoursWanted)} at ${celsius(piece.ambientC)}`,
      status: judge(
        runs !== null || goesOn,
        goesOn || (eveningWithSpares(assessment.standBy) ?? 0) >= piece.hoursWanted,
      ),
      reached: goesOn
        ? 'as long as its outside supply'
        : runs
          ? sayRuns(assessment, figures.runsForH.answer)
          : `needs ${figures.runsForH.needs.join(', ')}`,
      test: 'run test at full charge, logged',
    },
    steadyWish(assessment, figures.ceiling),
    {
      id: 'switch',
      text: 'Switched without opening it',
      status: judge(supply !== null, levers.length > 0),
      reached: levers[0] ? `${levers[0].name} in the lead` : 'no switch yet',
      test: 'switch on and off while worn',
    },
    piece.lightsItself
      ? {
          id: 'lights-itself',
          text: 'Lights by itself in the dark',
          status: judge(moods.list.length > 0 || lightsUp, lightsUp),
          reached: lightsUp ? 'a cue or a gate does it' : 'no cue and no gate yet',
          test: 'cover the sensor, then a lamp on it',
        }
      : null,
    piece.budgetPerCopy === null
      ? null
      : {
          id: 'budget',
          text: say`Costs at most ${money(piece.budgetPerCopy)} a copy`,
          status: judge(assessment.shopping.length > 0, assessment.costPerCopy <= piece.budgetPerCopy),
          reached:
            assessment.shopping.length > 0
              ? say`${money(assessment.costPerCopy)} by usual prices`
              : 'nothing chosen yet',
          test: 'the bills',
        },
  ];
  return wishes.filter((wish) => wish !== null);
}
