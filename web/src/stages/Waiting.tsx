import type { StandBy } from '@glimmer/core/assess';
import { sayKeeping } from '@glimmer/core/power';
import { usePrinter } from '../units/index.ts';
import { useSheet } from './useSheet.ts';

/** How many are brought, and when each is exchanged for the next. */
function Evening({ each }: { readonly each: StandBy }) {
  const printer = usePrinter();
  const { asked, brought, swapsH } = each;
  if (asked === null) return null;
  return (
    <p>
      {asked === 1 ? 'One lasts the evening, with caution' : `The evening asks for ${asked} of them, with caution`}
      {brought > 1 && <>; {brought} are brought</>}
      {swapsH.length > 0 && (
        <>
          , exchanged <span className="figures">{swapsH.map((h) => printer.quantity('timeH', h)).join(', ')}</span>{' '}
          after the start
        </>
      )}
      .
    </p>
  );
}

/** Every pack while the piece waits and on the way. */
export function Waiting() {
  const printer = usePrinter();
  const { standBy } = useSheet().assessment;
  return standBy.map((each) => (
    <div key={each.supplyId} data-waiting className="mb-2">
      {standBy.length > 1 && <p className="font-semibold">{each.name}</p>}
      <p>
        Switched off a full pack keeps for{' '}
        <span className="figures font-semibold">{printer.message(sayKeeping(each.off.keepsH))}</span>
        {each.off.drawnA > 0 && (
          <>
            {' '}
            (<span className="figures">{printer.quantity('currentA', each.off.drawnA)}</span> flow all the same)
          </>
        )}
        {each.dark && (
          <>
            ; left on and dark it lasts{' '}
            <span className="figures font-semibold">{printer.message(sayKeeping(each.dark.keepsH))}</span> (
            <span className="figures">{printer.quantity('currentA', each.dark.drawnA)}</span>)
          </>
        )}
        .
      </p>
      <Evening each={each} />
      <p className="text-faint">
        For the carrier: <span className="figures">{printer.quantity('energyWh', each.energyWh)}</span> a pack, by the
        voltage that its cells are sold by; what is printed on it and the carrier’s own rules hold. Switched off, the
        switch guarded, terminals covered.
      </p>
    </div>
  ));
}
