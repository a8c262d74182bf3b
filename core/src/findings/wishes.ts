import type { Assessment } from '../assess.ts';
import type { Design } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';

/** A wish of the brief that can be tested: met, open, or not to be decided yet, and by which sum and which test. */
export interface Wish {
  readonly id: 'hours' | 'budget' | 'lights-itself' | 'switch' | 'steady';
  readonly text: string;
  readonly status: 'met' | 'open' | 'undecided';
  readonly reached: string;
  readonly test: string;
}

const judge = (known: boolean, met: boolean): Wish['status'] => (known ? (met ? 'met' : 'open') : 'undecided');

/** The wishes of a brief; their status follows from the plan alone and is never kept by hand. */
export function listWishes(design: Design, assessment: Assessment): Wish[] {
  const { piece, power, moods } = design;
  const { supply } = assessment;
  const runs = supply?.runsFor ?? null;
  const over = supply?.ceilings.filter((ceiling) => ceiling.setTo > ceiling.brightness + 1e-6) ?? [];
  const wishes: (Wish | null)[] = [
    {
      id: 'hours',
      text: `Runs at least ${printQuantity('timeH', piece.hoursWanted)} at ${printQuantity('temperatureC', piece.ambientC)}`,
      status: judge(runs !== null, (runs?.cautiousH ?? 0) >= piece.hoursWanted),
      reached: runs
        ? `${printQuantity('timeH', runs.cautiousH)} with caution, ${printQuantity('timeH', runs.likelyH)} likely`
        : 'needs a pack and a mood',
      test: 'run test at full charge, logged',
    },
    {
      id: 'steady',
      text: 'Never resets, down to the last tenth of the charge',
      status: judge(supply !== null && supply.ceilings.length > 0, over.length === 0),
      reached:
        supply && supply.ceilings.length > 0
          ? over.length === 0
            ? 'every mood is below its ceiling'
            : `${over.map((ceiling) => ceiling.name).join(', ')} above the ceiling`
          : 'needs a pack and a mood',
      test: 'every mood at the end of the run test',
    },
    {
      id: 'switch',
      text: 'Switched without opening it',
      status: judge(supply !== null, power.switch !== null),
      reached: power.switch ? 'a switch in the pack’s lead' : 'no switch yet',
      test: 'switch on and off while worn',
    },
    piece.lightsItself
      ? {
          id: 'lights-itself',
          text: 'Lights by itself in the dark',
          status: judge(
            moods.list.length > 0,
            moods.cues.some((cue) => cue.when.kind === 'dark'),
          ),
          reached: moods.cues.some((cue) => cue.when.kind === 'dark') ? 'a cue does it' : 'no cue yet',
          test: 'cover the sensor, then a lamp on it',
        }
      : null,
    piece.budgetPerCopy === null
      ? null
      : {
          id: 'budget',
          text: `Costs at most ${printQuantity('money', piece.budgetPerCopy)} a copy`,
          status: judge(assessment.shopping.length > 0, assessment.costPerCopy <= piece.budgetPerCopy),
          reached:
            assessment.shopping.length > 0
              ? `${printQuantity('money', assessment.costPerCopy)} by usual prices`
              : 'nothing chosen yet',
          test: 'the bills',
        },
  ];
  return wishes.filter((wish) => wish !== null);
}
