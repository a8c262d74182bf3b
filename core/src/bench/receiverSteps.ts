import type { Assessment } from '../assess.ts';
import { findPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { mm, say } from '../units/index.ts';
import { type BenchStep, step } from './step.ts';

const PRESSES = 10;

/** How far a transmitter works a receiver follows no law: it is walked. */
export const rangeSteps = (design: Design, { library }: Assessment): BenchStep[] =>
  design.items.flatMap((item): BenchStep[] => {
    const part = 'rangeMm' in item ? findPart(library, 'receiver', item.part) : undefined;
    if (!part || !('rangeMm' in item)) return [];
    return [
      step({
        id: `range:${item.id}`,
        chapter: 'Closing',
        title: `Walk the range of ${item.name}`,
        todo: say`Piece closed and worn, pack half empty. From ${mm(item.rangeMm)} press ${PRESSES} times, with a body between for half of them${part.carrier === 'infrared' ? ', and from the sides' : ''}. Nearer at first, if it hears nothing.`,
        probe: 'Count how often it answered.',
        expect: { kind: 'count', likely: PRESSES, low: PRESSES - 1, high: PRESSES },
      }),
    ];
  });
