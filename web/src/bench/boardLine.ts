import { readHeard } from '@glimmer/core/motion';
import { create } from 'zustand';
import type { BoardPort } from './boardPort.ts';

const MOST_LINES = 200;
/** A line that never ends is none. */
const LONGEST_LINE = 200;

/** What has been heard of the board on the cable. */
interface BoardLine {
  readonly state: 'apart' | 'listening';
  readonly isStandIn: boolean;
  readonly lines: readonly string[];
  readonly mark: string | null;
  /** Null while none was said; an empty one is dark. */
  readonly mood: string | null;
  /** Percent that the limiter leaves. */
  readonly held: number | null;
  readonly charge: number | null;
  /** Why it ended, where it was not ended here. */
  readonly trouble: string | null;
}

const silent: BoardLine = {
  state: 'apart',
  isStandIn: false,
  lines: [],
  mark: null,
  mood: null,
  held: null,
  charge: null,
  trouble: null,
};

/** The board on the cable, as it is heard. */
export const useBoardLine = create<BoardLine>()(() => silent);

/** Takes a line: what it says, and the line itself. */
function hear(line: string): void {
  const heard = readHeard(line);
  useBoardLine.setState(({ lines }) => ({
    lines: [...lines, line].slice(-MOST_LINES),
    ...(heard?.kind === 'mark' ? { mark: heard.mark, mood: null, held: null, charge: null } : {}),
    ...(heard?.kind === 'mood' ? { mood: heard.name ?? '' } : {}),
    ...(heard?.kind === 'held' ? { held: heard.percent } : {}),
    ...(heard?.kind === 'charge' ? { charge: heard.percent } : {}),
  }));
}

interface Reading {
  readonly port: BoardPort;
  readonly reader: ReadableStreamDefaultReader<Uint8Array>;
}

let reading: Reading | null = null;

/** Reads until the line ends; what comes in pieces is put together line by line. */
async function readOn({ reader }: Reading): Promise<void> {
  const letters = new TextDecoder();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    const parts = (rest + letters.decode(value, { stream: true })).split(/\r?\n/);
    rest = (parts.pop() ?? '').slice(-LONGEST_LINE);
    for (const part of parts) if (part.trim() !== '') hear(part.slice(0, LONGEST_LINE));
  }
}

/** Leaves the board. */
export async function stopListening(): Promise<void> {
  const now = reading;
  reading = null;
  useBoardLine.setState({ state: 'apart' });
  if (!now) return;
  await now.reader.cancel().catch(() => undefined);
  now.reader.releaseLock();
  await now.port.close().catch(() => undefined);
}

/** Listens to a board until it is left, or its cable is pulled; says why where it can’t. */
export async function listen(port: BoardPort, baudRate: number, isStandIn: boolean): Promise<void> {
  await stopListening();
  useBoardLine.setState({ ...silent, state: 'listening', isStandIn });
  try {
    await port.open({ baudRate });
    if (!port.readable) throw new Error('the port gives nothing to read');
    const mine: Reading = { port, reader: port.readable.getReader() };
    reading = mine;
    await readOn(mine);
    if (reading === mine) useBoardLine.setState({ trouble: 'The board is gone from the cable.' });
  } catch (cause) {
    const why = cause instanceof Error ? cause.message : String(cause);
    useBoardLine.setState({
      trouble: `The board can’t be heard: ${why}. Look whether another program holds its port, and plug it in again.`,
    });
  } finally {
    if (useBoardLine.getState().trouble !== null) await stopListening();
  }
}
