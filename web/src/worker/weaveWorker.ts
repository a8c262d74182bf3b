import { type RailLimit, type Ribbon, type Show, traceCurrent, weaveRibbons } from '@glimmer/core/motion';
import { expose } from 'comlink';

/** A mood over a stretch of time: its ribbons, and the current of the piece below them. */
export interface Weave {
  /** One for each light group. */
  readonly ribbons: readonly Ribbon[];
  /** Amperes, column by column. */
  readonly trace: readonly number[];
  /** Of the mood. */
  readonly spanS: number;
}

/** What is to be woven. */
export interface WeaveOrder {
  readonly show: Show;
  readonly rail: RailLimit;
  /** Its place in the show. */
  readonly moodIndex: number;
  /** How much of the mood. */
  readonly spanS: number;
  /** Steps of time. */
  readonly columns: number;
  /** More lights than this share rows. */
  readonly mostRows: number;
}

const api = {
  weave({ show, rail, moodIndex, spanS, columns, mostRows }: WeaveOrder): Weave {
    const spanMs = spanS * 1000;
    return {
      ribbons: weaveRibbons(show, moodIndex, { spanMs, columns, mostRows }),
      trace: traceCurrent(show, moodIndex, rail, { spanMs, columns }),
      spanS,
    };
  },
};

/** What the weaving worker answers. */
export type WeaveApi = typeof api;
expose(api);
