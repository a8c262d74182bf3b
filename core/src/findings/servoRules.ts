import { type Finding, named } from '../items/index.ts';
import { itemNamed } from '../plan/index.ts';
import type { Rule } from './finding.ts';

/** Fewer pulses than so many a second, and a servo holds its place weakly. */
const LEAST_PULSES_PER_S = 40;

/** What is led by pulses of a program that has too little time for them, or is interrupted while it gives them. */
export const pulsesRule: Rule = ({ design, assessment }) =>
  assessment.programs.flatMap(({ board, show, loop }): Finding[] => {
    const isScanning = show.groups.some(({ scan }) => scan && scan.how !== 'told');
    return show.groups
      .filter(({ pulses }) => pulses)
      .flatMap(({ id }): Finding[] => {
        const name = itemNamed(design, id)?.name ?? id;
        const about = { gravity: 'mend', stage: 'drive', aboutId: id, fixes: [] } as const;
        return [
          ...(loop.framesPerS < LEAST_PULSES_PER_S
            ? [
                {
                  ...about,
                  ...named('pulses-few', id),
                  actual: { kind: 'count' as const, value: loop.framesPerS },
                  limit: { kind: 'count' as const, value: LEAST_PULSES_PER_S },
                  what: `${name} gets ${Math.round(loop.framesPerS)} pulses a second from ${board.name}, one a frame; it wants ${LEAST_PULSES_PER_S}`,
                  why: 'Between pulses that come late a servo lets go: it holds weakly, and trembles.',
                  mend: 'Fewer pixels or moves on this board, or a board of its own for the servo.',
                },
              ]
            : []),
          ...(isScanning
            ? [
                {
                  ...about,
                  ...named('pulses-scanned', id),
                  what: `${name} is led by the board that scans a grid: the turns interrupt its pulses`,
                  why: 'Each turn makes a pulse some microseconds longer or none: the servo trembles by a degree or two.',
                  mend: 'Give the grid a scan driver, or the servo a board of its own.',
                },
              ]
            : []),
        ];
      });
  });
