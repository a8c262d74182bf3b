import { plainText } from '../motion/index.ts';
import { scanDataId, scanLineId, scanWires } from '../network/index.ts';
import type { ProgramGrid, ProgramPart } from './programPart.ts';
import { rows } from './programText.ts';

/** The grid that the program itself scans: one clock can take the turns of one. */
const scannedIn = ({ grids }: ProgramPart): ProgramGrid | undefined => grids.find(({ driverId }) => driverId === null);
/** Those that another part scans when it is told them. */
const toldIn = ({ grids }: ProgramPart): readonly ProgramGrid[] => grids.filter(({ driverId }) => driverId !== null);

/** What of lights that take turns has a size, for `show.h`. */
export function writeScanSizes(part: ProgramPart): string {
  const grid = scannedIn(part);
  const layout = grid?.scan.layout;
  return `/* Lights that take turns; none where UG_GRID_LIGHTS is 0. A turn of light 255 is 255 times UG_GRID_UNIT ticks of the board's clock. */
#define UG_GRID_LIGHTS ${grid?.lights ?? 0}
#define UG_GRID_AT ${grid?.at ?? 0}
#define UG_GRID_TURNS ${layout?.turns ?? 0}
#define UG_GRID_COLUMNS ${layout?.atOnce ?? 0}
#define UG_GRID_ONE_BY_ONE ${layout?.lines.some(({ kind }) => kind === 'shared pin') ? 1 : 0}
#define UG_GRID_UNIT ${grid?.scan.unitTicks ?? 0}
#define UG_TOLD ${toldIn(part).length}
`;
}

/** Where the lights of scan drivers stand in the frame, for `show.c`. */
export const writeTold = (part: ProgramPart): string =>
  rows(
    toldIn(part).map(({ at, lights, name }) => `  { .offset = ${at}, .lights = ${lights} }, /* ${plainText(name)} */`),
    '{ .lights = 0 }',
  );

/** The pins of lights that take turns, for `pins.h`. */
export function writeScanPins(part: ProgramPart, nameOf: (demandId: string) => string): string {
  const grid = scannedIn(part);
  const list = (values: readonly string[]): string => `{ ${values.join(', ') || 'NO_PIN'} }`;
  const pinsOf = (kind: string): string =>
    list(
      (grid?.scan.layout.lines ?? []).flatMap((line) =>
        line.kind === kind ? [nameOf(scanLineId(grid?.itemId ?? '', line))] : [],
      ),
    );
  const told = toldIn(part).map(({ driverId }) =>
    list(scanWires.map((what) => nameOf(scanDataId(driverId ?? '', what)))),
  );
  return `
/* Lights that take turns: rows and columns, and whether a low pin lights them; pins that lights share; data, clock and latch
 * of each scan driver. */
#define UG_GRID_ROW_PINS ${pinsOf('row')}
#define UG_GRID_ROW_LOW ${grid?.rowIsLow ? 1 : 0}
#define UG_GRID_COLUMN_PINS ${pinsOf('column')}
#define UG_GRID_COLUMN_LOW ${grid?.columnIsLow ? 1 : 0}
#define UG_GRID_SHARED_PINS ${pinsOf('shared pin')}
#define UG_TOLD_PINS ${told.length > 0 ? `{ ${told.join(', ')} }` : '{ { NO_PIN, NO_PIN, NO_PIN } }'}
`;
}
