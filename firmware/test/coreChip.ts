import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Assessment } from '@glimmer/core/assess';
import { type GPIOPinState, Simulator } from 'rp2040js';
import type { Edge } from './chip.ts';
import type { LineChange } from './scanned.ts';

/** Of its core, in hertz. */
const CLOCK_HZ = 125e6;
const CYCLE_NS = 1e9 / CLOCK_HZ;
/** Of what drives a line high or low; all above are inputs. */
const HIGH: GPIOPinState = 1;
const INPUT: GPIOPinState = 2;

/** Line of the chip behind the pin that a demand is given: pins 1 to 23 are the lines 0 to 22, 24 to 26 are 26 to 28. */
export function lineOfDemand({ pins }: Pick<Assessment, 'pins'>, demandId: string): number {
  const given = pins[0]?.plan.given.find(({ demand }) => demand.id === demandId);
  const pin = Number(given?.pin.name ?? '');
  return pin <= 23 ? pin - 1 : pin + 2;
}

/** Sizes of a program, in bytes. */
export interface CoreSizes {
  readonly flashBytes: number;
  readonly dataBytes: number;
}

/** Builds the program in a folder with Debian's cross compiler, warnings as errors. */
export function buildCore(folder: string): CoreSizes {
  const said = execFileSync('make', ['-s', 'arm'], {
    cwd: folder,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const [text = 0, data = 0, bss = 0] = (said.trim().split('\n').at(-1) ?? '').trim().split(/\s+/).map(Number);
  return { flashBytes: text + data, dataBytes: data + bss };
}

/** What a run showed. */
export interface CoreRun {
  /** Of all lines, in the order of time. */
  readonly changes: readonly LineChange[];
  /** Edges of each line that the chip drove. */
  readonly edges: ReadonlyMap<number, readonly Edge[]>;
  /** Share of the last tenth of the run in which each line was high. */
  readonly highShare: ReadonlyMap<number, number>;
  /** Lines that it drives at the end. */
  readonly outputs: ReadonlySet<number>;
  /** Share of the last tenth of the run that went into interrupts. */
  readonly turnShare: number;
  /** What it said on its serial line. */
  readonly said: string;
  readonly saidAtBaud: number;
  /** Lines that are held high by a pull-up of their pad at the end. */
  readonly pulledUp: ReadonlySet<number>;
}

/**
 * Runs a program as the chip does after its own start, from the first 256 bytes of its flash on, for so many milliseconds.
 * @param high lines that something outside holds high
 * @param codes what the converter reads at each of its three lines
 */
export function runCore(
  folder: string,
  milliseconds: number,
  wired: { readonly high?: readonly number[]; readonly codes?: readonly number[] } = {},
): CoreRun {
  const { rp2040: chip, clock } = new Simulator();
  chip.flash.set(readFileSync(join(folder, 'program.bin')));
  for (const line of wired.high ?? []) chip.gpio[line]?.setInputValue(true);
  wired.codes?.forEach((code, i) => {
    chip.adc.channelValues[i] = code;
  });
  const edges = new Map<number, Edge[]>();
  const changes: LineChange[] = [];
  const high = new Map<number, { since: number | null; ns: number }>();
  const fromNs = milliseconds * 1e6 * 0.9;
  chip.gpio.forEach((pin, line) => {
    pin.addListener((now: GPIOPinState) => {
      const atNs = clock.nanos;
      const list = edges.get(line) ?? [];
      changes.push({ atNs, line, level: now === HIGH ? 'high' : now < INPUT ? 'low' : 'let go' });
      if (now < INPUT) list.push({ atNs, high: now === HIGH });
      edges.set(line, list);
      const seen = high.get(line) ?? { since: null, ns: 0 };
      if (seen.since !== null && now !== HIGH) {
        seen.ns += Math.max(0, atNs - Math.max(fromNs, seen.since));
        seen.since = null;
      } else if (seen.since === null && now === HIGH) seen.since = atNs;
      high.set(line, seen);
    });
  });
  let said = '';
  const [, serial] = chip.uart;
  if (serial) serial.onByte = (byte) => (said += String.fromCharCode(byte));
  const { core } = chip;
  core.PC = 0x10000000;
  let turnsNs = 0;
  while (clock.nanos < milliseconds * 1e6) {
    const isTurn = core.IPSR !== 0;
    const ns = core.executeInstruction() * CYCLE_NS;
    if (isTurn && clock.nanos >= fromNs) turnsNs += ns;
    clock.tick(ns);
  }
  const endNs = clock.nanos;
  const lines = chip.gpio.map((pin, line) => ({ pin, line }));
  return {
    changes,
    edges,
    highShare: new Map(
      [...high].map(([line, { since, ns }]) => [
        line,
        (ns + (since === null ? 0 : endNs - Math.max(fromNs, since))) / (endNs - fromNs),
      ]),
    ),
    turnShare: turnsNs / (endNs - fromNs),
    said,
    saidAtBaud: serial?.baudRate ?? 0,
    outputs: new Set(lines.filter(({ pin }) => pin.value < INPUT).map(({ line }) => line)),
    pulledUp: new Set(lines.filter(({ pin }) => pin.pullupEnabled).map(({ line }) => line)),
  };
}
