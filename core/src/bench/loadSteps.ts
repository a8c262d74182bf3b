import type { Assessment } from '../assess.ts';
import { kindOf } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import { expectBetween } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** Between idling and working hard: what a load draws is known no better. */
const RUNNING = { low: 0.3, high: 1.2 } as const;

const AMPERES = 'Meter on the 10 A range, in its plus core. Back to volts afterwards.';

/** Loads, each running alone, with what it should draw: first what is always fed, then what a program starts. */
export const loadSteps = (design: Design, assessment: Assessment): BenchStep[] => [
  ...steadySteps(design, assessment),
  ...startedSteps(assessment),
];

const steadySteps = (design: Design, { loads, consumers }: Assessment): BenchStep[] =>
  consumers.flatMap(({ id, name, railId, restA, steadyA, steadyPeakA }): BenchStep[] => {
    const item = design.items.find((each) => each.id === id);
    const isSteady =
      item !== undefined && kindOf(item.kind).role === 'load' && !loads.some(({ itemId }) => itemId === id);
    if (!isSteady || railId === null) return [];
    const [usualA, mostA] = [restA + steadyA, restA + steadyPeakA];
    return [
      step({
        id: `run:${id}`,
        chapter: 'Lights',
        title: `${name}, at work`,
        todo: 'Let it do what it does, alone.',
        probe: AMPERES,
        expect: expectBetween('currentA', usualA * RUNNING.low, mostA * RUNNING.high, usualA),
      }),
    ];
  });

const startedSteps = ({ loads, consumers }: Assessment): BenchStep[] =>
  loads.flatMap(({ itemId, name, part, mostA, transistor, wantsDiode, way }): BenchStep[] => {
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
          : part.input === 'pulses'
            ? 'Start it alone, unhindered: it goes to its other place, and back when the program lets go. One that hums at an end of its way is led too far: shorten that pulse on the Power sheet.'
            : `Start it alone: the pin at its input goes ${way.isLitLow ? 'low' : 'high'}, and it plays or runs.`,
        probe: AMPERES,
        expect: expectBetween('currentA', usualA * RUNNING.low, Math.max(mostA, usualA) * RUNNING.high, usualA),
      }),
    ];
  });
