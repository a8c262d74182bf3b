import { type Finding, type Fix, type Item, isFedByWay, kindOf, named } from '../items/index.ts';
import type { Board } from '../network/index.ts';
import { bearsV } from '../parts/index.ts';
import { changeItem, type Design, itemNamed } from '../plan/index.ts';
import { amps, say, volts } from '../units/index.ts';
import { addBoost } from './addBoost.ts';
import type { Rule, RuleInput } from './finding.ts';
import { tellMinusApart } from './tellMinusApart.ts';

/** A board on a rail that falls below what it wants, or rises above what it bears. */
function judgeBoard(board: Board, input: RuleInput): Finding[] {
  const rail = board.railId === null ? undefined : input.assessment.rails.byId.get(board.railId);
  const range = rail?.range;
  if (!range || !rail) return [];
  const findings: Finding[] = [];
  if (range.leastV < board.part.supplyLeastV) {
    const isConverted = rail.gives.form === 'converter';
    findings.push({
      ...named('rail-low', board.id),
      gravity: isConverted || range.nominalV >= board.part.supplyLeastV ? 'mend' : 'stop',
      stage: 'power',
      aboutId: board.id,
      actual: { kind: 'voltageV', value: range.leastV },
      limit: { kind: 'voltageV', value: board.part.supplyLeastV },
      what: say`The rail of ${board.name} falls to ${volts(range.leastV)}; it wants ${volts(board.part.supplyLeastV)}`,
      why: 'It resets or hangs before the pack is empty, and the rest of the charge is lost.',
      mend: 'Put a converter between, or take a controller that bears less.',
      fixes: isConverted ? [] : addBoost(input),
    });
  }
  if (range.mostV > board.part.supplyMostV)
    findings.push({
      ...named('rail-high', board.id),
      gravity: 'stop',
      stage: 'power',
      aboutId: board.id,
      actual: { kind: 'voltageV', value: range.mostV },
      limit: { kind: 'voltageV', value: board.part.supplyMostV },
      what: say`At its fullest the rail gives ${volts(range.mostV)}; ${board.name} bears ${volts(board.part.supplyMostV)}`,
      why: 'It is destroyed when it is switched on.',
      mend: 'Take a converter or a pack of lower voltage.',
      fixes: [],
    });
  return findings;
}

/** Boards and their rails must suit each other over the life of the pack. */
export const supplyRangeRule: Rule = (input) => input.assessment.boards.flatMap((board) => judgeBoard(board, input));

/** Lights and loads on a rail that they do not bear, or that is too little for them. */
export const overVoltageRule: Rule = ({ design, assessment, library }) =>
  design.items.flatMap((item): Finding[] => {
    const part = 'part' in item && item.part !== null ? library.parts.get(item.part) : undefined;
    const rated = part ? bearsV(part) : null;
    const consumer = assessment.consumers.find((each) => each.id === item.id);
    const railId = consumer?.railId ?? assessment.rails.feedOf(item);
    const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
    if (!rated || !range) return [];
    if (range.mostV > rated.mostV * (1 + 1e-9))
      return [
        {
          ...named('over-voltage', item.id),
          gravity: 'stop',
          stage: 'power',
          aboutId: item.id,
          actual: { kind: 'voltageV', value: range.mostV },
          limit: { kind: 'voltageV', value: rated.mostV },
          what: say`${item.name} gets ${volts(range.mostV)} and bears ${volts(rated.mostV)}`,
          why: 'It is destroyed when it is switched on.',
          mend: 'Feed it from a rail of its own voltage: a converter makes one.',
          fixes: [],
        },
      ];
    // Pixels tell of their own voltage along the tape.
    if (part?.kind === 'pixel-tape' || range.nominalV >= rated.leastV) return [];
    return [
      {
        ...named('under-voltage', item.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        actual: { kind: 'voltageV', value: range.nominalV },
        limit: { kind: 'voltageV', value: rated.leastV },
        what: say`${item.name} gets ${volts(range.nominalV)} and wants at least ${volts(rated.leastV)}`,
        why: 'It stays dim or dark, or does not start.',
        mend: 'Feed it from a rail of its own voltage: a converter makes one.',
        fixes: [],
      },
    ];
  });

/** What a pack at its fullest gives a converter. */
export const converterInputRule: Rule = ({ assessment }) =>
  assessment.rails.list.flatMap((rail): Finding[] => {
    const from = rail.fromId === null ? undefined : assessment.rails.byId.get(rail.fromId);
    if (rail.gives.form !== 'converter' || !rail.gives.part || !from?.range) return [];
    const { part } = rail.gives;
    if (from.range.mostV <= part.inputMostV) return [];
    return [
      {
        ...named('converter-input-high', rail.id),
        gravity: 'stop',
        stage: 'power',
        aboutId: rail.id,
        actual: { kind: 'voltageV', value: from.range.mostV },
        limit: { kind: 'voltageV', value: part.inputMostV },
        what: say`At its fullest ${from.name} gives ${volts(from.range.mostV)}; the converter bears ${volts(part.inputMostV)}`,
        why:
          part.topology === 'boost'
            ? 'A boost converter can only lift: what is above its output passes straight through to the lights.'
            : 'It is destroyed when it is switched on.',
        mend: 'Take a buck converter that bears this pack, or a pack of fewer cells.',
        fixes: [],
      },
    ];
  });

/** What a power bank does with a small load. */
export const bankSleepsRule: Rule = ({ assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    const below = gives.form === 'cells' || gives.form === 'outside' ? gives.part?.switchesOffBelowA : undefined;
    const lowest = assessment.moods.reduce((least, mood) => Math.min(least, mood.meanA), Number.POSITIVE_INFINITY);
    if (below === undefined || lowest >= below) return [];
    return [
      {
        ...named('bank-sleeps', supply.rail.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: supply.rail.id,
        actual: { kind: 'currentA', value: lowest },
        limit: { kind: 'currentA', value: below },
        what: say`${supply.rail.name} switches itself off below ${amps(below)}; the dimmest mood draws ${amps(lowest)}`,
        why: 'It takes a small load for a telephone that is full, and the piece goes dark in the middle of the evening.',
        mend: 'Take a bank with a mode for small loads, a pack with a converter, or a brighter lowest mood.',
        fixes: [],
      },
    ];
  });

/** Supplies whose signals cross must share their minus. */
export const minusRule: Rule = ({ design, assessment }) => {
  const minusOf = (railId: string | null): string | null =>
    railId === null ? null : (assessment.rails.byId.get(railId)?.minusId ?? null);
  const steered = new Map(
    assessment.driven.flatMap((driven) => {
      const [first] = assessment.switched.get(driven.itemId) ?? [];
      return driven.board && first
        ? [
            [
              driven.itemId,
              { name: driven.name, id: driven.itemId, a: minusOf(driven.board.railId), b: minusOf(first.railId) },
            ] as const,
          ]
        : [];
    }),
  );
  const crossings = [
    ...steered.values(),
    ...assessment.dataLines.flatMap((line) => {
      const item = itemNamed(design, line.tapeId);
      return item && line.board
        ? [{ name: item.name, id: item.id, a: minusOf(line.board.railId), b: minusOf(assessment.rails.feedOf(item)) }]
        : [];
    }),
    ...assessment.loads.flatMap(({ itemId, name, board, railId }) => [
      { name, id: itemId, a: minusOf(board.railId), b: minusOf(railId) },
    ]),
    ...assessment.sensing.flatMap((each) =>
      each.kind === 'charge'
        ? [{ name: each.control.name, id: each.control.id, a: minusOf(each.board.railId), b: minusOf(each.pack.id) }]
        : [],
    ),
    ...design.items.flatMap((item) => {
      const giverId = kindOf(item.kind).control?.givenBy?.(item);
      if (giverId === undefined || !('board' in item)) return [];
      const [from, to] = [giverId, item.board].map(
        (id) => assessment.boards.find((board) => board.id === id) ?? assessment.boards[0],
      );
      return from && to ? [{ name: item.name, id: item.id, a: minusOf(from.railId), b: minusOf(to.railId) }] : [];
    }),
  ];
  return crossings
    .filter(({ a, b }) => a !== null && b !== null && a !== b)
    .map(({ name, id, a, b }): Finding => {
      const told = tellMinusApart(name);
      return {
        ...told,
        ...named(told.rule, id),
        stage: 'power',
        aboutId: id,
        fixes: joinMinuses(design, [itemNamed(design, a), itemNamed(design, b)]),
      };
    });
};

/** Joins the minus of what keeps its own to the common one. */
function joinMinuses(design: Design, givers: readonly (Item | undefined)[]): Fix[] {
  const apart = givers.flatMap((giver) => (giver && 'minus' in giver && giver.minus === 'apart' ? [giver] : []));
  if (apart.length === 0) return [];
  return [
    {
      label: `Join the minus of ${apart.map(({ name }) => name).join(' and of ')}`,
      edits: apart.flatMap(({ id }) => changeItem(design, id, { minus: 'joined' })),
    },
  ];
}

/** Several rails could be meant by an item that names none. */
export const whichRailRule: Rule = ({ design, assessment }) => {
  if (!assessment.rails.isAmbiguous) return [];
  const silent = design.items.filter(
    (item) => 'feed' in item && item.feed === null && !assessment.rails.byId.has(item.id) && !isFedByWay(item),
  );
  const main = assessment.rails.mainId === null ? undefined : assessment.rails.byId.get(assessment.rails.mainId);
  if (silent.length === 0 || !main) return [];
  return [
    {
      ...named('which-rail'),
      gravity: 'mend',
      stage: 'power',
      aboutId: silent[0]?.id ?? null,
      what: `There are several rails, and ${silent.length === 1 ? `${silent[0]?.name} does` : `${silent.length} items do`} not say which feeds ${silent.length === 1 ? 'it' : 'them'}`,
      why: `They are reckoned on ${main.name}.`,
      mend: 'Choose for each what feeds it.',
      fixes: [
        {
          label: `They are fed from ${main.name}`,
          edits: silent.flatMap((item) => changeItem(design, item.id, { feed: main.id })),
        },
      ],
    },
  ];
};
