import { colourBands } from '@glimmer/core/drive';
import { explainData, explainDrive } from '@glimmer/core/figures';
import { type ItemOf, itemsOf, kindOf } from '@glimmer/core/items';
import type { Driven } from '@glimmer/core/network';
import type { DieColour } from '@glimmer/core/parts';
import { bands, type Item } from '@glimmer/core/plan';
import { quantitiesOf } from '@glimmer/core/units';
import type { ReactNode } from 'react';
import { AddItems, ItemCard } from '../items/ItemCard.tsx';
import { editItem, setField } from '../items/itemActions.ts';
import { SumOf } from '../items/SumOf.tsx';
import { WayRows } from '../items/WayRows.tsx';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { Controls } from './Controls.tsx';
import { Loop } from './Loop.tsx';
import { Pins } from './Pins.tsx';
import { Turns } from './Turns.tsx';
import { useSheet } from './useSheet.ts';

function BoardCard({ item }: { readonly item: ItemOf<'board'> }) {
  const printer = usePrinter();
  const board = useSheet().assessment.boards.find((each) => each.id === item.id);
  return (
    <ItemCard item={item}>
      {board && (
        <>
          <p className="mt-1 text-small text-faint">
            {printer.quantity('voltageV', board.part.logicV)} logic; draws{' '}
            {printer.quantity('currentA', board.part.drawA.likely)}; a pin gives{' '}
            {printer.quantity('currentA', board.part.pinLimitA)}, all together{' '}
            {printer.quantity('currentA', board.part.chipLimitA)}; resets below{' '}
            {printer.quantity('voltageV', board.part.brownOutV)}
          </p>
          <Pins board={board} />
        </>
      )}
    </ItemCard>
  );
}

/** Sets the maker's own resistor of a group, or of one die of it; null gives it back to the app. */
function setResistor(item: ItemOf<'light'>, die: DieColour | null, ohm: number | null): void {
  if (die === null) {
    setField(item.id, 'resistorOhm', ohm);
    return;
  }
  editItem(item, (draft) => {
    const { [die]: _, ...others } = draft.dieResistorsOhm ?? {};
    draft.dieResistorsOhm = ohm === null ? others : { ...others, [die]: ohm };
  });
}

/** What one resistor of a group serves. */
function servedBy({ hung: { inSeries, sideBySide }, scan }: Driven): string {
  if (scan) return scan.layout.lines.some(({ kind }) => kind === 'row') ? 'each column' : 'each shared pin';
  const each = inSeries > 1 ? `string of ${inSeries}` : 'light';
  return sideBySide > 1 ? `every ${sideBySide} ${inSeries > 1 ? `strings of ${inSeries}` : 'lights'}` : `each ${each}`;
}

/** A resistor of one die is one of several: the sum is asked of lights that have one. */
function MaybeSum({ item, die, children }: { item: ItemOf<'light'>; die: DieColour | null; children: ReactNode }) {
  return die === null ? (
    <SumOf
      item={item}
      field="resistorOhm"
      label="Resistor"
      takes={{ quantity: 'resistanceOhm', band: bands.resistorOhm }}
    >
      {children}
    </SumOf>
  ) : (
    children
  );
}

/** The resistors of a group of single lights, and what they are rated for. */
function ResistorFields({ item, driven }: { readonly item: ItemOf<'light'>; readonly driven: readonly Driven[] }) {
  const printer = usePrinter();
  const hottestW = Math.max(0, ...driven.map(({ resistor }) => resistor?.heatW ?? 0));
  return (
    <>
      {driven.map((each) => {
        const { die, resistor, loop } = each;
        return loop.heldA === null ? (
          <MaybeSum key={die} item={item} die={die}>
            <QuantityField
              label={`Resistor, ${die === null ? servedBy(each) : `each ${die} die`}`}
              kind="resistanceOhm"
              value={resistor?.resistorOhm ?? null}
              band={bands.resistorOhm}
              overruled={resistor?.overruled ?? false}
              placeholder="none: it has one inside"
              hint={resistor ? colourBands(resistor.resistorOhm)?.join(' ') : undefined}
              onCommit={(value) => setResistor(item, die, value)}
              onClear={() => setResistor(item, die, null)}
            />
          </MaybeSum>
        ) : null;
      })}
      {hottestW > 0 && (
        <Choice
          label="Rated"
          value={String(item.resistorRatedW)}
          options={['0.125', '0.25', '0.5', '1', '2', '5'].map((value) => ({
            value,
            label: printer.quantity('powerW', Number(value)),
          }))}
          onChoose={(value) => setField(item.id, 'resistorRatedW', Number(value))}
          hint={`${printer.quantity('powerW', hottestW)} at most`}
        />
      )}
    </>
  );
}

/** What the three currents are of. */
function unitOf({ tape, loop, scan }: Driven): string {
  if (scan) return 'Each light, while its turn is on';
  if (tape) return 'Each piece between two marks';
  return loop.heldA === null ? 'Each light' : 'All its lights';
}

/** Which of an item's channels it is: by its colour, where it has one. @example ", red" */
function partOf({ die, tape, channels: [channel = 0] }: Driven, parts: number): string {
  if (die) return `, ${die}`;
  if (parts === 1) return '';
  return tape && tape.colours > 1 ? `, ${tape.colour}` : `, channel ${channel + 1}`;
}

/** How one group is switched, and what each of its lights gets. */
function Channel({ item, driven }: { readonly item: Item; readonly driven: readonly Driven[] }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const [first] = driven;
  return (
    <div className="stitch py-2 first:border-t-0">
      <p className="font-semibold">{item.name}</p>
      <div className="my-1 grid grid-cols-2 gap-x-3 gap-y-2">
        {item.kind === 'light' && <ResistorFields item={item} driven={driven} />}
        <WayRows item={item} label="Switched by" />
      </div>
      {driven.map((each) => (
        <FigureLine
          key={each.channels.join()}
          label={`${unitOf(each)}${partOf(each, driven.length)}, dimmest to brightest`}
          value={`${printer.quantity('currentA', each.corners.currentA)} (${printer.quantity('currentA', each.corners.dimmestA)} to ${printer.quantity('currentA', each.corners.brightestA)})`}
          onOpen={() => openSum(explainDrive(each, assessment))}
        />
      ))}
      {driven.length > 1 && (
        <FigureLine
          label="Whole channels, one after another"
          value={driven.map((each) => printer.quantity('currentA', each.channelA)).join(', ')}
        />
      )}
      {first?.scan && <Turns driven={first} scan={first.scan} />}
      {first?.resistor && (
        <FigureLine
          label="Head-room for the resistor"
          value={driven.map((each) => printer.quantity('voltageV', each.resistor?.headRoomV ?? 0)).join(', ')}
        />
      )}
    </div>
  );
}

/** How often the pixels can be told, and what stands in each of their lines. */
function PixelData() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const data = explainData(assessment);
  if (!data) return null;
  return (
    <Section title="Pixel data">
      <FigureLine
        label="Frames a second, at most"
        value={<Said>{quantitiesOf(data.answer)[0] ?? data.answer}</Said>}
        onOpen={() => openSum(data)}
      />
      {itemsOf(design, 'pixel tape')
        .filter((tape) => tape.after === null)
        .map((tape) => (
          <FigureLine
            key={tape.id}
            label={tape.name}
            value={[
              tape.dataResistorOhm === null
                ? 'no resistor'
                : `${printer.quantity('resistanceOhm', tape.dataResistorOhm)} in the data line`,
              tape.levelShifter ? 'a level shifter' : null,
              tape.reservoirUf === null
                ? 'no reservoir'
                : `${printer.quantity('capacitanceUf', tape.reservoirUf)} at its feed`,
            ]
              .filter((each) => each !== null)
              .join(', ')}
          />
        ))}
      <p className="text-small text-faint">Each line has its own; they stand with its tape in Lights.</p>
    </Section>
  );
}

/** Stage 4. */
export default function DriveSheet() {
  const { design, assessment } = useSheet();
  const boards = itemsOf(design, 'board');
  const switching = design.items.filter(
    (item) => kindOf(item.kind).role === 'switches' && kindOf(item.kind).stage === 'drive',
  );
  const switchedItems = design.items.filter((item) => assessment.driven.some((each) => each.itemId === item.id));
  return (
    <>
      {boards.length === 0 && (
        <BeginHere>
          A piece whose moods change begins with a controller: pins, resistors and switches follow from it. One that is
          only switched on and off, or lit by the dark, needs none.
        </BeginHere>
      )}
      <Section
        title={boards.length > 1 ? 'Controllers' : 'Controller'}
        aside={<AddItems kinds={['board']} main={boards.length === 0 ? 'board' : undefined} />}
      >
        {boards.map((item) => (
          <BoardCard key={item.id} item={item} />
        ))}
      </Section>
      {switchedItems.length > 0 && (
        <Section title="How each is switched">
          {switchedItems.map((item) => (
            <Channel key={item.id} item={item} driven={assessment.driven.filter((each) => each.itemId === item.id)} />
          ))}
        </Section>
      )}
      <Section title="Gates, drivers, boxes and receivers">
        {switching.map((item) => (
          <ItemCard key={item.id} item={item} />
        ))}
        <AddItems kinds={['light gate', 'driver', 'scan driver', 'box', 'receiver']} />
      </Section>
      {assessment.dataLines.length > 0 && <PixelData />}
      {boards.length > 0 && (
        <>
          <Section title="Buttons and sensors">
            <Controls />
          </Section>
          <Loop />
        </>
      )}
    </>
  );
}
