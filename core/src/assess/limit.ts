import { diceOf, type RailLimit, type Show, type ShowLimit, type SupplyLimit } from '../motion/index.ts';
import { type Consumer, fullOf } from './consumers.ts';
import { type LaidGuard, sumOf } from './guards.ts';

/** Rounded up, as all that is drawn. */
const microA = (currentA: number): number => Math.ceil(currentA * 1e6);
/** Where not even the dark lights can be fed the limit is next to nothing, not none. */
const limitMicroA = (currentA: number): number => Math.max(1, Math.floor(currentA * 1e6));
/** The widest number of the program's tables. */
const MOST = 0xffff_ffff;

/** What boards that share a supply know of each other: what each moves, and what their moods make of it at most. */
export interface SharedBy {
  readonly own: Show;
  readonly others: readonly Show[];
  /** Highest current of each consumer in its moods, with what it draws dark. */
  readonly peaks: ReadonlyMap<string, number>;
}

/** A limit before it is shared out: the most, what is drawn dark of it, and what a consumer's amperes count here. */
interface Ground {
  readonly limitA: number;
  readonly restA: number;
  readonly counts: (consumer: Consumer) => number;
}

/**
 * What a board leaves of a limit to the others, of which it does not know what they show: each has what its own moods ask
 * for, and what is left over is shared by what each could light still. What moods ask for in all is never cut by that as long
 * as it can be given.
 */
function leftToOthersA(
  { limitA, restA, counts }: Ground,
  { own, others, peaks }: SharedBy,
  consumers: ReadonlyMap<string, Consumer>,
): number {
  const of = (show: Show, each: (consumer: Consumer) => number): number =>
    sumOf(
      show.groups.map(({ id }) => {
        const consumer = consumers.get(id);
        return consumer ? each(consumer) * counts(consumer) : 0;
      }),
    );
  const full = (show: Show): number => of(show, (each) => fullOf(each, 'peak'));
  const asked = (show: Show): number =>
    of(show, (each) => Math.max(0, (peaks.get(each.id) ?? 0) - each.restA - each.steadyPeakA));
  const room = Math.max(0, limitA - restA);
  const all = [own, ...others];
  const [allFull, allAsked] = [sumOf(all.map(full)), sumOf(all.map(asked))];
  if (room === 0 || allFull <= room) return 0;
  const share =
    allAsked >= room
      ? (room * asked(own)) / allAsked
      : asked(own) + ((room - allAsked) * (full(own) - asked(own))) / (allFull - allAsked);
  return room - share;
}

/** What the limiter counts with: rounded up for what lights draw, down for what is given with little charge left. */
function limitRail(
  ground: Ground,
  show: Show,
  consumers: ReadonlyMap<string, Consumer>,
  sharedBy: SharedBy | null,
): RailLimit {
  const leftA = sharedBy ? leftToOthersA(ground, sharedBy, consumers) : 0;
  return {
    restMicroA: microA(ground.restA + leftA),
    limitMicroA: limitMicroA(ground.limitA),
    microAPerByte: show.groups.map((group) => {
      const consumer = consumers.get(group.id);
      const fullA = consumer ? fullOf(consumer, 'peak') * ground.counts(consumer) : 0;
      return Math.min(MOST, microA(fullA / Math.max(1, group.points * diceOf(group))));
    }),
  };
}

/** What is drawn whatever the moods do, at its most. */
const restOf = (consumers: readonly Consumer[]): number =>
  sumOf(consumers.map((consumer) => consumer.restA + consumer.steadyPeakA));

function limitSupply(
  { rails, aloneA, nodeOf }: LaidGuard,
  show: Show,
  consumers: ReadonlyMap<string, Consumer>,
  sharedBy: SharedBy | null,
): SupplyLimit {
  const railOf = (consumer: Consumer | undefined): number =>
    consumer ? rails.findIndex(({ node }) => node === nodeOf(consumer)) : -1;
  const limited = rails.map(({ node, limitA }) =>
    limitRail(
      {
        limitA,
        restA: restOf([...consumers.values()].filter((each) => nodeOf(each) === node)),
        counts: (consumer) => Number(nodeOf(consumer) === node),
      },
      show,
      consumers,
      sharedBy,
    ),
  );
  const most = Math.max(...(aloneA ?? [0]));
  return {
    rails: limited,
    railOf: show.groups.map(({ id }) => railOf(consumers.get(id))),
    together: aloneA
      ? limitRail(
          {
            limitA: most,
            restA: 0,
            counts: (consumer) => most / (aloneA[railOf(consumer)] ?? Number.POSITIVE_INFINITY),
          },
          show,
          consumers,
          sharedBy,
        )
      : null,
  };
}

/** Nothing is known of what feeds it: what its lights draw is counted, and nothing limited. */
const unlimited = (show: Show, consumers: ReadonlyMap<string, Consumer>): SupplyLimit => ({
  rails: [
    {
      ...limitRail({ limitA: 0, restA: restOf([...consumers.values()]), counts: () => 1 }, show, consumers, null),
      limitMicroA: 0,
    },
  ],
  railOf: show.groups.map(() => 0),
  together: null,
});

/**
 * What the limiter of a program keeps to: each supply on which something hangs that it moves, the hungriest first.
 * @param sharedBy where other boards light something too
 */
export function limitOf(
  guards: readonly LaidGuard[],
  show: Show,
  consumers: ReadonlyMap<string, Consumer>,
  sharedBy: SharedBy | null = null,
): ShowLimit {
  const supplies = guards
    .map((guard) => limitSupply(guard, show, consumers, sharedBy))
    .filter(({ railOf }) => railOf.some((rail) => rail >= 0));
  return {
    restMicroA: microA(restOf([...consumers.values()])),
    supplies: supplies.length > 0 ? supplies : [unlimited(show, consumers)],
  };
}
