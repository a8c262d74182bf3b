import type { PlacedGroup, PlacedLeds, PlacedTape } from '../lights/index.ts';
import { type Control, type Design, distanceMm, type PlanPoint } from '../plan/index.ts';
import { defineFormula } from '../units/index.ts';
import { type CoreMeaning, colourCores } from './colours.ts';
import { wireCarriesA, wireDrop, wireOhmPerMetre } from './gauge.ts';

export const cutLength = defineFormula({
  name: 'Length to cut a wire to',
  gives: { meaning: 'length', kind: 'lengthMm' },
  symbols: { d: { meaning: 'distance on the picture', kind: 'lengthMm' } },
  form: '{L} = 1.3 · {d} + 2 · 6 mm',
  source: 'slack for movement, and both ends stripped',
  reckon: ({ d }) => 1.3 * d + 12,
});

/** One end of a run. */
interface RunEnd {
  readonly name: string;
  readonly at: PlanPoint;
}

export interface Core {
  readonly meaning: CoreMeaning;
  readonly colour: string;
}

/** One bundle of cores between two places. */
export interface WireRun {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  readonly cores: readonly Core[];
  readonly lengthMm: number;
  readonly lengthOverruled: boolean;
  readonly gaugeAwg: number;
  readonly gaugeOverruled: boolean;
  /** Highest current of its power cores; null = a signal, any gauge will do. */
  readonly peakA: number | null;
  readonly dropV: number;
  readonly carriesA: number;
}

/** What the currents on the runs are, as the pipeline has reckoned them. */
export interface RunCurrents {
  readonly packPeakA: number;
  /** The fuse that suits the pack's current: its lead must carry it. */
  readonly packFuseA: number;
  readonly tapePeakA: ReadonlyMap<string, number>;
  readonly ledPeakA: ReadonlyMap<string, number>;
  readonly railV: number;
}

interface Draft {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  readonly meanings: readonly CoreMeaning[];
  readonly peakA: number | null;
  /** What the gauge must carry where that is more than the peak. */
  readonly carryA?: number;
}

/** What goes out to a control beside its signal. */
const feedOfControl: Readonly<Record<Control['kind'], CoreMeaning>> = {
  button: 'minus',
  'latching switch': 'minus',
  'tilt switch': 'minus',
  remote: 'rail plus',
  'light sensor': 'rail plus',
  'charge sense': 'pack plus',
};

/** Share of the rail that one run may lose at peak. */
const MOST_DROP_SHARE = 0.03;

const centre = (group: PlacedGroup, fallback: PlanPoint): PlanPoint => group.places[0] ?? fallback;

function draftTape(tape: PlacedTape, all: readonly PlacedGroup[], board: RunEnd, peakA: number): Draft {
  const before = all.find((group): group is PlacedTape => group.kind === 'tape' && group.id === tape.tape.after);
  const lastOfBefore = before?.places[before.places.length - 1];
  const from = before && lastOfBefore ? { name: `${before.name}, end`, at: lastOfBefore } : board;
  return {
    id: `${before ? 'jumper' : 'feed'}:${tape.id}`,
    name: before ? `Jumper to ${tape.name}` : `Feed of ${tape.name}`,
    from,
    to: { name: `${tape.name}, data in`, at: centre(tape, board.at) },
    meanings: ['rail plus', 'minus', 'data'],
    peakA,
  };
}

/** Each row of a grid is cut off and joined to the one before: from its last light to the next one's first. */
function draftRows(tape: PlacedTape, all: readonly PlacedGroup[], peakA: number): Draft[] {
  const { grid } = tape.tape;
  if (!grid) return [];
  // What hangs behind the grid goes through all of its rows.
  const feedsOthers = all.some((group) => group.kind === 'tape' && group.tape.after === tape.id);
  return Array.from({ length: grid.rows - 1 }, (_, row): Draft => {
    const next = (row + 1) * grid.columns;
    const at = (light: number): PlanPoint => tape.places[light] ?? { xMm: 0, yMm: 0 };
    return {
      id: rowRunId(tape.id, row),
      name: `${tape.name}, row ${row + 1} to ${row + 2}`,
      from: { name: `${tape.name}, end of row ${row + 1}`, at: at(next - 1) },
      to: { name: `${tape.name}, row ${row + 2}`, at: at(next) },
      meanings: ['rail plus', 'minus', 'data'],
      peakA: feedsOthers ? peakA : (peakA * (grid.rows - 1 - row)) / grid.rows,
    };
  });
}

/** The run that joins a row of a grid to the next, rows counted from 0. */
export const rowRunId = (tapeId: string, row: number): string => `row:${tapeId}:${row + 1}`;

function draftLeds(leds: PlacedLeds, board: RunEnd, peakA: number): Draft[] {
  const channels = leds.group.channels;
  return leds.group.places.map((place, i) => ({
    id: `light:${leds.id}:${place.id}`,
    name: leds.places.length > 1 ? `${leds.name} ${i + 1}` : leds.name,
    from: board,
    to: { name: leds.places.length > 1 ? `${leds.name} ${i + 1}` : leds.name, at: place.at },
    meanings: ['rail plus', `channel ${leds.name}${channels > 1 ? ` ${(i % channels) + 1}` : ''}`],
    peakA,
  }));
}

function draftRuns(design: Design, placed: readonly PlacedGroup[], currents: RunCurrents): Draft[] {
  const board = { name: 'Board', at: design.drive.at };
  const pack: Draft[] = design.power.pack
    ? [
        {
          id: 'pack',
          name: 'Pack lead',
          from: { name: 'Pack', at: design.power.at },
          to: board,
          meanings: ['pack plus', 'minus'],
          peakA: currents.packPeakA,
          carryA: currents.packFuseA,
        },
      ]
    : [];
  const lights = placed.flatMap((group) =>
    group.kind === 'tape'
      ? group.cut.lights > 0
        ? [
            draftTape(group, placed, board, currents.tapePeakA.get(group.id) ?? 0),
            ...draftRows(group, placed, currents.tapePeakA.get(group.id) ?? 0),
          ]
        : []
      : draftLeds(group, board, currents.ledPeakA.get(group.id) ?? 0),
  );
  const controls = design.drive.controls.map(
    (control): Draft => ({
      id: `control:${control.id}`,
      name: control.name,
      from: board,
      to: { name: control.name, at: control.at },
      meanings: [feedOfControl[control.kind], `signal ${control.name}`],
      peakA: null,
    }),
  );
  return [...pack, ...lights, ...controls];
}

/** The thinnest gauge in stock that carries the current and keeps the drop; the thickest where none does. */
export function chooseGauge(
  stock: readonly number[],
  options: {
    readonly peakA: number | null;
    readonly carryA?: number | undefined;
    readonly lengthMm: number;
    readonly railV: number;
  },
): number {
  const byThickness = [...stock].sort((a, b) => b - a);
  const { peakA, carryA = 0, lengthMm, railV } = options;
  if (peakA === null) return byThickness[0] ?? 28;
  const suits = byThickness.find(
    (gauge) =>
      wireCarriesA(gauge) >= Math.max(peakA, carryA) &&
      wireDrop.reckon({ I: peakA, L: lengthMm, r: wireOhmPerMetre(gauge) }) <= MOST_DROP_SHARE * railV,
  );
  return suits ?? byThickness[byThickness.length - 1] ?? 20;
}

/** Every run of wire in the piece, with its cores, colours, cut length and gauge. */
export function planRuns(design: Design, placed: readonly PlacedGroup[], currents: RunCurrents): WireRun[] {
  const drafts = draftRuns(design, placed, currents);
  const colours = colourCores(drafts.flatMap((draft) => draft.meanings));
  const overrides = new Map(design.wires.runs.map((run) => [run.runId, run]));
  return drafts.map((draft) => {
    const own = overrides.get(draft.id);
    const lengthMm = own?.lengthMm ?? Math.ceil(cutLength.reckon({ d: distanceMm(draft.from.at, draft.to.at) }));
    const gaugeAwg =
      own?.gaugeAwg ??
      chooseGauge(design.wires.gaugesInStock, {
        peakA: draft.peakA,
        carryA: draft.carryA,
        lengthMm,
        railV: currents.railV,
      });
    return {
      id: draft.id,
      name: draft.name,
      from: draft.from,
      to: draft.to,
      cores: draft.meanings.map((meaning, i) => ({
        meaning,
        colour: own?.colours?.[i] ?? colours.get(meaning) ?? 'white',
      })),
      lengthMm,
      lengthOverruled: own?.lengthMm != null,
      gaugeAwg,
      gaugeOverruled: own?.gaugeAwg != null,
      peakA: draft.peakA,
      dropV: wireDrop.reckon({ I: draft.peakA ?? 0, L: lengthMm, r: wireOhmPerMetre(gaugeAwg) }),
      carriesA: wireCarriesA(gaugeAwg),
    };
  });
}
