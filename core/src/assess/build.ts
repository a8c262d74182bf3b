import { type Item, type PlacedGroup, type PlacedTape, type Pulses, pulsesOf } from '../items/index.ts';
import { listMovables, type MovableGroup, orderChains, placeLights } from '../lights/index.ts';
import { type Board, isProgrammed, layRails, listBoards, movedItems, type Rails } from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import { type Control, controlsOf, type Design } from '../plan/index.ts';
import { restOf } from './budget.ts';
import { type Consumer, listConsumers } from './consumers.ts';
import { listControlDraws } from './controlDraws.ts';
import { railOfSwitched, type Switching, switchAll } from './drive.ts';
import { assessGuides, type GuideAssessment } from './guides.ts';
import { keepFew } from './keepFew.ts';
import { designSensing, type Sensing } from './sensing.ts';
import { listShopping, type ShoppingLine } from './shopping.ts';
import { wireConsumers } from './wired.ts';
import { layWires, type Wires, type WiresInput } from './wiring.ts';

/** What is there, how it is fed, switched and wired: all that does not change while a mood is set brighter or darker. */
export interface Build extends WiresInput {
  readonly sensing: readonly Sensing[];
  readonly controls: readonly Control[];
  readonly movables: readonly MovableGroup[];
  /** What a mood could move, as soon as it does. */
  readonly couldMove: readonly MovableGroup[];
  /** On all rails, with every programmed light dark. */
  readonly restA: number;
  readonly wires: Wires;
  readonly guides: readonly GuideAssessment[];
  /** What is to be bought for one copy. */
  readonly shopping: readonly ShoppingLine[];
}

function listChains(design: Pick<Design, 'items'>, placed: readonly PlacedGroup[]): PlacedTape[][] {
  const tapesById = new Map(placed.flatMap((group) => (group.shape === 'pixels' ? [[group.id, group] as const] : [])));
  return orderChains(design.items.filter((item) => 'after' in item))
    .map((chain) => chain.flatMap((tape) => tapesById.get(tape.id) ?? []))
    .filter((chain) => chain.some((tape) => tape.cut.lights > 0));
}

/** Whether a mood may move it: a board drives it, or would. */
function couldMove(item: Item, switching: Switching, boards: readonly Board[]): boolean {
  const channels = switching.switched.get(item.id);
  return isMoved(item, switching) || (boards.length > 0 && (channels ?? []).some(({ said }) => said.way === 'auto'));
}

/** What a program drives, or will once there is a board: the rest is lit by its supply, whatever the moods say. */
function isMoved(item: Item, switching: Switching): boolean {
  const channels = switching.switched.get(item.id);
  // What takes data is moved by nothing else.
  if (!channels) return 'after' in item;
  return channels.some(({ way }) => isProgrammed(way) || way.id === 'undecided');
}

type Built = Pick<Design, 'items' | 'piece' | 'wires'>;

/** Consumers, and each by its id. */
const known = (consumers: readonly Consumer[]): Pick<WiresInput, 'consumers' | 'byId'> => ({
  consumers,
  byId: new Map(consumers.map((consumer) => [consumer.id, consumer])),
});

function build(
  items: Design['items'],
  piece: Design['piece'],
  wired: Design['wires'],
  library: Library,
  hasMoods: boolean,
  moves: readonly string[],
): Build {
  const design: Built = { items, piece, wires: wired };
  const placed = placeLights(design, library);
  const rails: Rails = layRails(design, library);
  const boards = listBoards(design, library, rails);
  const switching = switchAll(design, { hasMoods, moves: new Set(moves) }, library, rails, boards, placed);
  const sensing = designSensing(design, rails, boards);
  const controlDraws = listControlDraws(design, boards, rails, sensing);
  const unwired = listConsumers({
    design,
    library,
    rails,
    boards,
    placed,
    driven: switching.driven,
    loads: switching.loads,
    controls: controlDraws,
    loadRailOf: (itemId) => railOfSwitched(switching, itemId),
  });
  // In its own lead it is switched, and hears no pulses.
  const ledBy = (item: Item): Pulses | null =>
    switching.switched.get(item.id)?.[0]?.way.transistor === null ? pulsesOf(item, library) : null;
  const movables = listMovables(design, placed, (item) => isMoved(item, switching), ledBy);
  const chains = listChains(design, placed);
  const bare = { design, library, placed, rails, boards, switching, movables, chains, controlDraws };
  const laid = layWires({ ...bare, ...known(unwired) });
  const consumers = wireConsumers(unwired, {
    placed,
    driven: switching.driven,
    chains,
    runs: laid.sized,
    nominalV: (railId) => (railId === null ? 0 : (rails.byId.get(railId)?.range?.nominalV ?? 0)),
  });
  const input: WiresInput = { ...bare, ...known(consumers) };
  // Gauges follow from what would flow without wires; all else counts them.
  const wires: Wires = { ...laid, drawnIn: (tree) => ({ ...laid.drawnIn(tree), consumers }) };
  const guides = assessGuides(design, library, placed, switching.driven);
  return {
    ...input,
    movables,
    couldMove: listMovables(design, placed, (item) => couldMove(item, switching, boards), ledBy),
    sensing,
    controls: controlsOf(design),
    restA: restOf(consumers),
    wires,
    shopping: listShopping({
      design,
      library,
      placed,
      driven: switching.driven,
      runs: wires.sized,
      sensing,
      guides,
      loads: switching.loads,
    }),
    guides,
  };
}

const keptBuild = keepFew(build);

/** What a design is built like; the same again while only its moods are set otherwise. */
export const buildOf = ({ items, piece, wires, moods }: Design, library: Library): Build =>
  keptBuild(items, piece, wires, library, moods.list.length > 0, [...movedItems(moods)].sort());
