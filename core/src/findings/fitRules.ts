import type { PlacedFit } from '../assess.ts';
import { type Finding, named, type PlacedPlain, type PlacedTape } from '../items/index.ts';
import type { Fit, Size3 } from '../lights/index.ts';
import { type Design, editHollow, type Hollow } from '../plan/index.ts';
import { mm, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { tellBoreFit, tellBoxFit, tellChannelFit, wideEnoughMm } from './tellFit.ts';

type Bore = Extract<Hollow, { kind: 'bore' }>;

type Channel = Extract<Hollow, { kind: 'channel' }>;

function judgeBore(name: string, placed: PlacedFit, fit: Fit, bore: Bore): Finding[] {
  const told = tellBoreFit({ name, boreName: bore.name, fit, bore });
  if (!told) return [];
  return [
    {
      ...told,
      ...named(told.rule, placed.groupId, ...(placed.placeId === null ? [] : [placed.placeId])),
      stage: 'lights',
      aboutId: bore.id,
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
    },
  ];
}

function judgeChannel({ name, part }: PlacedTape | PlacedPlain, placed: PlacedFit, channel: Channel): Finding[] {
  const told = tellChannelFit({ name, channelName: channel.name, tape: part, channel });
  if (!told) return [];
  const wideMm = wideEnoughMm(part);
  return [
    {
      ...told,
      ...named(told.rule, placed.groupId),
      stage: 'lights',
      aboutId: channel.id,
      fixes: [
        {
          label: say`Widen it to ${mm(wideMm)}`,
          edits: [
            editHollow(channel.id, {
              widthMm: Math.max(channel.widthMm, wideMm),
              depthMm: Math.max(channel.depthMm, part.heightMm),
            }),
          ],
        },
      ],
    },
  ];
}

/** A light that does not go into its bore, or a tape into its channel. */
export const fitRule: Rule = ({ design, assessment }) =>
  assessment.fits.flatMap((placed): Finding[] => {
    const hollow = design.hollows.find((each) => each.id === placed.hollowId);
    const group = assessment.placed.find((each) => each.id === placed.groupId);
    if (!hollow || !group) return [];
    if (hollow.kind === 'bore' && placed.fit) return judgeBore(group.name, placed, placed.fit, hollow);
    return hollow.kind === 'channel' && group.shape !== 'lights' ? judgeChannel(group, placed, hollow) : [];
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
    const told = tellBoxFit({
      boxName: hollow.name,
      box: [hollow.widthMm, hollow.heightMm, hollow.depthMm],
      inside: contentsOf(design, hollow.id, library),
    });
    return told ? [{ ...told, ...named(told.rule, hollow.id), stage: 'lights', aboutId: hollow.id, fixes: [] }] : [];
  });
