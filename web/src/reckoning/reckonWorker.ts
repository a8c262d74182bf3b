import { expose } from 'comlink';
import { keepSame } from './keepSame.ts';
import { type FarReckoned, type Reckonable, reckonFar } from './reckonPlan.ts';

/** What the reckoning worker answers. */
export interface ReckonApi {
  readonly reckon: (sent: Reckonable) => FarReckoned;
}

/** Takes what is untouched from what was sent before, so that what is known of it is found again. */
function createApi(): ReckonApi {
  let last: Reckonable | null = null;
  return {
    reckon: (sent) => {
      last = keepSame(last, sent);
      return reckonFar(last);
    },
  };
}

expose(createApi());
