import { assess, eveningWithSpares } from '../assess.ts';
import { type Finding, type Fix, named } from '../items/index.ts';
import type { Library, PackPart } from '../parts/index.ts';
import { applyEdits, changeItem, type Design, editMood } from '../plan/index.ts';
import { describeEnd } from '../power/index.ts';
import { hours, roughPercent, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { dimTries, leastDimmed } from './margins.ts';
import { starvesBoard } from './starvesBoard.ts';
import { tellStart } from './tellStart.ts';

/** A start that pulls the supply down: a motor, a servo, a sound. */
export const startRule: Rule = ({ assessment }) =>
  assessment.supplies.flatMap(({ atStart, atPeak, tree, links, rail }): Finding[] => {
    if (!atStart) return [];
    const railV = (node: number): number => atStart.nodes[node]?.outV ?? 0;
    // One that has too little without it is told of by what is there all the time.
    const holds = (node: number, leastV: number): boolean => (atPeak.nodes[node]?.outV ?? 0) >= leastV;
    const low = tree.nodes.findIndex(
      ({ brownOutV }, i) => brownOutV > 0 && railV(i) < brownOutV && holds(i, brownOutV),
    );
    const told = tellStart({
      name: rail.name,
      askedA: atStart.packA,
      limitA: links.find((link) => link.id === 'cell')?.limitA ?? null,
      controller: low < 0 ? null : { railV: railV(low), resetsBelowV: tree.nodes[low]?.brownOutV ?? 0 },
    });
    return told ? [{ ...told, ...named(told.rule, rail.id), stage: 'power', aboutId: rail.id, fixes: [] }] : [];
  });

/** Dims every mood until the night is long enough: what a converter and the cells lose of themselves asks for a little more. */
function dimUntilEnough(design: Design, library: Library, first: number): Fix | null {
  if (design.moods.list.length === 0 || first >= 1) return null;
  for (const factor of dimTries.map((each) => first * each).filter((each) => each > leastDimmed)) {
    const edits = design.moods.list.map(({ id, brightness }) =>
      editMood(id, { brightness: Math.floor(brightness * factor * 100) / 100 }),
    );
    const { runsFor } = assess(applyEdits(design, edits), library);
    if (runsFor && runsFor.cautiousH >= design.piece.hoursWanted)
      return { label: say`Dim all moods to ${roughPercent(factor)} of now`, edits };
  }
  return null;
}

/** More are a burden that a larger pack takes away. */
const MOST_BROUGHT = 6;

/** Runs shorter than the brief asks, by the cautious figure and with all packs that are brought. */
export const runTimeRule: Rule = ({ design, assessment, library }) => {
  const wanted = design.piece.hoursWanted;
  // Of several sets of packs the one that ends first, with all that are brought of it.
  const together = eveningWithSpares(assessment.standBy);
  const set = assessment.standBy.find(({ eveningH }) => eveningH !== null && eveningH === together);
  const supply = assessment.supplies.find((each) => each.rail.id === set?.supplyId);
  const runs = supply?.runsFor;
  if (together === null || !set || !runs || together >= wanted - 1e-9 || supply?.rail.gives.form !== 'cells') return [];
  // It never starts: that has been told.
  if (runs.likelyH === 0 && starvesBoard(assessment, supply)) return [];
  const { part: now, item } = supply.rail.gives;
  const bigger =
    now &&
    [...library.parts.values()].find(
      (pack): pack is PackPart =>
        pack.kind === 'pack' &&
        pack.chemistry === now.chemistry &&
        (pack.protected || !now.protected) &&
        pack.cellsInSeries === now.cellsInSeries &&
        pack.capacityMah.likely * runs.cautiousH > (item.capacityMah ?? now.capacityMah).likely * wanted &&
        pack.steadyLimitA >= now.steadyLimitA,
    );
  const { usualA, restA } = assessment.railFigures.find(({ id }) => id === item.id) ?? { usualA: 0, restA: 0 };
  const factor = (usualA * (runs.cautiousH / wanted) - restA) / Math.max(1e-9, usualA - restA);
  const dimmed = dimUntilEnough(design, library, factor);
  const asked = set.asked ?? 1;
  return [
    {
      ...named('runs-short'),
      gravity: 'mend',
      stage: 'power',
      aboutId: supply.rail.id,
      actual: { kind: 'timeH', value: runs.cautiousH },
      limit: { kind: 'timeH', value: wanted },
      what: say`Runs for ${hours(runs.cautiousH)} with caution (likely ${hours(runs.likelyH)}); ${hours(wanted)} are wanted`,
      why: `It ends because ${describeEnd(runs.end)}. The doubt comes mostly from the ${runs.chiefCause}.`,
      mend: 'Take a larger pack, bring a second one, or dim the moods.',
      fixes: [
        ...(bigger
          ? [
              {
                label: `Take: ${bigger.name}`,
                edits: changeItem(design, item.id, { part: bigger.id, capacityMah: null }),
              },
            ]
          : []),
        ...(dimmed ? [dimmed] : []),
        ...(asked > 1 && asked <= MOST_BROUGHT
          ? [
              {
                label: say`Bring ${asked} and exchange them every ${hours(runs.cautiousH)}`,
                edits: changeItem(design, item.id, { spares: asked - 1 }),
              },
            ]
          : []),
      ],
    },
  ];
};
