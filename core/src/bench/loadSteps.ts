import type { Assessment } from '../assess.ts';
import { expectBetween } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** Between idling and working hard: what a load draws is known no better. */
const RUNNING = { low: 0.3, high: 1.2 } as const;

/** Loads that a program runs: each started alone, with what it should draw. */
export const loadSteps = ({ loads, consumers }: Assessment): BenchStep[] =>
  loads.flatMap(({ itemId, name, mostA, transistor, wantsDiode, way }): BenchStep[] => {
    const consumer = consumers.find(({ id }) => id === itemId);
    if (!consumer) return [];
    const usualA = consumer.restA + consumer.fullA - (consumer.byBoard?.fullA ?? 0);
    return [
      step({
        id: `run:${itemId}`,
        chapter: 'Lights',
        title: `${name}, started by the program`,
        todo: transistor
          ? `Start it alone: it runs, and stops when the program lets go.${wantsDiode ? ' The diode lies across it, its ringed end at plus: the other way round it shorts the supply.' : ''}`
          : `Start it alone: the pin at its input goes ${way.isLitLow ? 'low' : 'high'}, and it plays or runs.`,
        probe: 'Meter on the 10 A range, in its plus core. Back to volts afterwards.',
        expect: expectBetween('currentA', usualA * RUNNING.low, Math.max(mostA, usualA) * RUNNING.high, usualA),
      }),
    ];
  });
