import { type Assessment, assess, EVEN_SHARE } from '../assess.ts';
import {
  type Finding,
  type Fix,
  legsOfRoute,
  named,
  orderOfTape,
  type PlacedPlain,
  type PlacedTape,
  type Told,
} from '../items/index.ts';
import { applyEdits, changeItem, itemNamed } from '../plan/index.ts';
import { roughPercent, say, volts } from '../units/index.ts';
import { addBoost } from './addBoost.ts';
import type { Rule, RuleInput } from './finding.ts';
import { straightAboveV } from './margins.ts';

/** More feeds than this are no mend: another supply or less light is. */
const MOST_FEEDS = 8;

/**
 * Places for so many more feeds of a line that is fed at its start: what lies between two is fed from both ends, what is
 * beyond the last from one, which for even loads and short leads makes all lose alike.
 * @returns by tape, the light at whose pads it is fed, counted from 1
 * @example 60 lights, one more: two thirds on, before light 41
 */
function placeFeeds(
  chain: readonly (PlacedTape | PlacedPlain)[],
  more: number,
): ReadonlyMap<string, readonly number[]> {
  const lights = chain.reduce((sum, { cut }) => sum + cut.lights, 0);
  const feeds = new Map<string, number[]>();
  for (let k = 1; k <= more; k += 1) {
    const at = Math.round((k * lights) / (more + 0.5));
    let first = 0;
    for (const { id, cut } of chain) {
      if (at >= first && at < first + cut.lights)
        feeds.set(id, [...(feeds.get(id) ?? []), Math.max(2, at - first + 1)]);
      first += cut.lights;
    }
  }
  return feeds;
}

/** Whether a line of tapes has what it wants at its every light, or a plain tape is even enough. */
const keepsUp = (assessment: Assessment, tapeIds: readonly string[]): boolean => {
  const fade = assessment.fades.find(({ itemId }) => itemId === tapeIds[0]);
  if (fade) return !fade.isSeen;
  const line = assessment.chains.find((each) => each.tapeIds[0] === tapeIds[0]);
  return line !== undefined && line.leastV >= line.wantsV;
};

/**
 * Feeds a line at the fewest places beside its start that are enough, in the stead of those that it has.
 * @param isEnough of the plan with them; unless it is given, that every light of the line has what it wants, or that a plain
 * tape is even enough
 */
export function feedAgain(
  { design, assessment, library }: RuleInput,
  tapeIds: readonly string[],
  isEnough: (fed: Assessment) => boolean = (fed) => keepsUp(fed, tapeIds),
): Fix[] {
  const chain = tapeIds.flatMap((id) =>
    assessment.placed.filter((group): group is PlacedTape | PlacedPlain => group.id === id && group.shape !== 'lights'),
  );
  for (let more = 1; more <= MOST_FEEDS; more += 1) {
    const feeds = placeFeeds(chain, more);
    const edits = chain.flatMap(({ id }) => changeItem(design, id, { feedsAt: feeds.get(id)?.slice() }));
    if (isEnough(assess(applyEdits(design, edits), library)))
      return [{ label: `Feed it at ${more === 1 ? 'one place' : `${more} places`} beside its start`, edits }];
  }
  return [];
}

/** Where the pixel of a tape that gets least gets less than it wants; null where it does not. Wherever it is asked about. */
export function tellTapeLow(
  voltageV: readonly number[],
  wantsV: number,
  { isSteady = false }: { readonly isSteady?: boolean } = {},
): Told | null {
  const leastV = voltageV.reduce((least, volts) => Math.min(least, volts), Number.POSITIVE_INFINITY);
  if (leastV >= wantsV) return null;
  const isFar = voltageV.indexOf(leastV) === voltageV.length - 1;
  return {
    rule: 'tape-low',
    gravity: 'mend',
    actual: { kind: 'voltageV', value: leastV },
    limit: { kind: 'voltageV', value: wantsV },
    what: say`The ${isFar ? 'far pixels' : 'pixels between feeds'} get ${volts(leastV)}${isSteady ? '' : ' at peak'}; they want ${volts(wantsV)}`,
    why: 'Blue and green fade first, so white goes warm, and below that the pixel stops.',
    mend: 'Feed it at more places, thicker wire to the tape, or less brightness.',
  };
}

/** The pixel of a line that gets least, which wants its voltage at the height too. */
export const tapeLowRule: Rule = (input) => {
  const low = input.assessment.chains.find(
    (chain) => chain.voltageV.length > 0 && chain.railV > 0 && chain.leastV < chain.wantsV,
  );
  const told = low && tellTapeLow(low.voltageV, low.wantsV);
  if (!low || !told) return [];
  // Where the rail itself is hardly above that, no wire helps: the tape hangs on the pack straight.
  const isStraight = low.railV < low.wantsV + straightAboveV;
  return [
    {
      ...told,
      ...named(told.rule),
      stage: 'power',
      aboutId: low.tapeIds[low.tapeIds.length - 1] ?? null,
      fixes: isStraight ? addBoost(input) : feedAgain(input, low.tapeIds),
    },
  ];
};

/** A plain tape that is seen to fade along its way: its copper and its lead take what its far lights want. */
export const fadeRule: Rule = (input) =>
  input.assessment.fades.flatMap(({ itemId, leastShare, dimmestLight, isFarEnd, isSeen }): Finding[] => {
    const name = itemNamed(input.design, itemId)?.name ?? itemId;
    if (!isSeen) return [];
    return [
      {
        ...named('tape-fades', itemId),
        gravity: 'mend',
        stage: 'lights',
        aboutId: itemId,
        actual: { kind: 'fraction', value: leastShare },
        limit: { kind: 'fraction', value: EVEN_SHARE },
        what: say`${name} fades: ${isFarEnd ? 'its far end' : `light ${dimmestLight}, between its feeds,`} gets ${roughPercent(leastShare)} of what its brightest light gets`,
        why: 'Every light that it passes takes from the same two strips of copper, and the drop adds up along the way.',
        mend: 'Feed it at its far end or in the middle too, or take shorter tapes side by side.',
        fixes: feedAgain(input, [itemId]),
      },
    ];
  });

/** A tape that is laid round a corner in one piece. */
export const cornerRule: Rule = ({ assessment, design }) => {
  const bent = assessment.placed.flatMap((group) => {
    if (group.shape === 'lights' || group.cut.lights === 0 || group.tape.cutAtCorners) return [];
    if (group.tape.lengthMm !== null || ('grid' in group.tape && group.tape.grid) || 'form' in group.part) return [];
    const corners = legsOfRoute(group.tape.route).length - 1;
    return corners > 0 ? [{ group, corners }] : [];
  });
  const [first] = bent;
  if (!first) return [];
  const names = bent.map(({ group }) => group.name).join(', ');
  return [
    {
      ...named('corner', first.group.id),
      gravity: 'mind',
      stage: 'lights',
      aboutId: first.group.id,
      what: `${names} ${bent.length === 1 ? 'goes' : 'go'} round ${bent.length === 1 && first.corners === 1 ? 'a corner' : 'corners'} in one piece`,
      why: 'Tape bends only out of its plane: folded flat round a corner its copper cracks, at once or on the night.',
      mend: 'Cut it at the corner and join the pieces with a short jumper; or twist it on edge, where the corner only looks sharp from here.',
      fixes: [
        {
          label: bent.length === 1 ? 'Cut it at its corners' : 'Cut them at their corners',
          edits: bent.flatMap(({ group }) => changeItem(design, group.id, { cutAtCorners: true })),
        },
      ],
    },
  ];
};

/** One data line of pixels that take their colours in different orders. */
export const mixedOrderRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'pixels' || group.cut.lights === 0 || group.tape.after === null) return [];
    const chain = assessment.chains.find(({ tapeIds }) => tapeIds.includes(group.id));
    const first = assessment.placed.find((each) => each.id === chain?.tapeIds[0]);
    if (first?.shape !== 'pixels' || first.part.dice !== group.part.dice) return [];
    const [order, lineOrder] = [orderOfTape(group), orderOfTape(first)];
    if (order === lineOrder) return [];
    return [
      {
        ...named('mixed-order', group.id),
        gravity: 'stop',
        stage: 'lights',
        aboutId: group.id,
        what: `${group.name} takes its colours in another order than ${first.name}, on whose data line it hangs`,
        why: 'A line is sent in one order: what is red on the one is another colour on the other.',
        mend: 'Give it a data line of its own, or take tapes of one kind.',
        fixes: [{ label: 'Give it its own data line', edits: changeItem(design, group.id, { after: null }) }],
      },
    ];
  });

/** A data output that two tapes take their data from: both would show the same, the second not what is meant for it. */
export const forkRule: Rule = ({ design, assessment }) =>
  assessment.chains.flatMap(({ tapeIds }) => {
    const tapes = tapeIds.flatMap((id) =>
      assessment.placed.filter((group): group is PlacedTape => group.shape === 'pixels' && group.id === id),
    );
    return tapes.flatMap((group, i): Finding[] => {
      const { after } = group.tape;
      const other = tapes.slice(0, i).find(({ tape }) => tape.after !== null && tape.after === after);
      const [before, last] = [tapes.find(({ id }) => id === after), tapes[i - 1]];
      if (!other || !before || !last) return [];
      return [
        {
          ...named('data-forks', group.id),
          gravity: 'stop',
          stage: 'lights',
          aboutId: group.id,
          what: `${other.name} and ${group.name} both take their data from the end of ${before.name}`,
          why: `Both hear the same bytes: ${group.name} would show what is meant for ${other.name}, and its own is never read.`,
          mend: `Let its data come from the end of ${last.name}, or give it a data line of its own.`,
          fixes: [
            { label: `Behind ${last.name}`, edits: changeItem(design, group.id, { after: last.id }) },
            { label: 'Give it its own data line', edits: changeItem(design, group.id, { after: null }) },
          ],
        },
      ];
    });
  });
