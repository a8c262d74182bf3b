import { LEAST_OHM } from './devices.ts';
import { keepByContent } from './keepByContent.ts';
import { type LedCurve, solveString } from './ledCurve.ts';
import { tabulate, tabulateSmooth } from './tabulate.ts';

/** What hangs on a shared lead: at which of its places, and on which channel. */
export interface Tap {
  /** Number along the lead, from 0. */
  readonly place: number;
  /** Number of the channel, from 0. */
  readonly channel: number;
  /** Wires of its own, out and back. */
  readonly ownOhm: number;
}

/** A lead that passes its lights in turn: one common core, and one for each channel. */
export interface TappedLead {
  /** Every light that hangs on it. */
  readonly taps: readonly Tap[];
  /** Of one core, from the place before (or from the hub) to each place; the common and the channel cores are alike. */
  readonly stepOhm: readonly number[];
  /** In the lead to the first place besides, where all channels share both of its cores. */
  readonly sharedOhm: number;
  /** Each channel: its light with its resistor, and what closes it at the hub. */
  readonly channels: readonly {
    /** Of one light. */
    readonly curve: LedCurve;
    /** Lights in each tap. */
    readonly inSeries: number;
    /** The resistor of each tap. */
    readonly ohm: number;
    /** Of what closes the channel. */
    readonly hubOhm: number;
    /** Lost in what closes it, whatever flows. */
    readonly hubDropV: number;
  }[];
}

/** What many lights draw together bends so little that rows may stand farther apart. */
const ROW_V = 0.01;
const MOST_PASSES = 40;
const SETTLED_V = 1e-9;
const SLOPE_V = 1e-3;
/** So many leads and so many kinds of tap keep their rows: those of the largest pieces, as they were and as they are. */
const MOST_LEADS = 64;
const MOST_LAWS = 256;

/**
 * What all taps of a lead draw together at a voltage of its hub: the cores are a ladder of one rail for the common and
 * one for each channel, solved by Newton’s method with elimination from place to place.
 * @returns amperes by volts, from rows that are reckoned when first met
 */
export const currentOfLead = keepByContent(layOutLead, MOST_LEADS);

function layOutLead(lead: TappedLead): (hubV: number) => number {
  const { taps, stepOhm, sharedOhm, channels } = lead;
  const laws = taps.map(({ channel, ownOhm }) => lawOf(channels[channel], ownOhm));
  const isBare =
    sharedOhm === 0 && stepOhm.every((ohm) => ohm === 0) && channels.every((channel) => channel.hubOhm === 0);
  if (isBare)
    return (hubV) =>
      taps.reduce((sum, { channel }, k) => sum + (laws[k]?.(hubV - (channels[channel]?.hubDropV ?? 0)) ?? 0), 0);
  const ladder = new RailLadder(lead, laws);
  return tabulateSmooth((hubV) => ladder.solve(hubV), ROW_V);
}

type Law = (volts: number) => number;

/** Current of one tap by the voltage across it: the same for all that are alike. */
const lawOf = (channel: TappedLead['channels'][number] | undefined, ownOhm: number): Law =>
  channel
    ? lawOfString({ curve: channel.curve, count: channel.inSeries, resistanceOhm: channel.ohm + ownOhm })
    : () => 0;

const lawOfString = keepByContent(
  (string: { readonly curve: LedCurve; readonly count: number; readonly resistanceOhm: number }): Law =>
    tabulate((supplyV) => solveString({ ...string, supplyV })),
  MOST_LAWS,
);

/** The cores as rails side by side: number 0 is the common one, the others are the channels’. */
class RailLadder {
  private readonly rails: number;
  private readonly places: number;
  /** Conductance of each rail from the place before. */
  private readonly stepS: Float64Array;
  /** Potential of each rail at each place. */
  private readonly volts: Float64Array;
  private readonly diagonal: Float64Array;
  private readonly right: Float64Array;

  constructor(
    private readonly lead: TappedLead,
    private readonly laws: readonly Law[],
  ) {
    const { stepOhm, sharedOhm, channels } = lead;
    this.rails = 1 + channels.length;
    this.places = stepOhm.length;
    this.stepS = Float64Array.from({ length: this.rails * this.places }, (_, i) => {
      const [place, rail] = [Math.floor(i / this.rails), i % this.rails];
      const atHub = rail === 0 ? sharedOhm : (channels[rail - 1]?.hubOhm ?? 0);
      const hubOhm = place === 0 ? atHub : 0;
      return 1 / Math.max(LEAST_OHM, (stepOhm[place] ?? 0) + hubOhm);
    });
    this.volts = new Float64Array(this.rails * this.places);
    this.diagonal = new Float64Array(this.rails * this.rails * this.places);
    this.right = new Float64Array(this.rails * this.places);
  }

  /** What flows into the common core at the hub. */
  solve(hubV: number): number {
    const { volts, rails, lead } = this;
    const hub = [hubV, ...lead.channels.map((channel) => channel.hubDropV)];
    volts.forEach((_, i) => {
      volts[i] = hub[i % rails] ?? 0;
    });
    for (let pass = 0; pass < MOST_PASSES; pass += 1) {
      this.assemble(hub);
      if (this.eliminate() < SETTLED_V) break;
    }
    return (hubV - (volts[0] ?? 0)) * (this.stepS[0] ?? 0);
  }

  /** The equations at the voltages of now: every tap is its current with its slope. */
  private assemble(hub: readonly number[]): void {
    const { rails, places, stepS, diagonal, right, volts, lead, laws } = this;
    diagonal.fill(0);
    right.fill(0);
    for (let place = 0; place < places; place += 1)
      for (let rail = 0; rail < rails; rail += 1) {
        const at = place * rails + rail;
        const siemens = (stepS[at] ?? 0) + (place + 1 < places ? (stepS[at + rails] ?? 0) : 0);
        diagonal[at * rails + rail] = siemens;
        if (place === 0) right[at] = (stepS[at] ?? 0) * (hub[rail] ?? 0);
      }
    lead.taps.forEach(({ place, channel }, k) => {
      const [common, own] = [place * rails, place * rails + 1 + channel];
      const across = (volts[common] ?? 0) - (volts[own] ?? 0);
      const amps = laws[k]?.(Math.max(0, across)) ?? 0;
      const slopeS = ((laws[k]?.(Math.max(0, across) + SLOPE_V) ?? 0) - amps) / SLOPE_V;
      const steadyA = amps - slopeS * Math.max(0, across);
      const put = (row: number, column: number, value: number): void => {
        const i = row * rails + column;
        diagonal[i] = (diagonal[i] ?? 0) + value;
      };
      put(common, 0, slopeS);
      put(common, 1 + channel, -slopeS);
      put(own, 1 + channel, slopeS);
      put(own, 0, -slopeS);
      right[common] = (right[common] ?? 0) - steadyA;
      right[own] = (right[own] ?? 0) + steadyA;
    });
  }

  /** Elimination from the far end to the hub and back; returns the greatest move of any voltage. */
  private eliminate(): number {
    const { rails, places, stepS, volts, right } = this;
    const inverses: Float64Array[] = new Array(places);
    for (let place = places - 1; place >= 0; place -= 1) {
      if (place + 1 < places) this.takeFar(place, inverses[place + 1] ?? new Float64Array(0));
      inverses[place] = invert(this.diagonal.slice(place * rails * rails, (place + 1) * rails * rails), rails);
    }
    let moved = 0;
    for (let place = 0; place < places; place += 1) {
      const inverse = inverses[place] ?? new Float64Array(0);
      for (let rail = 0; rail < rails; rail += 1) {
        let sum = 0;
        for (let other = 0; other < rails; other += 1) {
          const at = place * rails + other;
          const from = place === 0 ? 0 : (stepS[at] ?? 0) * (volts[at - rails] ?? 0);
          sum += (inverse[rail * rails + other] ?? 0) * ((right[at] ?? 0) + from);
        }
        const at = place * rails + rail;
        moved = Math.max(moved, Math.abs(sum - (volts[at] ?? 0)));
        volts[at] = sum;
      }
    }
    return moved;
  }

  /** Takes the place farther out, whose block is inverted, out of this one. */
  private takeFar(place: number, inverse: Float64Array): void {
    const { rails, stepS, diagonal, right } = this;
    const [here, far] = [place * rails, (place + 1) * rails];
    for (let row = 0; row < rails; row += 1) {
      const rowS = stepS[far + row] ?? 0;
      for (let column = 0; column < rails; column += 1) {
        const part = rowS * (inverse[row * rails + column] ?? 0);
        const i = (here + row) * rails + column;
        diagonal[i] = (diagonal[i] ?? 0) - part * (stepS[far + column] ?? 0);
        right[here + row] = (right[here + row] ?? 0) + part * (right[far + column] ?? 0);
      }
    }
  }
}

/** Takes so many times one row out of another. */
function takeRow(block: Float64Array, size: number, row: number, other: number, factor: number): void {
  for (let column = 0; column < size; column += 1) {
    const i = row * size + column;
    block[i] = (block[i] ?? 0) - factor * (block[other * size + column] ?? 0);
  }
}

/** Inverse of a small symmetric positive block. */
function invert(block: Float64Array, size: number): Float64Array {
  const inverse = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1) inverse[i * size + i] = 1;
  for (let pivot = 0; pivot < size; pivot += 1) {
    const by = 1 / (block[pivot * size + pivot] ?? 1);
    for (let column = 0; column < size; column += 1) {
      block[pivot * size + column] = (block[pivot * size + column] ?? 0) * by;
      inverse[pivot * size + column] = (inverse[pivot * size + column] ?? 0) * by;
    }
    for (let row = 0; row < size; row += 1) {
      const factor = row === pivot ? 0 : (block[row * size + pivot] ?? 0);
      if (factor === 0) continue;
      takeRow(block, size, row, pivot, factor);
      takeRow(inverse, size, row, pivot, factor);
    }
  }
  return inverse;
}
