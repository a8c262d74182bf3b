import type { ItemOf } from '@glimmer/core/items';
import { powerOnAxis, secondsToDose } from '@glimmer/core/lights';
import type { LedPart } from '@glimmer/core/parts';
import { useState } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { QuantityField } from '../widgets/fields.tsx';

/** What one invisible light gives at a distance: the dose grows in proportion to current and time, unlike a look. */
export function Dose({ item, part }: { readonly item: ItemOf<'light'>; readonly part: LedPart }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const [distanceMm, setDistance] = useState(30);
  const [doseJ, setDose] = useState(1);
  const { radiantW, halfAngleDeg, wavelengthNm } = part;
  const currentA = assessment.driven.find((each) => each.itemId === item.id)?.corners.currentA;
  if (radiantW === undefined || halfAngleDeg === undefined) return null;
  const share = currentA === undefined ? null : currentA / part.ratedCurrentA;
  const onCm2W = share === null ? null : powerOnAxis.reckon({ P: radiantW * share, a: halfAngleDeg, d: distanceMm });
  return (
    <details className="no-print mt-1">
      <summary className="cursor-pointer text-verdigris">What does it give at a distance?</summary>
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2">
        <QuantityField
          label="Distance on its axis"
          kind="lengthMm"
          value={distanceMm}
          band={{ least: 1, most: 5000, usual: [5, 500] }}
          onCommit={setDistance}
        />
        <QuantityField
          label="Dose wanted"
          kind="doseJPerCm2"
          value={doseJ}
          band={{ least: 0.001, most: 1000, usual: [0.05, 20] }}
          onCommit={setDose}
        />
      </div>
      <p className="mt-1">
        {wavelengthNm !== undefined && `${wavelengthNm} nm. `}
        {onCm2W === null || onCm2W === 0 ? (
          'What it gives follows once something feeds it.'
        ) : (
          <>
            One light puts <span className="figures">{printer.quantity('powerW', onCm2W)}</span> on each square
            centimetre there: <span className="figures">{printer.quantity('doseJPerCm2', doseJ)}</span> after{' '}
            <span className="figures">{printer.quantity('timeS', secondsToDose(doseJ, onCm2W, 1))}</span>. Half the
            current takes twice as long; twice as far takes four times. Only what the light reaches is cured.
          </>
        )}
      </p>
    </details>
  );
}
