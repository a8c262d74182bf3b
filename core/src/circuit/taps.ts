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

/** One of several leads from the hub to places along a lead. */
export interface LeadFeed {
  readonly place: number;
  /** Of each of its cores. */
  readonly ohm: number;
  /** All channels go by one core, and are bridged where it ends. */
  readonly isBridged?: boolean;
}

/** A lead that passes its lights in turn: one common core, and one for each channel. */
export interface TappedLead {
  /** Every light that hangs on it. */
  readonly taps: readonly Tap[];
  /** Of one core, from the place before (or from the hub) to each place; the common and the channel cores are alike. */
  readonly stepOhm: readonly number[];
  /** In the lead to the first place besides, where all channels share both of its cores. */
  readonly sharedOhm: number;
  /** All leads from the hub, where there is more than that to its first place; what is said of the first step counts no more. */
  readonly feeds?: readonly LeadFeed[];
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

/** What each tap of a lead carries at a voltage of its hub, in the order of the taps. */
export function currentsOfTaps(lead: TappedLead, hubV: number): readonly number[] {
  const laws = lead.taps.map(({ channel, ownOhm }) => lawOf(lead.channels[channel], ownOhm));
  const ladder = new RailLadder(lead, laws);
  ladder.solve(hubV);
  return ladder.tapsA();
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
  private readonly inverses: Float64Array[];
  /** Null where its first place alone is fed. */
  private readonly fed: Fed | null;

  constructor(
    private readonly lead: TappedLead,
    private readonly laws: readonly Law[],
  ) {
    const { stepOhm, sharedOhm, channels } = lead;
    this.rails = 1 + channels.length;
    this.places = stepOhm.length;
    this.inverses = new Array(this.places);
    const feeds = lead.feeds ?? [];
    const conductance = (ohm: number): number => 1 / Math.max(LEAST_OHM, ohm);
    this.fed =
      feeds.length === 0
        ? null
        : {
            feedS: feeds.map(({ place, ohm, isBridged = false }) => ({
              at: place,
              siemens: conductance(ohm),
              isBridged,
            })),
            hubS: channels.map(({ hubOhm }) => conductance(hubOhm)),
          };
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
      if (this.move() < SETTLED_V) break;
    }
    return this.fed === null
      ? (hubV - (volts[0] ?? 0)) * (this.stepS[0] ?? 0)
      : this.fed.feedS.reduce((sum, { at, siemens }) => sum + (hubV - (volts[at * rails] ?? 0)) * siemens, 0);
  }

  /** What each tap carries, as solved last. */
  tapsA(): readonly number[] {
    const { lead, laws, volts, rails } = this;
    return lead.taps.map(
      ({ place, channel }, k) =>
        laws[k]?.(Math.max(0, (volts[place * rails] ?? 0) - (volts[place * rails + 1 + channel] ?? 0))) ?? 0,
    );
  }

  /** The equations of the copper: each rail from place to place, and to the hub by whatever leads there. */
  private assembleCopper(hub: readonly number[]): void {
    const { rails, places, stepS, diagonal, fed } = this;
    diagonal.fill(0);
    this.right.fill(0);
    for (let at = 0; at < rails * places; at += 1) {
      const rail = at % rails;
      diagonal[at * rails + rail] = (at < rails ? 0 : (stepS[at] ?? 0)) + (stepS[at + rails] ?? 0);
      if (at < rails && fed === null) this.toHub(at, stepS[at] ?? 0, hub[rail] ?? 0);
    }
    // What closes a channel joins all feeds: its potential is found last.
    for (const feed of fed?.feedS ?? []) {
      this.toHub(feed.at * rails, feed.siemens, hub[0] ?? 0);
      for (let rail = 1; rail < rails; rail += 1) {
        this.toHub(feed.at * rails + rail, channelS(feed, rail - 1), 0);
        if (feed.isBridged && rail > 1) this.bridge(feed.at, rail);
      }
    }
  }

  /** Joins the rail of a channel to that of the first, at a place. */
  private bridge(place: number, rail: number): void {
    const { rails, diagonal } = this;
    const put = (row: number, column: number, siemens: number): void => {
      const i = (place * rails + row) * rails + column;
      diagonal[i] = (diagonal[i] ?? 0) + siemens;
    };
    for (const [row, column] of [
      [1, rail],
      [rail, 1],
    ] as const) {
      put(row, row, 1 / LEAST_OHM);
      put(row, column, -1 / LEAST_OHM);
    }
  }

  /** A way from a rail at a place to a potential that is known. */
  private toHub(at: number, siemens: number, volts: number): void {
    const own = at * this.rails + (at % this.rails);
    this.diagonal[own] = (this.diagonal[own] ?? 0) + siemens;
    this.right[at] = (this.right[at] ?? 0) + siemens * volts;
  }

  /** The equations at the voltages of now: every tap is its current with its slope. */
  private assemble(hub: readonly number[]): void {
    this.assembleCopper(hub);
    const { rails, diagonal, right, volts, lead, laws } = this;
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

  /** Takes place after place out of the one before it, from the far end to the hub: their blocks, inverted. */
  private factor(): void {
    const { rails, places, stepS, diagonal, inverses } = this;
    const size = rails * rails;
    for (let place = places - 1; place >= 0; place -= 1) {
      const [here, far] = [place * rails, (place + 1) * rails];
      const beyond = inverses[place + 1];
      for (let i = 0; beyond && i < size; i += 1) {
        const [row, column] = [Math.floor(i / rails), i % rails];
        const part = (stepS[far + row] ?? 0) * (beyond[i] ?? 0) * (stepS[far + column] ?? 0);
        diagonal[here * rails + i] = (diagonal[here * rails + i] ?? 0) - part;
      }
      inverses[place] = invert(diagonal.slice(place * size, (place + 1) * size), rails);
    }
  }

  /** The potentials that these currents into the rails make, once the places are factored. */
  private substitute(into: Float64Array): Float64Array {
    const { rails, places, stepS, inverses } = this;
    const gathered = into.slice();
    const found = new Float64Array(rails * places);
    const through = (place: number, row: number, of: (at: number) => number): number => {
      let sum = 0;
      for (let other = 0; other < rails; other += 1)
        sum += (inverses[place]?.[row * rails + other] ?? 0) * of(place * rails + other);
      return sum;
    };
    for (let place = places - 1; place > 0; place -= 1)
      for (let row = 0; row < rails; row += 1) {
        const at = (place - 1) * rails + row;
        const behind = through(place, row, (i) => gathered[i] ?? 0);
        gathered[at] = (gathered[at] ?? 0) + (stepS[place * rails + row] ?? 0) * behind;
      }
    for (let place = 0; place < places; place += 1)
      for (let row = 0; row < rails; row += 1) {
        const from = (at: number): number => (place === 0 ? 0 : (stepS[at] ?? 0) * (found[at - rails] ?? 0));
        found[place * rails + row] = through(place, row, (i) => (gathered[i] ?? 0) + from(i));
      }
    return found;
  }

  /** Goes on to the potentials of the equations of now; returns the greatest move of any. */
  private move(): number {
    this.factor();
    const found = this.fed === null ? this.substitute(this.right) : this.withHubs(this.fed);
    let moved = 0;
    found.forEach((volts, i) => {
      moved = Math.max(moved, Math.abs(volts - (this.volts[i] ?? 0)));
      this.volts[i] = volts;
    });
    return moved;
  }

  /**
   * Where a lead is fed at several places, what closes a channel at the hub joins them all: its potential is an unknown of
   * its own. What one volt there makes everywhere is added up so that all that comes back by the feeds goes through it.
   */
  private withHubs({ feedS, hubS }: Fed): Float64Array {
    const { rails, right, lead } = this;
    const channels = rails - 1;
    const bare = this.substitute(right);
    const perVolt = Array.from({ length: channels }, (_, c) => {
      const into = new Float64Array(right.length);
      for (const feed of feedS) {
        const i = feed.at * rails + 1 + c;
        into[i] = (into[i] ?? 0) + channelS(feed, c);
      }
      return this.substitute(into);
    });
    const back = (c: number, volts: Float64Array): number =>
      feedS.reduce((sum, feed) => sum + channelS(feed, c) * (volts[feed.at * rails + 1 + c] ?? 0), 0);
    const allS = (c: number): number => feedS.reduce((sum, feed) => sum + channelS(feed, c), 0);
    const block = new Float64Array(channels * channels);
    for (let row = 0; row < channels; row += 1)
      for (let column = 0; column < channels; column += 1)
        block[row * channels + column] =
          (row === column ? (hubS[row] ?? 0) + allS(row) : 0) - back(row, perVolt[column] ?? bare);
    const known = Array.from(
      { length: channels },
      (_, c) => (hubS[c] ?? 0) * (lead.channels[c]?.hubDropV ?? 0) + back(c, bare),
    );
    const inverse = invert(block, channels);
    const hubV = known.map((_, row) =>
      known.reduce((sum, amps, column) => sum + (inverse[row * channels + column] ?? 0) * amps, 0),
    );
    return bare.map((volts, i) => hubV.reduce((sum, each, c) => sum + each * (perVolt[c]?.[i] ?? 0), volts));
  }
}

interface FeedS {
  readonly at: number;
  readonly siemens: number;
  readonly isBridged: boolean;
}

/** What leads from a feed to what closes a channel: of those that are bridged there, by way of the first alone. */
const channelS = ({ siemens, isBridged }: FeedS, channel: number): number => (isBridged && channel > 0 ? 0 : siemens);

/** Conductances of a lead that is fed at several places: of each core of a feed, and of what closes each channel. */
interface Fed {
  readonly feedS: readonly FeedS[];
  readonly hubS: readonly number[];
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
