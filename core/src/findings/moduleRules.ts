import { solveString } from '../circuit/index.ts';
import { type Finding, named } from '../items/index.ts';
import { changeItem } from '../plan/index.ts';
import { amps, ohms, roughPercent, say, volts } from '../units/index.ts';
import type { Rule } from './finding.ts';

/** Of the current that its own supply gives it, below which a module has been put on the wrong one. */
const DIM_SHARE = 0.4;

/** A light with its resistor inside, with a second one before it, or on a supply that it was not made for. */
export const moduleRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'lights') return [];
    const { madeForV, insideOhm } = group.part;
    const driven = assessment.driven.find((each) => each.itemId === group.id);
    if (madeForV === undefined || insideOhm === undefined || !driven || driven.loop.heldA !== null) return [];
    const about = { stage: 'drive', aboutId: group.id } as const;
    if (driven.resistor)
      return [
        {
          ...named('double-resistor', group.id),
          ...about,
          gravity: 'mend',
          actual: { kind: 'resistanceOhm', value: driven.resistor.resistorOhm },
          what: say`${group.name} has ${ohms(insideOhm)} inside, and ${ohms(driven.resistor.resistorOhm)} stand before it besides`,
          why: say`Together they leave it ${amps(driven.corners.currentA)}. One of them is enough where the supply is what it was made for.`,
          mend: say`Leave yours out on ${volts(madeForV)}; on a higher supply take the light that was made for it.`,
          fixes: [{ label: 'Leave mine out', edits: changeItem(design, group.id, { resistorOhm: null }) }],
        },
      ];
    const usualA = solveString({ supplyV: madeForV, resistanceOhm: 0, curve: driven.loop.curve });
    const share = driven.corners.currentA / usualA;
    if (share >= DIM_SHARE) return [];
    return [
      {
        ...named('module-dim', group.id),
        ...about,
        gravity: 'mend',
        actual: { kind: 'voltageV', value: driven.feed.nominalV },
        limit: { kind: 'voltageV', value: madeForV },
        what: say`${group.name} is made for ${volts(madeForV)} and gets ${volts(driven.feed.nominalV)}: ${roughPercent(share)} of its current`,
        why: 'Its resistor inside was chosen for the higher voltage and cannot be changed.',
        mend: say`Feed it from ${volts(madeForV)}, or take a light without a resistor inside.`,
        fixes: [],
      },
    ];
  });
