import type { GuideAssessment } from '../assess.ts';
import { type Finding, named } from '../items/index.ts';
import { changeItem, type Design } from '../plan/index.ts';
import { mm, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { gapToSetMm, tellGap } from './tellGap.ts';

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

/** How far the light stands off, and what comes of it. */
function gap(guide: GuideAssessment, design: Design): Finding[] {
  const { item, guided, atMouth } = guide;
  const told = guided && tellGap({ name: item.name, atMouth, gapMm: item.gapMm, guided });
  if (!told) return [];
  const needed = gapToSetMm(guided);
  const set = { label: say`Set the gap to ${mm(needed)}`, edits: changeItem(design, item.id, { gapMm: needed }) };
  const fill = { label: 'Fill the gap with clear glue', edits: changeItem(design, item.id, { filled: true }) };
  return [
    {
      ...told,
      ...named(told.rule, item.id),
      ...about(guide),
      fixes: told.rule === 'guide-near' ? [set, fill] : [set],
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
