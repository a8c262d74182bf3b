import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { FigureLine, Section } from '../widgets/Section.tsx';

/** How several copies keep together when each runs by itself, and what holds them. */
export function CopiesNote() {
  const printer = usePrinter();
  const { copiesInStep: step } = useSheet().assessment;
  if (!step) return null;
  const time = (seconds: number): string =>
    seconds > 120 ? printer.quantity('timeMin', seconds / 60) : printer.quantity('timeS', seconds);
  return (
    <Section title="Copies in step">
      <FigureLine label="Clocks of two boards differ by" value={printer.quantity('fraction', step.mismatch)} />
      <FigureLine label="Seen apart after" value={time(step.seenApartAfterS)} />
      <FigureLine
        label={`A whole round of ${printer.quantity('timeS', step.loopS)} apart after`}
        value={time(step.roundApartAfterS)}
      />
      {step.toggle && (
        <FigureLine
          label={`Alike after ${step.toggle.presses} presses of a key that changes over, each missed by ${printer.quantity('fraction', step.toggle.loss)}`}
          value={printer.quantity('fraction', step.toggle.inStep)}
        />
      )}
      <ul className="mt-1 list-disc pl-5 text-small text-faint">
        {step.toggle && (
          <li>A change-over that was missed once stays wrong. One key for each mood heals itself at the next press.</li>
        )}
        <li>A wire for a signal from one copy to all holds them exactly; a common minus goes with it.</li>
        <li>By radio: let one copy call the start of each round, and the others begin it again when they hear it.</li>
        <li>Without either: switch them on together, and choose moods in which no one sees who is early.</li>
        {step.hasChance && <li>What comes at random comes alike only in copies that were switched on together.</li>}
      </ul>
    </Section>
  );
}
