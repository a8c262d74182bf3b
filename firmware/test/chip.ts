import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { controllers } from '@glimmer/core/parts';
import {
  AVRADC,
  AVRIOPort,
  AVRTimer,
  AVRUSART,
  adcConfig,
  avrInstruction,
  CPU,
  portBConfig,
  portCConfig,
  portDConfig,
  timer0Config,
  timer1Config,
  timer2Config,
  usart0Config,
} from 'avr8js';

import { noteChange, type PortState, StackDepth, Stopwatch } from './watching.ts';

const facts = controllers.find(({ code }) => code === 'eight16');
const CLOCK_HZ = (facts?.clockMhz ?? 0) * 1e6;

/** The words of an Intel HEX file, as the chip's flash holds them. */
export function readHex(path: string, programBytes: number): Uint16Array {
  const bytes = new Uint8Array(programBytes).fill(0xff);
  for (const line of readFileSync(path, 'utf8').split('\n')) {
    const [, count = '0', address = '0', kind, data = ''] = /^:(..)(....)(..)(.*)..\s*$/.exec(line) ?? [];
    if (kind !== '00') continue;
    for (let i = 0; i < Number.parseInt(count, 16); i += 1)
      bytes[Number.parseInt(address, 16) + i] = Number.parseInt(data.slice(i * 2, i * 2 + 2), 16);
  }
  return new Uint16Array(bytes.buffer);
}

/** A rise or fall of a pin. */
export interface Edge {
  readonly atNs: number;
  readonly high: boolean;
}

export interface ChipRun {
  /** Edges of a pin of port D by its number. */
  readonly edges: ReadonlyMap<number, readonly Edge[]>;
  readonly said: string;
  /** Compare values of the timers' channels, where they drive their pin: by the pin's number. */
  readonly dimmed: ReadonlyMap<number, number>;
  readonly milliseconds: number;
  /** Deepest that the stack was, once the program ran. */
  readonly stackBytes: number;
  /** Every change of the ports, where they were to be watched. */
  readonly states: readonly PortState[];
  /** Share of the chip's time that is spent taking turns, and cycles of each time that lights were handed over to that. */
  readonly turnShare: number;
  readonly handCycles: readonly number[];
  /** Cycles of each time that the paint function ran from its first instruction to its return, less what took turns meanwhile. */
  readonly paintCycles: readonly number[];
}

/** Where a function begins in the built program, in words. */
function addressOf(folder: string, symbol: string): number {
  const found = addressIn(folder, symbol);
  if (found === null) throw new Error(`the program has no ${symbol}`);
  return found;
}

/** The same, or null where the program has none. */
export function addressIn(folder: string, symbol: string): number | null {
  const symbols = execFileSync('avr-nm', ['program.elf'], { cwd: folder, encoding: 'utf8' });
  // A function that the compiler made its own of has a tail to its name.
  const found = symbols.split('\n').find((line) => new RegExp(` ${symbol}(\\.\\w+)*$`).test(line));
  return found ? Number.parseInt(found.split(' ')[0] ?? '', 16) / 2 : null;
}

/** Builds the eight-bit board in a program's folder with avr-gcc, warnings as errors; gives the sizes it reports. */
export function buildChip(
  folder: string,
  main = 'main.c',
): { readonly flashBytes: number; readonly dataBytes: number } {
  const said = execFileSync('make', ['-s', 'clean', 'avr', `MAIN=${main}`], { cwd: folder, encoding: 'utf8' });
  const [text = 0, data = 0, bss = 0] = (said.trim().split('\n').pop() ?? '').trim().split(/\s+/).map(Number);
  return { flashBytes: text + data, dataBytes: data + bss };
}

/** What is wired to the chip's inputs: lines whose contacts stand open (their pull-up holds them high), volts on its level lines, A0 first. */
export interface Wired {
  readonly open: readonly number[];
  readonly volts: readonly number[];
  /** Every change of the ports is to be told. */
  readonly watch?: boolean;
  /** What runs is no show. */
  readonly paints?: boolean;
}

/** Runs the built program, instruction by instruction, for some milliseconds of the chip's own time. */
export function runChip(folder: string, milliseconds: number, wired: Wired = { open: [], volts: [] }): ChipRun {
  const cpu = new CPU(readHex(join(folder, 'program.hex'), facts?.programBytes ?? 0));
  const port = new AVRIOPort(cpu, portDConfig);
  const [portB, portC] = [new AVRIOPort(cpu, portBConfig), new AVRIOPort(cpu, portCConfig)];
  for (const line of wired.open) {
    if (line < 8) port.setPin(line, true);
    else if (line < 14) portB.setPin(line - 8, true);
    else portC.setPin(line - 14, true);
  }
  const converter = new AVRADC(cpu, adcConfig);
  wired.volts.forEach((volts, channel) => {
    converter.channelValues[channel] = volts;
  });
  for (const config of [timer0Config, timer1Config, timer2Config]) new AVRTimer(cpu, config);
  let said = '';
  new AVRUSART(cpu, usart0Config, CLOCK_HZ).onByteTransmit = (byte) => {
    said += String.fromCharCode(byte);
  };
  const edges = new Map<number, Edge[]>();
  port.addListener((value, before) => {
    for (let pin = 0; pin < 8; pin += 1)
      if (((value ^ before) >> pin) & 1) {
        const list = edges.get(pin) ?? [];
        list.push({ atNs: (cpu.cycles * 1e9) / CLOCK_HZ, high: ((value >> pin) & 1) === 1 });
        edges.set(pin, list);
      }
  });
  const until = (CLOCK_HZ / 1000) * milliseconds;
  // The colour test paints nothing.
  const paint = wired.paints === false ? null : addressOf(folder, 'ug_paint_now');
  const turns = new Stopwatch(addressIn(folder, '__vector_11'));
  const painting = new Stopwatch(paint, turns);
  const handing = ['board_grid', 'board_tell'].map(
    (name) => new Stopwatch(wired.watch ? addressIn(folder, name) : null, turns),
  );
  const watches = [painting, turns, ...handing];
  const states: PortState[] = [];
  const depth = new StackDepth();
  while (cpu.cycles < until) {
    if (wired.watch) noteChange(cpu, states);
    for (const watch of watches) watch.before(cpu);
    avrInstruction(cpu);
    cpu.tick();
    depth.after(cpu);
    for (const watch of watches) watch.after(cpu);
  }
  const compare: readonly (readonly [pin: number, control: number, on: number, value: number])[] = [
    [3, 0xb0, 0x20, 0xb4],
    [5, 0x44, 0x20, 0x48],
    [6, 0x44, 0x80, 0x47],
  ];
  return {
    edges,
    said,
    dimmed: new Map(
      compare.flatMap(([pin, control, on, value]) =>
        (cpu.data[control] ?? 0) & on ? [[pin, cpu.data[value] ?? 0] as const] : [],
      ),
    ),
    milliseconds,
    stackBytes: depth.bytes,
    states,
    turnShare: turns.total / until,
    // The one that has nothing to do returns at once.
    handCycles: handing.flatMap(({ cycles }) => cycles.filter((each) => each > 40)),
    paintCycles: painting.cycles,
  };
}

/** One frame off the pixel line: its bytes in the order they were sent, and the lengths of its pulses. */
export interface LineFrame {
  readonly atMs: number;
  readonly bytes: readonly number[];
  readonly highNs: readonly number[];
  readonly periodNs: readonly number[];
}

/** A pulse longer than this is a 1; a silence longer than the other ends a frame. */
const ONE_FROM_NS = 560;
const SILENCE_NS = 50_000;

/** Decodes the one-wire line from its waveform. */
export function decodeLine(edges: readonly Edge[]): readonly LineFrame[] {
  const pulses = edges.flatMap((edge, i) => {
    const fall = edges[i + 1];
    return edge.high && fall ? [{ atNs: edge.atNs, highNs: fall.atNs - edge.atNs }] : [];
  });
  const frames: (typeof pulses)[] = [];
  pulses.forEach((pulse, i) => {
    const before = pulses[i - 1];
    if (!before || pulse.atNs - before.atNs > SILENCE_NS) frames.push([]);
    frames[frames.length - 1]?.push(pulse);
  });
  return frames.map((frame) => ({
    atMs: (frame[0]?.atNs ?? 0) / 1e6,
    highNs: frame.map((pulse) => pulse.highNs),
    periodNs: frame.slice(1).map((pulse, i) => pulse.atNs - (frame[i]?.atNs ?? 0)),
    bytes: Array.from({ length: Math.floor(frame.length / 8) }, (_, b) =>
      frame.slice(b * 8, b * 8 + 8).reduce((byte, pulse) => byte * 2 + (pulse.highNs > ONE_FROM_NS ? 1 : 0), 0),
    ),
  }));
}
