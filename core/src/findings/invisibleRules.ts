import { type Finding, type Fix, kindOf, type LightItem, named, type PlacedLeds } from '../items/index.ts';
import { isProgrammed } from '../network/index.ts';
import type { Rule, RuleInput } from './finding.ts';

const INDICATOR_PART = 'led-3mm-green';
const INDICATOR_A = 0.003;
/** An indicator sits beside what it tells of. */
const BESIDE_MM = 12;

const isAlike = (a: LightItem, b: LightItem): boolean =>
  a.feed === b.feed && JSON.stringify(a.switchedBy) === JSON.stringify(b.switchedBy);

/** A small green light beside the first, lit by what lights it. */
function addIndicator({ design }: RuleInput, { group }: PlacedLeds): Fix[] {
  const [first] = group.places;
  const id = `shows-${group.id}`.slice(0, 40);
  if (!first || design.items.some((item) => item.id === id)) return [];
  const at = { xMm: first.at.xMm + BESIDE_MM, yMm: first.at.yMm };
  const fresh = kindOf('light').create({ id, name: `${group.name}, sign`.slice(0, 120), at });
  const item = {
    ...fresh,
    part: INDICATOR_PART,
    wantedCurrentA: INDICATOR_A,
    feed: group.feed,
    switchedBy: group.switchedBy,
    places: [{ id: 'sign', at, hollowId: null }],
  } as LightItem;
  return [{ label: 'Add a green light beside it', edits: [{ kind: 'add item', item }] }];
}

/** Invisible light of which nothing that is seen tells that it is on. */
export const indicatorRule: Rule = (input) =>
  input.assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'lights' || group.part.invisible === undefined || group.places.length === 0) return [];
    const { placed, switched } = input.assessment;
    const isTold = placed.some(
      (other) => other.shape === 'lights' && other.part.invisible === undefined && isAlike(other.group, group.group),
    );
    if (isTold) return [];
    const [first] = switched.get(group.id) ?? [];
    const isMoved = first !== undefined && isProgrammed(first.way);
    return [
      {
        ...named('no-indicator', group.id),
        gravity: 'mend',
        stage: 'lights',
        aboutId: group.id,
        what: `Nothing that is seen tells when ${group.name} is on`,
        why: `Of ${group.part.invisible} light the eye sees little or nothing: it is stared into, and left on until the pack is empty.`,
        mend: isMoved
          ? 'Put a visible light beside it, switched alike, and let the moods move both.'
          : 'Put a visible light beside it, lit by the same switch.',
        // What a program moves is told by its moods; a light that is only added would stay dark.
        fixes: isMoved ? [] : addIndicator(input, group),
      },
    ];
  });
