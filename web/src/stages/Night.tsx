import { sayComesBack, tripOf } from '@glimmer/core/items';
import { findPart } from '@glimmer/core/parts';
import { useState } from 'react';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice } from '../widgets/fields.tsx';
import { SAMPLED_NIGHTS, useNight } from '../worker/useNight.ts';
import { NightChart } from './NightChart.tsx';
import { useSheet } from './useSheet.ts';

/** Many nights with parts as they may turn out, and how many of them are long enough. */
function Sampling({ sampling, sample, cancel }: Pick<ReturnType<typeof useNight>, 'sampling' | 'sample' | 'cancel'>) {
  const printer = usePrinter();
  const { hoursWanted } = useSheet().design.piece;
  const at = (share: number): number =>
    sampling.kind === 'done' ? (sampling.hours[Math.floor(share * (sampling.hours.length - 1))] ?? 0) : 0;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3">
      {sampling.kind === 'running' ? (
        <>
          <progress
            value={sampling.done}
            max={sampling.of}
            aria-label="Sampled nights"
            className="h-2 w-48 accent-verdigris"
          />
          <span className="figures">
            {sampling.done} of {sampling.of}
          </span>
          <Button onClick={cancel}>Cancel</Button>
        </>
      ) : (
        <Button onClick={sample}>Try {SAMPLED_NIGHTS} nights</Button>
      )}
      {sampling.kind === 'done' && (
        <span data-sampled>
          Nineteen nights in twenty last{' '}
          <span className="figures font-semibold">{printer.quantity('timeH', at(0.05))}</span>, half of them{' '}
          <span className="figures font-semibold">{printer.quantity('timeH', at(0.5))}</span>;{' '}
          <span className="figures">
            {Math.round((sampling.hours.filter((hours) => hours >= hoursWanted).length / sampling.hours.length) * 100)}{' '}
            %
          </span>{' '}
          last the {printer.quantity('timeH', hoursWanted)} wanted.
        </span>
      )}
    </div>
  );
}

/** How the pack runs down tonight, and how many of many nights last long enough. */
export function Night() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const packs = assessment.supplies.filter((supply) => supply.runsFor !== null);
  const [chosenId, choose] = useState<string | null>(null);
  const supply = packs.find((each) => each.rail.id === chosenId) ?? packs[0];
  const { curves, sampling, sample, cancel } = useNight(design, supply?.rail.id ?? null);
  if (supply?.tree.source.kind !== 'pack')
    return <p className="text-faint">The night needs a pack and a mood, or lights that are always on.</p>;
  const { gives } = supply.rail;
  const board =
    gives.form === 'cells' ? findPart(assessment.library, 'protection', gives.item.protection ?? null) : undefined;
  return (
    <>
      {packs.length > 1 && (
        <Choice
          inline
          label="Night of which pack"
          value={supply.rail.id}
          options={packs.map((each) => ({ value: each.rail.id, label: each.rail.name }))}
          onChoose={choose}
        />
      )}
      {curves ? (
        <NightChart curves={curves} design={design} cutOffV={supply.tree.source.pack.cutOffV} />
      ) : (
        <p className="text-faint">Playing the evening …</p>
      )}
      {board && (
        <p className="mt-1 text-small text-faint">
          Its protection board lets go above {printer.quantity('currentA', board.tripA)} for more than{' '}
          {printer.quantity('timeS', tripOf(board).delayS)}, or below {printer.quantity('voltageV', board.cutOffV)}.{' '}
          {sayComesBack(board)}
        </p>
      )}
      <Sampling sampling={sampling} sample={sample} cancel={cancel} />
    </>
  );
}
