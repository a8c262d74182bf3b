import type { Assessment } from '../assess.ts';
import { type Finding, named } from '../items/index.ts';
import type { Rail } from '../network/index.ts';
import { bearsV } from '../parts/index.ts';
import { changeItem, itemNamed } from '../plan/index.ts';
import { listLevers, type Trouble, tabulateStates } from '../states/index.ts';
import { amps, say, volts } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';

/** A rail with two feeds, both of them there. */
interface Meeting {
  readonly rail: Rail;
  readonly item: Extract<Rail['gives'], { form: 'changeover' }>['item'];
  readonly first: Rail;
  readonly other: Rail;
}

const meetingsOf = ({ rails }: Assessment): Meeting[] =>
  rails.list.flatMap((rail): Meeting[] => {
    if (rail.gives.form !== 'changeover') return [];
    const { item } = rail.gives;
    const first = rail.fromId === null ? undefined : rails.byId.get(rail.fromId);
    const other = item.other === null ? undefined : rails.byId.get(item.other);
    return first && other && first.id !== other.id ? [{ rail, item, first, other }] : [];
  });

const isOf = <K extends Trouble['kind']>(trouble: Trouble, kind: K): trouble is Extract<Trouble, { kind: K }> =>
  trouble.kind === kind;

/** Two that give power and that some position of switches and plugs joins: once for each pair. */
export const meetRule: Rule = (input) => {
  const { design, assessment } = input;
  if (listLevers(design, assessment).length === 0) return [];
  const troubles = tabulateStates(design, assessment).states.flatMap((state) => state.troubles);
  const pairs = new Map(
    troubles.flatMap((trouble) =>
      isOf(trouble, 'meet') ? [[JSON.stringify([...trouble.ids].sort()), trouble.ids] as const] : [],
    ),
  );
  const nameOf = (id: string): string => itemNamed(design, id)?.name ?? id;
  return [...pairs.values()].map(([a, b]): Finding => {
    const joint = meetingsOf(assessment).find(
      ({ item, first, other }) =>
        item.by === 'joined' &&
        [a, b].some((id) => [first, other].some((rail) => rail.id === id || rail.sourceId === id)),
    );
    return {
      ...named('feeds-meet', a, b),
      gravity: 'stop',
      stage: 'power',
      aboutId: joint?.item.id ?? b,
      what: `${nameOf(a)} and ${nameOf(b)} can be on one rail at once`,
      why: 'The one that is higher pushes its current into the other: a pack is charged by what is no charger, or a supply is destroyed.',
      mend: 'Let a switch with two throws take one of them, or put a diode before each.',
      fixes: joint
        ? [
            {
              label: 'A switch with two throws',
              edits: changeItem(design, joint.item.id, { by: 'switch', part: 'switch-changeover-3a' }),
            },
            { label: 'A diode before each', edits: changeItem(design, joint.item.id, { by: 'diodes' }) },
          ]
        : [],
    };
  });
};

/** Two feeds of one rail must have one minus. */
export const feedsApartRule: Rule = ({ design, assessment }) =>
  meetingsOf(assessment).flatMap(({ item, first, other }): Finding[] =>
    first.minusId === other.minusId
      ? []
      : [
          {
            ...named('feeds-apart', item.id),
            gravity: 'stop',
            stage: 'power',
            aboutId: item.id,
            what: `${first.name} and ${other.name} meet at ${item.name} and do not share their minus`,
            why: 'Only the plus is led over: on the second feed no current finds its way back, and the piece stays dark.',
            mend: 'Join the two minuses.',
            fixes: [
              {
                label: 'Join the two minuses',
                edits: [first, other].flatMap(({ id }) => {
                  const giver = itemNamed(design, id);
                  return giver && 'minus' in giver && giver.minus === 'apart'
                    ? changeItem(design, id, { minus: 'joined' })
                    : [];
                }),
              },
            ],
          },
        ],
  );

/** What hangs on a rail with what it wants and bears, as far as the next converter. */
function wantsBehind({ design, assessment, library }: RuleInput, railId: string) {
  const { rails, consumers, boards } = assessment;
  const behind = new Set([railId]);
  for (const rail of rails.list)
    if (rail.fromId !== null && behind.has(rail.fromId) && rail.gives.form !== 'converter') behind.add(rail.id);
  const isBehind = (id: string | null): boolean => id !== null && behind.has(id);
  return [
    ...rails.list.flatMap(({ name, fromId, gives }) =>
      gives.form === 'converter' && gives.part && isBehind(fromId)
        ? [{ name, leastV: gives.part.inputLeastV, mostV: gives.part.inputMostV }]
        : [],
    ),
    ...boards
      .filter((board) => isBehind(board.railId))
      .map(({ name, part }) => ({ name, leastV: part.supplyLeastV, mostV: part.supplyMostV })),
    ...consumers.flatMap(({ id, name, railId: own }) => {
      const item = itemNamed(design, id);
      const part = item && 'part' in item && item.part !== null ? library.parts.get(item.part) : undefined;
      const bears = part && isBehind(own) ? bearsV(part) : null;
      return bears ? [{ name, ...bears }] : [];
    }),
  ];
}

/** What stands in for a pack must give what hangs there no more than it bears, and no less than it wants. */
export const standInVoltsRule: Rule = (input) =>
  meetingsOf(input.assessment).flatMap(({ rail, item, first, other }): Finding[] => {
    if (!other.range || !rail.range || !first.range) return [];
    const lostV = first.range.nominalV - rail.range.nominalV;
    const [leastV, mostV] = [other.range.leastV - lostV, other.range.mostV - lostV];
    const wants = wantsBehind(input, rail.id);
    const over = wants.find((each) => mostV > each.mostV * (1 + 1e-9));
    const under = wants.find((each) => leastV < each.leastV * (1 - 1e-9));
    const base = { stage: 'power', aboutId: item.id, fixes: [] } as const;
    if (over)
      return [
        {
          ...base,
          ...named('stand-in-high', item.id),
          gravity: 'stop',
          actual: { kind: 'voltageV', value: mostV },
          limit: { kind: 'voltageV', value: over.mostV },
          what: say`On ${other.name} the rail has ${volts(mostV)}; ${over.name} bears ${volts(over.mostV)}`,
          why: 'What the pack feeds is destroyed when it is plugged in.',
          mend: 'Take a supply of the pack’s own voltage, or put a converter between.',
        },
      ];
    return under
      ? [
          {
            ...base,
            ...named('stand-in-low', item.id),
            gravity: 'mend',
            actual: { kind: 'voltageV', value: leastV },
            limit: { kind: 'voltageV', value: under.leastV },
            what: say`On ${other.name} the rail has ${volts(leastV)}; ${under.name} wants ${volts(under.leastV)}`,
            why: 'It stays dark or dim while it runs from outside.',
            mend: 'Take a supply that gives as much as the pack.',
          },
        ]
      : [];
  });

/** What stands in for a pack must give what the height of the evening asks. */
export const standInWeakRule: Rule = ({ assessment }) =>
  meetingsOf(assessment).flatMap(({ item, first, other }): Finding[] => {
    const supply = assessment.supplies.find((each) => each.rail.id === first.sourceId);
    const limitA = other.gives.form === 'outside' ? other.gives.part?.limitA : undefined;
    if (!supply || limitA === undefined || !other.range || supply.atPeak.collapses) return [];
    // Behind a converter it is watts that are asked for: from another voltage other amperes.
    const askedA =
      Math.max(supply.atPeak.packA * supply.atPeak.packV, supply.atFull.packA * supply.atFull.packV) /
      other.range.nominalV;
    const lamps = Math.min(askedA, Math.max(supply.atPeak.packA, supply.atFull.packA));
    if (lamps <= limitA) return [];
    return [
      {
        ...named('stand-in-weak', item.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        actual: { kind: 'currentA', value: lamps },
        limit: { kind: 'currentA', value: limitA },
        what: say`At its height the piece asks ${other.name} for ${amps(lamps)}; it gives ${amps(limitA)}`,
        why: 'It folds back or switches off: what runs from the pack all evening is dark on the supply.',
        mend: 'Take a stronger supply, or lower the brightness.',
        fixes: [],
      },
    ];
  });

/** Two poles of one lever are one part: they break the same current. */
export const polesRule: Rule = ({ design, assessment: { rails } }) =>
  rails.list.flatMap(({ id, name, gives }): Finding[] => {
    const owner = gives.form === 'contact' ? rails.byId.get(gives.item.with ?? '') : undefined;
    if (gives.form !== 'contact' || owner?.gives.form !== 'contact') return [];
    const { part } = owner.gives.item;
    if (part === gives.item.part) return [];
    return [
      {
        ...named('poles-differ', id),
        gravity: 'mend',
        stage: 'power',
        aboutId: id,
        what: `${name} is a pole of ${owner.name}, and another kind of switch`,
        why: 'Poles that one lever moves are of one switch, and bear the same.',
        mend: 'Choose the kind that bears what each of them carries, for both.',
        fixes: [{ label: `As ${owner.name}`, edits: changeItem(design, id, { part }) }],
      },
    ];
  });
