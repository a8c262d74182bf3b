import type { SupplyAssessment } from '../assess.ts';
import { type Finding, type Fix, kindOf, named, type PackItem } from '../items/index.ts';
import { chemistries, switches } from '../parts/index.ts';
import { changeItem } from '../plan/index.ts';
import { fuseMostTimes } from '../power/index.ts';
import { amps, type Message, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { guardedBy, shortA, suitFuse } from './fuses.ts';
import { fuseStep, spare } from './margins.ts';

const isBurning = (item: PackItem, supply: SupplyAssessment): boolean => {
  const part = supply.rail.gives.form === 'cells' ? supply.rail.gives.part : null;
  return item.id === supply.rail.id && part !== null && chemistries[part.chemistry].canBurn;
};

/** A source whose short gives less than this can't heat a thin wire: it limits itself. */
const HARMLESS_SHORT_A = 1;

/** A pack whose lead is judged by its fuse. */
interface Fused {
  readonly item: PackItem;
  readonly supply: SupplyAssessment;
  readonly burns: boolean;
  readonly bestA: number | null;
  readonly shortA: number;
  readonly fit: readonly Fix[];
}

function noFuse({ item, burns, bestA, shortA: short, fit }: Fused): Finding[] {
  if (short < HARMLESS_SHORT_A && !burns) return [];
  return [
    {
      stage: 'power',
      aboutId: item.id,
      ...named('no-fuse', item.id),
      gravity: burns ? 'stop' : 'mend',
      what: `No fuse in the lead of ${item.name}`,
      why: burns
        ? 'A pinched lead turns the cell’s whole energy to heat in seconds, and a lithium cell can burn.'
        : say`A pinched lead takes up to ${amps(short)} from it: wire and switch get hot enough to burn.`,
      mend: say`Fit a fuse close to the pack${bestA === null ? '' : say`: ${amps(bestA)} suits`}.`,
      fixes: fit,
    },
  ];
}

function neverBlows({ item, burns, bestA, shortA: short, fit }: Fused, fuseA: number, leaveOut: Fix): Finding {
  return {
    stage: 'power',
    aboutId: item.id,
    ...named('fuse-never', item.id),
    gravity: 'mend',
    actual: { kind: 'currentA', value: fuseA },
    limit: { kind: 'currentA', value: short / 2 },
    what: say`The fuse of ${amps(fuseA)} never blows: ${item.name} gives ${amps(short)} into a short`,
    why: 'A fuse wants about twice its rating to blow in seconds; these cells limit themselves below that.',
    mend: bestA === null ? 'Leave it out: a short only drains them.' : say`Fit ${amps(bestA)}, or leave it out.`,
    fixes: burns ? fit : [...fit, leaveOut],
  };
}

function largeFuse({ item, supply, bestA, fit }: Fused, fuseA: number): Finding[] {
  const [worst] = guardedBy(supply)
    .filter((link) => fuseA > link.limitA * (1 + 1e-9))
    .sort((a, b) => a.limitA - b.limitA);
  const packA = supply.mostA;
  const isLarge =
    Number.isFinite(packA) && packA > 0 && fuseA > fuseMostTimes * packA * fuseStep && bestA !== null && bestA < fuseA;
  if (!worst && !isLarge) return [];
  return [
    {
      stage: 'power',
      aboutId: item.id,
      ...named('fuse-large', item.id),
      gravity: worst ? 'stop' : 'mend',
      actual: { kind: 'currentA', value: fuseA },
      limit: { kind: 'currentA', value: worst?.limitA ?? fuseMostTimes * packA },
      what: worst
        ? say`The fuse of ${amps(fuseA)} guards too little: ${worst.name} bears ${amps(worst.limitA)}`
        : say`The fuse of ${amps(fuseA)} guards too little`,
      why: worst
        ? 'What is behind it burns before the fuse does.'
        : say`At peak ${amps(packA)} flow; a fuse should be 1.25 to 2 times that.`,
      mend: bestA === null ? 'Take a smaller fuse, or stronger parts behind it.' : say`Fit ${amps(bestA)}.`,
      fixes: fit,
    },
  ];
}

/** Fuse of every pack: there, and of the right size. */
export const fuseRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'cells') return [];
    const { item } = gives;
    const [bestA, short] = [suitFuse(supply), shortA(supply)];
    const set = (label: Message, fuseA: number | null): Fix => ({
      label,
      edits: changeItem(design, item.id, { fuseA }),
    });
    const fits = bestA !== null && bestA !== item.fuseA && bestA <= short / 2;
    const fused: Fused = {
      item,
      supply,
      burns: isBurning(item, supply),
      bestA,
      shortA: short,
      fit: fits ? [set(say`Fit ${amps(bestA)}`, bestA)] : [],
    };
    if (item.fuseA === null) return noFuse(fused);
    if (item.fuseA > short / 2) return [neverBlows(fused, item.fuseA, set('Leave it out', null))];
    return largeFuse(fused, item.fuseA);
  });

/** Every pack wants a way to be cut off. */
export const switchRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'cells') return [];
    const { item } = gives;
    const behind = assessment.rails.list.filter((rail) => rail.sourceId === item.id);
    if (behind.some((rail) => rail.gives.form === 'contact')) return [];
    const drawn = assessment.consumers.filter((each) => behind.some((rail) => rail.id === each.railId));
    if (drawn.length === 0) return [];
    const packA = Number.isFinite(supply.mostA) ? supply.mostA : 0;
    const enough = switches.find(
      (part) => part.limitA >= packA * spare && !part.momentary && part.magnetic === undefined,
    );
    const id = design.items.some((each) => each.id === 'switch') ? `switch-of-${item.id}`.slice(0, 40) : 'switch';
    return [
      {
        ...named('no-switch', item.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        what: `No switch in the lead of ${item.name}`,
        why:
          design.piece.carriedBy === 'nobody'
            ? 'What hangs on it draws for as long as there is charge, and there is no quick way to cut the power.'
            : 'What hangs on it draws all night; in an emergency there is no quick way for the wearer to cut the power.',
        mend:
          design.piece.carriedBy === 'nobody'
            ? 'Put a switch where a hand reaches it.'
            : 'Put a switch where the wearer reaches it.',
        fixes:
          enough && assessment.supplies.length === 1
            ? [
                {
                  label: `Add: ${enough.name}`,
                  edits: [
                    ...design.items.flatMap((each) =>
                      'feed' in each && each.feed === item.id ? changeItem(design, each.id, { feed: id }) : [],
                    ),
                    { kind: 'add item', item: kindOf('switch').create({ id, name: 'Switch', at: item.at }) },
                    { kind: 'item', id, fields: { part: enough.id, feed: item.id } },
                  ],
                },
              ]
            : [],
      },
    ];
  });
