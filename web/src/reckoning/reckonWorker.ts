import { expose } from 'comlink';
import { keepSame } from './keepSame.ts';
import { type FarReckoned, type Reckonable, reckonFar } from './reckonPlan.ts';

let last: Reckonable | null = null;

const api = {
  reckon(sent: Reckonable): FarReckoned {
    last = keepSame(last, sent);
    return reckonFar(last);
  },
};

/** What the reckoning worker answers. */
export type ReckonApi = typeof api;
expose(api);
