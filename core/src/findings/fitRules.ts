import type { PlacedFit } from '../assess.ts';
import { type Finding, named, type PlacedPlain, type PlacedTape } from '../items/index.ts';
import { CLEARANCE_A_SIDE_MM, type Fit, fillOfHollow, fitBox, type Size3 } from '../lights/index.ts';
import { type Design, editHollow, type Hollow } from '../plan/index.ts';
import { joinMessages, type Message, mm, roughPercent, say } from '../units/index.ts';
import type { Rule } from './finding.ts';

type Bore = Extract<Hollow, { kind: 'bore' }>;

type Channel = Extract<Hollow, { kind: 'channel' }>;

function describeBoreFit(groupName: string, bore: Bore, fit: Fit, isTight: boolean): Pick<Finding, 'what' | 'mend'> {
  const isShallow = fit.depthToSpareMm < 0;
  return {
    what: isTight
      ? say`${groupName}: a tight fit in ${bore.name}: ${mm(fit.clearanceMm)} on each side${isShallow ? say`, and stands out by ${mm(-fit.depthToSpareMm)}` : ''}`
      : say`${groupName}: does not go into ${bore.name}: ${mm(fit.finishedMm)} finished, the bore is ${mm(bore.diameterMm)}`,
    mend: say`Drill ${bore.name} to ${mm(fit.leastBoreMm)}${isShallow ? say` and ${mm(bore.depthMm - fit.depthToSpareMm)} deep` : ''}, or take a smaller light.`,
  };
}

const judgeBore = (groupName: string, placed: PlacedFit, fit: Fit, bore: Bore): Finding => ({
  ...named('fit', placed.groupId, ...(placed.placeId === null ? [] : [placed.placeId])),
  gravity: 'mend',
  stage: 'lights',
  aboutId: bore.id,
  ...describeBoreFit(groupName, bore, fit, placed.verdict === 'fits if eased'),
  why: 'The light passes with its sleeve and its wires on, and forcing it shears the legs or the glue.',
  fixes: [
    {
      label: say`Drill it to ${mm(fit.leastBoreMm)}`,
      edits: [
        editHollow(bore.id, {
          diameterMm: Math.max(bore.diameterMm, fit.leastBoreMm),
          depthMm: Math.max(bore.depthMm, bore.depthMm - fit.depthToSpareMm),
        }),
      ],
    },
  ],
});

function judgeChannel(group: PlacedTape | PlacedPlain, placed: PlacedFit, channel: Channel): Finding {
  const { widthMm, heightMm } = group.part;
  const wideMm = widthMm + 2 * CLEARANCE_A_SIDE_MM;
  return {
    ...named('fit', placed.groupId),
    gravity: 'mend',
    stage: 'lights',
    aboutId: channel.id,
    what: say`${group.name}: ${placed.verdict === 'fits if eased' ? 'a tight fit in' : 'does not go into'} ${channel.name}: tape ${mm(widthMm)} × ${mm(heightMm)}, channel ${mm(channel.widthMm)} × ${mm(channel.depthMm)}`,
    why: 'A tape pressed into a narrow channel buckles and lifts at its joints.',
    mend: say`Widen the channel to ${mm(wideMm)} and at least ${mm(heightMm)} deep, or take a narrower tape.`,
    fixes: [
      {
        label: say`Widen it to ${mm(wideMm)}`,
        edits: [
          editHollow(channel.id, {
            widthMm: Math.max(channel.widthMm, wideMm),
            depthMm: Math.max(channel.depthMm, heightMm),
          }),
        ],
      },
    ],
  };
}

/** A light that does not go into its bore, or a tape into its channel. */
export const fitRule: Rule = ({ design, assessment }) =>
  assessment.fits.flatMap((placed): Finding[] => {
    const hollow = design.hollows.find((each) => each.id === placed.hollowId);
    const group = assessment.placed.find((each) => each.id === placed.groupId);
    if (placed.verdict === 'fits' || !hollow || !group) return [];
    if (hollow.kind === 'bore' && placed.fit) return [judgeBore(group.name, placed, placed.fit, hollow)];
    return hollow.kind === 'channel' && group.shape !== 'lights' ? [judgeChannel(group, placed, hollow)] : [];
  });

/** What lies in each box, with its size: what the maker put there. */
function contentsOf(
  design: Design,
  boxId: string,
  library: Parameters<Rule>[0]['library'],
): readonly { readonly name: string; readonly size: Size3 }[] {
  return design.items.flatMap((item) => {
    if (!('boxId' in item) || item.boxId !== boxId || !('part' in item) || item.part === null) return [];
    const part = library.parts.get(item.part);
    return part && 'sizeMm' in part && part.sizeMm.length === 3
      ? [{ name: item.name, size: part.sizeMm as Size3 }]
      : [];
  });
}

/** A box that does not hold what the maker put into it. */
export const boxRule: Rule = ({ design, library }) =>
  design.hollows.flatMap((hollow): Finding[] => {
    if (hollow.kind !== 'box') return [];
    const inside = contentsOf(design, hollow.id, library);
    if (inside.length === 0) return [];
    const size: Size3 = [hollow.widthMm, hollow.heightMm, hollow.depthMm];
    const tooLarge = inside.filter((each) => !fitBox(each.size, size).fits);
    const { fill, fits } = fillOfHollow(
      inside.map((each) => each.size),
      size,
    );
    if (fits) return [];
    const sizes = (each: Size3): Message => joinMessages(each.map(mm), ' × ');
    return [
      {
        ...named('box', hollow.id),
        gravity: 'mend',
        stage: 'lights',
        aboutId: hollow.id,
        actual: { kind: 'fraction', value: fill },
        limit: { kind: 'fraction', value: 0.7 },
        what:
          tooLarge.length > 0
            ? say`${joinMessages(
                tooLarge.map((each) => say`${each.name} (${sizes(each.size)})`),
                ', ',
              )} ${tooLarge.length === 1 ? 'does' : 'do'} not go into ${hollow.name} (${sizes(size)})`
            : say`${hollow.name} is too full: ${inside.map((each) => each.name).join(', ')} take ${roughPercent(fill)} of its room`,
        why: 'Wires, plugs and fingers want the rest: past seven tenths it does not close, or can’t be opened again.',
        mend: 'A larger box, a smaller pack, or something that goes elsewhere.',
        fixes: [],
      },
    ];
  });
