import type { Assessment } from '@glimmer/core/assess';

/** The pack that the piece’s hours hang on. */
export function packOf(assessment: Assessment) {
  const gives = assessment.supplies.find((supply) => supply.runsFor === assessment.runsFor)?.rail.gives;
  return gives?.form === 'cells' ? gives : null;
}
