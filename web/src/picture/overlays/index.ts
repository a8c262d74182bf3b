import type { Stage } from '@glimmer/core/items';
import type { JSX } from 'react';
import { DriveOverlay } from './DriveOverlay.tsx';
import { HandsOverlay } from './HandsOverlay.tsx';
import { HollowOverlay } from './HollowOverlay.tsx';
import { LightOverlay } from './LightOverlay.tsx';
import type { OverlayProps } from './OverlayProps.ts';
import { PowerOverlay } from './PowerOverlay.tsx';
import { WireOverlay } from './WireOverlay.tsx';

export { BenchOverlay } from './BenchOverlay.tsx';

/** Which overlay a stage lays over the picture, for those that need nothing but the plan. */
export const plainOverlays: Readonly<Partial<Record<Stage, (props: OverlayProps) => JSX.Element>>> = {
  piece: HollowOverlay,
  lights: LightOverlay,
  moods: HandsOverlay,
  drive: DriveOverlay,
  power: PowerOverlay,
  wires: WireOverlay,
};
