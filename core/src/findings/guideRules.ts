import type { GuideAssessment } from '../assess.ts';
import { type Finding, named } from '../items/index.ts';
import { changeItem, type Design } from '../plan/index.ts';
import { mm, percent, say } from '../units/index.ts';
import type { Rule } from './finding.ts';

/** So much farther than it must be, a light shines past the guides. */
const FAR_GAP = 2;
/** A gap that loses less than this is not spoken of. */
const FAR_LOSS = 0.5;
/** Below this an end is not seen beside others, even at night. */
const DIM_MCD = 0.3;

const about = ({ item }: GuideAssessment): Pick<Finding, 'stage' | 'aboutId'> => ({
  stage: 'lights',
  aboutId: item.id,
});

/** Guides over which nothing shines, or that end nowhere. */
function unlit(guide: GuideAssessment): Finding[] {
  const { item, sources, gone, ends } = guide;
  if (ends.length === 0)
    return [
      {
        ...named('guide-endless', item.id),
        ...about(guide),
        gravity: 'mend',
        what: `${item.name} end in no hole`,
        why: 'How many there are, how thick their bundle is and what each gives follows from the holes.',
        mend: 'Place at least one end on the picture.',
        fixes: [],
      },
    ];
  if (sources.length > 0 && gone === 0) return [];
  return [
    {
      ...named('guide-unlit', item.id),
      ...about(guide),
      gravity: 'mend',
      what: gone > 0 ? `${item.name} begin over a light that is not there` : `Nothing shines into ${item.name}`,
      why: 'A guide gives what goes into it.',
      mend: 'Say which lights they begin over.',
      fixes: [],
    },
  ];
}

/** A light so near that it lights only the middle, or so far that most of it shines past. */
function gap(guide: GuideAssessment, design: Design): Finding[] {
  const { item, guided, guides } = guide;
  if (!guided) return [];
  const needed = Math.ceil(guided.neededGapMm * 10) / 10;
  const set = { label: say`Set the gap to ${mm(needed)}`, edits: changeItem(design, item.id, { gapMm: needed }) };
  if (guided.litShare < 0.98 && guides > 1 && item.gather === 'bundle') {
    const dark = Math.round(guides * (1 - guided.litShare));
    return [
      {
        ...named('guide-near', item.id),
        ...about(guide),
        gravity: 'mend',
        actual: { kind: 'lengthMm', value: item.gapMm },
        limit: { kind: 'lengthMm', value: guided.neededGapMm },
        what: say`The light is so near to ${item.name} that ${percent(guided.litShare)} of the bundle is lit: about ${dark} of ${guides} stay dark`,
        why: 'Its spot is smaller than the mouth of the bundle, and shines into the middle alone.',
        mend: say`Stand the bundle off by ${mm(needed)}, or fill the gap with clear glue, which mixes and costs light.`,
        fixes: [set, { label: 'Fill the gap with clear glue', edits: changeItem(design, item.id, { filled: true }) }],
      },
    ];
  }
  if (item.gapMm <= FAR_GAP * guided.neededGapMm + 1 || guided.kept.entersCone > FAR_LOSS) return [];
  return [
    {
      ...named('guide-far', item.id),
      ...about(guide),
      gravity: 'mind',
      actual: { kind: 'lengthMm', value: item.gapMm },
      limit: { kind: 'lengthMm', value: guided.neededGapMm },
      what: say`${item.name} begin ${mm(item.gapMm)} from their light: ${percent(guided.kept.entersCone)} of it goes in`,
      why: 'The rest shines past them, into the hollow.',
      mend: say`${mm(needed)} lights all of them.`,
      fixes: [set],
    },
  ];
}

/** Guides that are thicker than what they go through. */
function bores(guide: GuideAssessment, design: Design): Finding[] {
  const { item, guides } = guide;
  const holeOf = (id: string | null): number | null => {
    const hollow = design.hollows.find((each) => each.id === id);
    return hollow?.kind === 'bore' ? hollow.diameterMm : null;
  };
  const tight = (id: string, where: string, boreMm: number | null, wantedMm: number): Finding[] =>
    boreMm === null || boreMm >= wantedMm
      ? []
      : [
          {
            ...named('guide-tight', item.id, id),
            ...about(guide),
            gravity: 'stop',
            actual: { kind: 'lengthMm', value: boreMm },
            limit: { kind: 'lengthMm', value: wantedMm },
            what: say`${where} is ${mm(boreMm)} wide, and ${item.name} want ${mm(wantedMm)}`,
            why: 'What is pressed in by force cracks, and a cracked guide leaks its light.',
            mend: 'A wider bore, thinner guides, or fewer of them.',
            fixes: [],
          },
        ];
  return [
    ...(guides > 0 ? tight('mouth', 'The bore of the bundle', holeOf(item.hollowId), guide.boreMm) : []),
    ...item.ends.flatMap((end, i) => tight(end.id, `Hole ${i + 1}`, holeOf(end.hollowId), guide.holeMm)),
  ];
}

/** Guides that are too short for the wall, or give next to nothing. */
function faint(guide: GuideAssessment): Finding[] {
  const { item, guided, ends } = guide;
  const short = item.lengthMm !== undefined && item.lengthMm < item.skinMm;
  const dim = guided !== null && ends.every(({ intensityMcd }) => intensityMcd < DIM_MCD);
  return [
    ...(short
      ? [
          {
            ...named('guide-short', item.id),
            ...about(guide),
            gravity: 'stop' as const,
            actual: { kind: 'lengthMm' as const, value: item.lengthMm ?? 0 },
            limit: { kind: 'lengthMm' as const, value: item.skinMm },
            what: say`${item.name} are ${mm(item.lengthMm ?? 0)} long, and the wall is ${mm(item.skinMm)}`,
            why: 'They do not come out on the other side.',
            mend: 'Cut them longer.',
            fixes: [],
          },
        ]
      : []),
    ...(dim
      ? [
          {
            ...named('guide-dim', item.id),
            ...about(guide),
            gravity: 'mind' as const,
            actual: { kind: 'intensityMcd' as const, value: Math.max(0, ...ends.map((end) => end.intensityMcd)) },
            limit: { kind: 'intensityMcd' as const, value: DIM_MCD },
            what: `The ends of ${item.name} are hardly seen, even in the dark`,
            why: 'The light is shared among all ends, and some is lost at every face.',
            mend: 'Fewer guides on each light, a stronger light, or one that shines forward.',
            fixes: [],
          },
        ]
      : []),
  ];
}

/** What is to be found about light guides. */
export const guideRule: Rule = ({ design, assessment }) =>
  assessment.guides.flatMap((guide) => [
    ...unlit(guide),
    ...gap(guide, design),
    ...bores(guide, design),
    ...faint(guide),
  ]);
