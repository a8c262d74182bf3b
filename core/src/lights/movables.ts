import {
  firstOnLine,
  type Item,
  kindOf,
  layOutScan,
  type PlacedGroup,
  type PlacedTape,
  type PlanPoint,
  type Pulses,
  type SwitchedBy,
  sparesBefore,
  type WhiteDie,
} from '../items/index.ts';
import type { Design } from '../plan/index.ts';

/** What moods move of a plan, as points with their bytes and places: counts and places, no kinds. */
export interface MovableGroup {
  readonly id: string;
  /** Lights that can differ. */
  readonly points: number;
  /** One for a single colour, three for all. */
  readonly bytesPerPoint: 1 | 3;
  /** Where each point shines; several places for one channel. */
  readonly lightsAt: readonly (readonly PlanPoint[])[];
  /** Whether its white comes from a die of its own; without such a die it is left out. */
  readonly whiteDie?: WhiteDie;
  /** Points that stay dark before and behind its own on its data line. */
  readonly dark?: { readonly before: number; readonly after: number };
  /** Where it is cut into rows. */
  readonly grid?: { readonly columns: number; readonly rows: number; readonly snakes: boolean } | undefined;
  /** It is on or off, and nothing between: a load, a signal. */
  readonly switches?: true;
  /** It is led by pulses, which hold up the loop. */
  readonly pulses?: Pulses;
  /** Its lights take turns: how many, how many are lit at once, and who takes them: the program, or another part that is told. */
  readonly scan?: {
    readonly turns: number;
    readonly atOnce: number;
    readonly how: 'rows' | 'one by one' | 'told';
  };
}

/** The rows of a tape that is cut into such, or of a panel. */
function gridOf({ tape, part, lit }: PlacedTape): MovableGroup['grid'] {
  const { form } = part;
  const grid = form?.shape === 'panel' ? { columns: form.columns, snakes: false } : form ? undefined : tape.grid;
  // Of lights that are used in part, only whole rows are a grid.
  if (!grid || lit % grid.columns !== 0) return undefined;
  return { columns: grid.columns, rows: lit / grid.columns, snakes: grid.snakes };
}

/** A white die is lit for what red, green and blue have in common, unless the maker mixes white of those three. */
const whiteDieOf = (
  hasOne: boolean,
  { whiteFrom }: { readonly whiteFrom?: 'white die' | 'three dice' | undefined },
): Pick<MovableGroup, 'whiteDie'> => (hasOne ? { whiteDie: whiteFrom === 'three dice' ? 'dark' : 'lit' } : {});

/** What of a tape is not used: a spare pixel before it, and lights behind the last one that is; those are sent only where more follows. */
function darkOf(tape: PlacedTape, isLast: boolean): Pick<MovableGroup, 'dark'> {
  const [before, after] = [sparesBefore(tape), isLast ? 0 : tape.cut.lights - tape.lit];
  return before + after > 0 ? { dark: { before, after } } : {};
}

/** Whether its data goes no further. Lines are placed one after another, each in the order of its data. */
function isLastOnLine(group: PlacedTape, placed: readonly PlacedGroup[]): boolean {
  const next = placed[placed.indexOf(group) + 1];
  return next?.shape !== 'pixels' || next.tape.after !== group.id;
}

/** Who takes the turns, and how. */
const howTaken = ({ way }: SwitchedBy): NonNullable<MovableGroup['scan']>['how'] =>
  way === 'scan driver' ? 'told' : way === 'shared pins' ? 'one by one' : 'rows';

function movableOf(group: PlacedGroup, placed: readonly PlacedGroup[]): MovableGroup {
  switch (group.shape) {
    case 'pixels':
      return {
        id: group.id,
        points: group.lit,
        bytesPerPoint: 3,
        lightsAt: group.places.slice(0, group.lit).map((place) => [place]),
        grid: gridOf(group),
        // One line is sent in one way: what its first tape says counts for all.
        ...whiteDieOf(group.part.dice === 4, firstOnLine(group, placed).tape),
        ...darkOf(group, isLastOnLine(group, placed)),
      };
    case 'units':
      return {
        id: group.id,
        points: 1,
        bytesPerPoint: group.part.colours > 1 ? 3 : 1,
        lightsAt: [group.places],
        ...whiteDieOf(group.part.colours === 4, group.tape),
      };
    default: {
      // All its lights hang on the same dice’s channels: they show one colour together.
      if (group.part.dice)
        return {
          id: group.id,
          points: 1,
          bytesPerPoint: 3,
          lightsAt: [group.places],
          ...whiteDieOf(group.part.dice.length === 4, group.group),
        };
      const scan = layOutScan(group.places.length, group.group.switchedBy);
      if (scan)
        return {
          id: group.id,
          points: group.places.length,
          bytesPerPoint: 1,
          lightsAt: group.places.map((place) => [place]),
          ...(scan.grid && { grid: { ...scan.grid, snakes: false } }),
          scan: { turns: scan.turns, atOnce: scan.atOnce, how: howTaken(group.group.switchedBy) },
        };
      const points = Math.min(group.group.channels, Math.max(1, group.places.length));
      return {
        id: group.id,
        points,
        bytesPerPoint: 1,
        lightsAt: Array.from({ length: points }, (_, point) =>
          group.places.filter((_place, i) => i % points === point),
        ),
      };
    }
  }
}

/** All that moods can move: light groups that a program may drive, in their order, then the loads that a program runs and the signals between boards. */
export function listMovables(
  design: Pick<Design, 'items'>,
  placed: readonly PlacedGroup[],
  isDriven: (item: Item) => boolean,
  ledBy: (item: Item) => Pulses | null,
): readonly MovableGroup[] {
  const byId = new Map(design.items.map((item) => [item.id, item]));
  return [
    ...placed
      .filter((group) => {
        const item = byId.get(group.id);
        return item !== undefined && isDriven(item);
      })
      .map((group) => movableOf(group, placed)),
    ...design.items
      .filter(
        (item) =>
          kindOf(item.kind).control?.givenBy !== undefined || (kindOf(item.kind).role === 'load' && isDriven(item)),
      )
      .map((item): MovableGroup => {
        const pulses = ledBy(item);
        return {
          id: item.id,
          points: 1,
          bytesPerPoint: 1,
          switches: true,
          ...(pulses && { pulses }),
          lightsAt: [['at' in item ? item.at : { xMm: 0, yMm: 0 }]],
        };
      }),
  ];
}
