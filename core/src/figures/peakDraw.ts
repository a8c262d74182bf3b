import { type Assessment, fullOf } from '../assess.ts';
import { boostInput, efficiencyAt, isLinear } from '../items/index.ts';
import { amps, fillSum, percent, type Sum, say, volts } from '../units/index.ts';
import type { Figure } from './figure.ts';
import { waiting } from './needs.ts';
import { onRails } from './onRails.ts';
import { withSpread } from './spread.ts';

const TITLE = 'Peak draw';

/** A difference that rounding would hide. */
const LEAST_SHOWN_A = 0.0005;

/** What the converter behind the main rail takes in for the height. */
function inputSums({ supply }: Assessment): Sum[] {
  if (!supply || supply.atPeak.collapses) return [];
  return supply.tree.nodes.flatMap((node, i) => {
    const state = supply.atPeak.nodes[i];
    if (!node.converter || isLinear(node.converter) || !state || state.outA <= 0) return [];
    const n = efficiencyAt(node.converter, state.outA, state.inV);
    return [fillSum(boostInput, { Vo: state.outV, Io: state.outA, n, Vi: state.inV })];
  });
}

/** What all draws on the rails at the height of the hungriest mood. */
export function peakDraw(assessment: Assessment): Figure {
  const open = waiting(assessment, TITLE, 'current');
  if (open) return open;
  const { peakA, supply } = assessment;
  const most = assessment.moods.reduce<Assessment['moods'][number] | undefined>(
    (best, mood) => (!best || mood.peakA > best.peakA ? mood : best),
    undefined,
  );
  const baseOf = (consumer: Assessment['consumers'][number]): number => consumer.restA + consumer.steadyPeakA;
  const lines = assessment.consumers.map((consumer) => ({
    label: consumer.name,
    value: amps(
      most
        ? (most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? baseOf(consumer))
        : baseOf(consumer) + fullOf(consumer, 'peak'),
    ),
  }));
  const apartA = most
    ? assessment.consumers.reduce(
        (sum, consumer) =>
          sum + (most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? baseOf(consumer)),
        -most.peakA,
      )
    : 0;
  const over = assessment.moods
    .flatMap((mood) => mood.underSigns.map((sign) => ({ mood, sign })))
    .reduce<{ mood: Assessment['moods'][number]; sign: Assessment['moods'][number]['underSigns'][number] } | null>(
      (best, each) => (!best || each.sign.peakA > best.sign.peakA ? each : best),
      null,
    );
  const further = [
    ...(apartA > LEAST_SHOWN_A ? [{ label: 'Never reached together', value: amps(-apartA) }] : []),
    ...(most && over && over.sign.peakA > most.peakA + LEAST_SHOWN_A
      ? [
          {
            label: `The sign ${over.sign.name} in the place of what it covers in ${over.mood.name}`,
            value: amps(over.sign.peakA),
          },
        ]
      : []),
  ];
  return {
    title: TITLE,
    likely: peakA,
    cautious: withSpread(assessment, peakA),
    needs: [],
    answer: amps(peakA),
    lead: most
      ? say`When every light group of ${most.name} is at its height at once, at ${percent(most.brightness)} brightness: ${onRails(assessment)}. With all lights at full it would be ${amps(assessment.allWhiteA)}.`
      : say`With every light at full, as there is no mood yet: ${onRails(assessment)}.`,
    lines: [...lines, ...further],
    sums: inputSums(assessment),
    doubt: supply
      ? supply.atPeak.collapses
        ? 'Near its end the pack can’t give this: the voltage collapses.'
        : say`Near its end the pack gives ${amps(supply.atPeak.packA)} at ${volts(supply.atPeak.packV)} for it.`
      : null,
  };
}
