import type { ItemOf } from '@glimmer/core/items';
import { inCommonLeg } from '@glimmer/core/network';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Table } from '../widgets/Table.tsx';

/** Why the dice of a light have each a resistor: what one in the leg that they share would do instead. */
export function CommonLeg({ item }: { readonly item: ItemOf<'light'> }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const dice = assessment.driven.filter((each) => each.itemId === item.id);
  const instead = inCommonLeg(dice);
  if (!instead) return null;
  return (
    <details className="no-print mt-1">
      <summary className="cursor-pointer text-verdigris">Why a resistor for each colour?</summary>
      <Table className="w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            <th className="font-normal">colour</th>
            <th className="font-normal">its own resistor</th>
            <th className="font-normal">
              {printer.quantity('resistanceOhm', instead.resistorOhm)} in the common leg, alone
            </th>
            <th className="font-normal">all lit</th>
          </tr>
        </thead>
        <tbody className="figures">
          {dice.map(({ die, resistor, corners }, i) => (
            <tr key={die} className="border-t border-rule/60">
              <td>{die}</td>
              <td>
                {printer.quantity('resistanceOhm', resistor?.resistorOhm ?? 0)},{' '}
                {printer.quantity('currentA', corners.currentA)}
              </td>
              <td>{printer.quantity('currentA', instead.aloneA[i] ?? 0)}</td>
              <td>{printer.quantity('currentA', instead.togetherA[i] ?? 0)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="mt-0.5 text-small text-faint">
        Behind one resistor the lowest drop takes all: no colour can be mixed and white is red. It serves only where one
        colour at a time is ever lit.
      </p>
    </details>
  );
}
