import type { LedCurve } from '../circuit/index.ts';
import type { PlacedLeds, RailRange } from '../items/index.ts';
import type { Driven, SizingInput } from './driven.ts';
import type { Switched } from './switching.ts';

/** What is known of a group, or of one die of it, before what stands in its path is chosen. */
export interface Sizing {
  readonly leds: PlacedLeds;
  readonly switched: Switched;
  readonly input: SizingInput;
  readonly rail: RailRange;
  readonly curve: LedCurve;
  readonly known: Pick<
    Driven,
    | 'itemId'
    | 'name'
    | 'die'
    | 'way'
    | 'railId'
    | 'board'
    | 'channels'
    | 'lightsOnChannel'
    | 'forwardV'
    | 'ratedCurrentA'
  >;
}
