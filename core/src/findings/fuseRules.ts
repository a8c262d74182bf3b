import type { SupplyAssessment } from '../assess.ts';
import { type Finding, type Fix, kindOf, named, type PackItem, type Told } from '../items/index.ts';
import { chemistries, switches } from '../parts/index.ts';
import { changeItem, type Design } from '../plan/index.ts';
import { amps, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { type LeadToFuse, leadOf, suitFuse } from './fuses.ts';
import { spare } from './margins.ts';
import { tellFuse } from './tellFuse.ts';

const isBurning = (item: PackItem, supply: SupplyAssessment): boolean => {
  const part = supply.rail.gives.form === 'cells' ? supply.rail.gives.part : null;
  return item.id === supply.rail.id && part !== null && chemistries[part.chemistry].canBurn;
};

/** What is told of a fuse in a plan: the one that would suit is offered, before what else would mend it. */
function aboutFuse(
  design: Design,
  { id, fuseA }: { readonly id: string; readonly fuseA: number | null },
  told: Told,
  lead: LeadToFuse,
  others: readonly Fix[] = [],
): Finding {
  const bestA = suitFuse(lead);
  const fit: Fix[] =
    bestA === null || bestA === fuseA
      ? []
      : [{ label: say`Fit ${amps(bestA)}`, edits: changeItem(design, id, { fuseA: bestA }) }];
  return { stage: 'power', aboutId: id, ...told, ...named(told.rule, id), fixes: [...fit, ...others] };
}

/** Fuse of every pack: there, and of the right size. */
export const fuseRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'cells') return [];
    const { item } = gives;
    const burns = isBurning(item, supply);
    const lead = leadOf(supply, assessment);
    const told = tellFuse({ ...lead, name: item.name, fuseA: item.fuseA, burns });
    if (!told) return [];
    const leaveOut: Fix = { label: 'Leave it out', edits: changeItem(design, item.id, { fuseA: null }) };
    return [aboutFuse(design, item, told, lead, told.rule === 'fuse-never' && !burns ? [leaveOut] : [])];
  });

/** A fuse behind a supply from outside: that limits itself, so that only what bears less than both is told of. */
export const outsideFuseRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'outside' || !gives.part || gives.item.fuseA === null) return [];
    const { item, part } = gives;
    const lead = leadOf(supply, assessment);
    const guarded = lead.guarded.filter(({ limitA }) => limitA < part.limitA);
    const told = tellFuse({
      ...lead,
      guarded,
      shortA: Number.POSITIVE_INFINITY,
      name: item.name,
      fuseA: item.fuseA,
      burns: false,
    });
    if (told?.gravity !== 'stop') return [];
    return [aboutFuse(design, item, told, lead)];
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
