import { join } from 'node:path';
import type { Assessment } from '@glimmer/core/assess';
import { controllers } from '@glimmer/core/parts';
import {
  ADCMuxInputType,
  ADCReference,
  AVRADC,
  AVRIOPort,
  AVRTimer,
  adcConfig,
  avrInstruction,
  CPU,
  timer0Config,
} from 'avr8js';
import { addressIn, type Edge, readHex } from './chip.ts';
import type { LineChange } from './scanned.ts';
import { StackDepth, Stopwatch } from './watching.ts';

const facts = controllers.find(({ code }) => code === 'eight5');
/** Lines of its port that are led to pins. */
const LINES = 5;
const CLOCK_HZ = (facts?.clockMhz ?? 0) * 1e6;
/** Where its registers end and its memory begins, and how much of that there is. */
const MEMORY_FROM = 0x60;

/** Its one port, its first timer and its converter, as the simulator wants them: by address and bit. */
const portB = { PIN: 0x36, DDR: 0x37, PORT: 0x38, externalInterrupts: [] };
const timer0 = {
  ...timer0Config,
  ovfInterrupt: 5,
  compAInterrupt: 10,
  compBInterrupt: 11,
  TIFR: 0x58,
  OCRA: 0x49,
  OCRB: 0x48,
  TCNT: 0x52,
  TCCRA: 0x4a,
  TCCRB: 0x53,
  TIMSK: 0x59,
  TOV: 2,
  OCFA: 16,
  OCFB: 8,
  TOIE: 2,
  OCIEA: 16,
  OCIEB: 8,
  compPortA: portB.PORT,
  compPinA: 0,
  compPortB: portB.PORT,
  compPinB: 1,
};
/** Its second timer runs freely where it is used; what counts its cycles stands where the first has its other settings. */
const timer1 = {
  ...timer0,
  ovfInterrupt: 4,
  compAInterrupt: 3,
  compBInterrupt: 9,
  OCRA: 0x4e,
  OCRB: 0x4b,
  TCNT: 0x4f,
  TCCRA: 0x21,
  TCCRB: 0x50,
  TCCRC: 0x22,
  TOV: 4,
  OCFA: 64,
  OCFB: 32,
  TOIE: 4,
  OCIEA: 64,
  OCIEB: 32,
  dividers: { 0: 0, 1: 1, 2: 2, 3: 4, 4: 8, 5: 16, 6: 32, 7: 64 },
};
/** Both timers, which have their flags and what enables them in one register each. */
function addTimers(cpu: CPU): void {
  for (const config of [timer0, timer1]) {
    const before = [config.TIFR, config.TIMSK].map((at) => [at, cpu.writeHooks[at]] as const);
    new AVRTimer(cpu, config);
    for (const [at, first] of before) {
      const second = cpu.writeHooks[at];
      if (first && second) cpu.writeHooks[at] = (...all) => first(...all) || second(...all);
    }
  }
}
const converter = {
  ...adcConfig,
  ADMUX: 0x27,
  ADCSRA: 0x26,
  ADCSRB: 0x23,
  ADCL: 0x24,
  ADCH: 0x25,
  DIDR0: 0x34,
  adcInterrupt: 8,
  numChannels: 4,
  muxChannels: Object.fromEntries(
    [0, 1, 2, 3].map((channel) => [channel, { type: ADCMuxInputType.SingleEnded as const, channel }]),
  ),
  adcReferences: [ADCReference.AVCC, ADCReference.Reserved, ADCReference.Internal1V1, ADCReference.Reserved],
};

/** What the chip makes of its lines. */
class LineWatch {
  readonly changes: LineChange[] = [];
  private readonly levels: LineChange['level'][] = Array(LINES).fill('let go');
  private seen = 0;

  /** After each instruction. */
  after({ data, cycles }: CPU): void {
    const now = ((data[portB.DDR] ?? 0) << 8) | (data[portB.PORT] ?? 0);
    if (now === this.seen) return;
    this.seen = now;
    for (let line = 0; line < LINES; line += 1) {
      const level = ((now >> (8 + line)) & 1) === 0 ? 'let go' : (now >> line) & 1 ? 'high' : 'low';
      if (level !== this.levels[line]) this.changes.push({ atNs: (cycles * 1e9) / CLOCK_HZ, line, level });
      this.levels[line] = level;
    }
  }
}

/** Line of the chip behind the pin that a demand is given: pin 1 of the edge is line 0. */
export const lineOfDemand = ({ pins }: Pick<Assessment, 'pins'>, demandId: string): number =>
  Number(pins[0]?.plan.given.find(({ demand }) => demand.id === demandId)?.pin.name ?? '') - 1;

/** What a run of the small chip showed. */
export interface SmallRun {
  /** Edges of each line of its port. */
  readonly edges: ReadonlyMap<number, readonly Edge[]>;
  /** Compare values of its timers, by the number of the line that they drive; none where the timer lets go of it. */
  readonly dimmed: ReadonlyMap<number, number>;
  /** Its port, as it stands at the end. */
  readonly port: number;
  /** What it made of its lines, in the order of time. */
  readonly changes: readonly LineChange[];
  /** Share of the run that went into the turns of a grid. */
  readonly turnShare: number;
  /** Deepest that the stack was. */
  readonly stackBytes: number;
}

/**
 * Runs a program on the small chip, instruction by instruction, for so many milliseconds of its own time.
 * @param open lines whose contacts stand open: their pull-up holds them high
 * @param volts on the channels of its converter, the first is 0
 */
export function runSmallChip(
  folder: string,
  milliseconds: number,
  wired: { readonly open?: readonly number[]; readonly volts?: readonly number[] } = {},
): SmallRun {
  const cpu = new CPU(readHex(join(folder, 'program.hex'), facts?.programBytes ?? 0), facts?.memoryBytes ?? 0);
  const port = new AVRIOPort(cpu, portB);
  for (const line of wired.open ?? []) port.setPin(line, true);
  const analog = new AVRADC(cpu, converter);
  wired.volts?.forEach((volts, channel) => {
    analog.channelValues[channel] = volts;
  });
  addTimers(cpu);
  const edges = new Map<number, Edge[]>();
  port.addListener((value, before) => {
    for (let line = 0; line < LINES; line += 1)
      if (((value ^ before) >> line) & 1) {
        const list = edges.get(line) ?? [];
        list.push({ atNs: (cpu.cycles * 1e9) / CLOCK_HZ, high: ((value >> line) & 1) === 1 });
        edges.set(line, list);
      }
  });
  const depth = new StackDepth(MEMORY_FROM + (facts?.memoryBytes ?? 0) - 1);
  const turns = new Stopwatch(addressIn(folder, '__vector_3'));
  const lines = new LineWatch();
  const until = (CLOCK_HZ / 1000) * milliseconds;
  while (cpu.cycles < until) {
    turns.before(cpu);
    avrInstruction(cpu);
    cpu.tick();
    turns.after(cpu);
    depth.after(cpu);
    lines.after(cpu);
  }
  const compare: readonly (readonly [line: number, control: number, on: number, value: number])[] = [
    [0, 0x4a, 0x80, 0x49],
    [1, 0x4a, 0x20, 0x48],
    [4, 0x4c, 0x20, 0x4b],
  ];
  return {
    edges,
    dimmed: new Map(
      compare.flatMap(([line, control, on, value]) =>
        (cpu.data[control] ?? 0) & on ? [[line, cpu.data[value] ?? 0] as const] : [],
      ),
    ),
    port: cpu.data[portB.PORT] ?? 0,
    changes: lines.changes,
    turnShare: turns.total / until,
    stackBytes: depth.bytes,
  };
}
