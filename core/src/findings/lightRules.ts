import type { PlacedFit } from '../assess.ts';
import { CLEARANCE_A_SIDE_MM, type Fit, type PlacedTape } from '../lights/index.ts';
import type { Hollow } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Finding, Rule } from './finding.ts';

const mm = (value: number): string => printQuantity('lengthMm', value);

type Bore = Extract<Hollow, { kind: 'bore' }>;
type Channel = Extract<Hollow, { kind: 'channel' }>;

function describeBoreFit(groupName: string, bore: Bore, fit: Fit, isTight: boolean): Pick<Finding, 'what' | 'mend'> {
  const isShallow = fit.depthToSpareMm < 0;
  return {
    what: isTight
      ? `${groupName}: a tight fit in ${bore.name}: ${mm(fit.clearanceMm)} on each side${isShallow ? `, and stands out by ${mm(-fit.depthToSpareMm)}` : ''}`
      : `${groupName}: does not go into ${bore.name}: ${mm(fit.finishedMm)} finished, the bore is ${mm(bore.diameterMm)}`,
    mend: `Drill ${bore.name} to ${mm(fit.leastBoreMm)}${isShallow ? ` and ${mm(bore.depthMm - fit.depthToSpareMm)} deep` : ''}, or take a smaller light.`,
  };
}

const judgeBore = (groupName: string, placed: PlacedFit, fit: Fit, bore: Bore, index: number): Finding => ({
  id: `fit:${placed.groupId}:${placed.placeId}`,
  gravity: 'mend',
  stage: 'lights',
  aboutId: bore.id,
  ...describeBoreFit(groupName, bore, fit, placed.verdict === 'fits if eased'),
  why: 'The light passes with its sleeve and its wires on, and forcing it shears the legs or the glue.',
  fixes: [
    {
      label: `Drill it to ${mm(fit.leastBoreMm)}`,
      changes: [
        { path: ['hollows', index, 'diameterMm'], value: Math.max(bore.diameterMm, fit.leastBoreMm) },
        { path: ['hollows', index, 'depthMm'], value: Math.max(bore.depthMm, bore.depthMm - fit.depthToSpareMm) },
      ],
    },
  ],
});

function judgeChannel(group: PlacedTape, placed: PlacedFit, channel: Channel, index: number): Finding {
  const { widthMm, heightMm } = group.part;
  const wideMm = widthMm + 2 * CLEARANCE_A_SIDE_MM;
  return {
    id: `fit:${placed.groupId}`,
    gravity: 'mend',
    stage: 'lights',
    aboutId: channel.id,
    what: `${group.name}: ${placed.verdict === 'fits if eased' ? 'a tight fit in' : 'does not go into'} ${channel.name}: tape ${mm(widthMm)} × ${mm(heightMm)}, channel ${mm(channel.widthMm)} × ${mm(channel.depthMm)}`,
    why: 'A tape pressed into a narrow channel buckles and lifts at its joints.',
    mend: `Widen the channel to ${mm(wideMm)} and at least ${mm(heightMm)} deep, or take a narrower tape.`,
    fixes: [
      {
        label: `Widen it to ${mm(wideMm)}`,
        changes: [
          { path: ['hollows', index, 'widthMm'], value: Math.max(channel.widthMm, wideMm) },
          { path: ['hollows', index, 'depthMm'], value: Math.max(channel.depthMm, heightMm) },
        ],
      },
    ],
  };
}

/** A light that does not go into its bore, or a tape into its channel. */
export const fitRule: Rule = ({ design, assessment }) =>
  assessment.fits.flatMap((placed): Finding[] => {
    const index = design.hollows.findIndex((hollow) => hollow.id === placed.hollowId);
    const hollow = design.hollows[index];
    const group = assessment.placed.find((each) => each.id === placed.groupId);
    if (placed.verdict === 'fits' || !hollow || !group) return [];
    if (hollow.kind === 'bore' && placed.fit) return [judgeBore(group.name, placed, placed.fit, hollow, index)];
    return hollow.kind === 'channel' && group.kind === 'tape' ? [judgeChannel(group, placed, hollow, index)] : [];
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

/** Pixels of four dice: the program lights three of them. */
export const whiteDieRule: Rule = ({ design, assessment, library }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.kind !== 'tape' || group.cut.lights === 0 || group.part.dice === 3) return [];
    const { perMetre } = group.part;
    const plain = [...library.parts.values()].find(
      (part) => part.kind === 'pixel-tape' && part.dice === 3 && part.perMetre === perMetre,
    );
    const index = design.tapes.findIndex((tape) => tape.id === group.id);
    return [
      {
        id: `white-die:${group.id}`,
        gravity: 'mind',
        stage: 'lights',
        aboutId: group.id,
        what: `The white die of ${group.name} stays dark`,
        why: 'Moods are mixed of red, green and blue; the program sends the fourth die of each pixel nothing.',
        mend: 'Take a tape without it, or know that its white is mixed.',
        fixes: plain
          ? [
              {
                label: `Take the tape of ${perMetre}/m without it`,
                changes: [{ path: ['tapes', index, 'part'], value: plain.id }],
              },
            ]
          : [],
      },
    ];
  });

/** One data line on which pixels of three dice and of four hang. */
export const mixedLineRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.kind !== 'tape' || group.cut.lights === 0) return [];
    const before = assessment.placed.find((each) => each.id === group.tape.after);
    if (before?.kind !== 'tape' || before.part.dice === group.part.dice) return [];
    const index = design.tapes.findIndex((tape) => tape.id === group.id);
    return [
      {
        id: `mixed-line:${group.id}`,
        gravity: 'stop',
        stage: 'lights',
        aboutId: group.id,
        what: `${group.name} hangs behind pixels that take another number of bytes`,
        why: 'One line sends each pixel as many bytes as the next, so from here on every colour is wrong.',
        mend: 'Give it a data line of its own, or take tapes of one kind.',
        fixes: [{ label: 'Give it its own data line', changes: [{ path: ['tapes', index, 'after'], value: null }] }],
      },
    ];
  });

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
