import type { Assessment } from '@glimmer/core/assess';
import type { Design } from '@glimmer/core/plan';

export interface OverlayProps {
  readonly design: Design;
  readonly assessment: Assessment;
  /** One unit of line and letter, in millimetres of the view. */
  readonly u: number;
}
