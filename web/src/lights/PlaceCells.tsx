import { bands } from '@glimmer/core/plan';
import { Trash2 } from 'lucide-react';
import { setField } from '../items/itemActions.ts';
import { Button } from '../widgets/Button.tsx';
import { QuantityField } from '../widgets/fields.tsx';

interface PlaceCellsProps {
  readonly itemId: string;
  /** Path of the place within its item, with dots. */
  readonly field: string;
  /** What stands there. @example "Hole 3" */
  readonly name: string;
  readonly at: { readonly xMm: number; readonly yMm: number };
}

/** Two cells of a table with a place as numbers, for work without a pointer. */
export const PlaceCells = ({ itemId, field, name, at }: PlaceCellsProps) =>
  (['xMm', 'yMm'] as const).map((axis) => (
    <td key={axis} className="pr-2">
      <QuantityField
        hideLabel
        label={`${name} ${axis === 'xMm' ? 'across' : 'down'}`}
        kind="lengthMm"
        value={at[axis]}
        band={bands.placeMm}
        onCommit={(value) => setField(itemId, `${field}.${axis}`, value)}
      />
    </td>
  ));

/** The cell that takes a row away. */
export const RemoveCell = ({ name, onRemove }: { readonly name: string; readonly onRemove: () => void }) => (
  <td>
    <Button look="quiet" aria-label={`Remove ${name}`} onClick={onRemove}>
      <Trash2 size={15} />
    </Button>
  </td>
);
