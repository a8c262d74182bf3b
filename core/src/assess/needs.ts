import { countLights, kindOf, type PlacedGroup } from '../items/index.ts';
import { type Board, boardOf, type Driven, type Rails, type Switched } from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { Consumer } from './consumers.ts';
import type { CourseStretch } from './course.ts';

/** Something that has to be decided before a figure can be: what, and whose. */
export interface Need {
  /** By which a figure names what it waits for. */
  readonly id: string;
  /** What it is that is missing. */
  readonly what: 'part' | 'board' | 'feed' | 'way' | 'wiring' | 'place' | 'lights' | 'pack' | 'mood';
  /** The item that waits for it; null = the whole plan. */
  readonly itemId: string | null;
  /** After "needs". @example "a controller for Jaw" */
  readonly words: string;
  /** Which figures can't be told without it. */
  readonly for: 'current' | 'time';
}

/** What it is looked for in. */
interface NeedsInput {
  readonly design: Design;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  readonly driven: readonly Driven[];
  readonly consumers: readonly Consumer[];
  /** Empty while it is not known what is lit, and when. */
  readonly course: readonly CourseStretch[];
}

/** What is not decided yet, so that no figure is made up. */
export function findNeeds(input: NeedsInput): readonly Need[] {
  const { design, library, placed, rails, boards, switched, driven, consumers, course } = input;
  const current = (what: Need['what'], itemId: string | null, words: string, field?: string): Need => ({
    id: [what, itemId, field].filter((part) => part).join(':'),
    what,
    itemId,
    words,
    for: 'current',
  });
  const unknown = design.items.flatMap((item) =>
    kindOf(item.kind)
      .parts(item)
      .filter(({ part, partKind }) => part !== null && library.parts.get(part)?.kind !== partKind)
      .map(({ field }) => current('part', item.id, `a kind that is known for ${item.name}`, field)),
  );
  const lit = placed.filter((group) => countLights(group) > 0);
  const undecided = lit.flatMap((group): Need[] => {
    const channels = switched.get(group.id);
    if (group.shape === 'pixels') {
      if (!boardOf(boards, group.tape.board)) return [current('board', group.id, `a controller for ${group.name}`)];
      return rails.feedOf(group.tape) === null ? [current('feed', group.id, `a supply for ${group.name}`)] : [];
    }
    if (channels?.some((each) => each.way.id === 'undecided'))
      return [current('way', group.id, `a controller for ${group.name}, or a switch by hand`)];
    if (driven.some((each) => each.itemId === group.id)) return [];
    // What is fed and switched and still not reckoned is wired as it can’t be.
    const isFed = channels?.some(({ railId }) => railId !== null && rails.byId.get(railId)?.range) ?? false;
    return [
      isFed
        ? current('wiring', group.id, `another wiring for ${group.name}`)
        : current('feed', group.id, `a supply for ${group.name}`),
    ];
  });
  const idle = design.items
    .filter((item) => kindOf(item.kind).role === 'load')
    .filter((load) => switched.get(load.id)?.some((each) => each.way.id === 'undecided'))
    .map((load) => current('way', load.id, `a controller for ${load.name}, or a switch by hand`));
  const unlaid = placed
    .filter((group) => countLights(group) === 0)
    .map((group) =>
      current('place', group.id, `${group.shape === 'lights' ? 'a place' : 'a route'} for ${group.name}`),
    );
  const nothing = consumers.length === 0 ? [current('lights', null, 'something that draws')] : [];
  const hasPack = rails.list.some((rail) => rail.gives.form === 'cells' && rail.gives.part !== null);
  const hasOutside = rails.list.some((rail) => rail.gives.form === 'outside');
  const time: Need[] = [
    ...(hasPack || hasOutside
      ? []
      : [{ id: 'pack', what: 'pack' as const, itemId: null, words: 'a pack', for: 'time' as const }]),
    ...(course.length === 0 && consumers.length > 0
      ? [{ id: 'mood', what: 'mood' as const, itemId: null, words: 'a mood', for: 'time' as const }]
      : []),
  ];
  return [...unknown, ...undecided, ...idle, ...unlaid, ...nothing, ...time];
}
