import { type Finding, named } from '../items/index.ts';
import { type Chemistry, chemistries } from '../parts/index.ts';
import type { Rule, RuleInput } from './finding.ts';

/** The chemistries of all packs of a plan. */
const chemistriesOf = ({ assessment }: RuleInput): readonly Chemistry[] =>
  assessment.rails.list.flatMap((rail) =>
    rail.gives.form === 'cells' && rail.gives.part ? [rail.gives.part.chemistry] : [],
  );

interface Caution {
  readonly id: string;
  readonly rule: string;
  readonly stage: Finding['stage'];
  readonly applies: (input: Parameters<Rule>[0]) => boolean;
  readonly what: string;
  readonly why: string;
  readonly mend: string;
}

/** What to know, each tied to a fact of the plan. They defer to the part's maker and to local rules. */
const cautions: readonly Caution[] = [
  {
    ...named('caution-lithium'),
    stage: 'power',
    applies: (input) => chemistriesOf(input).some((each) => chemistries[each].canBurn),
    what: 'A lithium cell: handle it as its maker says',
    why: 'Shorted, pierced, charged too fast or run below its cut-off it can burn.',
    mend: 'Hard case, fuse, a charger made for it, never charged unwatched; follow the maker’s sheet and local rules for carrying and disposal.',
  },
  {
    ...named('caution-lead'),
    stage: 'power',
    applies: (input) => chemistriesOf(input).includes('lead-acid'),
    what: 'A lead-acid block: heavy, and it gives hundreds of amperes into a short',
    why: 'A ring or a tool across its poles glows at once; charged too hard it gives off gas that burns.',
    mend: 'Cover the poles, fuse it at the block, charge it upright in open air at its maker’s rate.',
  },
  {
    ...named('caution-coin'),
    stage: 'power',
    applies: (input) => chemistriesOf(input).some((each) => each === 'lithium coin' || each === 'alkaline button'),
    what: 'Coin and button cells: keep them from children, loose ones too',
    why: 'A swallowed cell burns through the gullet within two hours, even a spent one.',
    mend: 'A lid that needs a tool; spares and spent cells locked away; if one is swallowed, get medical help at once.',
  },
  {
    ...named('caution-invisible'),
    stage: 'lights',
    applies: ({ assessment }) =>
      assessment.placed.some((group) => group.shape === 'lights' && group.part.invisible !== undefined),
    what: 'Invisible light: the eye does not close for what it does not see',
    why: 'Ultraviolet and infrared harm the eye at levels that look dim or dark.',
    mend: 'Keep it out of eyes and off skin, put a visible light beside it as a sign, and look at it through a camera.',
  },
  {
    ...named('caution-star'),
    stage: 'lights',
    applies: ({ assessment }) =>
      assessment.placed.some((group) => group.shape === 'lights' && group.part.body === 'power star'),
    what: 'A power star: hot, and too bright to look into',
    why: 'Without a heatsink it is over its limit within a minute; near the eye it dazzles for longer than it is on.',
    mend: 'Heatsink, current limit, a shade or diffuser, and never pointed at a face.',
  },
  {
    ...named('caution-sight'),
    stage: 'piece',
    applies: ({ design, assessment }) =>
      design.piece.carriedBy !== 'nobody' &&
      (design.piece.kind === 'headdress' || design.piece.kind === 'mask') &&
      assessment.lightCount > 0,
    what: 'Lights near the face: the wearer must see, hear and find the way out',
    why: 'Light beside the eyes closes the pupil, and a dark procession route has kerbs and cables.',
    mend: 'Try it on in the dark before the last glue; shade what shines into the eyes; walk with a helper.',
  },
  {
    ...named('caution-mains'),
    stage: 'power',
    applies: ({ assessment }) => assessment.rails.list.some((rail) => rail.gives.form === 'outside'),
    what: 'An outside supply: whole, rated for the place, and out of reach of water and feet',
    why: 'A wall supply stands on the mains; a lead across a way trips people and tears out.',
    mend: 'A supply with its maker’s marks, in the dry, its lead fixed; pull the pack before you join it; follow local rules.',
  },
  {
    ...named('caution-water'),
    stage: 'piece',
    applies: ({ design, assessment }) => design.piece.setting !== 'dry' && assessment.rails.list.length > 0,
    what: 'It may get wet: pack, plugs and switch come first',
    why: 'Water bridges contacts, and bare plugs corrode within an evening.',
    mend: 'Drip loops, seals at the openings, the pack above the lowest point, and dry it open afterwards.',
  },
  {
    ...named('caution-solder'),
    stage: 'bench',
    applies: ({ assessment }) => assessment.lightCount > 0,
    what: 'Soldering: fumes, burns and splashes',
    why: 'Flux smoke irritates the lungs, and trimmed legs fly.',
    mend: 'Air moving away from you, eyes covered, hands washed before eating; never solder with the pack plugged in.',
  },
];

/** The usual cautions of what is in the plan, each told once. */
export const cautionRule: Rule = (input) =>
  cautions
    .filter((caution) => caution.applies(input))
    .map((caution) => ({
      id: caution.id,
      rule: caution.rule,
      gravity: 'mind',
      stage: caution.stage,
      aboutId: null,
      what: caution.what,
      why: caution.why,
      mend: caution.mend,
      fixes: [],
    }));
