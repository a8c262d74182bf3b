import { type BelongingName, type BelongingOf, joinBelongings } from '@glimmer/core/workshop';

/** What this browser knows of a belonging on the server. */
export interface Mark {
  /** The revision that what stands here grew from; 0 = of none. */
  readonly revision: number;
  /** Changed here since. */
  readonly isChanged: boolean;
}

/** What a belonging is kept with. */
export interface BelongingPorts<N extends BelongingName> {
  /** What stands on the page, shared by the tabs of this browser. */
  readonly read: () => BelongingOf<N>;
  /** Into this browser. */
  readonly write: (value: BelongingOf<N>) => void;
  /** Null where this browser has never heard of the server’s. */
  readonly readMark: () => Mark | null;
  /** What the server has confirmed. */
  readonly writeMark: (mark: Mark) => void;
  readonly load: () => Promise<{ readonly value: BelongingOf<N>; readonly revision: number }>;
  /** The new revision; null where the server has a newer one. @throws where there is no answer */
  readonly save: (value: BelongingOf<N>, basedOn: number) => Promise<number | null>;
  /** Runs work while no other tab runs it. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
}

/** What keeps one belonging here and on the server alike. */
export interface BelongingKeeper {
  /** It was changed on this page. */
  readonly changed: () => void;
  /** The server may have another, or may be back. Resolves when both are alike, or there was no answer. */
  readonly settle: () => Promise<void>;
}

const MOST_ROUNDS = 5;

/**
 * Keeps a belonging of the workshop: what is changed here is sent, what was changed elsewhere is taken in, and where both
 * were changed nothing of either is lost.
 */
export function createBelongingKeeper<N extends BelongingName>(name: N, ports: BelongingPorts<N>): BelongingKeeper {
  const markNow = (): Mark => ports.readMark() ?? { revision: 0, isChanged: ports.read().length > 0 };
  // What waits from before is told of from the start, also while the server is away.
  const begun = markNow();
  if (begun.isChanged) ports.writeMark(begun);
  const takeIn = async (): Promise<void> => {
    const { value, revision } = await ports.load();
    const mark = markNow();
    if (revision === mark.revision) return;
    const joined = mark.isChanged ? joinBelongings(name, ports.read(), value) : value;
    ports.write(joined);
    ports.writeMark({ revision, isChanged: mark.isChanged && joined.length > 0 });
  };
  const send = async (): Promise<boolean> => {
    const [mark, value] = [markNow(), ports.read()];
    if (!mark.isChanged) return true;
    const revision = await ports.save(value, mark.revision);
    if (revision === null) return false;
    // What was changed while it was on its way is sent in the next round.
    const isAlike = ports.read() === value;
    ports.writeMark({ revision, isChanged: !isAlike });
    return isAlike;
  };
  const settle = (): Promise<void> =>
    ports.alone(async () => {
      try {
        await takeIn();
        for (let round = 0; round < MOST_ROUNDS && !(await send()); round += 1) await takeIn();
      } catch {
        // No answer: what is marked as changed is sent when there is one.
      }
    });
  return {
    changed: () => ports.writeMark({ ...markNow(), isChanged: true }),
    settle,
  };
}
