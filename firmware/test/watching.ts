import type { CPU } from 'avr8js';

/** Cycles of each call of a function, with what interrupts it left out where that is watched too. */
export class Stopwatch {
  readonly cycles: number[] = [];
  total = 0;
  private entered: { readonly cycles: number; readonly stack: number; readonly taken: number } | null = null;

  constructor(
    private readonly address: number | null,
    private readonly interrupts: Stopwatch | null = null,
  ) {}

  /** Before each instruction. */
  before(cpu: CPU): void {
    if (cpu.pc === this.address && !this.entered)
      this.entered = { cycles: cpu.cycles, stack: cpu.SP, taken: this.interrupts?.total ?? 0 };
  }

  /** After each instruction: it has returned once its stack is given back. */
  after(cpu: CPU): void {
    if (!this.entered || cpu.SP <= this.entered.stack) return;
    const own = cpu.cycles - this.entered.cycles - ((this.interrupts?.total ?? 0) - this.entered.taken);
    this.cycles.push(own);
    this.total += own;
    this.entered = null;
  }
}

const TOP_OF_STACK = 0x8ff;
/** Where the pointer of the stack is moved by hand, its two bytes disagree for a few instructions. */
const SETTLED = 4;
/** Its first instructions set the stack up. */
const BEGUN_CYCLES = 1000;

/** How deep the stack ever was. */
export class StackDepth {
  bytes = 0;
  private last: number;
  private same = 0;

  constructor(private readonly top = TOP_OF_STACK) {
    this.last = top;
  }

  /** After each instruction. */
  after({ SP, cycles }: CPU): void {
    this.same = SP === this.last ? this.same + 1 : 0;
    this.last = SP;
    if (this.same >= SETTLED && cycles > BEGUN_CYCLES) this.bytes = Math.max(this.bytes, this.top - SP);
  }
}

/** What the ports B, C and D are from a moment on: which of their lines are outputs, and which are high. */
export interface PortState {
  readonly atCycle: number;
  readonly outputs: readonly [number, number, number];
  readonly high: readonly [number, number, number];
}

const DIRECTIONS = [0x24, 0x27, 0x2a] as const;

/** Adds what the ports are now, where that is not what they were. */
export function noteChange({ data, cycles }: CPU, states: PortState[]): void {
  const read = (beyond: 0 | 1) => DIRECTIONS.map((at) => data[at + beyond] ?? 0) as [number, number, number];
  const last = states[states.length - 1];
  const isSame = last && DIRECTIONS.every((at, i) => data[at] === last.outputs[i] && data[at + 1] === last.high[i]);
  if (!isSame) states.push({ atCycle: cycles, outputs: read(0), high: read(1) });
}

/** Whether a line of the chip, 0 to 19, is driven high or low, or let go. */
export function levelOf(line: number, { outputs, high }: PortState): 'high' | 'low' | 'let go' {
  const [port, bit] = line < 8 ? [2, line] : line < 14 ? [0, line - 8] : [1, line - 14];
  if (!(((outputs[port] ?? 0) >> bit) & 1)) return 'let go';
  return ((high[port] ?? 0) >> bit) & 1 ? 'high' : 'low';
}
