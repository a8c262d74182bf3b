import { type Result, sayCell } from '@glimmer/core/sums';
import { joinMessages, say } from '@glimmer/core/units';
import type { ReactNode } from 'react';
import { Said } from '../units/Said.tsx';
import { FigureLine } from '../widgets/Section.tsx';
import { Table } from '../widgets/Table.tsx';

const MOST_ROWS = 12;

function ResultTable({ result }: { readonly result: Extract<Result, { form: 'table' }> }) {
  if (result.rows.length === 0) return null;
  return (
    <details className="mt-2" open={result.rows.length <= MOST_ROWS}>
      <summary className="text-small text-faint">
        <Said>{result.label}</Said>
      </summary>
      <Table className="w-full text-small">
        <thead>
          <tr className="border-b border-rule text-faint">
            {result.columns.map((column) => (
              <th key={column.key} className="py-0.5 text-right font-normal first:text-left">
                {column.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {result.rows.map((row, i) => (
            <tr key={`${i} ${JSON.stringify(row)}`} className="border-b border-rule/50">
              {result.columns.map((column, at) => (
                <td
                  key={column.key}
                  className={`${column.kind === 'text' ? '' : 'figures'} py-0.5 text-right first:text-left`}
                >
                  <Said>{sayCell(column.kind, row[at] ?? null)}</Said>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </details>
  );
}

/** The answer of a sum: the figure that decides large, the others below it, tables last. */
export function ResultLines({
  results,
  afterMain,
}: {
  readonly results: readonly Result[];
  /** Between the main result and the others. */
  readonly afterMain: ReactNode;
}) {
  const main = results.find((result) => result.form === 'figure' && result.main);
  return (
    <>
      {main?.form === 'figure' && (
        <p className="mb-1.5 flex flex-wrap items-baseline justify-between gap-x-3">
          <span>
            <Said>{main.label}</Said>
          </span>
          <output className="figures text-display leading-9 font-semibold">
            <Said>{sayCell(main.kind, main.value)}</Said>
          </output>
        </p>
      )}
      {afterMain}
      {results.map((result) => {
        if (result === main) return null;
        if (result.form === 'table') return <ResultTable key={result.key} result={result} />;
        if (result.form === 'figures') {
          const shown = result.values.slice(0, 8).map((value) => sayCell(result.kind, value));
          const more = result.values.length - shown.length;
          if (shown.length === 0) return null;
          return (
            <FigureLine
              key={result.key}
              label={<Said>{result.label}</Said>}
              value={<Said>{say`${joinMessages(shown, ', ')}${more > 0 ? ` and ${more} more` : ''}`}</Said>}
            />
          );
        }
        return (
          <FigureLine
            key={result.key}
            label={<Said>{result.label}</Said>}
            value={
              result.form === 'text' ? (
                <span className="font-sans">
                  <Said>{sayCell('text', result.value)}</Said>
                </span>
              ) : (
                <Said>{sayCell(result.kind, result.value)}</Said>
              )
            }
          />
        );
      })}
    </>
  );
}
