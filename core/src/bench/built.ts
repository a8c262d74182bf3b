import type { Assessment } from '../assess.ts';
import type { Edit } from '../items/index.ts';
import { type PortRef, type WireRun, ways } from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import { changeItem, changeWay, type Design, itemNamed, type Plan, takeGauge } from '../plan/index.ts';
import { gauge, type Message, ohms, say } from '../units/index.ts';

/** What a step made real: which cores it joined to what, by which pins, with which resistor. */
export type Built = NonNullable<Plan['bench']['done'][number]['built']>;
type Core = Built['cores'][number];

const SOLDER = 'solder:';

/** The pin that a derived port of a board ends on; null for any other port. */
function pinOf({ pins }: Assessment, ...ports: readonly PortRef[]): string | null {
  for (const { plan } of pins)
    if (plan.ok)
      for (const { demand, pin } of plan.given) if (ports.some((port) => port.item === demand.id)) return pin.name;
  return null;
}

type RunDraft = Assessment['joins'][number];

const onlyOf = (ids: readonly string[]): string | null => (ids.length === 1 ? (ids[0] ?? null) : null);

/** The item whose lights or lead a run feeds, where it is one. */
const servedBy = ({ carries, to }: RunDraft): string | null =>
  carries?.kind === 'lights'
    ? carries.itemId
    : carries?.kind === 'items'
      ? onlyOf(carries.itemIds)
      : carries?.kind === 'line'
        ? to.itemId
        : null;

/** What a step that solders makes real as the plan is now; null for any other step. */
export function whatIsBuilt(stepId: string, assessment: Assessment): Built | null {
  if (!stepId.startsWith(SOLDER)) return null;
  const runId = stepId.slice(SOLDER.length);
  const run = assessment.runs.find((each) => each.id === runId);
  const draft = assessment.joins.find((each) => each.id === runId);
  return run && draft ? builtAs(run, draft, assessment) : null;
}

function builtAs(run: WireRun, draft: RunDraft, assessment: Assessment): Built {
  const itemId = servedBy(draft);
  const [switched] = itemId === null ? [] : (assessment.switched.get(itemId) ?? []);
  const driven = assessment.driven.find((each) => each.itemId === itemId);
  return {
    name: run.name,
    cores: run.joins.map(
      ({ net, from, to }): Core => ({
        meaning: net.name,
        from: { ...from },
        to: { ...to },
        pin: pinOf(assessment, from, to),
      }),
    ),
    itemId,
    way: switched && switched.way.id !== 'undecided' ? switched.way.id : null,
    boardId: switched?.board?.id ?? null,
    resistorOhm: driven?.resistor?.resistorOhm ?? null,
    transistor: driven?.transistor?.part.id ?? null,
    gaugeAwg: run.gaugeAwg,
  };
}

/** A step that is done, and what of it is otherwise now. */
export interface Rebuild {
  readonly stepId: string;
  /** As it was soldered. */
  readonly built: Built;
  /** What has to be done to the soldered piece, one thing after another. */
  readonly undo: readonly Message[];
  /** Edits that leave the piece as it is; null where no edit can. */
  readonly keep: readonly Edit[] | null;
}

const keyOf = ({ from, to }: Core): string => JSON.stringify([from.item, from.port, to.item, to.port]);
const tell = ({ meaning, pin }: Core): string => (pin === null ? meaning : `${meaning} (pin ${pin})`);

const sayWay = (id: string): string => Object.values(ways).find((way) => way.id === id)?.words ?? id;

/** A wire that is thicker than it needs to be does no harm: only one that is too thin has to come out. */
const isThinner = (built: Built, now: Built): boolean =>
  built.gaugeAwg !== undefined && now.gaugeAwg !== undefined && built.gaugeAwg > now.gaugeAwg;

/** What has to be unsoldered and soldered to get from what is built to what is planned. */
function undoOf(built: Built, now: Built | null, library: Library): readonly Message[] {
  if (!now) return [`unsolder ${built.cores.map(tell).join(', ')}: the plan has no such wire any more`];
  const [before, after] = [built, now].map(
    ({ cores }) => new Map(cores.map((core): [string, Core] => [keyOf(core), core])),
  ) as [Map<string, Core>, Map<string, Core>];
  const off = built.cores.filter((core) => !after.has(keyOf(core))).map((core) => `unsolder ${tell(core)}`);
  const on = now.cores.filter((core) => !before.has(keyOf(core))).map((core) => `solder ${tell(core)}`);
  const moved = now.cores.flatMap((core) => {
    const was = before.get(keyOf(core));
    return was && was.pin !== core.pin
      ? [`move ${core.meaning} from pin ${was.pin ?? '?'} to pin ${core.pin ?? '?'}`]
      : [];
  });
  const isOther =
    built.resistorOhm !== null && now.resistorOhm !== null && Math.abs(built.resistorOhm / now.resistorOhm - 1) > 0.005;
  const way =
    built.way === now.way || built.way === null || now.way === null
      ? []
      : [`rebuild how it is switched: not by ${sayWay(built.way)}, but by ${sayWay(now.way)}`];
  const resistor = isOther ? [say`take out ${ohms(built.resistorOhm ?? 0)}, put in ${ohms(now.resistorOhm ?? 0)}`] : [];
  const nameOf = (id: string): string => library.parts.get(id)?.name ?? id;
  const transistor =
    built.transistor && now.transistor && built.transistor !== now.transistor
      ? [`take out ${nameOf(built.transistor)}, put in ${nameOf(now.transistor)}`]
      : [];
  const thicker = isThinner(built, now)
    ? [say`take out the wires of ${gauge(built.gaugeAwg ?? 0)}, lay ones of ${gauge(now.gaugeAwg ?? 0)}`]
    : [];
  return [...way, ...off, ...on, ...moved, ...resistor, ...transistor, ...thicker];
}

/** The edit that switches an item as it was built; null where no edit can. */
function keepWay(design: Design, itemId: string, { way, boardId, transistor }: Built): readonly Edit[] | null {
  switch (way) {
    case 'pin high':
    case 'pin low':
      return changeWay(design, itemId, { way, board: boardId });
    case 'transistor below':
    case 'transistor above':
      return changeWay(design, itemId, { way, board: boardId, part: transistor ?? null });
    case 'always on':
      return changeWay(design, itemId, { way });
    default:
      return null;
  }
}

/** Edits after which the plan is what was built: the way, the pins and the resistor, as far as they are the maker's to say. */
function keepEdits(design: Design, assessment: Assessment, built: Built): readonly Edit[] | null {
  const { itemId, way, resistorOhm, transistor, cores } = built;
  const item = itemId === null ? undefined : itemNamed(design, itemId);
  if (!item) return lockPins(design, assessment, cores);
  const [switched] = assessment.switched.get(item.id) ?? [];
  const driven = assessment.driven.find((each) => each.itemId === item.id);
  const now = driven?.transistor?.part.id;
  const isOtherWay =
    way !== null && switched !== undefined && (switched.way.id !== way || (transistor && now && now !== transistor));
  const back = isOtherWay ? keepWay(design, item.id, built) : [];
  if (!back) return null;
  const isOtherOhm = 'resistorOhm' in item && resistorOhm !== null && driven?.resistor?.resistorOhm !== resistorOhm;
  const resistor = isOtherOhm ? changeItem(design, item.id, { resistorOhm }) : [];
  return [...back, ...resistor, ...lockPins(design, assessment, cores)];
}

/** Locks on the pins that cores were soldered to, where they would go elsewhere now. */
function lockPins(design: Design, assessment: Assessment, cores: readonly Core[]): readonly Edit[] {
  return assessment.boards.flatMap((board) => {
    const own = cores.flatMap(({ from, to, pin }) => {
      const demand = [from.item, to.item].find((each) => /^(channel|control|data):/.test(each));
      const isHere = pin !== null && board.part.pins.some((each) => each.name === pin);
      return demand !== undefined && isHere && pinOf(assessment, from, to) !== pin ? [{ demand, pin }] : [];
    });
    if (own.length === 0) return [];
    const taken = new Set(own.map(({ demand }) => demand));
    const others = board.item.pinLocks.filter((lock) => !taken.has(lock.demand));
    return changeItem(design, board.id, { pinLocks: [...others, ...own] });
  });
}

/** The gauge that was laid, as the maker's own. */
function keepGauge(stepId: string, built: Built, now: Built): readonly Edit[] {
  if (!isThinner(built, now) || built.gaugeAwg === undefined) return [];
  const runId = stepId.slice(SOLDER.length);
  return [takeGauge(runId, built.gaugeAwg)];
}

/** Every wire that is soldered otherwise than the plan now says. */
export function listRebuilds(bench: Plan['bench'], design: Design, assessment: Assessment): readonly Rebuild[] {
  return bench.done.flatMap(({ stepId, built }): Rebuild[] => {
    if (!built) return [];
    const now = whatIsBuilt(stepId, assessment);
    const undo = undoOf(built, now, assessment.library);
    if (undo.length === 0) return [];
    // What is no longer in the plan at all no edit of what is left brings back.
    const edits = now && keepEdits(design, assessment, built);
    const keep = now && edits && [...edits, ...keepGauge(stepId, built, now)];
    return [{ stepId, built, undo, keep: keep && keep.length > 0 ? keep : null }];
  });
}
