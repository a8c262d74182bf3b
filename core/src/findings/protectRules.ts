import type { Assessment } from '../assess.ts';
import {
  type Finding,
  type Fix,
  named,
  type PackItem,
  sayComesBack,
  suitsCells,
  tripOf,
  tripsOnFilling,
} from '../items/index.ts';
import type { Rail } from '../network/index.ts';
import { chemistries, findPart, type Library, type PackPart } from '../parts/index.ts';
import { changeItem, type Design } from '../plan/index.ts';
import { sourceAt } from '../power/index.ts';
import { amps, quantity, say, seconds, volts } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { reservoirsUf } from './reservoirs.ts';
import { tellCarried } from './tellCarried.ts';

interface Guarded {
  readonly rail: Rail;
  readonly item: PackItem;
  readonly part: PackPart;
}

const packsOf = ({ rails }: Assessment): Guarded[] =>
  rails.list.flatMap((rail) =>
    rail.gives.form === 'cells' && rail.gives.part ? [{ rail, item: rail.gives.item, part: rail.gives.part }] : [],
  );

/** Whether all that draws from a pack hangs on converters that stop before its cells are too low. */
function stopsByConverters(rail: Rail, cutOffV: number, { rails, consumers }: Assessment): boolean {
  const stops = (id: string): boolean =>
    rails.list
      .filter((each) => each.fromId === id)
      .every((each) => {
        if (each.gives.form === 'converter') return (each.gives.part?.inputLeastV ?? 0) >= cutOffV;
        return !consumers.some(({ railId }) => railId === each.id) && stops(each.id);
      });
  return !consumers.some(({ railId }) => railId === rail.id) && stops(rail.id);
}

/** What the piece does by itself once a pack is low: another mood, or but a sign. */
function answersLow(design: Design, { sensing }: Assessment, packId: string): 'acts' | 'warns' | 'nothing' {
  const senses = sensing.flatMap((each) =>
    each.kind === 'charge' && each.pack.id === packId ? [each.control.id] : [],
  );
  const isOf = (id: string | undefined): boolean => id !== undefined && senses.includes(id);
  if (design.moods.cues.some(({ when }) => when.kind === 'low' && isOf(when.controlId))) return 'acts';
  return (design.moods.signs ?? []).some(({ controlId }) => isOf(controlId)) ? 'warns' : 'nothing';
}

const addBoard = (design: Design, library: Library, { item, part }: Guarded): readonly Fix[] => {
  const board = [...library.parts.values()].find(
    (each) => each.kind === 'protection' && each.cellsInSeries === part.cellsInSeries,
  );
  return board && part.chemistry === 'lithium-ion'
    ? [{ label: `Add: ${board.name}`, edits: changeItem(design, item.id, { protection: board.id }) }]
    : [];
};

/** A lithium pack that nothing cuts off: run below its end it is ruined, and may burn when it is charged again. */
export const cutOffRule: Rule = ({ design, assessment, library }) =>
  packsOf(assessment).flatMap((guarded): Finding[] => {
    const { rail, item, part } = guarded;
    const { canBurn, rechargeable } = chemistries[part.chemistry];
    if (!canBurn || !rechargeable || part.protected || part.chemistry === 'power bank') return [];
    if (!assessment.consumers.some(({ railId }) => assessment.rails.byId.get(railId ?? '')?.sourceId === rail.id))
      return [];
    const answer = answersLow(design, assessment, rail.id);
    if (answer === 'acts' || stopsByConverters(rail, part.cutOffV, assessment)) return [];
    return [
      {
        ...named('no-cut-off', item.id),
        gravity: answer === 'warns' ? 'mend' : 'stop',
        stage: 'power',
        aboutId: item.id,
        limit: { kind: 'voltageV', value: part.cutOffV },
        what:
          answer === 'warns'
            ? say`${item.name} has no protection, and the piece only winks when it is low`
            : say`Nothing stops the piece at the ${volts(part.cutOffV)} at which ${item.name} must rest`,
        why: 'A lithium cell that is run lower is ruined, and charged again it can burn. A lamp alone is not seen by whoever wears it.',
        mend: 'A protection board, cells with protection inside, or a charge sense with a cue to a dark mood when it is low; switch it off after the show all the same.',
        fixes: addBoard(design, library, guarded),
      },
    ];
  });

/** A protection board made for other cells. */
export const protectionSuitsRule: Rule = ({ design, assessment, library }) =>
  packsOf(assessment).flatMap((guarded): Finding[] => {
    const { item, part } = guarded;
    const board = findPart(library, 'protection', item.protection ?? null);
    if (!board || suitsCells(board, part)) return [];
    return [
      {
        ...named('protection-other', item.id),
        gravity: 'stop',
        stage: 'power',
        aboutId: item.id,
        what: `${board.name}: it is not made for ${part.name}`,
        why: 'A board for other cells, or for more or fewer of them, cuts off far too late or at once.',
        mend: 'Take the one for these cells.',
        fixes: [
          ...addBoard(design, library, guarded),
          { label: 'Leave it out', edits: changeItem(design, item.id, { protection: null }) },
        ],
      },
    ];
  });

/** A protection board that takes the filling of the reservoirs for a short circuit: the piece does not come on. */
export const fillingTripsRule: Rule = ({ assessment, library }) =>
  packsOf(assessment).flatMap(({ rail, item }): Finding[] => {
    const board = findPart(library, 'protection', item.protection ?? null);
    const supply = assessment.supplies.find((each) => each.rail.id === rail.id);
    const C = reservoirsUf(rail.id, assessment);
    if (!board || !supply || C === 0) return [];
    const { openV, ohm } = sourceAt(supply.tree.source, 1);
    const R = Math.max(0.01, ohm + (supply.tree.nodes[0]?.ohm ?? 0));
    if (!tripsOnFilling(board, { V: openV, R, C })) return [];
    return [
      {
        ...named('filling-trips', item.id),
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        actual: { kind: 'currentA', value: openV / R },
        limit: { kind: 'currentA', value: tripOf(board).shortA },
        what: say`${quantity('capacitanceUf', C)} of reservoirs on ${item.name} take up to ${amps(openV / R)} as they fill: its protection board takes that for a short circuit`,
        why: say`It lets go within ${seconds(tripOf(board).shortDelayS)}, and the piece does not come on, or only at the second try. ${sayComesBack(board)}`,
        mend: 'Smaller reservoirs, a converter before them (it starts slowly), or a resistor of a few ohms in their lead while they fill.',
        fixes: [],
      },
    ];
  });

/** A lithium pack of an energy that carriers ask about. */
export const carryRule: Rule = ({ assessment }) =>
  packsOf(assessment).flatMap(({ rail, item, part }): Finding[] => {
    const carried = assessment.standBy.find(({ supplyId }) => supplyId === rail.id);
    const told = carried && tellCarried({ name: item.name, chemistry: part.chemistry, energyWh: carried.energyWh });
    return told ? [{ ...told, ...named(told.rule, item.id), stage: 'power', aboutId: item.id, fixes: [] }] : [];
  });
