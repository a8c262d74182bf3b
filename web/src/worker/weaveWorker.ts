import { type Ribbon, type Show, type ShowLimit, traceCurrent, weaveRibbons } from '@glimmer/core/motion';
import { expose } from 'comlink';

/** A mood over a stretch of time: its ribbons, and the current of the piece below them. */
export interface Weave {
  readonly ribbons: readonly Ribbon[];
  readonly trace: readonly number[];
  readonly spanS: number;
}

export interface WeaveOrder {
  readonly show: Show;
  readonly limit: ShowLimit;
  readonly moodIndex: number;
  readonly spanS: number;
  readonly columns: number;
  readonly mostRows: number;
}

const api = {
  weave({ show, limit, moodIndex, spanS, columns, mostRows }: WeaveOrder): Weave {
    const spanMs = spanS * 1000;
    return {
      ribbons: weaveRibbons(show, moodIndex, { spanMs, columns, mostRows }),
      trace: traceCurrent(show, moodIndex, limit, { spanMs, columns }),
      spanS,
    };
  },
};

export type WeaveApi = typeof api;
expose(api);
