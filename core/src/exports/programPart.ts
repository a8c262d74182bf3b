import type { Assessment, ChainVoltage } from '../assess.ts';
import type { PinPlan } from '../drive/index.ts';
import type { Show, ShowGroup, ShowLimit } from '../motion/index.ts';
import { type Board, boardOf, isProgrammed } from '../network/index.ts';
import { type Control, controlsOf, type Plan } from '../plan/index.ts';

/** A channel of a program: where its light stands in the frame, what asks for its pin, and which level is light. */
interface ProgramChannel {
  readonly demandId: string;
  /** Of its own byte, or of the first of its light where it is a die of one; null = no byte says it: it stays dark. */
  readonly at: number | null;
  /** Which die of a light that has a white one: 0 to 2 are coloured, 3 is white; null = it has a byte of its own. */
  readonly die: number | null;
  readonly isLitLow: boolean;
}

/** What of a plan one board's program holds. */
export interface ProgramPart {
  /** Null while the plan has no board: everything in one. */
  readonly board: Board | null;
  readonly show: Show;
  /** What the limiter keeps to. */
  readonly limit: ShowLimit;
  /** Null while there is no board. */
  readonly pinPlan: PinPlan | null;
  /** Data lines that this board sends. */
  readonly chains: readonly ChainVoltage[];
  readonly controls: readonly Control[];
  /** In the order of the frame. */
  readonly channels: readonly ProgramChannel[];
}

/** Every channel of a show that is no pixel, in the order of its groups. */
function listChannels(assessment: Assessment, show: Show): ProgramChannel[] {
  const pixels = new Set(assessment.chains.flatMap((chain) => chain.tapeIds));
  return show.groups.flatMap((group): ProgramChannel[] => {
    if (pixels.has(group.id)) return [];
    const channels = assessment.switched.get(group.id) ?? [];
    const bytes = group.points * group.bytesPerPoint;
    const count = Math.max(bytes, channels.filter((each) => isProgrammed(each.way)).length);
    return Array.from({ length: count }, (_, i) => ({
      demandId: `channel:${group.id}:${i + 1}`,
      ...placeInFrame(group, i),
      isLitLow: isLitLow(assessment, group.id, i),
    }));
  });
}

/** Where the light of a channel stands: in a byte of its own, or, beside a white die, in those of all its colours. */
function placeInFrame(
  { points, bytesPerPoint, offset, whiteDie }: ShowGroup,
  channel: number,
): Pick<ProgramChannel, 'at' | 'die'> {
  if (whiteDie === 'lit') return { at: offset, die: channel };
  return { at: channel < points * bytesPerPoint ? offset + channel : null, die: null };
}

/** The level of the pin that is light: low between plus and pin, and of a transistor above that no helper turns round. */
function isLitLow(assessment: Assessment, itemId: string, channel: number): boolean {
  const channels = assessment.switched.get(itemId) ?? [];
  const way = (channels[channel] ?? channels[0])?.way;
  if (!way) return false;
  if (way.transistor === 'high') {
    const driven = assessment.driven.find((each) => each.itemId === itemId && each.channels.includes(channel));
    return driven?.transistor !== null && driven?.transistor?.helper === null;
  }
  return way.isLitLow;
}

/** The programs of a plan: one for each board, or one without a board. */
export function listProgramParts(plan: Plan, assessment: Assessment): readonly ProgramPart[] {
  const controls = controlsOf(plan.design);
  const [first] = assessment.programs;
  if (!first)
    return [
      {
        board: null,
        show: assessment.show,
        limit: assessment.limit,
        pinPlan: null,
        chains: assessment.chains,
        controls,
        channels: listChannels(assessment, assessment.show),
      },
    ];
  return assessment.programs.map(({ board, show, limit }) => ({
    board,
    show,
    limit,
    pinPlan: assessment.pins.find((each) => each.board.id === board.id)?.plan ?? null,
    chains: assessment.chains.filter(
      (chain) => assessment.dataLines.find((line) => chain.tapeIds[0] === line.tapeId)?.board?.id === board.id,
    ),
    controls: controls.filter((control) => boardOf(assessment.boards, control.board)?.id === board.id),
    channels: listChannels(assessment, show),
  }));
}
