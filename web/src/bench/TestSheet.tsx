import { type StepProgress, sayBand } from '@glimmer/core/bench';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Table } from '../widgets/Table.tsx';

/** All steps on paper: what to do and touch, what to expect, and room for what was read. */
export function TestSheet({ steps }: { readonly steps: readonly StepProgress[] }) {
  const printer = usePrinter();
  const chapters = [...new Set(steps.map(({ step }) => step.chapter))];
  return (
    <section aria-label="Test sheet" className="hidden print:block">
      {chapters.map((chapter) => (
        <Table key={chapter} className="mb-3 w-full text-small">
          <caption className="text-left font-display text-medium font-semibold">{chapter}</caption>
          <thead>
            <tr className="border-b border-rule text-left text-faint">
              <th className="w-7 font-normal">no.</th>
              <th className="font-normal">what to do</th>
              <th className="w-36 font-normal">expect</th>
              <th className="w-28 font-normal">read</th>
            </tr>
          </thead>
          <tbody>
            {steps.map(({ step, reading, done }, i) =>
              step.chapter === chapter ? (
                <tr key={step.id} className="break-inside-avoid border-b border-rule align-top">
                  <td className="figures py-1">{i + 1}</td>
                  <td className="py-1 pr-3">
                    <strong>{step.title}</strong>
                    {step.final && ' (can’t be taken back)'}. <Said>{step.todo}</Said>
                    {step.probe && <span className="block text-faint">{step.probe}</span>}
                    {step.caution && <span className="block font-semibold">Caution: {step.caution}</span>}
                  </td>
                  <td className="figures py-1">{step.expect && <Said>{sayBand(step.expect)}</Said>}</td>
                  <td className="figures py-1">
                    {step.expect && reading ? printer.quantity(step.expect.kind, reading.value) : done ? 'done' : '□'}
                  </td>
                </tr>
              ) : null,
            )}
          </tbody>
        </Table>
      ))}
    </section>
  );
}
