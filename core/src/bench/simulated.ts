import type { Assessment } from '../assess.ts';
import {
  freshTeller,
  type PlayerState,
  paintNow,
  passTime,
  sayMark,
  sense,
  spokenBy,
  startPlayer,
  type Teller,
  tellOn,
  touch,
} from '../motion/index.ts';
import { controlsOf, type Design } from '../plan/index.ts';

/** A controller in place of the hardware: it answers each line as the exported program does on its host board. */
export interface SimulatedController {
  /** Lines: `frame T`, `loop T`, `close C T`, `open C T`, `code C X T`, with times in milliseconds that do not go back. */
  readonly answer: (line: string) => string;
}

const help = 'frame T, loop T, close C T, open C T or code C X T';

/** Starts a simulated controller of a design at power-on, with the mark of its plan. It keeps its own state, as a board does. */
export function startSimulated(design: Design, assessment: Assessment, mark: string): SimulatedController {
  const { show, limit } = assessment;
  const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  const told = spokenBy(design, controlsOf(design));
  let state: PlayerState = startPlayer(show);
  let teller: Teller | null = null;
  const loop = (nowMs: number): string => {
    const first = teller === null ? [sayMark(mark)] : [];
    state = passTime(show, state, nowMs);
    const next = tellOn(
      teller ?? freshTeller,
      told,
      state,
      nowMs,
      paintNow({ show, state, nowMs, out, scratch, limit }),
    );
    teller = next.teller;
    return [...first, ...next.lines].join(' | ');
  };
  const mood = (): string => design.moods.list[state.mood]?.name ?? 'dark';
  const hex = (): string => [...out].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return {
    answer: (line) => {
      const [word = '', ...rest] = line.trim().split(/\s+/);
      const numbers = rest.map(Number);
      const isRight = numbers.every((number) => Number.isInteger(number) && number >= 0);
      const wanted = { frame: 1, loop: 1, close: 2, open: 2, code: 3 }[word];
      if (!isRight || wanted !== numbers.length) return help;
      const [first = 0, second = 0, third = 0] = numbers;
      if (word === 'loop') return loop(first);
      if (word === 'frame') {
        state = passTime(show, state, first);
        paintNow({ show, state, nowMs: first, out, scratch, limit });
        return `${hex()} ${mood()}`;
      }
      state =
        word === 'code'
          ? sense(show, state, first, second, third)
          : touch(show, state, first, word === 'close', second);
      return mood();
    },
  };
}
