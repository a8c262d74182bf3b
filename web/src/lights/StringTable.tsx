import type { ItemOf } from '@glimmer/core/items';
import { listStringOptions } from '@glimmer/core/network';
import { changeItem } from '@glimmer/core/plan';
import { useSheet } from '../stages/useSheet.ts';
import { mend } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Table } from '../widgets/Table.tsx';

const headings = ['in a string', 'resistor', 'fresh', 'usual', 'spent', 'to the lights', ''] as const;

/** Every even way to string the lights of a group, over the life of what feeds them; each can be taken. */
export function StringTable({ item }: { readonly item: ItemOf<'light'> }) {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const driven = assessment.driven.find((each) => each.itemId === item.id);
  const options = driven ? listStringOptions(driven, item) : [];
  if (options.length < 2) return null;
  const take = (inSeries: number): void =>
    mend(changeItem(design, item.id, { inSeries: inSeries === 1 ? undefined : inSeries, sideBySide: undefined }));
  return (
    <details className="no-print mt-1">
      <summary className="cursor-pointer text-verdigris">How many in a string?</summary>
      <Table className="w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            {headings.map((heading) => (
              <th key={heading} className="font-normal">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {options.map((option) => {
            const isTaken = item.sideBySide === undefined && (item.inSeries ?? 1) === option.inSeries;
            return (
              <tr key={option.inSeries} className={`figures border-t border-rule/60 ${isTaken ? 'font-semibold' : ''}`}>
                <td>{option.inSeries}</td>
                <td>{printer.quantity('resistanceOhm', option.resistorOhm)}</td>
                <td>{printer.quantity('currentA', option.freshA)}</td>
                <td>{printer.quantity('currentA', option.usualA)}</td>
                <td className={option.isSteady ? '' : 'text-amber-ink'}>
                  {printer.quantity('currentA', option.spentA)}
                  {!option.isSteady && ', fades'}
                </td>
                <td>{printer.quantity('fraction', option.lightShare)}</td>
                <td className="text-right">
                  {isTaken ? (
                    'taken'
                  ) : (
                    <Button
                      look="quiet"
                      aria-label={`Take ${option.inSeries} in a string`}
                      onClick={() => take(option.inSeries)}
                    >
                      Take
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      <p className="mt-0.5 text-small text-faint">
        Currents of one light. More in a string waste less of the pack and follow it more as it falls.
      </p>
    </details>
  );
}
