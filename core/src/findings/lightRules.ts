import { printQuantity } from '../units/index.ts';
import type { Finding, Rule } from './finding.ts';

const mm = (value: number): string => printQuantity('lengthMm', value);

/** A light that does not go into its bore, or a tape into its channel. */
export const fitRule: Rule = ({ design, assessment }) =>
  assessment.fits.flatMap((placed): Finding[] => {
    if (placed.verdict === 'fits') return [];
    const index = design.hollows.findIndex((hollow) => hollow.id === placed.hollowId);
    const hollow = design.hollows[index];
    const group = assessment.placed.find((each) => each.id === placed.groupId);
    if (!hollow || !group) return [];
    const tight = placed.verdict === 'fits if eased';
    if (hollow.kind === 'bore' && placed.fit) {
      const { fit } = placed;
      const shallow = fit.depthToSpareMm < 0;
      return [
        {
          id: `fit:${placed.groupId}:${placed.placeId}`,
          gravity: 'mend',
          stage: 'lights',
          aboutId: hollow.id,
          what: tight
            ? `${group.name}: a tight fit in ${hollow.name}: ${mm(fit.clearanceMm)} on each side${shallow ? `, and stands out by ${mm(-fit.depthToSpareMm)}` : ''}`
            : `${group.name}: does not go into ${hollow.name}: ${mm(fit.finishedMm)} finished, the bore is ${mm(hollow.diameterMm)}`,
          why: 'The light passes with its sleeve and its wires on, and forcing it shears the legs or the glue.',
          mend: `Drill ${hollow.name} to ${mm(fit.leastBoreMm)}${shallow ? ` and ${mm(hollow.depthMm - fit.depthToSpareMm)} deep` : ''}, or take a smaller light.`,
          fixes: [
            {
              label: `Drill it to ${mm(fit.leastBoreMm)}`,
              changes: [
                { path: ['hollows', index, 'diameterMm'], value: Math.max(hollow.diameterMm, fit.leastBoreMm) },
                {
                  path: ['hollows', index, 'depthMm'],
                  value: Math.max(hollow.depthMm, hollow.depthMm - fit.depthToSpareMm),
                },
              ],
            },
          ],
        },
      ];
    }
    if (hollow.kind !== 'channel' || group.kind !== 'tape') return [];
    const [widthMm, depthMm] = [group.part.widthMm + 0.4, group.part.heightMm];
    return [
      {
        id: `fit:${placed.groupId}`,
        gravity: 'mend',
        stage: 'lights',
        aboutId: hollow.id,
        what: `${group.name}: ${tight ? 'a tight fit in' : 'does not go into'} ${hollow.name}: tape ${mm(group.part.widthMm)} × ${mm(group.part.heightMm)}, channel ${mm(hollow.widthMm)} × ${mm(hollow.depthMm)}`,
        why: 'A tape pressed into a narrow channel buckles and lifts at its joints.',
        mend: `Widen the channel to ${mm(widthMm)} and at least ${mm(depthMm)} deep, or take a narrower tape.`,
        fixes: [
          {
            label: `Widen it to ${mm(widthMm)}`,
            changes: [
              { path: ['hollows', index, 'widthMm'], value: Math.max(hollow.widthMm, widthMm) },
              { path: ['hollows', index, 'depthMm'], value: Math.max(hollow.depthMm, depthMm) },
            ],
          },
        ],
      },
    ];
  });

/** A tape that has no light on its route, or that is not drawn yet. */
export const emptyTapeRule: Rule = ({ assessment }) =>
  assessment.placed.flatMap((group): Finding[] =>
    group.kind === 'tape' && group.cut.lights === 0
      ? [
          {
            id: `empty:${group.id}`,
            gravity: 'mend',
            stage: 'lights',
            aboutId: group.id,
            what: `${group.name} has no light on it: its route is ${mm(group.routeMm)} long`,
            why: `The tape is cut only at its marks, every ${mm(1000 / group.part.perMetre)}.`,
            mend: 'Lay its route on the picture, or type its length.',
            fixes: [],
          },
        ]
      : [],
  );

/** Every single light of a design is meant to be somewhere; a group without a place lights nothing. */
export const unplacedRule: Rule = ({ design }) =>
  design.leds
    .filter((group) => group.places.length === 0)
    .map((group) => ({
      id: `unplaced:${group.id}`,
      gravity: 'mend',
      stage: 'lights',
      aboutId: group.id,
      what: `${group.name} has no light placed`,
      why: 'Counts, pins and wires follow from where the lights are.',
      mend: 'Place at least one on the picture.',
      fixes: [],
    }));
