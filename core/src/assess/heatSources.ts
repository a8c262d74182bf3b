import { forwardVoltageV } from '../circuit/index.ts';
import { LIGHT_SHARE, lightHeat, type WarmBody } from '../heat/index.ts';
import { isLinear, kindOf, type PlacedGroup, type PlacedLeds } from '../items/index.ts';
import {
  type Board,
  countResistors,
  type Driven,
  type LoadDrive,
  type Rails,
  type Switched,
} from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import type { MoodBudget } from './budget.ts';
import type { Consumer } from './consumers.ts';
import type { SupplyAssessment } from './supplies.ts';

/** What turns current to heat, at the brightest corner. */
export interface HeatSource {
  readonly id: string;
  readonly itemId: string;
  /** `glow`: what many small lights together give to their air; none of them is warm by itself. */
  readonly what: 'light' | 'resistor' | 'transistor' | 'driver' | 'converter' | 'regulator' | 'load' | 'glow';
  readonly name: string;
  /** From where the heat is made to its outside, each. */
  readonly bodies: readonly WarmBody[];
  readonly count: number;
  /** The item that says how long it is at work, where that is not its own. */
  readonly worksWithId?: string;
  /** The hollow that it is in, where that is not what its item lies in. */
  readonly hollowId?: string;
}

/** Typical of the kind: to still air in kelvin a watt, and what it takes up; the maker of the part says better. */
const thermal = {
  starInside: { toNextKPerW: 10, capacityJPerK: 0.5 },
  /** The small round board alone. */
  starBoardKPerW: 45,
  starBoardG: 2,
  transistor: { toNextKPerW: 200, capacityJPerK: 0.2 },
  driver: { toNextKPerW: 60, capacityJPerK: 3 },
  /** A linear regulator on a little copper; the coil and board of a switching one. */
  linear: { toNextKPerW: 50, capacityJPerK: 3 },
  switching: { toNextKPerW: 35, capacityJPerK: 5 },
  /** The small one on a board. */
  regulator: { toNextKPerW: 120, capacityJPerK: 1 },
  /** A motor or a sound module that takes a watt. */
  load: { toNextKPerW: 20, capacityJPerK: 15 },
  /** As warm as their air. */
  glow: { toNextKPerW: 0.01, capacityJPerK: 0.1 },
  /** Of a quarter of a watt. */
  resistor: { toNextKPerW: 130, capacityJPerK: 0.2 },
} as const;
const QUARTER_W = 0.25;
const ALUMINIUM_J_PER_GK = 0.9;
/** Of what a load takes in at work, so much stays in it as heat: of a motor the rest turns something. */
const LOAD_HEAT_SHARE = 0.7;

type Kindred = Pick<WarmBody, 'toNextKPerW' | 'capacityJPerK'>;
type Told = Pick<HeatSource, 'id' | 'itemId' | 'what' | 'name'> & { readonly heatW: number; readonly count?: number };

/** A small part, which is as warm inside as outside. */
const small = ({ heatW, count = 1, ...part }: Told, kindred: Kindred): HeatSource => ({
  ...part,
  count,
  bodies: [{ heatW, ...kindred }],
});

/** The same kind of part for so many times the watts: more skin, and still more of what takes up heat. */
const larger = ({ toNextKPerW, capacityJPerK }: Kindred, times: number): Kindred => ({
  toNextKPerW: toNextKPerW / Math.sqrt(times),
  capacityJPerK: capacityJPerK * times ** 0.75,
});

/** A power star on its board or heatsink. */
function starSource({ id, name, group: item, places, part }: PlacedLeds, driven: Driven): HeatSource {
  const I = driven.corners.brightestA;
  const heatW = lightHeat.reckon({ V: forwardVoltageV(driven.loop.curve, I), I, n: LIGHT_SHARE });
  return {
    id: `star:${id}`,
    itemId: id,
    what: 'light',
    name,
    count: places.length,
    bodies: [
      { heatW, ...thermal.starInside, toNextKPerW: part.insideKPerW ?? thermal.starInside.toNextKPerW },
      {
        heatW: 0,
        toNextKPerW: item.sinkKPerW ?? thermal.starBoardKPerW,
        capacityJPerK: (item.sinkG ?? thermal.starBoardG) * ALUMINIUM_J_PER_GK,
      },
    ],
  };
}

/** What the transistor of a channel turns to heat while it is on, at the most of a fresh, half spent or spent pack. */
function heatInSwitch({ loop, channelA, channelBrightestA, corners, onOhm }: Driven): number {
  const spentA = corners.currentA > 0 ? (channelA * corners.leastA) / corners.currentA : 0;
  const at = (currentA: number, ohm: number): number => currentA * (loop.dropV + currentA * ohm);
  return Math.max(at(channelBrightestA, onOhm.freshOhm), at(channelA, onOhm.likelyOhm), at(spentA, onOhm.spentOhm));
}

/** What one channel of lights warms: `driverId` of what holds their current, where something does. */
function sourcesOf(driven: Driven, group: PlacedGroup | undefined, driverId: string | null): HeatSource[] {
  const { itemId, name, resistor, transistor, loop, corners, feed, die, scan } = driven;
  const part = die ?? (driven.tape && driven.tape.colours > 1 ? driven.tape.colour : null);
  const suffix = part === null ? itemId : `${itemId}:${part}`;
  const ratedW = group?.shape === 'lights' ? group.group.resistorRatedW : QUARTER_W;
  const isStar = group?.shape === 'lights' && group.part.body === 'power star';
  const heldW =
    loop.heldA === null
      ? 0
      : Math.max(0, feed.mostV - loop.inSeries * forwardVoltageV(loop.curve, corners.brightestA)) *
        corners.brightestA *
        (scan?.layout.atOnce ?? 1);
  return [
    ...(isStar ? [starSource(group, driven)] : []),
    ...(resistor
      ? [
          small(
            {
              id: `resistor:${suffix}`,
              itemId,
              what: 'resistor',
              name: `${name}, resistor`,
              heatW: resistor.heatW,
              count: countResistors(driven),
            },
            larger(thermal.resistor, ratedW / QUARTER_W),
          ),
        ]
      : []),
    ...(transistor
      ? [
          small(
            {
              id: `transistor:${suffix}`,
              itemId,
              what: 'transistor',
              name: `${name}, transistor`,
              // Of those of a grid each has its turn.
              heatW: heatInSwitch(driven) / (scan?.layout.turns ?? 1),
              count: scan ? scan.layout.turns : driven.channels.length,
            },
            thermal.transistor,
          ),
        ]
      : []),
    {
      ...small(
        {
          id: `driver:${suffix}`,
          itemId: driverId ?? itemId,
          what: 'driver',
          name: `${name}, its driver`,
          heatW: heldW,
        },
        thermal.driver,
      ),
      worksWithId: itemId,
    },
  ];
}

/** What is fed by way of a supply, as far as it says how warm that gets. */
type Fed = Pick<SupplyAssessment, 'tree' | 'atPeak' | 'atFull'>;

/** How much warmer than its air a converter is inside for each watt that it turns to heat. */
export const converterKPerW = (kind: 'linear' | 'switching'): number => thermal[kind].toNextKPerW;

/** What a converter turns to heat: all that goes in and does not come out, fresh or near the end, whichever is more. */
function converterSources({ tree, atPeak, atFull }: Fed): HeatSource[] {
  return tree.nodes.flatMap((node, i): HeatSource[] => {
    if (!node.converter) return [];
    const lostIn = ({ nodes, collapses }: Fed['atPeak']): number => {
      const at = nodes[i];
      return at && !collapses ? at.inV * at.inA - at.outV * at.outA : 0;
    };
    const heatW = Math.max(0, lostIn(atPeak), lostIn(atFull));
    return [
      small(
        { id: `converter:${node.id}`, itemId: node.id, what: 'converter', name: node.name, heatW },
        isLinear(node.converter) ? thermal.linear : thermal.switching,
      ),
    ];
  });
}

/** What the regulator of a board turns to heat: its chip and all that its pins give go through it. */
function regulatorSource(board: Board, driven: readonly Driven[], mostV: number): HeatSource[] {
  const { regulator, logicV, drawA } = board.part;
  // One that lifts its voltage too is no resistor that takes what is over.
  if (!regulator || regulator.lifts) return [];
  const givenA = driven
    .filter((each) => each.board?.id === board.id && each.way.throughPin === 'given')
    .reduce((sum, each) => sum + each.channelBrightestA * each.channels.length, 0);
  const heatW = Math.max(0, mostV - logicV) * (drawA.likely + givenA);
  const name = `${board.name}, its regulator`;
  return [small({ id: `regulator:${board.id}`, itemId: board.id, what: 'regulator', name, heatW }, thermal.regulator)];
}

/** What a load keeps as heat while it works, by its usual current. */
const loadSources = (
  consumers: readonly Consumer[],
  loads: readonly LoadDrive[],
  items: Design['items'],
  nominalOf: (railId: string | null) => number,
): HeatSource[] =>
  consumers.flatMap((consumer): HeatSource[] => {
    const { id, name, railId, restA, steadyA, fullA, byBoard } = consumer;
    const item = items.find((each) => each.id === id);
    if (!item || kindOf(item.kind).role !== 'load') return [];
    const isRun = loads.some(({ itemId }) => itemId === id);
    const usualA = isRun ? restA + fullA - (byBoard?.fullA ?? 0) : restA + steadyA;
    const takenW = usualA * nominalOf(railId);
    return [
      small(
        { id: `load:${id}`, itemId: id, what: 'load', name, heatW: LOAD_HEAT_SHARE * takenW },
        larger(thermal.load, Math.max(1, takenW)),
      ),
    ];
  });

/** Of what lights take from their rail so much stays as heat; the rest leaves as light. */
const GLOW_HEAT_SHARE = 0.8;

/** The hollows that lights are in, each with the share of them that is there. */
function sharesByHollow(group: PlacedGroup): ReadonlyMap<string, number> {
  if (group.shape !== 'lights') return new Map(group.tape.hollowId === null ? [] : [[group.tape.hollowId, 1]]);
  const shares = new Map<string, number>();
  // A power star is a source of its own.
  if (group.part.body === 'power star') return shares;
  for (const { hollowId } of group.group.places)
    if (hollowId !== null) shares.set(hollowId, (shares.get(hollowId) ?? 0) + 1 / group.group.places.length);
  return shares;
}

/** What lights give to the air of what they are closed in, over the mood that takes most of them, or lit for good. */
const glowSources = (
  { placed, consumers, moods }: HeatKnown,
  nominalOf: (railId: string | null) => number,
): HeatSource[] =>
  placed.flatMap((group) => {
    const consumer = consumers.find(({ id }) => id === group.id);
    if (!consumer) return [];
    const inMoods = moods.flatMap(({ groups }) => groups.find(({ groupId }) => groupId === group.id)?.meanA ?? []);
    const meanA = inMoods.length > 0 ? Math.max(...inMoods) : consumer.restA + consumer.steadyA;
    return [...sharesByHollow(group)].map(([hollowId, share]) => ({
      ...small(
        {
          id: `glow:${group.id}:${hollowId}`,
          itemId: group.id,
          what: 'glow',
          name: group.name,
          heatW: GLOW_HEAT_SHARE * share * meanA * nominalOf(consumer.railId),
        },
        thermal.glow,
      ),
      hollowId,
    }));
  });

/** What of a plan says where heat is made. */
export interface HeatKnown {
  readonly placed: readonly PlacedGroup[];
  readonly driven: readonly Driven[];
  /** How every channel is switched, by the id of its item. */
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  readonly boards: readonly Board[];
  readonly rails: Rails;
  readonly supplies: readonly Fed[];
  readonly consumers: readonly Consumer[];
  /** Loads that a program runs. */
  readonly loads: readonly LoadDrive[];
  /** What each mood draws. */
  readonly moods: readonly MoodBudget[];
}

/** All that makes heat, in the order of the plan. */
export function listHeatSources(items: Design['items'], known: HeatKnown): readonly HeatSource[] {
  const { placed, driven, switched, boards, rails, supplies, consumers, loads } = known;
  const groupOf = (id: string): PlacedGroup | undefined => placed.find((group) => group.id === id);
  const rangeOf = (railId: string | null) => (railId === null ? undefined : rails.byId.get(railId)?.range);
  const nominalOf = (railId: string | null): number => rangeOf(railId)?.nominalV ?? 0;
  return [
    ...driven.flatMap((each) => sourcesOf(each, groupOf(each.itemId), switched.get(each.itemId)?.[0]?.by?.id ?? null)),
    ...supplies.flatMap(converterSources),
    ...boards.flatMap((board) => regulatorSource(board, driven, rangeOf(board.railId)?.mostV ?? 0)),
    ...loadSources(consumers, loads, items, nominalOf),
    ...glowSources(known, nominalOf),
  ];
}
