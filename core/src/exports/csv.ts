import Papa from 'papaparse';
import type { Assessment } from '../assess.ts';
import { isSolderedBare } from '../network/index.ts';
import type { Printer } from '../units/index.ts';

// A name typed by the maker may begin like a spreadsheet formula; it must stay a text.
const write = (rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse(rows as (string | number)[][], { escapeFormulae: true, newline: '\r\n' })}\r\n`;

/** What to buy for all copies, as CSV: one line a part, with its sum. */
export function exportShoppingCsv(assessment: Assessment, copies: number, printer: Printer): string {
  return write([
    ['part', 'for one', 'copies', 'in all', 'unit', 'unit price', 'cost', 'for what'],
    ...assessment.shopping.map((line) => {
      const inAll = line.quantity * (line.isShared ? 1 : copies);
      return [
        printer.message(line.name),
        rounded(line.quantity),
        copies,
        rounded(inAll),
        line.unit,
        line.unitPrice.toFixed(2),
        (inAll * line.unitPrice).toFixed(2),
        line.forWhat,
      ];
    }),
  ]);
}

/**
 * The wire list as CSV: one line a core, with where it runs, how long and how thick it is; then what is soldered without a
 * wire, of no length and no colour: what sits at one place, and the legs of small parts. The list alone joins the whole piece.
 */
export function exportWireCsv(assessment: Assessment, printer: Printer): string {
  const ends = (runId: string, core: number): string[] => {
    const { from = '', to = '' } = assessment.coreEnds.get(runId)?.[core] ?? {};
    return [printer.message(from), printer.message(to)];
  };
  return write([
    ['run', 'from', 'to', 'core', 'colour', 'gauge AWG', 'length mm', 'peak A', 'drop V', 'begins at', 'ends at'],
    ...assessment.runs.flatMap((run) =>
      run.cores.map((core, c) => [
        run.name,
        run.from.name,
        run.to.name,
        core.meaning,
        core.colour,
        run.gaugeAwg,
        run.lengthMm ?? '',
        run.peakA === null ? '' : run.peakA.toFixed(3),
        run.dropV.toFixed(3),
        ...ends(run.id, c),
      ]),
    ),
    ...assessment.joins
      .filter(isSolderedBare)
      .flatMap((run) =>
        run.cores.map(({ net }, c) => [
          run.name,
          run.from.name,
          run.to.name,
          net.name,
          '',
          '',
          0,
          '',
          '',
          ...ends(run.id, c),
        ]),
      ),
  ]);
}

const rounded = (value: number): number => Math.round(value * 1000) / 1000;
