import { LEAST_HEAD_ROOM_V } from '../drive/index.ts';
import { type Edit, type Finding, named } from '../items/index.ts';
import type { Driven } from '../network/index.ts';
import { changeItem, type Design } from '../plan/index.ts';
import { amps, ohms, roughPercent, say, volts, watts } from '../units/index.ts';
import { addBoost } from './addBoost.ts';
import type { Rule } from './finding.ts';
import { SPENT_HEAD_ROOM_V } from './margins.ts';
import { singleLights } from './singleLights.ts';
import { shortenString } from './stringRules.ts';

/** Gives the resistor back to the app; of a many-coloured light those of all its dice. */
const takeReckoned = (design: Design, { itemId, die }: Driven): readonly Edit[] =>
  changeItem(design, itemId, die === null ? { resistorOhm: null } : { dieResistorsOhm: undefined });

/** Dice of one light have each a resistor, and so findings, of their own. */
const dieOf = ({ die }: Driven): string[] => (die === null ? [] : [die]);

const wattages = [0.125, 0.25, 0.5, 1, 2, 5];

/** What leaves headroom for a group: told of the voltage that its loop works against. */
function describeHeadRoom(
  driven: Driven,
  headRoomV: number,
  leastHeadRoomV: number,
): Pick<Finding, 'gravity' | 'what'> {
  const { inSeries } = driven.hung;
  const drop = volts(driven.forwardV.likely * inSeries);
  const from = say`${volts(driven.feed.nominalV)} feeds ${inSeries > 1 ? say`${inSeries} lights of ${drop} together` : say`a drop of ${drop}`}`;
  if (headRoomV <= 0) return { gravity: 'stop', what: say`${driven.name} has no head-room: ${from}` };
  if (headRoomV < LEAST_HEAD_ROOM_V)
    return { gravity: 'mend', what: say`${driven.name} has only ${volts(headRoomV)} of head-room: ${from}` };
  return {
    gravity: 'mend',
    what: say`${driven.name} fades with the pack: at ${volts(driven.feed.leastV)} ${leastHeadRoomV <= 0 ? 'no' : say`only ${volts(leastHeadRoomV)} of`} head-room is left`,
  };
}

/** Too little voltage left over for the resistor to do its work, now or when the pack is spent. */
export const headRoomRule: Rule = (input) =>
  input.assessment.driven.flatMap((driven): Finding[] => {
    const { resistor } = driven;
    if (!resistor) return [];
    const { headRoomV, leastHeadRoomV } = resistor;
    if (headRoomV >= LEAST_HEAD_ROOM_V && leastHeadRoomV >= SPENT_HEAD_ROOM_V) return [];
    const shorter = shortenString(input, driven);
    return [
      {
        ...named('head-room', driven.itemId, ...dieOf(driven)),
        stage: 'drive',
        aboutId: driven.itemId,
        ...describeHeadRoom(driven, headRoomV, leastHeadRoomV),
        actual: { kind: 'voltageV', value: Math.min(headRoomV, leastHeadRoomV) },
        limit: { kind: 'voltageV', value: headRoomV < LEAST_HEAD_ROOM_V ? LEAST_HEAD_ROOM_V : SPENT_HEAD_ROOM_V },
        why: 'With little head-room a small change of the pack makes a large change of the light, and none at all means dark.',
        mend: shorter
          ? say`Take ${shorter.inSeries} in a string, or feed it from a higher rail.`
          : 'Feed it from a higher rail (a boost converter), or take a light with a lower drop.',
        fixes: [...(shorter ? [shorter.fix] : []), ...addBoost(input)],
      },
    ];
  });

/** A resistor that lets the light go over its rating in the brightest corner. */
export const overRatingRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const { resistor, corners } = driven;
    if (corners.brightestA <= driven.ratedCurrentA * (1 + 1e-9) || !singleLights(assessment, driven.itemId)) return [];
    return [
      {
        ...named('over-rating', driven.itemId, ...dieOf(driven)),
        gravity: 'stop',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: corners.brightestA },
        limit: { kind: 'currentA', value: driven.ratedCurrentA },
        what: say`${driven.name} may take ${amps(corners.brightestA)} and ${driven.scan ? `bears, for one turn of ${driven.scan.layout.turns},` : 'is rated for'} ${amps(driven.ratedCurrentA)}`,
        why: resistor
          ? say`${ohms(resistor.resistorOhm)} is too little at a full supply with a light of low drop and a resistor at the low end of its tolerance.`
          : 'What holds its current is set to more than the light bears.',
        mend: resistor
          ? say`Take the reckoned resistor; the exact one is ${ohms(resistor.exactOhm)}.`
          : 'Set the driver to less, or take a stronger light.',
        fixes: resistor?.overruled
          ? [{ label: 'Take the reckoned resistor', edits: takeReckoned(design, driven) }]
          : [],
      },
    ];
  });

/** From here on a resistor gives so little of what is wanted that it was hardly meant. */
const FAR_SHARE = 0.5;

/** A resistor of the maker's own that is far from the wish: by decades, or by the drop that was left out of the sum. */
export const farResistorRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const { resistor, corners } = driven;
    const item = singleLights(assessment, driven.itemId);
    if (!resistor?.overruled || !item) return [];
    const share = corners.currentA / item.wantedCurrentA;
    if (share >= FAR_SHARE) return [];
    const withoutDrop = driven.feed.nominalV / item.wantedCurrentA;
    const isWithoutDrop = Math.abs(Math.log(resistor.resistorOhm / withoutDrop)) < Math.log(1.25);
    const decades = Math.round(Math.log10(resistor.resistorOhm / Math.max(1, resistor.exactOhm)));
    return [
      {
        ...named('resistor-far', driven.itemId, ...dieOf(driven)),
        gravity: 'mend',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: corners.currentA },
        limit: { kind: 'currentA', value: item.wantedCurrentA },
        what: say`${ohms(resistor.resistorOhm)} gives ${driven.name} ${amps(corners.currentA)}: ${roughPercent(share)} of the ${amps(item.wantedCurrentA)} wanted`,
        why: isWithoutDrop
          ? 'It is what supply ÷ current gives: the light’s own drop was left out of the sum. It still glows, so nobody notices.'
          : decades > 0
            ? `It is ${10 ** decades} times what is needed: a decade or more out, or kΩ where Ω was meant.`
            : 'It was reckoned for another supply, or for another light.',
        mend: say`The exact one is ${ohms(resistor.exactOhm)}; take the reckoned resistor, or wish for less.`,
        fixes: [{ label: 'Take the reckoned resistor', edits: takeReckoned(design, driven) }],
      },
    ];
  });

/** Half its rating is the most a resistor should turn to heat in a closed piece. */
export const resistorPowerRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const item = singleLights(assessment, driven.itemId);
    const { resistor } = driven;
    if (!item || !resistor || resistor.heatW <= item.resistorRatedW / 2) return [];
    const enough = wattages.find((rated) => resistor.heatW <= rated / 2);
    return [
      {
        ...named('resistor-power', driven.itemId, ...dieOf(driven)),
        // Beyond its rating it burns; below it marks what it touches.
        gravity: resistor.heatW > item.resistorRatedW ? 'stop' : 'mend',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'powerW', value: resistor.heatW },
        limit: { kind: 'powerW', value: item.resistorRatedW / 2 },
        what: say`The resistor of ${driven.name} turns ${watts(resistor.heatW)} to heat and is rated ${watts(item.resistorRatedW)}`,
        why: 'In a closed prop a resistor should carry at most half of its rating: it gets hot enough to mark skin, foam and prints.',
        mend: enough
          ? say`Take one rated ${watts(enough)}.`
          : 'Spread the heat over several resistors, or lower the current.',
        fixes: enough
          ? [
              {
                label: say`Take ${watts(enough)}`,
                edits: changeItem(design, driven.itemId, { resistorRatedW: enough }),
              },
            ]
          : [],
      },
    ];
  });
