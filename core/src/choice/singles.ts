import { forwardVoltageV } from '../circuit/index.ts';
import {
  bands,
  type Edit,
  kindOf,
  type LightItem,
  layOutScan,
  plenty,
  type ScanLayout,
  type SwitchedBy,
} from '../items/index.ts';
import { curveOfPart } from '../lights/index.ts';
import { type LedPart, leds, sundryPrices } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { amps, type Message, say, volts } from '../units/index.ts';
import { acrossMiddle, countSingles, evenDepthMm, isTooDim, missesOf, mostPins, pitchOf } from './shared.ts';
import type { Judged, KindOption, Wish } from './wish.ts';

/** What looks right at night through most lights; what is taken is wished so much. */
const EACH_A = 0.01;
/** Left over for a resistor to hold the current. */
const HEAD_ROOM_V = 0.3;
/** Two legs, and both ends of its resistor. */
const JOINTS_EACH = 4;
/** Three dice: four legs, and three resistors. */
const JOINTS_COLOURED = 10;

const partNamed = (id: string) => leds.find((part) => part.id === id);

/** Fewer lights take more pins in rows and columns than with a pin each. */
const LEAST_GRID = 9;
/** One by one, more of them are too faint each. */
const MOST_SHARED = 20;

interface Row {
  readonly id: string;
  readonly name: string;
  readonly partId: string;
  readonly channels: (lights: number) => number;
  readonly isColoured: boolean;
  /** How they take turns, where they do. */
  readonly takeTurns?: (lights: number) => SwitchedBy;
  /** Why it can’t; null where it can. */
  readonly cannot: (wish: Wish, lights: number) => string | null;
}

/** Turns of a run: three show which way it goes. */
const RUN_CHANNELS = 3;
const oneColour = ({ colour }: Wish): string | null =>
  colour === 'any colour' ? 'each has the one colour that it was bought in' : null;

const isOneEnough = ({ control }: Wish): string | null =>
  control === 'as one' ? 'all as one: a single channel or a switch will do' : null;

const rows: readonly Row[] = [
  {
    id: 'singles-as-one',
    name: 'Single lights, all as one',
    partId: 'led-5mm-warm-white',
    channels: () => 1,
    isColoured: false,
    cannot: (wish) => oneColour(wish) ?? (wish.control === 'as one' ? null : 'on one switch nothing moves'),
  },
  {
    id: 'singles-by-turns',
    name: `Single lights on ${RUN_CHANNELS} channels by turns`,
    partId: 'led-5mm-warm-white',
    channels: () => RUN_CHANNELS,
    isColoured: false,
    cannot: (wish, lights) =>
      oneColour(wish) ??
      isOneEnough(wish) ??
      (wish.control === 'each by itself' && lights > RUN_CHANNELS
        ? 'lights of one channel are lit and dark together'
        : lights < RUN_CHANNELS
          ? 'a run wants a light for each channel'
          : null),
  },
  {
    id: 'singles-a-pin-each',
    name: 'Single lights, a pin each',
    partId: 'led-5mm-warm-white',
    channels: (lights) => lights,
    isColoured: false,
    cannot: (wish, lights) =>
      oneColour(wish) ??
      isOneEnough(wish) ??
      (lights > Math.min(mostPins, bands.channels.most)
        ? `that is ${lights} pins; a group has ${bands.channels.most} at most, a controller ${mostPins}`
        : null),
  },
  {
    id: 'scanned-grid',
    name: 'A scanned grid of single lights',
    partId: 'led-5mm-amber',
    channels: () => 1,
    isColoured: false,
    takeTurns: (lights) => ({
      way: 'scanned grid',
      board: null,
      rows: Math.max(1, Math.min(bands.gridRows.most, Math.round(Math.sqrt(lights)))),
      part: null,
      columnsBy: null,
    }),
    cannot: (wish, lights) =>
      oneColour(wish) ??
      isOneEnough(wish) ??
      (lights < LEAST_GRID ? 'so few lights have a pin each, or share a few' : null),
  },
  {
    id: 'shared-pins',
    name: 'Single lights between pins that they share',
    partId: 'led-5mm-amber',
    channels: () => 1,
    isColoured: false,
    takeTurns: () => ({ way: 'shared pins', board: null }),
    cannot: (wish, lights) =>
      oneColour(wish) ??
      isOneEnough(wish) ??
      (lights < 2
        ? 'a single light has a pin of its own'
        : lights > MOST_SHARED
          ? `each would be lit 1/${lights} of the time: too dim`
          : null),
  },
  {
    id: 'many-coloured',
    name: 'Many-coloured lights on three channels',
    partId: 'led-5mm-three-colours-plus',
    channels: () => 3,
    isColoured: true,
    cannot: ({ control }) =>
      control === 'as one' ? null : 'all of them show one colour together: nothing runs along them',
  },
];

function addSingles(row: Row, wish: Wish, lights: number, design: Design, newId: () => string): readonly Edit[] {
  const id = newId();
  const places = acrossMiddle(design, wish.stretchMm, lights);
  const count = design.items.filter((item) => item.kind === 'light').length + 1;
  const fresh = kindOf('light').create({ id, name: `Lights ${count}`, at: places[0] ?? { xMm: 0, yMm: 0 } });
  const item = {
    ...fresh,
    part: wish.colour === 'white' && !row.isColoured ? 'led-5mm-white' : row.partId,
    wantedCurrentA: EACH_A,
    channels: row.isColoured ? 1 : row.channels(lights),
    ...(row.takeTurns && { switchedBy: row.takeTurns(lights) }),
    places: places.map((at) => ({ id: newId(), at, hollowId: null })),
  } as LightItem;
  return [{ kind: 'add item', item }];
}

/** Why lights of this kind can’t be, whatever they are wired like; null where they can. */
function whyNot(row: Row, part: LedPart, wish: Wish, lights: number): Message | null {
  if (lights > plenty.places)
    return say`so near to the sheet it would take ${lights} of them; one group holds ${plenty.places}`;
  const reason = row.cannot(wish, lights) ?? tooManyPins(row, lights);
  if (reason !== null) return reason;
  const dropV = forwardVoltageV(curveOfPart(part), EACH_A);
  if (dropV + HEAD_ROOM_V > wish.railV) return say`it drops ${volts(dropV)}, and the rail has ${volts(wish.railV)}`;
  return isTooDim(wish, lights * diceOf(row))
    ? say`${amps(wish.mostA ?? 0)} among ${lights} lights is too little to be seen`
    : null;
}

/** How its lights take turns, where they do. */
const turnsOf = (row: Row, lights: number): ScanLayout | null =>
  row.takeTurns ? layOutScan(lights, row.takeTurns(lights)) : null;

/** Lines that no controller has pins for. */
function tooManyPins(row: Row, lights: number): string | null {
  const lines = turnsOf(row, lights)?.lines.length ?? 0;
  return lines > mostPins
    ? `that is ${lines} lines; a controller has ${mostPins} pins at most: take a scan driver`
    : null;
}

const diceOf = ({ isColoured }: Row): number => (isColoured ? 3 : 1);

/** How far apart they come to stand. */
const apartMm = (wish: Wish, lights: number): number =>
  wish.stretchMm === null ? pitchOf(wish) : wish.stretchMm / Math.max(1, lights - 1);

function reckon(row: Row, part: LedPart, wish: Wish, lights: number): KindOption {
  const channels = row.channels(lights);
  const isDriven = wish.control !== 'as one' || row.isColoured;
  const turns = turnsOf(row, lights);
  const worstA = (turns?.atOnce ?? lights) * diceOf(row) * EACH_A;
  const asks = {
    lights,
    worstA,
    cost: lights * part.price + (turns ? turns.lines.length : lights * diceOf(row)) * sundryPrices.resistor,
    depthMm: wish.isEven ? evenDepthMm(apartMm(wish, lights)) : part.lengthMm,
  };
  return {
    id: row.id,
    name: row.name,
    ...asks,
    pins: turns?.lines.length ?? (isDriven ? channels : 0),
    usualA: wish.control === 'as one' ? worstA : turns ? worstA / 3 : worstA / channels,
    joints: lights * (row.isColoured ? JOINTS_COLOURED : JOINTS_EACH),
    misses: [
      ...missesOf(wish, asks),
      ...(turns ? [`each is lit 1/${turns.turns} of the time, and so much dimmer`] : []),
    ],
    add: (design, newId) => addSingles(row, wish, lights, design, newId),
  };
}

/** What the kinds of single light make of a wish. */
export function judgeSingles(wish: Wish): readonly Judged[] {
  const lights = countSingles(wish);
  return rows.map((row): Judged => {
    const part = partNamed(row.partId);
    const reason = part ? whyNot(row, part, wish, lights) : 'the library has none';
    return part && reason === null
      ? reckon(row, part, wish, lights)
      : { id: row.id, name: row.name, reason: reason ?? '' };
  });
}
