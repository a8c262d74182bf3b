import { distanceMm, type PlanPoint } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import { defineFormula } from '../units/index.ts';
import { dropShare, thinnestGauge, wireCarriesA, wireDrop, wireOhmPerMetre } from '../wires/index.ts';
import { colourCores } from './colours.ts';
import type { Net, NetName } from './netNames.ts';

/** What to cut a wire to, in millimetres, from the straight way. @example 100 mm: 142 mm */
export const cutLength = defineFormula({
  name: 'Length to cut a wire to',
  gives: { meaning: 'length', kind: 'lengthMm' },
  symbols: { d: { meaning: 'distance on the picture', kind: 'lengthMm' } },
  form: '{L} = 1.3 · {d} + 2 · 6 mm',
  source: 'slack for movement, and both ends stripped',
  reckon: ({ d }) => 1.3 * d + 12,
});

/** One end of a run: what is there, and where; null while nobody knows where. */
export interface RunEnd {
  readonly name: string;
  readonly itemId: string;
  /** Null while it is not placed. */
  readonly at: PlanPoint | null;
}

/** A port of an item: a terminal with a name. */
export interface PortRef {
  /** Its id. */
  readonly item: string;
  /** Its name on the item. */
  readonly port: string;
}

/** A core of a run as it is wired: its net, and the ports that it joins. */
export interface CoreDraft {
  readonly net: Net;
  /** The port at its first end. */
  readonly from: PortRef;
  /** The port at its other end. */
  readonly to: PortRef;
}

/** A run before its currents are known. */
export interface RunDraft {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  /** At least one. */
  readonly cores: readonly CoreDraft[];
  /** Whose currents its power cores carry; null = a signal. */
  readonly carries: RunCarries | null;
  /** Joined without a wire: by the legs of a small part where it sits, or within a part, where nothing is soldered. */
  readonly bare?: 'legs' | 'inside';
}

/**
 * What flows in a run: what a node of the supply takes in (from another feed than its own, where that is named), what a
 * charger gives, what hangs on a rail at a hub, its part of what a line of tapes
 * takes (of some of its channels, where others begin elsewhere), or some lights; of those that take turns in one of so many.
 */
export type RunCarries =
  | { readonly kind: 'node'; readonly railId: string; readonly fromId?: string }
  | { readonly kind: 'charge'; readonly railId: string; readonly amps: number }
  | { readonly kind: 'items'; readonly itemIds: readonly string[]; readonly share: number }
  | { readonly kind: 'line'; readonly tapeIds: readonly string[]; readonly part?: number }
  | { readonly kind: 'lights'; readonly itemId: string; readonly lights: number; readonly turns?: number };

/** One core of a run: what it means, and its colour. */
export interface Core {
  readonly meaning: NetName;
  /** As it is bought; two words for a striped one. */
  readonly colour: string;
}

/** One bundle of cores between two places. */
export interface WireRun {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  /** In the order of the joins. */
  readonly cores: readonly Core[];
  /** What each core joins. */
  readonly joins: readonly CoreDraft[];
  /** Null while one of its ends has no place. */
  readonly lengthMm: number | null;
  /** The maker’s own. */
  readonly lengthOverruled: boolean;
  /** American wire gauge. */
  readonly gaugeAwg: number;
  /** The maker’s own. */
  readonly gaugeOverruled: boolean;
  /** Highest current of its power cores; null = a signal, any gauge will do. */
  readonly peakA: number | null;
  /** What it must bear: the most that the rest of the way can give. */
  readonly carryA: number;
  /** Out and back, at the peak. */
  readonly dropV: number;
  /** In a bundle under cloth. */
  readonly carriesA: number;
  /** What it could be made to bear: a gauge that is not the maker’s own follows what it must, up to the thickest in stock. */
  readonly couldCarryA: number;
  /** The source whose fuse alone guards it: null behind what limits, for a signal, and for the legs of lights. */
  readonly sourceId: string | null;
}

const SAME_PLACE_MM = 1;
/** Whether two places are not one; nobody knows where null is. */
export const isApart = (a: PlanPoint | null, b: PlanPoint | null): boolean =>
  a === null || b === null || distanceMm(a, b) > SAME_PLACE_MM;

/** Whether a join is a run of wire: two things that sit at one place are joined without one, but for a light’s own. */
export const isWire = (run: RunDraft): boolean =>
  run.bare === undefined && (isApart(run.from.at, run.to.at) || run.id.startsWith('light:'));

/** Whether two things at one place are joined, such as a switch on its pack: no wire of the list does it. */
export const isJoint = (run: RunDraft): boolean => run.bare === undefined && !isWire(run);

/** Whether it is soldered without a wire: a joint at one place, or the legs of a small part. */
export const isSolderedBare = (run: RunDraft): boolean => isJoint(run) || run.bare === 'legs';

/** The thinnest gauge in stock that carries the current and keeps the drop; the thickest where none does. */
export function chooseGauge(
  stock: readonly number[],
  options: {
    readonly carryA: number | null;
    readonly lengthMm: number | null;
    readonly railV: number;
    /** Out and back, or one. */
    readonly ways: number;
  },
): number {
  const byThickness = [...stock].sort((a, b) => b - a);
  const { carryA, lengthMm, railV, ways } = options;
  if (carryA === null) return byThickness[0] ?? 28;
  const suits = thinnestGauge(stock, {
    currentA: carryA,
    lengthMm: lengthMm ?? 0,
    ways,
    mostDropV: dropShare.chosenFor * railV,
  });
  return suits ?? byThickness[byThickness.length - 1] ?? 20;
}

/** What flows in each run: what it must bear by its build, and what the moods as they are set make of it. */
export interface RunLoad {
  /** Null = a signal. */
  readonly carryA: number | null;
  /** As moods are set; null for a signal. */
  readonly peakA: number | null;
  /** Of the rail it belongs to. */
  readonly railV: number;
  /** The source whose fuse alone guards it; null where something else does, or nothing need. */
  readonly sourceId: string | null;
}

/** The runs with lengths, gauges and colours: reckoned, or as the maker overruled them. */
export function finishRuns(
  { wires }: Pick<Design, 'wires'>,
  drafts: readonly RunDraft[],
  loadOf: (run: RunDraft) => RunLoad,
): WireRun[] {
  const colours = colourCores(drafts.flatMap((draft) => draft.cores.map((core) => core.net)));
  const overrides = new Map(wires.runs.map((run) => [run.runId, run]));
  return drafts.map((draft) => {
    const own = overrides.get(draft.id);
    const { from, to } = draft;
    const reckonedMm =
      from.at === null || to.at === null ? null : Math.ceil(cutLength.reckon({ d: distanceMm(from.at, to.at) }));
    const lengthMm = own?.lengthMm ?? reckonedMm;
    const { carryA, peakA, railV, sourceId } = loadOf(draft);
    const gaugeAwg =
      own?.gaugeAwg ??
      chooseGauge(wires.gaugesInStock, { carryA, lengthMm, railV, ways: waysOfRun({ joins: draft.cores }) });
    const sized = {
      id: draft.id,
      name: draft.name,
      from,
      to,
      cores: draft.cores.map(({ net }, i) => ({
        meaning: net.name,
        colour: own?.colours?.[i] ?? colours.get(net.id) ?? 'white',
      })),
      joins: draft.cores,
      lengthMm,
      lengthOverruled: own?.lengthMm != null,
      gaugeAwg,
      gaugeOverruled: own?.gaugeAwg != null,
      carryA: carryA ?? 0,
      carriesA: wireCarriesA(gaugeAwg),
      couldCarryA: wireCarriesA(own?.gaugeAwg ?? Math.min(gaugeAwg, ...wires.gaugesInStock)),
      sourceId,
    };
    return loadRun(sized, peakA);
  });
}

/** A sized run with what flows in it. */
export function loadRun(sized: Omit<WireRun, 'peakA' | 'dropV'>, peakA: number | null): WireRun {
  // Where the supply gives way nothing can be said of what flows; the finding there says so.
  const knownA = peakA !== null && Number.isFinite(peakA) ? peakA : null;
  const { lengthMm, gaugeAwg } = sized;
  const dropV = wireDrop.reckon({
    n: waysOfRun(sized),
    I: knownA ?? 0,
    L: lengthMm ?? 0,
    r: wireOhmPerMetre(gaugeAwg),
  });
  return { ...sized, peakA: knownA, dropV };
}

/** Resistance of one core of a run; 0 while its length is not known, or where there is no wire at all. */
export const wireCoreOhm = (run: WireRun | undefined): number =>
  run === undefined || run.lengthMm === null ? 0 : (run.lengthMm * wireOhmPerMetre(run.gaugeAwg)) / 1000;

/** Ways that the current of a run takes in it: out and back, or one where it holds one of the two alone. */
export const waysOfRun = ({ joins }: Pick<WireRun, 'joins'>): number =>
  Math.max(1, Math.min(2, joins.filter(({ net }) => net.role !== 'data').length));

/** Resistance of a run: out and back, or one way where it holds one of the two alone; 0 while its length is not known. */
export function runOhm(run: WireRun | undefined): number {
  const cores = run?.joins.filter(({ net }) => net.role !== 'data' && net.role !== 'signal').length ?? 0;
  return Math.min(2, cores) * wireCoreOhm(run);
}
