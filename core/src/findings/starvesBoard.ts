import type { Assessment, SupplyAssessment } from '../assess.ts';

/** Whether a supply gives a board less than it starts on: the rule of rails tells of that, and it is cause enough. */
export const starvesBoard = (assessment: Assessment, supply: SupplyAssessment): boolean =>
  assessment.boards.some((board) => {
    const rail = board.railId === null ? undefined : assessment.rails.byId.get(board.railId);
    return rail?.sourceId === supply.rail.id && rail.range !== null && rail.range.nominalV < board.part.supplyLeastV;
  });
