import type { Stage } from '@glimmer/core/items';
import { lamp, useLamp } from '../state/lamp.ts';
import { Choice } from '../widgets/fields.tsx';

const onlookers = [
  { value: 'near', label: 'to the eye', from: 'near', shutterS: null },
  { value: 'far', label: 'from 15 m', from: 'back row', shutterS: null },
  { value: '50', label: 'camera, 1/50 s', from: 'near', shutterS: 1 / 50 },
  { value: '250', label: 'camera, 1/250 s', from: 'near', shutterS: 1 / 250 },
  { value: '1000', label: 'camera, 1/1000 s', from: 'near', shutterS: 1 / 1000 },
] as const;

/** Who looks at the piece; another than the eye nearby is in sight wherever it holds. */
export function OnlookerChoice({ stage }: { readonly stage: Stage }) {
  const onlooker = useLamp((state) => state.onlooker);
  const chosen = onlookers.find((each) => each.from === onlooker.from && each.shutterS === onlooker.shutterS);
  const value = chosen?.value ?? 'near';
  if (stage !== 'moods' && value === 'near') return null;
  return (
    <Choice
      inline
      label="Who looks on"
      value={value}
      options={onlookers}
      onChoose={(next) => {
        const found = onlookers.find((each) => each.value === next);
        if (found) lamp.lookAs({ from: found.from, shutterS: found.shutterS });
      }}
    />
  );
}
