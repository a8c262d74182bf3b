import { canBeNamed, type Item, measureRoute, nameableWords, plenty, referencesOf } from '../items/index.ts';
import type { Move } from '../moves/index.ts';
import { withOwnParts } from '../parts/index.ts';
import { findActiveContent } from './activeContent.ts';
import { movableItems } from './items.ts';
import { controlsOf } from './occasions.ts';
import type { PlanProblem } from './problem.ts';
import type { Design, Mood, Plan } from './types.ts';

type Check = {
  readonly place: string;
  readonly id: string | null;
  readonly among: ReadonlySet<string>;
  readonly what: string;
};

const idsOf = (items: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(items.map((item) => item.id));

function findTwins(place: string, items: readonly { readonly id: string }[]): PlanProblem[] {
  const seen = new Set<string>();
  return items.flatMap((item, i) => {
    const twin = seen.has(item.id);
    seen.add(item.id);
    return twin ? [{ place: `${place}.${i}.id`, message: `"${item.id}" is used twice; each id must be its own` }] : [];
  });
}

const listControlOf = (place: string, move: Move, controls: ReadonlySet<string>): Check[] =>
  'controlId' in move ? [{ place: `${place}.controlId`, id: move.controlId, among: controls, what: 'control' }] : [];

const listMoveReferences = (
  place: string,
  moves: Mood['moves'],
  lit: ReadonlySet<string>,
  controls: ReadonlySet<string>,
): Check[] =>
  Object.entries(moves).flatMap(([id, move]) => [
    { place: `${place}.${id}`, id, among: lit, what: 'light group or set' },
    ...listControlOf(`${place}.${id}`, move, controls),
  ]);

/** What items name: other items of the right sort, and hollows. */
function listItemReferences({ items, hollows }: Design): PlanProblem[] {
  const holes = idsOf(hollows);
  const byId = new Map(items.map((item) => [item.id, item]));
  return items.flatMap((item, i) =>
    referencesOf(item).flatMap(({ field, id, names }): PlanProblem[] => {
      if (id === null) return [];
      const other = byId.get(id);
      const isRight =
        names === 'bore' || names === 'channel' || names === 'hollow box'
          ? holes.has(id)
          : other !== undefined && canBeNamed(other, names);
      if (isRight) return [];
      const found = other ? `which is no ${nameableWords[names]}` : 'which is not in the plan';
      return [
        {
          place: `items.${i}.${field}`,
          message: `${item.name} names the ${nameableWords[names]} "${id}", ${found}; name one that is there, or put null`,
        },
      ];
    }),
  );
}

function listReferences(design: Design): Check[] {
  const moods = idsOf(design.moods.list);
  const cues = idsOf(design.moods.cues);
  const controls = idsOf(controlsOf(design));
  const groups = idsOf(movableItems(design));
  const lit = new Set([...groups, ...idsOf(design.moods.sets ?? [])]);
  return [
    { place: 'moods.startId', id: design.moods.startId, among: moods, what: 'mood' },
    ...design.moods.list.flatMap((mood, i) => [
      ...listMoveReferences(`moods.list.${i}.moves`, mood.moves, lit, controls),
      ...(mood.tops ?? []).flatMap((top, k) => [
        { place: `moods.list.${i}.tops.${k}.on`, id: top.on, among: lit, what: 'light group or set' },
        ...listControlOf(`moods.list.${i}.tops.${k}.move`, top.move, controls),
      ]),
    ]),
    ...(design.moods.signs ?? []).flatMap((sign, i) => [
      { place: `moods.signs.${i}.controlId`, id: sign.controlId, among: controls, what: 'control' },
      ...listMoveReferences(`moods.signs.${i}.moves`, sign.moves, lit, controls),
    ]),
    ...(design.moods.sets ?? []).flatMap((set, i) =>
      set.of.map((part, k) => ({
        place: `moods.sets.${i}.of.${k}.groupId`,
        id: part.groupId,
        among: groups,
        what: 'light group',
      })),
    ),
    ...design.moods.cues.flatMap((cue, i) => [
      { place: `moods.cues.${i}.from`, id: cue.from, among: moods, what: 'mood' },
      { place: `moods.cues.${i}.to`, id: cue.to, among: moods, what: 'mood' },
      ...('controlId' in cue.when
        ? [{ place: `moods.cues.${i}.when.controlId`, id: cue.when.controlId, among: controls, what: 'control' }]
        : []),
    ]),
    ...design.moods.course.map((step, i) => ({
      place: `moods.course.${i}.moodId`,
      id: step.moodId,
      among: moods,
      what: 'mood',
    })),
    ...design.moods.cueUses.map((use, i) => ({
      place: `moods.cueUses.${i}.cueId`,
      id: use.cueId,
      among: cues,
      what: 'cue',
    })),
  ];
}

/** Items that name each other in a circle by these fields: none of them begins anywhere. */
function findLoops(
  items: readonly Item[],
  fields: readonly ('after' | 'feed' | 'other')[],
  message: string,
): PlanProblem[] {
  const next = new Map(
    items.map((item): [string, readonly string[]] => [
      item.id,
      fields.flatMap((field) => (item as unknown as Readonly<Record<string, string | null>>)[field] ?? []),
    ]),
  );
  return items.flatMap((item, i) => {
    const seen = new Set<string>();
    const waiting = [...(next.get(item.id) ?? [])];
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
      if (at === item.id) return [{ place: `items.${i}.${fields[0]}`, message: `${item.name}: ${message}` }];
      if (!seen.has(at)) waiting.push(...(next.get(at) ?? []));
      seen.add(at);
    }
    return [];
  });
}

/** Lights a design asks for, with tapes of a kind that is not known counted at the densest that ships. */
function countLights(design: Design): number {
  const library = withOwnParts(design.ownParts);
  return design.items.reduce((sum, item) => {
    if ('places' in item) return sum + item.places.length;
    if (!('route' in item)) return sum;
    if ('grid' in item && item.grid) return sum + item.grid.columns * item.grid.rows;
    const part = library.parts.get(item.part);
    const perMetre = part && 'perMetre' in part ? part.perMetre : 200;
    return sum + ((item.lengthMm ?? measureRoute(item.route)) / 1000) * perMetre;
  }, 0);
}

/** One pin given to two of what a board does. */
const findPinTwins = (items: readonly Item[]): PlanProblem[] =>
  items.flatMap((item, i) => {
    if (!('pinLocks' in item)) return [];
    const demands = item.pinLocks.map((lock) => lock.demand);
    return item.pinLocks.flatMap((lock, k) =>
      demands.indexOf(lock.demand) < k
        ? [
            {
              place: `items.${i}.pinLocks.${k}`,
              message: `"${lock.demand}" is locked twice on ${item.name}; keep one of the two`,
            },
          ]
        : [],
    );
  });

const findAllTwins = ({ hollows, ownParts, items, moods }: Design): PlanProblem[] => [
  ...findTwins('hollows', hollows),
  ...findTwins('ownParts', ownParts ?? []),
  ...findTwins('items and sets', [...items, ...(moods.sets ?? [])]),
  ...findTwins('moods.signs', moods.signs ?? []),
  ...moods.list.flatMap((mood, i) => findTwins(`moods.list.${i}.tops`, mood.tops ?? [])),
  ...findTwins('moods.list', moods.list),
  ...findTwins('moods.cues', moods.cues),
];

function checkDesign(design: Design): PlanProblem[] {
  const dangling = listReferences(design)
    .filter((check) => check.id !== null && !check.among.has(check.id))
    .map((check) => ({
      place: check.place,
      message: `names the ${check.what} "${check.id}", which is not in the plan`,
    }));
  const lights = countLights(design);
  const many =
    lights > plenty.lights
      ? [
          {
            place: 'items',
            message: `asks for about ${Math.round(lights)} lights; one plan holds at most ${plenty.lights}. Split the piece into several plans`,
          },
        ]
      : [];
  return [
    ...findAllTwins(design),
    ...listItemReferences(design),
    ...dangling,
    ...findLoops(
      design.items,
      ['after'],
      'the data of these tapes goes round in a circle; let one of them start at the controller',
    ),
    ...findLoops(
      design.items,
      ['feed', 'other'],
      'it is made from itself, by way of what it feeds; let one of them be fed from a pack or an outside supply',
    ),
    ...findPinTwins(design.items),
    ...many,
  ];
}

/** Every reference in a plan that leads nowhere, every id used twice, and more lights than one plan may hold. */
export function findReferenceProblems(plan: Plan): PlanProblem[] {
  const inDesign = (design: Design, prefix: string): PlanProblem[] => {
    const picture = design.view.picture;
    const lost =
      picture.kind === 'own' && !(picture.pictureId in plan.pictures)
        ? [
            {
              place: 'view.picture.pictureId',
              message: `names the picture "${picture.pictureId}", which is not in the plan`,
            },
          ]
        : [];
    return [...checkDesign(design), ...lost].map((problem) => ({ ...problem, place: `${prefix}.${problem.place}` }));
  };
  return [
    ...inDesign(plan.design, 'design'),
    ...plan.logbook.versions.flatMap((version, i) => inDesign(version.design, `logbook.versions.${i}.design`)),
    ...findUnsafePictures(plan),
  ];
}

function findUnsafePictures(plan: Plan): PlanProblem[] {
  return Object.entries(plan.pictures).flatMap(([id, picture]) => {
    if (picture.mime !== 'image/svg+xml') return [];
    const problem = findActiveContent(picture.svg);
    return problem ? [{ place: `pictures.${id}`, message: problem }] : [];
  });
}
