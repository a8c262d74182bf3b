import type { Stage } from '@glimmer/core/items';
import { StepForward } from 'lucide-react';
import { clock, useClock } from '../state/clock.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice } from '../widgets/fields.tsx';

const STEP_MS = 40;

const speeds = [
  { value: '0.25', label: '0.25 × speed' },
  { value: '0.5', label: '0.5 × speed' },
  { value: '1', label: 'true speed' },
  { value: '2', label: '2 × speed' },
  { value: '4', label: '4 × speed' },
];

/** Step by step, slower or faster; a speed that is not the true one is in sight wherever the picture runs at it. */
export function Pace({ stage }: { readonly stage: Stage }) {
  const speed = useClock((state) => state.speed);
  if (stage !== 'moods' && speed === 1) return null;
  return (
    <>
      <Button look="quiet" onClick={() => clock.step(STEP_MS)} data-tip={`On by ${STEP_MS} ms`}>
        <StepForward size={16} />
        Step
      </Button>
      <Choice
        inline
        label="Speed of the moods"
        value={String(speed)}
        options={speeds}
        onChoose={(value) => clock.runAt(Number(value))}
      />
    </>
  );
}
