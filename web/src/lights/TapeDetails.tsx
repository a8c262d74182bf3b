import { explainTape } from '@glimmer/core/figures';
import type { FormRow, ItemOf, PlacedPlain, PlacedTape } from '@glimmer/core/items';
import { stateFigure } from '@glimmer/core/parts';
import { bands } from '@glimmer/core/plan';

import { FormRows } from '../items/FormRows.tsx';
import { setField } from '../items/itemActions.ts';
import { SumOf } from '../items/SumOf.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { FigureLine } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { ColoursSeen, WhiteFrom } from './Colours.tsx';
import { RouteTable } from './RouteTable.tsx';
import { PlainFeeds, TapeFeeds } from './TapeFeeds.tsx';

/** What a tape is asked before all else; how long it is, where its kind asks that in a row. */
export const isTapeLead = ({ field }: Pick<FormRow, 'field'>): boolean => field === 'part' || field === 'lengthMm';

/** A tape cut into rows: how many lights each way, and which way every second one runs. */
function Rows({ item }: { readonly item: ItemOf<'pixel tape'> }) {
  const { grid } = item;
  const side = (key: 'columns' | 'rows', label: string, value: number) => (
    <QuantityField
      label={label}
      kind="count"
      value={value}
      band={{ least: 1, most: 64 }}
      onCommit={(next) => setField(item.id, `grid.${key}`, Math.round(next))}
    />
  );
  return (
    <div className="mt-1 grid grid-cols-[auto_5rem_5rem_1fr] items-end gap-x-3">
      <Tick
        label="Cut into rows, as a grid"
        checked={grid !== undefined}
        onChange={(isGrid) => setField(item.id, 'grid', isGrid ? { columns: 8, rows: 8, snakes: true } : undefined)}
      />
      {grid && (
        <>
          {side('columns', 'Across', grid.columns)}
          {side('rows', 'Down', grid.rows)}
          <Tick
            label="Every second row runs back"
            checked={grid.snakes}
            onChange={(snakes) => setField(item.id, 'grid.snakes', snakes)}
          />
        </>
      )}
    </div>
  );
}

/** What follows from its length: lights, cuts beside it, and how it lies in its channel. */
function Following({ item, placed }: { readonly item: ItemOf<'pixel tape'>; readonly placed: PlacedTape }) {
  const printer = usePrinter();
  const fit = useSheet().assessment.fits.find((each) => each.groupId === item.id);
  return (
    <div className="mt-2">
      <FigureLine
        label="Lights"
        value={<strong className="text-large">{placed.cut.lights}</strong>}
        onOpen={() => openSum(explainTape(placed))}
      />
      {!item.grid && !placed.part.form && (
        <>
          <FigureLine
            label="Lit length, gap left at the end"
            value={`${printer.quantity('lengthMm', placed.cut.litLengthMm)}, ${printer.quantity('lengthMm', placed.cut.gapMm)}`}
          />
          {placed.pieces.length < 2 && (
            <FigureLine
              label="One cut shorter, one longer"
              value={`${placed.cut.shorter.lights} (${printer.quantity('lengthMm', placed.cut.shorter.lengthMm)}), ${placed.cut.longer.lights} (${printer.quantity('lengthMm', placed.cut.longer.lengthMm)})`}
            />
          )}
        </>
      )}
      {fit && (
        <FigureLine
          label="In its channel"
          value={`${fit.verdict}: ${printer.quantity('lengthMm', fit.acrossMm)} each side`}
        />
      )}
    </div>
  );
}

/** Whether it is cut where its route turns sharply, and into which pieces. */
function CutAtCorners({
  item,
  pieces,
}: {
  readonly item: ItemOf<'pixel tape' | 'plain tape'>;
  readonly pieces: readonly number[];
}) {
  return (
    <div className="mt-1 flex flex-wrap items-baseline gap-x-4">
      <Tick
        label="Cut at each corner, and joined again"
        checked={item.cutAtCorners === true}
        onChange={(isCut) => setField(item.id, 'cutAtCorners', isCut ? true : undefined)}
      />
      {pieces.length > 1 && <span className="text-faint">pieces of {pieces.join(', ')} lights</span>}
    </div>
  );
}

interface PixelTapeDetailsProps {
  readonly item: ItemOf<'pixel tape'>;
  readonly placed: PlacedTape | undefined;
}

/** The length of a tape: as its route is long, or as the maker says. */
function LengthField({ item, placed }: PixelTapeDetailsProps) {
  return (
    <SumOf
      item={item}
      field="lengthMm"
      label="Length of the route"
      takes={{ quantity: 'lengthMm', band: bands.tapeLengthMm }}
    >
      <QuantityField
        label={item.grid ? 'Tape in all, row by row' : 'Length of the route'}
        kind="lengthMm"
        value={placed?.routeMm ?? null}
        band={bands.tapeLengthMm}
        overruled={item.lengthMm !== null}
        placeholder="lay it on the picture"
        onCommit={(value) => setField(item.id, 'lengthMm', value)}
        onClear={() => setField(item.id, 'lengthMm', null)}
        hint={item.lengthMm !== null ? 'Empty it to measure on the picture again.' : undefined}
      />
    </SumOf>
  );
}

/** What a pixel tape is asked first, and its lights. */
export function PixelTapeLead({ item, placed }: PixelTapeDetailsProps) {
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <FormRows item={item} only={isTapeLead} bare />
        {!placed?.part.form && <LengthField item={item} placed={placed} />}
      </div>
      {placed && <Following item={item} placed={placed} />}
    </>
  );
}

/** What a pixel tape is asked besides: its die, its cut, its feeds, its route. */
export function PixelTapeDetails({ item, placed }: PixelTapeDetailsProps) {
  const printer = usePrinter();
  const { design } = useSheet();
  const part = placed?.part;
  return (
    <>
      <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="Lies in"
          value={item.hollowId ?? 'none'}
          options={[
            { value: 'none', label: 'no channel' },
            ...design.hollows
              .filter((hollow) => hollow.kind === 'channel')
              .map((hollow) => ({ value: hollow.id, label: hollow.name })),
          ]}
          onChoose={(value) => setField(item.id, 'hollowId', value === 'none' ? null : value)}
        />
        <QuantityField
          label="Current of one die at full"
          kind="currentA"
          value={item.dieCurrentA?.likely ?? part?.dieCurrentA.likely ?? null}
          band={bands.dieCurrentA}
          overruled={item.dieCurrentA !== null}
          hint={
            item.dieCurrentA
              ? `${item.dieCurrentA.origin}, ± ${printer.quantity('currentA', item.dieCurrentA.spread)}`
              : `typical, ± ${printer.quantity('currentA', part?.dieCurrentA.spread ?? 0)}`
          }
          onCommit={(value) => setField(item.id, 'dieCurrentA', stateFigure(value, 'guess'))}
          onClear={() => setField(item.id, 'dieCurrentA', null)}
        />
        <Tick
          label="Data enters at the far end"
          checked={item.reversed}
          onChange={(value) => setField(item.id, 'reversed', value)}
        />
      </div>
      {part?.form ? (
        <p className="mt-1 text-small text-faint">
          A shape that is not cut: its middle is the first point of its route, and its first pixel lies towards the
          second.
        </p>
      ) : (
        <>
          <Rows item={item} />
          {!item.grid && <CutAtCorners item={item} pieces={placed?.pieces ?? []} />}
        </>
      )}
      {placed && (
        <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2">
          {item.after === null && <ColoursSeen item={item} placed={placed} />}
          {item.after === null && placed.part.dice === 4 && <WhiteFrom item={item} />}
        </div>
      )}
      {placed && <TapeFeeds item={item} placed={placed} />}
      <RouteTable item={item} />
    </>
  );
}

/** What a plain tape is asked first, and its lights. */
export function PlainTapeLead({
  item,
  placed,
}: {
  readonly item: ItemOf<'plain tape'>;
  readonly placed: PlacedPlain | undefined;
}) {
  const printer = usePrinter();
  return (
    <>
      <FormRows item={item} only={isTapeLead} />
      {placed && (
        <div className="mt-2">
          <FigureLine label="Lights" value={<strong className="text-large">{placed.cut.lights}</strong>} />
          <FigureLine
            label="Lit length, gap left at the end"
            value={`${printer.quantity('lengthMm', placed.cut.litLengthMm)}, ${printer.quantity('lengthMm', placed.cut.gapMm)}`}
          />
        </div>
      )}
    </>
  );
}

/** What follows for a plain tape: where it may be cut, and its route. */
export function PlainTapeDetails({
  item,
  placed,
}: {
  readonly item: ItemOf<'plain tape'>;
  readonly placed: PlacedPlain | undefined;
}) {
  return (
    <>
      <CutAtCorners item={item} pieces={placed?.pieces ?? []} />
      {placed?.part.colours === 4 && <WhiteFrom item={item} />}
      {placed && <PlainFeeds item={item} placed={placed} />}
      <RouteTable item={item} />
    </>
  );
}
