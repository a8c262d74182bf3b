import { type ItemOf, orderOfTape, orderSeen, type PlacedTape, sayOrder } from '@glimmer/core/items';
import { colourOrders } from '@glimmer/core/parts';
import { setField } from '../items/itemActions.ts';
import { Choice } from '../widgets/fields.tsx';

/** As it should be: what the colour test shows where the order is right. */
const RIGHT = 'RGB';

/** What the colour test showed: the order of the tape follows from it. */
export function ColoursSeen({ item, placed }: { readonly item: ItemOf<'pixel tape'>; readonly placed: PlacedTape }) {
  const taken = orderOfTape(placed);
  return (
    <Choice
      label="Colours seen in the test"
      value={RIGHT}
      hint={`The program takes it for ${sayOrder(taken)}.`}
      options={[...colourOrders]
        .sort((a, b) => Number(b === RIGHT) - Number(a === RIGHT))
        .map((seen) => ({ value: seen, label: `${sayOrder(seen)}${seen === RIGHT ? ': as they should be' : ''}` }))}
      onChoose={(seen) => {
        const order = orderSeen(taken, [...seen]);
        if (order) setField(item.id, 'order', order);
      }}
    />
  );
}

/** What gives the white of lights that have a die for it. */
export function WhiteFrom({ item }: { readonly item: ItemOf<'pixel tape' | 'plain tape' | 'light'> }) {
  return (
    <Choice
      label="White comes from"
      value={item.whiteFrom ?? 'white die'}
      options={[
        { value: 'white die', label: 'its white die: a third of the current' },
        { value: 'three dice', label: 'red, green and blue mixed: as tinted as you like' },
      ]}
      onChoose={(value) => setField(item.id, 'whiteFrom', value === 'white die' ? undefined : value)}
    />
  );
}
