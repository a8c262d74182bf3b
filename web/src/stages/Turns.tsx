import { FILMED_BELOW_HZ } from '@glimmer/core/drive';
import { explainDrive } from '@glimmer/core/figures';
import { type Driven, glowByColour, nameOfLine, type Scan } from '@glimmer/core/network';
import { leds } from '@glimmer/core/parts';
import { usePrinter } from '../units/index.ts';
import { FigureLine } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { Table } from '../widgets/Table.tsx';
import { useSheet } from './useSheet.ts';

/** One of each colour: their drops tell which of them glow. */
const ofEachColour = leds.filter(({ body, dice }) => body === '5 mm' && dice === undefined);

/** Below it nobody asks how much it is. */
const NEXT_TO_NOTHING_A = 1e-6;

/** Which colours would be seen that should be dark, by their drops. */
function Glow({ scan }: { readonly scan: Scan }) {
  const printer = usePrinter();
  const volts = scan.acrossOffV;
  if (volts <= 0) return null;
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-verdigris">
        What glows at {printer.quantity('voltageV', volts)} that should be dark?
      </summary>
      <Table className="w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            <th className="font-normal">colour, typical of its kind</th>
            <th className="font-normal">carries</th>
            <th className="font-normal">in the dark</th>
          </tr>
        </thead>
        <tbody>
          {glowByColour(volts - (scan.hasDiodes ? 0.7 : 0), ofEachColour).map(({ name, currentA, isSeen }) => (
            <tr key={name} className="border-t border-rule/60">
              <td>{name}</td>
              <td className="figures">
                {currentA < NEXT_TO_NOTHING_A ? 'next to nothing' : printer.quantity('currentA', currentA)}
              </td>
              <td className={isSeen ? 'text-brick-ink' : ''}>{isSeen ? 'seen' : 'dark'}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </details>
  );
}

/** How the lights of a group take turns: how often, how long, and what comes of it. */
export function Turns({ driven, scan }: { readonly driven: Driven; readonly scan: Scan }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const { layout } = scan;
  const rows = layout.lines.filter(({ kind }) => kind === 'row').length;
  const [first] = layout.lines;
  return (
    <>
      <FigureLine
        label={rows > 0 ? 'Rows and columns' : 'Wires that they share'}
        value={rows > 0 ? `${rows} × ${layout.atOnce}, ${layout.lines.length} wires` : `${layout.lines.length}`}
      />
      <FigureLine
        label={`Each is on for one turn of ${layout.turns}; in the mean`}
        value={printer.quantity('currentA', scan.meanA)}
        onOpen={() => openSum(explainDrive(driven, assessment))}
      />
      {rows > 0 && first && (
        <FigureLine
          label={`${scan.driver ? 'A row' : driven.transistor ? 'The transistor of a row' : 'The pin of a row'} carries, all of it lit`}
          value={printer.quantity('currentA', driven.channelBrightestA)}
        />
      )}
      <FigureLine
        label={`Pictures a second${scan.picturesPerS < FILMED_BELOW_HZ ? ', a camera sees them flicker' : ''}`}
        value={printer.quantity('frequencyHz', scan.picturesPerS)}
      />
      {scan.ofChip > 0 && (
        <FigureLine label="Of the controller’s time, taking turns" value={printer.quantity('fraction', scan.ofChip)} />
      )}
      {scan.acrossOffV > 0 && (
        <FigureLine
          label={`Over a light that is dark${first && first.kind !== 'row' ? `, at ${nameOfLine(first)}` : ''}`}
          value={`${printer.quantity('voltageV', scan.acrossOffV)}: ${scan.glowA < NEXT_TO_NOTHING_A ? 'next to nothing flows' : printer.quantity('currentA', scan.glowA)}`}
        />
      )}
      <Glow scan={scan} />
    </>
  );
}
