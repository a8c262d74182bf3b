import { bands } from '@glimmer/core/plan';
import { QuantityField } from '../widgets/fields.tsx';

/** How far in front of the lights the sheet is that spreads them; empty where they are bare. */
export function DiffuserField({
  value,
  onSet,
}: {
  readonly value: number | undefined;
  readonly onSet: (value: number | undefined) => void;
}) {
  return (
    <QuantityField
      label="Diffuser in front, at"
      kind="lengthMm"
      value={value ?? null}
      band={bands.diffuserMm}
      placeholder="bare"
      onCommit={onSet}
      onClear={() => onSet(undefined)}
    />
  );
}
