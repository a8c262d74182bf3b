import type { PlacedGroup } from '../items/index.ts';
import { type Fit, fitLight, fitTape } from '../lights/index.ts';
import type { Design } from '../plan/index.ts';

/** How a light sits in the hollow it was put into. */
export interface PlacedFit {
  readonly groupId: string;
  /** The single light of a group; null for a tape. */
  readonly placeId: string | null;
  readonly hollowId: string;
  readonly verdict: Fit['verdict'];
  /** What a bore would have to be; null for a tape in a channel. */
  readonly fit: Fit | null;
  /** Play across, in all; less than nothing does not go in. */
  readonly acrossMm: number;
}

/** How every light and tape sits in the hollow that it was put into. */
export function fitAll(design: Design, placed: readonly PlacedGroup[]): PlacedFit[] {
  const hollowOf = (id: string | null): Design['hollows'][number] | undefined =>
    design.hollows.find((hollow) => hollow.id === id);
  return placed.flatMap((group): PlacedFit[] => {
    if (group.shape !== 'lights') {
      const channel = hollowOf(group.tape.hollowId);
      if (channel?.kind !== 'channel') return [];
      const { verdict, acrossMm } = fitTape(group.part, channel);
      return [{ groupId: group.id, placeId: null, hollowId: channel.id, verdict, fit: null, acrossMm }];
    }
    return group.group.places.flatMap((place): PlacedFit[] => {
      const bore = hollowOf(place.hollowId);
      if (bore?.kind !== 'bore') return [];
      const fit = fitLight(group.part, group.group, bore);
      return [
        {
          groupId: group.id,
          placeId: place.id,
          hollowId: bore.id,
          verdict: fit.verdict,
          fit,
          acrossMm: fit.clearanceMm,
        },
      ];
    });
  });
}
