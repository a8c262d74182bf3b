import type { Assessment, ChainVoltage } from '../assess.ts';
import type { PinPlan } from '../drive/index.ts';
import type { Pulses } from '../items/index.ts';
import type { Show, ShowGroup, ShowLimit } from '../motion/index.ts';
import { type Board, boardOf, type Driven, isProgrammed } from '../network/index.ts';
import { saysAtBaud } from '../parts/index.ts';
import { type Control, controlsOf, itemNamed, type Plan } from '../plan/index.ts';

/** A channel of a program: where its light stands in the frame, what asks for its pin, and which level is light. */
interface ProgramChannel {
  readonly demandId: string;
  /** Of its own byte, or of the first of its light where it is a die of one; null = no byte says it: it stays dark. */
  readonly at: number | null;
  /** Which die of a light that has a white one: 0 to 2 are coloured, 3 is white; null = it has a byte of its own. */
  readonly die: number | null;
  readonly isLitLow: boolean;
  /** Null of what is not led by them. */
  readonly pulses: Pulses | null;
}

/** Lights that take turns: where they stand in the frame, and what lights them. */
export interface ProgramGrid {
  readonly itemId: string;
  readonly name: string;
  /** Of its first light in the frame. */
  readonly at: number;
  readonly lights: number;
  readonly scan: NonNullable<Driven['scan']>;
  /** Light is a low pin: of a row, of a column. */
  readonly rowIsLow: boolean;
  readonly columnIsLow: boolean;
  /** The part that is told its lights; null = the program scans them. */
  readonly driverId: string | null;
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
  /** In the order of the frame. */
  readonly grids: readonly ProgramGrid[];
}

/** Every channel of a show that is no pixel, in the order of its groups. */
function listChannels(assessment: Assessment, show: Show): ProgramChannel[] {
  const pixels = new Set(assessment.chains.flatMap((chain) => chain.tapeIds));
  return show.groups.flatMap((group): ProgramChannel[] => {
    if (pixels.has(group.id) || group.scan) return [];
    const channels = assessment.switched.get(group.id) ?? [];
    const bytes = group.points * group.bytesPerPoint;
    const count = Math.max(bytes, channels.filter((each) => isProgrammed(each.way)).length);
    return Array.from({ length: count }, (_, i) => ({
      demandId: `channel:${group.id}:${i + 1}`,
      ...placeInFrame(group, i),
      isLitLow: isLitLow(assessment, group.id, i),
      pulses: group.pulses ?? null,
    }));
  });
}

/** Every group of a show whose lights take turns. */
function listGrids({ driven, switched }: Assessment, { groups }: Show, design: Plan['design']): ProgramGrid[] {
  return groups.flatMap((group): ProgramGrid[] => {
    const own = driven.find((each) => each.itemId === group.id);
    const by = switched.get(group.id)?.[0]?.by ?? null;
    if (!group.scan || !own?.scan) return [];
    return [
      {
        itemId: group.id,
        name: itemNamed(design, group.id)?.name ?? group.id,
        at: group.offset,
        lights: group.points,
        scan: own.scan,
        // A transistor above without a helper is on while its pin is low; so is a column that ends at a pin.
        rowIsLow: own.transistor !== null && own.transistor.helper === null,
        columnIsLow: own.scan.columnSwitch === null,
        driverId: own.scan.driver ? (by?.id ?? null) : null,
      },
    ];
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
    const sized =
      assessment.driven.find((each) => each.itemId === itemId && each.channels.includes(channel)) ??
      assessment.loads.find((each) => each.itemId === itemId);
    return sized?.transistor !== null && sized?.transistor?.helper === null;
  }
  return way.isLitLow;
}

/** Speed of the line on which its board says what it does; null where it has none, or the plan uses its pin. */
export const baudOf = ({ board, pinPlan }: Pick<ProgramPart, 'board' | 'pinPlan'>): number | null =>
  board === null ? null : saysAtBaud(board.part, pinPlan?.given.map(({ pin }) => pin.name) ?? []);

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
        grids: listGrids(assessment, assessment.show, plan.design),
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
    grids: listGrids(assessment, show, plan.design),
  }));
}
