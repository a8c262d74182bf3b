import { type BoardAssessment, budgetLoop, type LoopBudget } from '../assess.ts';
import { assignPins } from '../drive/index.ts';
import { type Finding, type Fix, named } from '../items/index.ts';
import { RECKONED_OVER_BYTES } from '../motion/index.ts';
import type { ControllerPart } from '../parts/index.ts';
import { changeItem } from '../plan/index.ts';
import { say, seconds, toTenth } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';

/** Below this a chase is seen to step. */
const LEAST_FRAMES_PER_S = 20;
/** A button that takes longer feels broken. */
const MOST_WAIT_S = 0.25;

/** Whether the program of a board has room and time enough. */
const isEnough = (loop: LoopBudget): boolean =>
  loop.memoryBytes <= loop.memoryOf &&
  loop.programBytes <= loop.programOf &&
  loop.framesPerS >= LEAST_FRAMES_PER_S &&
  loop.longestWaitS <= MOST_WAIT_S;

/**
 * Puts a controller there that bears the rail, has room and time for the program, and a pin for all: one of the same
 * logic voltage, for which the pins' loads are reckoned, if there is one; of those the cheapest.
 */
function larger({ design, assessment, library }: RuleInput, { board, show, limit }: BoardAssessment): readonly Fix[] {
  const pins = assessment.pins.find((each) => each.board.id === board.id);
  const demands = pins?.plan.given.map(({ demand }) => demand) ?? [];
  const lines = assessment.dataLines.flatMap((each) => (each.board?.id === board.id ? [each.line] : []));
  const range = board.railId === null ? null : assessment.rails.byId.get(board.railId)?.range;
  const isFed = (part: ControllerPart): boolean =>
    !range || (range.leastV >= part.supplyLeastV && range.mostV <= part.supplyMostV);
  const isOther = (part: ControllerPart): number => (part.logicV === board.part.logicV ? 0 : 1);
  const suits = (part: ControllerPart): boolean =>
    part.id !== board.part.id &&
    isFed(part) &&
    isEnough(budgetLoop(show, part, lines, limit)) &&
    assignPins(part, demands, []).ok;
  const [best] = [...library.parts.values()]
    .flatMap((part) => (part.kind === 'controller' && suits(part) ? [part] : []))
    .sort((a, b) => isOther(a) - isOther(b) || a.price - b.price);
  if (!best) return [];
  const edits = changeItem(design, board.id, { part: best.id, pinLocks: [], pinNames: [] });
  return [{ label: `Take the ${lowerFirst(best.name)}`, edits }];
}

const lowerFirst = (name: string): string => `${name.charAt(0).toLowerCase()}${name.slice(1)}`;

/** A program that its controller has no room or no time for. */
export const loopRule: Rule = (input) =>
  input.assessment.programs.flatMap((program) => (program.show.groups.length === 0 ? [] : judgeLoop(input, program)));

function judgeLoop(input: RuleInput, program: BoardAssessment): Finding[] {
  const { loop } = program;
  if (isEnough(loop)) return [];
  const boardId = program.board.id;
  const base = { stage: 'drive', aboutId: boardId } as const;
  const fixes = larger(input, program);
  const findings: Finding[] = [];
  if (loop.memoryBytes > loop.memoryOf)
    findings.push({
      ...base,
      ...named('memory', boardId),
      gravity: 'stop',
      what: `The program needs ${loop.memoryBytes} bytes of memory; the controller has ${loop.memoryOf}`,
      why: 'Two whole frames are held for fades, and the program needs its stack: it would stop at random.',
      mend: 'Take a larger controller or fewer pixels.',
      fixes,
    });
  if (loop.programBytes > loop.programOf)
    findings.push({
      ...base,
      ...named('program-room', boardId),
      gravity: program.board.part.code && loop.programBytes - RECKONED_OVER_BYTES > loop.programOf ? 'stop' : 'mend',
      what: `The exported program takes up to ${loop.programBytes} bytes; the controller holds ${loop.programOf}`,
      why: 'Only what this plan uses is in it: each further kind of move, fades, cues and controls make it larger. It is reckoned rather too large; what is built says its size.',
      mend: 'Take a larger controller, or ask for fewer kinds of moves and cues.',
      fixes,
    });
  if (loop.framesPerS < LEAST_FRAMES_PER_S)
    findings.push({
      ...base,
      ...named('frame-rate', boardId),
      gravity: 'mend',
      what: say`Only ${toTenth(loop.framesPerS)} frames a second are left at the hardest moment`,
      why: say`Computing takes ${seconds(loop.computeS)} and sending ${seconds(loop.sendS)}: below ${LEAST_FRAMES_PER_S} a run is seen to step.`,
      mend: 'Fewer pixels, fewer moves laid upon each other, or a faster controller.',
      fixes,
    });
  if (loop.longestWaitS > MOST_WAIT_S)
    findings.push({
      ...base,
      ...named('button-wait', boardId),
      gravity: 'mind',
      what: say`A button may wait ${seconds(loop.longestWaitS)} at the worst moment`,
      why: 'While a frame is computed and sent nothing else is heard.',
      mend: 'Tell whoever wears it to press for half a second, or take a faster controller.',
      fixes: [],
    });
  return findings;
}
