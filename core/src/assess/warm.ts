import { forwardVoltageV } from '../circuit/index.ts';
import { hollowWalls, LIGHT_SHARE, lightHeat, type WarmBody, warmChain } from '../heat/index.ts';
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
import type { Consumer } from './consumers.ts';
import type { SupplyAssessment } from './supplies.ts';

/** What turns current to heat, with the temperatures that it comes to at the brightest corner. */
export interface WarmPart {
  readonly id: string;
  readonly itemId: string;
  readonly what: 'light' | 'resistor' | 'transistor' | 'driver' | 'converter' | 'regulator' | 'load';
  readonly name: string;
  /** The air round the piece. */
  readonly airC: number;
  /** In each. */
  readonly heatW: number;
  /** All of them together. */
  readonly allW: number;
  /** Of its inside, lit for good. */
  readonly insideC: number;
  /** Where it is touched and held, lit for good. */
  readonly outsideC: number;
  /** Where it is touched and held, after it was lit as long as the maker says; the same where that is for good. */
  readonly afterC: number;
  /** What its inside bears. */
  readonly limitC: number;
}

/** Typical of the kind, in still air, in kelvin a watt; the maker of the part says better. */
const thermal = {
  starInsideKPerW: 10,
  /** The small round board alone. */
  starBoardKPerW: 45,
  starBoardG: 2,
  transistorKPerW: 200,
  driverKPerW: 60,
  /** A linear regulator on a little copper; the coil and board of a switching one. */
  linearKPerW: 50,
  switchingKPerW: 35,
  /** The small one on a board. */
  regulatorKPerW: 120,
  /** A motor or a sound module that takes a watt; larger ones have more skin. */
  loadKPerW: 20,
  /** Of a quarter of a watt; larger ones have more skin. */
  resistorKPerW: 130,
} as const;
const QUARTER_W = 0.25;
const ALUMINIUM_J_PER_GK = 0.9;
/** The air of a hollow with the skin of its walls. */
const HOLLOW_J_PER_K = 60;
const limits = {
  light: 120,
  resistor: 155,
  transistor: 125,
  driver: 125,
  converter: 125,
  regulator: 125,
  load: 90,
} as const;
/** Of what a load takes in at work, so much stays in it as heat: of a motor the rest turns something. */
const LOAD_HEAT_SHARE = 0.7;
/** What of a design says how warm its air is and what is closed in. */
type WarmDesign = Pick<Design, 'piece' | 'hollows' | 'items'>;

/** A part that rises by less is not told of. */
const LEAST_RISE_K = 3;

/** What a small part of one body comes to. */
function smallPart(
  part: Pick<WarmPart, 'id' | 'itemId' | 'what' | 'name' | 'heatW'>,
  kelvinPerW: number,
  { ambientC }: { readonly ambientC: number },
  count = 1,
): WarmPart[] {
  const atC = ambientC + part.heatW * kelvinPerW;
  const limitC = limits[part.what];
  return [{ ...part, allW: part.heatW * count, airC: ambientC, insideC: atC, outsideC: atC, afterC: atC, limitC }];
}

/**
 * What is closed in one box warms its air together: each part stands in air that all the others have warmed, for good.
 * A light in a hollow has its own, and that of its group, in its chain already.
 */
function inTheirBoxes(parts: readonly WarmPart[], design: WarmDesign): WarmPart[] {
  const boxOf = (itemId: string): string | null => {
    const item = design.items.find(({ id }) => id === itemId);
    return (item && 'boxId' in item ? item.boxId : null) ?? null;
  };
  return parts.map((part): WarmPart => {
    const boxId = boxOf(part.itemId);
    const kelvinPerW = boxId === null ? null : hollowOf({ boxId }, design);
    if (kelvinPerW === null) return part;
    const isOwn = (each: WarmPart): boolean => each === part && part.what === 'light';
    const othersW = parts.reduce(
      (sum, each) => (boxOf(each.itemId) === boxId && !isOwn(each) ? sum + each.allW : sum),
      0,
    );
    const riseK = othersW * kelvinPerW;
    return {
      ...part,
      insideC: part.insideC + riseK,
      outsideC: part.outsideC + riseK,
      afterC: part.afterC + riseK,
    };
  });
}

/** What a hollow holds back for the light that is closed in it, as typed or by the walls of its box; null in the open. */
export function hollowOf(
  { hollowKPerW, boxId }: Pick<PlacedLeds['group'], 'hollowKPerW' | 'boxId'>,
  { hollows }: Pick<Design, 'hollows'>,
): number | null {
  if (hollowKPerW !== undefined) return hollowKPerW;
  const box = hollows.find(({ id }) => id === boxId);
  return box?.kind === 'box' ? hollowWalls.reckon({ w: box.widthMm, h: box.heightMm, d: box.depthMm }) : null;
}

/** A power star on its board or heatsink, in the open or in a closed hollow that the others of its group warm too. */
function warmStar(group: PlacedLeds, driven: Driven, design: WarmDesign): WarmPart {
  const { group: item, places, part } = group;
  const { ambientC } = design.piece;
  const hollowKPerW = hollowOf(item, design);
  const I = driven.corners.brightestA;
  const heatW = lightHeat.reckon({ V: forwardVoltageV(driven.loop.curve, I), I, n: LIGHT_SHARE });
  const hollow: readonly WarmBody[] =
    hollowKPerW === null
      ? []
      : [{ heatW: heatW * (places.length - 1), toNextKPerW: hollowKPerW, capacityJPerK: HOLLOW_J_PER_K }];
  const chain: readonly WarmBody[] = [
    { heatW, toNextKPerW: part.insideKPerW ?? thermal.starInsideKPerW, capacityJPerK: 0.5 },
    {
      heatW: 0,
      toNextKPerW: item.sinkKPerW ?? thermal.starBoardKPerW,
      capacityJPerK: (item.sinkG ?? thermal.starBoardG) * ALUMINIUM_J_PER_GK,
    },
    ...hollow,
  ];
  const [insideC = 0, outsideC = 0] = warmChain(chain, ambientC, Number.POSITIVE_INFINITY);
  const [, afterC = 0] = warmChain(chain, ambientC, item.litS ?? Number.POSITIVE_INFINITY);
  const { id, name } = group;
  return {
    id: `star:${id}`,
    itemId: id,
    what: 'light',
    name,
    airC: ambientC,
    heatW,
    allW: heatW * places.length,
    insideC,
    outsideC,
    afterC,
    limitC: limits.light,
  };
}

/** What one channel of lights warms: `driverId` of what holds their current, where something does. */
function warmOf(
  driven: Driven,
  group: PlacedGroup | undefined,
  driverId: string | null,
  design: WarmDesign,
): WarmPart[] {
  const { itemId, name, resistor, transistor, loop, channelBrightestA, corners, feed, die, scan } = driven;
  const air = design.piece;
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
    ...(isStar ? [warmStar(group, driven, design)] : []),
    ...(resistor
      ? smallPart(
          { id: `resistor:${suffix}`, itemId, what: 'resistor', name: `${name}, resistor`, heatW: resistor.heatW },
          thermal.resistorKPerW * Math.sqrt(QUARTER_W / ratedW),
          air,
          countResistors(driven),
        )
      : []),
    ...(transistor
      ? smallPart(
          {
            id: `transistor:${suffix}`,
            itemId,
            what: 'transistor',
            name: `${name}, transistor`,
            // Of those of a grid each has its turn.
            heatW: (channelBrightestA * (loop.dropV + channelBrightestA * loop.sharedOhm)) / (scan?.layout.turns ?? 1),
          },
          thermal.transistorKPerW,
          air,
          scan ? scan.layout.turns : driven.channels.length,
        )
      : []),
    ...smallPart(
      { id: `driver:${suffix}`, itemId: driverId ?? itemId, what: 'driver', name: `${name}, its driver`, heatW: heldW },
      thermal.driverKPerW,
      air,
    ),
  ];
}

/** What is fed by way of a supply, as far as it says how warm that gets. */
type Fed = Pick<SupplyAssessment, 'tree' | 'atPeak' | 'atFull'>;

/** What a converter turns to heat: all that goes in and does not come out, fresh or near the end, whichever is more. */
function warmConverters({ tree, atPeak, atFull }: Fed, ambientC: number): WarmPart[] {
  return tree.nodes.flatMap((node, i): WarmPart[] => {
    if (!node.converter) return [];
    const lostIn = ({ nodes, collapses }: Fed['atPeak']): number => {
      const at = nodes[i];
      return at && !collapses ? at.inV * at.inA - at.outV * at.outA : 0;
    };
    const heatW = Math.max(0, lostIn(atPeak), lostIn(atFull));
    const kelvinPerW = isLinear(node.converter) ? thermal.linearKPerW : thermal.switchingKPerW;
    const part = { id: `converter:${node.id}`, itemId: node.id, what: 'converter' as const, name: node.name, heatW };
    return smallPart(part, kelvinPerW, { ambientC });
  });
}

/** What the regulator of a board turns to heat: its chip and all that its pins give go through it. */
function warmRegulator(board: Board, driven: readonly Driven[], mostV: number, ambientC: number): WarmPart[] {
  const { regulator, logicV, drawA } = board.part;
  // One that lifts its voltage too is no resistor that takes what is over.
  if (!regulator || regulator.lifts) return [];
  const givenA = driven
    .filter((each) => each.board?.id === board.id && each.way.throughPin === 'given')
    .reduce((sum, each) => sum + each.channelBrightestA * each.channels.length, 0);
  const heatW = Math.max(0, mostV - logicV) * (drawA.likely + givenA);
  const name = `${board.name}, its regulator`;
  return smallPart(
    { id: `regulator:${board.id}`, itemId: board.id, what: 'regulator', name, heatW },
    thermal.regulatorKPerW,
    {
      ambientC,
    },
  );
}

/** What a load keeps as heat while it works, by its usual current. */
const warmLoads = (
  consumers: readonly Consumer[],
  loads: readonly LoadDrive[],
  { items, piece }: WarmDesign,
  nominalOf: (railId: string | null) => number,
): WarmPart[] =>
  consumers.flatMap((consumer): WarmPart[] => {
    const { id, name, railId, restA, steadyA, fullA, byBoard } = consumer;
    const item = items.find((each) => each.id === id);
    if (!item || kindOf(item.kind).role !== 'load') return [];
    const isRun = loads.some(({ itemId }) => itemId === id);
    const usualA = isRun ? restA + fullA - (byBoard?.fullA ?? 0) : restA + steadyA;
    const heatW = LOAD_HEAT_SHARE * usualA * nominalOf(railId);
    return smallPart(
      { id: `load:${id}`, itemId: id, what: 'load', name, heatW },
      thermal.loadKPerW / Math.sqrt(Math.max(1, heatW / LOAD_HEAT_SHARE)),
      piece,
    );
  });

/** All that gets warm, the hottest first. */
export function listWarm(
  design: WarmDesign,
  known: {
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
  },
): readonly WarmPart[] {
  const { placed, driven, switched, boards, rails, supplies, consumers, loads } = known;
  const { ambientC } = design.piece;
  const groupOf = (id: string): PlacedGroup | undefined => placed.find((group) => group.id === id);
  const mostOf = (railId: string | null): number =>
    (railId === null ? undefined : rails.byId.get(railId)?.range?.mostV) ?? 0;
  const nominalOf = (railId: string | null): number =>
    (railId === null ? undefined : rails.byId.get(railId)?.range?.nominalV) ?? 0;
  const parts = [
    ...driven.flatMap((each) =>
      warmOf(each, groupOf(each.itemId), switched.get(each.itemId)?.[0]?.by?.id ?? null, design),
    ),
    ...supplies.flatMap((supply) => warmConverters(supply, ambientC)),
    ...boards.flatMap((board) => warmRegulator(board, driven, mostOf(board.railId), ambientC)),
    ...warmLoads(consumers, loads, design, nominalOf),
  ];
  return inTheirBoxes(parts, design)
    .filter(({ what, outsideC, airC }) => what === 'light' || outsideC - airC >= LEAST_RISE_K)
    .sort((a, b) => b.outsideC - a.outsideC);
}
