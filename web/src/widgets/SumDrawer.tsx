import type { Explanation } from '@glimmer/core/figures';
import { joinMessages, type Message, say } from '@glimmer/core/units';
import { create } from 'zustand';
import { InWords } from '../help/InWords.tsx';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from './Button.tsx';
import { CopyButton } from './CopyButton.tsx';
import { Dialog } from './Dialog.tsx';
import { FigureLine } from './Section.tsx';
import { SumView } from './SumView.tsx';

const useOpened = create<{ readonly explanation: Explanation | null }>()(() => ({ explanation: null }));

/** Opens a figure's sum in the drawer. */
export const openSum = (explanation: Explanation): void => useOpened.setState({ explanation });
const close = (): void => useOpened.setState({ explanation: null });

/** The whole of it as text, line by line. */
const writeOut = ({ title, answer, lead, lines, sums, doubt }: Explanation): Message =>
  joinMessages(
    [
      say`${title}: ${answer}`,
      lead,
      ...lines.map(({ label, value }) => say`${label}: ${value}`),
      ...sums.map(({ name, form, filled, answer: is }) => say`${name}: ${form} = ${filled} = ${is}`),
      ...(doubt ? [doubt] : []),
    ],
    '\n',
  );

/** The drawer in which a figure shows how it came about. */
export function SumDrawer() {
  const { explanation } = useOpened();
  const printer = usePrinter();
  if (!explanation) return null;
  return (
    <Dialog open onClose={close} title={explanation.title} side="right">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
        <p className="figures text-display">
          <Said>{explanation.answer}</Said>
        </p>
        <div className="flex">
          <CopyButton name="the figure" text={() => printer.message(explanation.answer)} />
          <CopyButton name="its sum" text={() => printer.message(writeOut(explanation))} />
        </div>
      </div>
      <p className="mb-3">
        <InWords>{printer.message(explanation.lead)}</InWords>
      </p>
      {explanation.lines.length > 0 && (
        <div className="mb-4">
          {explanation.lines.map((line) => (
            <FigureLine
              key={JSON.stringify(line.label)}
              label={<Said>{line.label}</Said>}
              value={<Said>{line.value}</Said>}
            />
          ))}
        </div>
      )}
      {explanation.sums.map((sum) => (
        <div key={sum.name} className="stitch mb-3 pt-3">
          <h3 className="mb-1">{sum.name}</h3>
          <SumView sum={sum} />
        </div>
      ))}
      {explanation.doubt && (
        <p className="stitch mb-4 pt-3 text-faint">
          <InWords>{printer.message(explanation.doubt)}</InWords>
        </p>
      )}
      <Button onClick={close}>Close</Button>
    </Dialog>
  );
}
