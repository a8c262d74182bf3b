import type { LoopBudget } from '@glimmer/core/assess';
import { toTenth } from '@glimmer/core/units';
import { usePrinter } from '../units/index.ts';
import { FigureLine, Section } from '../widgets/Section.tsx';
import { useSheet } from './useSheet.ts';

const TICK_MS = 16;

/** One turn of the program's loop as a bar: computing, sending, reading, and what is left of the tick. */
function Turn({ parts }: { readonly parts: readonly { readonly name: string; readonly seconds: number }[] }) {
  const workMs = parts.reduce((sum, part) => sum + part.seconds * 1000, 0);
  const wholeMs = Math.max(1, Math.ceil(workMs / TICK_MS)) * TICK_MS;
  const looks = ['bg-verdigris', 'bg-brass', 'bg-faint'] as const;
  return (
    <div className="my-1">
      <div className="flex h-4 w-full overflow-hidden border border-rule" aria-hidden="true">
        {parts.map((part, i) => (
          <span
            key={part.name}
            className={looks[i % looks.length]}
            style={{ width: `${(part.seconds * 1e5) / wholeMs}%` }}
          />
        ))}
      </div>
      <div className="figures flex justify-between text-tiny text-faint">
        <span>0</span>
        <span>{wholeMs} ms</span>
      </div>
    </div>
  );
}

/** How the program's time and room are spent on each controller. */
export function Loop() {
  const { programs, lightCount } = useSheet().assessment;
  if (lightCount === 0) return null;
  return programs.map(({ board, loop }) => (
    <BoardLoop key={board.id} loop={loop} name={programs.length > 1 ? `, ${board.name}` : ''} />
  ));
}

function BoardLoop({ loop, name }: { readonly loop: LoopBudget; readonly name: string }) {
  const printer = usePrinter();
  const room = (used: number, of: number): string =>
    `${used} of ${of} bytes, ${printer.quantity('fraction', used / of)}`;
  return (
    <Section title={`One turn of the loop, at its hardest${name}`}>
      <Turn
        parts={[
          { name: 'computing', seconds: loop.computeS },
          { name: 'sending', seconds: loop.sendS },
          { name: 'reading', seconds: loop.senseS },
        ]}
      />
      <FigureLine
        label="Computes, sends, reads sensors"
        value={`${printer.quantity('timeS', loop.computeS)}, ${printer.quantity('timeS', loop.sendS)}, ${printer.quantity('timeS', loop.senseS)}`}
      />
      <FigureLine label="Frames a second" value={printer.message(toTenth(loop.framesPerS))} />
      <FigureLine label="A button waits at most" value={printer.quantity('timeS', loop.longestWaitS)} />
      <FigureLine label="Memory" value={room(loop.memoryBytes, loop.memoryOf)} />
      <FigureLine label="Program" value={room(loop.programBytes, loop.programOf)} />
    </Section>
  );
}
