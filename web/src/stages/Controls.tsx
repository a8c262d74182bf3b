import { type ItemKind, KNOB_OHM, kindOf, kinds } from '@glimmer/core/items';

import { AddItems, ItemCard } from '../items/ItemCard.tsx';
import { usePrinter } from '../units/index.ts';
import { useSheet } from './useSheet.ts';

/** How each kind is wired, where there is nothing to choose. */
const how: Readonly<Partial<Record<ItemKind, string>>> = {
  button: 'momentary, to minus',
  'motion sensor':
    'its output goes high while it sees; nothing is seen through glass or a wall, nor in its first minute',
  'sound sensor': 'its output goes high while it hears; how loud is set by its trimmer',
  'latching switch': 'stays as it is put, to minus',
  'tilt switch': 'closes when it tilts, to minus',
};

/** What was reckoned for a sensor. */
function Sensed({ id, kind }: { readonly id: string; readonly kind: ItemKind }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const sensing = assessment.sensing.find((each) => each.control.id === id);
  if (!sensing) {
    const words = kind === 'charge sense' ? 'Its divider is reckoned once there is a pack.' : how[kind];
    return words ? <p className="mt-1 text-small text-faint">{words}</p> : null;
  }
  if (sensing.kind === 'charge') {
    const { upperOhm, lowerOhm, lowBelow, wellAbove, emptyCode, fullCode, standingA } = sensing.design;
    return (
      <p className="mt-1 text-small text-faint">
        {printer.quantity('resistanceOhm', upperOhm)} to the pack, {printer.quantity('resistanceOhm', lowerOhm)} to
        minus; low below {lowBelow}, well again above {wellAbove} (reads {emptyCode} empty and {fullCode} full); draws{' '}
        {printer.quantity('currentA', standingA)} always
      </p>
    );
  }
  if (sensing.kind === 'knob') {
    const { downBelow, upAbove, fullCode, standingA } = sensing.design;
    return (
      <p className="mt-1 text-small text-faint">
        {printer.quantity('resistanceOhm', KNOB_OHM)} between the chip’s plus and minus, its slider to the pin; down
        below {downBelow}, up above {upAbove} (reads 0 to {fullCode}); draws {printer.quantity('currentA', standingA)}{' '}
        always
      </p>
    );
  }
  const sensor = sensing.design;
  const own = (
    <>
      fixed resistor {printer.quantity('resistanceOhm', sensor.fixedOhm)} to minus
      {sensor.smoothingUf !== null && `, ${printer.quantity('capacitanceUf', sensor.smoothingUf)} across it`};{' '}
    </>
  );
  return (
    <p className="mt-1 text-small text-faint">
      {!sensing.isLevel && own}dark below {sensor.darkBelow}, light above {sensor.lightAbove} (reads {sensor.darkCode}{' '}
      and {sensor.lightCode}); dark is told after {printer.quantity('timeS', sensing.toldDarkAfterS)}
      {!sensing.isLevel && <>; draws {printer.quantity('currentA', sensor.standingA)} in light</>}
      {sensor.lightCode <= sensor.darkCode && (
        <span className="block font-semibold text-amber-ink">
          The dark reading must be the higher resistance: were the two exchanged?
        </span>
      )}
    </p>
  );
}

const controlKinds = kinds.filter((each) => each.role === 'control').map((each) => each.kind);

/** The controls of the piece, each with what it has to be told and what follows from it. */
export function Controls() {
  const { design, assessment } = useSheet();
  const controls = design.items.filter((item) => kindOf(item.kind).role === 'control');
  return (
    <>
      {controls.map((control) => (
        <ItemCard key={control.id} item={control}>
          <Sensed id={control.id} kind={control.kind} />
        </ItemCard>
      ))}
      <AddItems kinds={controlKinds.filter((kind) => kind !== 'signal' || assessment.boards.length > 1)} />
    </>
  );
}
