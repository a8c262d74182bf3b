import { type AlikeStrings, shiftCurve, solveSideBySide } from '../circuit/index.ts';
import { LEAST_HEAD_ROOM_V } from '../drive/index.ts';
import { type Finding, type Fix, named } from '../items/index.ts';
import {
  channelsApart,
  type Driven,
  hungOf,
  isEven,
  listStringOptions,
  loopCurrentA,
  spreadOverChannels,
} from '../network/index.ts';
import { changeItem } from '../plan/index.ts';
import { amps, say, volts } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';
import { SPENT_HEAD_ROOM_V } from './margins.ts';
import { singleLights } from './singleLights.ts';
import { tellFading } from './tellFading.ts';

/** The longest string of the group that stays steady, where it has longer ones. */
export function shortenString(
  { design, assessment }: RuleInput,
  driven: Driven,
): { inSeries: number; fix: Fix } | null {
  const item = singleLights(assessment, driven.itemId);
  if (!item || driven.hung.inSeries === 1) return null;
  const best = listStringOptions(driven, item).findLast(
    (each) => each.isSteady && each.inSeries < driven.hung.inSeries,
  );
  if (!best) return null;
  const { inSeries } = best;
  const edits = changeItem(design, item.id, { inSeries: inSeries === 1 ? undefined : inSeries, sideBySide: undefined });
  return { inSeries, fix: { label: inSeries === 1 ? 'Each by itself' : `${inSeries} in a string`, edits } };
}

/** A string that leaves its resistor enough while the pack is fresh and fades to less than half as it is spent. */
export const fadingStringRule: Rule = (input) =>
  input.assessment.driven.flatMap((driven): Finding[] => {
    const { itemId, name, resistor, feed, hung, loop, loopsOnChannel } = driven;
    if (!resistor) return [];
    // Too little head-room is told of by its own rule.
    if (resistor.headRoomV < LEAST_HEAD_ROOM_V || resistor.leastHeadRoomV < SPENT_HEAD_ROOM_V) return [];
    const shorter = shortenString(input, driven);
    const told = tellFading({
      name,
      inSeries: hung.inSeries,
      nominalV: feed.nominalV,
      currentA: resistor.currentA,
      spentV: feed.leastV,
      spentA: loopCurrentA(loop, Math.max(...loopsOnChannel), feed.leastV),
      shorter: shorter?.inSeries ?? null,
    });
    return told
      ? [
          {
            ...told,
            ...named(told.rule, itemId, ...(driven.die === null ? [] : [driven.die])),
            stage: 'drive',
            aboutId: itemId,
            fixes: shorter ? [shorter.fix] : [],
          },
        ]
      : [];
  });

/** Lights that make no whole strings: a shorter one on the same resistor would take far more than the others. */
export const unevenStringRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'lights' || group.part.dice) return [];
    const [first] = assessment.switched.get(group.id) ?? [];
    if (!first || first.way.id === 'driver') return [];
    const hung = hungOf(group);
    const onChannel = spreadOverChannels(group.places.length, channelsApart(first.way, group.group.channels));
    if (group.places.length === 0 || isEven(onChannel, hung)) return [];
    const channels = onChannel.length;
    const step = hung.inSeries * hung.sideBySide * channels;
    const fewer = Math.floor(group.places.length / step) * step;
    return [
      {
        ...named('strings-uneven', group.id),
        gravity: 'stop',
        stage: 'lights',
        aboutId: group.id,
        actual: { kind: 'count', value: group.places.length },
        limit: { kind: 'count', value: fewer + step },
        what: `${group.name}: ${group.places.length} lights${channels > 1 ? ` on ${channels} channels` : ''} do not make whole strings of ${hung.inSeries}${hung.sideBySide > 1 ? `, ${hung.sideBySide} on each resistor` : ''}`,
        why: 'A shorter string on the same resistor takes far more current than the others, so nothing is reckoned for this group.',
        mend: `Take ${fewer > 0 ? `${fewer} or ` : ''}${fewer + step} lights, or put what is left over into a group of its own.`,
        fixes: [
          {
            label: 'Each by itself',
            edits: changeItem(design, group.id, { inSeries: undefined, sideBySide: undefined }),
          },
        ],
      },
    ];
  });

/** Strings on one resistor: what their spread makes of it, and what becomes of the rest where one opens. */
export const sharedResistorRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const { resistor, hung, forwardV, corners } = driven;
    const item = singleLights(assessment, driven.itemId);
    if (!resistor || !item || hung.sideBySide === 1) return [];
    const shares = spreadOnOneResistor(driven, resistor.resistorOhm);
    const [lowest = 0] = shares.together;
    const [highest = 0] = shares.together.slice(-1);
    const isGentle = item.wantedCurrentA <= driven.ratedCurrentA / 2 && corners.brightestA <= driven.ratedCurrentA;
    return [
      {
        ...named('shared-resistor', driven.itemId),
        gravity: isGentle ? 'mind' : 'mend',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: Math.max(lowest, shares.firstOpen) },
        limit: { kind: 'currentA', value: driven.ratedCurrentA },
        what: say`${hung.sideBySide} ${hung.inSeries > 1 ? 'strings' : 'lights'} of ${driven.name} share a resistor: with drops ${volts(forwardV.spread * hung.inSeries)} apart one takes ${amps(lowest)}, another ${amps(highest)}`,
        why: say`The lowest drop takes the most. Where that one opens, the next takes ${amps(shares.firstOpen)}, and so on: each that fails pushes the rest harder, up to ${amps(shares.last)} through the last.`,
        mend: isGentle
          ? 'Sound for one batch that is gently lit and can bear the loss of one. Measure the drops and put together those that are alike; else a resistor each.'
          : say`A resistor each. To share one, keep to half of ${amps(driven.ratedCurrentA)} and take lights of one batch.`,
        fixes: isGentle
          ? []
          : [{ label: 'A resistor each', edits: changeItem(design, driven.itemId, { sideBySide: undefined }) }],
      },
    ];
  });

/** Currents on one resistor with the drops of a batch: all together, the highest where the lowest is open, and the last alone. */
function spreadOnOneResistor(
  { hung, loop, feed, forwardV }: Driven,
  resistorOhm: number,
): { readonly together: readonly number[]; readonly firstOpen: number; readonly last: number } {
  const { inSeries, sideBySide } = hung;
  const sort = (shiftV: number, strings: number) => ({
    curve: shiftCurve(loop.curve, shiftV),
    count: inSeries,
    strings,
  });
  const solve = (sorts: readonly AlikeStrings[]): readonly number[] =>
    solveSideBySide({
      supplyV: feed.nominalV,
      resistanceOhm: resistorOhm + feed.seriesOhm / sideBySide,
      sorts: sorts.filter((each) => each.strings > 0),
      switchDropV: feed.dropV,
    });
  const others = [sort(0, sideBySide - 2), sort(forwardV.spread, 1)];
  return {
    together: solve([sort(-forwardV.spread, 1), ...others]),
    firstOpen: solve(others)[0] ?? 0,
    last: solve([sort(0, 1)])[0] ?? 0,
  };
}
