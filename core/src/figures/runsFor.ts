import type { Assessment } from '../assess.ts';
import { describeEnd, keepsFor, plainRunTime, sayKeeping } from '../power/index.ts';
import { fillSum, hours, milliampHours, say } from '../units/index.ts';
import type { Figure } from './figure.ts';
import { waiting } from './needs.ts';

const TITLE = 'Runs for';

/** While the piece waits, and with packs that are exchanged. */
const standByLines = ({ standBy }: Assessment, supplyId: string): Figure['lines'] =>
  standBy
    .filter((each) => each.supplyId === supplyId)
    .flatMap(({ off, dark, brought, eveningH }) => [
      ...(brought > 1 && eveningH !== null
        ? [{ label: `${brought} of them, exchanged as they run down`, value: hours(eveningH) }]
        : []),
      { label: 'switched off, a full pack keeps for', value: sayKeeping(off.keepsH) },
      ...(dark ? [{ label: 'left on and dark, it lasts', value: sayKeeping(dark.keepsH) }] : []),
    ]);

/** How long the pack lasts under the course of the evening; of several packs the one that ends first. */
export function runsFor(assessment: Assessment): Figure {
  const open = waiting(assessment, TITLE, 'current', 'time');
  if (open) return open;
  const runs = assessment.runsFor;
  const supply = assessment.supplies.find((each) => each.runsFor === runs);
  if (!supply || !runs || supply.tree.source.kind !== 'pack')
    return {
      title: TITLE,
      likely: null,
      cautious: null,
      needs: [],
      goesOn: true,
      answer: 'as long as its supply',
      lead: 'It hangs on an outside supply: it goes on for as long as that does.',
      lines: [],
      sums: [],
      doubt: null,
    };
  const meanA = runs.drawnMah / 1000 / Math.max(1e-9, runs.likelyH);
  const { pack } = supply.tree.source;
  return {
    title: TITLE,
    likely: runs.likelyH,
    cautious: runs.cautiousH,
    needs: [],
    answer: say`${hours(runs.cautiousH)} with caution, ${hours(runs.likelyH)} likely`,
    lead: `${supply.rail.name} is run down step by step under the evening’s course. It ends because ${describeEnd(runs.end)}. The first figure is the cautious one: plan with it.`,
    lines: [
      { label: 'likely', value: hours(runs.likelyH) },
      { label: 'with caution', value: hours(runs.cautiousH) },
      { label: 'lost if the capacity is at its low end', value: hours(runs.losses.capacity) },
      { label: 'lost if the resistance is at its high end', value: hours(runs.losses.resistance) },
      { label: 'lost if the lights draw more', value: hours(runs.losses['light current']) },
      {
        label: 'left in the pack when it ends',
        value: milliampHours(Math.max(0, pack.capacityMah - runs.drawnMah)),
      },
      ...standByLines(assessment, supply.rail.id),
      ...assessment.supplies
        .filter((each) => each !== supply && each.runsFor)
        .map((each) => ({ label: `${each.rail.name}, with caution`, value: hours(each.runsFor?.cautiousH ?? 0) })),
    ],
    sums: [
      fillSum(plainRunTime, { C: pack.capacityMah, I: meanA }),
      ...assessment.standBy
        .filter((each) => each.supplyId === supply.rail.id)
        .flatMap(({ dark }) =>
          dark ? [fillSum(keepsFor, { C: pack.capacityMah, I: dark.drawnA, s: pack.selfDischargeAMonth })] : [],
        ),
    ],
    doubt: `Mostly from the ${runs.chiefCause}. The plain sum is longer: it lets the pack be emptied to the last, whatever its voltage.`,
  };
}
