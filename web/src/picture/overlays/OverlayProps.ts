import type { Assessment } from '@glimmer/core/assess';
import type { Design } from '@glimmer/core/plan';

/** What every overlay of the picture is given. */
export interface OverlayProps {
  readonly design: Design;
  /** Of that very design. */
  readonly assessment: Assessment;
  /** One unit of line and letter, in millimetres of the view. */
  readonly u: number;
}
