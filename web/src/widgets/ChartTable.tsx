import { Table } from './Table.tsx';

interface ChartTableProps {
  /** What the chart shows. */
  readonly title: string;
  readonly heads: readonly string[];
  /** As they are printed. */
  readonly rows: readonly (readonly string[])[];
}

/** The figures of a chart, for whoever reads rather than looks. */
export function ChartTable({ title, heads, rows }: ChartTableProps) {
  return (
    <details className="no-print mt-1">
      <summary className="text-small text-verdigris">Its figures</summary>
      <Table aria-label={title} className="figures mt-1 w-full text-small">
        <thead>
          <tr className="border-b border-rule text-left text-faint">
            {heads.map((head) => (
              <th key={head} className="pr-3 font-sans font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.join('|')} className="border-b border-rule/60">
              {row.map((cell, i) => (
                <td key={heads[i]} className="pr-3">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </details>
  );
}
