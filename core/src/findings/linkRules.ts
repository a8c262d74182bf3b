import { type Assessment, assess, type MoodCeiling, type SupplyAssessment } from '../assess.ts';
import { type Finding, type Fix, named } from '../items/index.ts';
import { type ConverterPart, converters, type Part, plugs, switches } from '../parts/index.ts';
import { applyEdits, changeItem, editMood } from '../plan/index.ts';
import type { LoadedLink } from '../power/index.ts';
import { amps, roughPercent, say } from '../units/index.ts';
import { addBoost } from './addBoost.ts';
import type { Rule, RuleInput } from './finding.ts';
import { leadOf, suitFuse } from './fuses.ts';
import { spare } from './margins.ts';
import { starvesBoard } from './starvesBoard.ts';
import { feedAgain } from './tapeRules.ts';
import { tellLink } from './tellLink.ts';
import { NOTHING_LEFT, tellNothingLit } from './tellNothingLit.ts';

/** Parts that are cheap to exchange: where one of these gives way, exchange it rather than dim the piece. */
const exchangeable = new Set(['plug', 'switch', 'fuse', 'wire']);

/** The item that a link belongs to, by the node that it stands at. */
const itemOfLink = (link: LoadedLink, supply: SupplyAssessment): string | null =>
  (link.itemId ?? (link.id === 'cell' || link.id === 'plug' || link.id === 'fuse'))
    ? supply.rail.id
    : (supply.tree.nodes[link.node]?.id ?? null);

/** The next converter of the same kind that gives what is asked of it; undefined where there is none. */
function largerConverter(link: LoadedLink, supply: SupplyAssessment, peakA: number): ConverterPart | undefined {
  const now = supply.tree.nodes[link.node]?.converter;
  const state = supply.atPeak.nodes[link.node];
  const wanted = (link.id === 'converter output' ? link.loadA : (state?.outA ?? peakA)) * spare;
  return converters.find(
    (part) =>
      part.outputV === now?.outputV &&
      part.topology === now.topology &&
      part.outputLimitA >= wanted &&
      part.outputLimitA > now.outputLimitA,
  );
}

/** The data line that a tape hangs on. */
const lineOf = ({ itemId }: LoadedLink, { assessment }: RuleInput): readonly string[] =>
  assessment.chains.find(({ tapeIds }) => tapeIds.some((id) => id === itemId))?.tapeIds ?? [];

/** Whether the rails of every tape bear what goes through them, in a plan in which this one did not. */
const isBorne = ({ itemId }: LoadedLink, fed: Assessment): boolean =>
  fed.supplies.some(({ links }) => links.some((each) => each.itemId === itemId)) &&
  fed.supplies.every(({ links }) => links.every((each) => each.id !== 'tape' || each.fill <= 1 + 1e-9));

function fixLink(link: LoadedLink, supply: SupplyAssessment, input: RuleInput): Fix[] {
  const { design } = input;
  const enough = link.loadA * spare;
  const itemId = itemOfLink(link, supply);
  if (itemId === null) return [];
  const take = (field: string, part: Part | undefined): Fix[] =>
    part ? [{ label: `Take: ${part.name}`, edits: changeItem(design, itemId, { [field]: part.id }) }] : [];
  switch (link.id) {
    case 'plug':
      return take(
        'plug',
        plugs.find((part) => part.contactLimitA >= enough),
      );
    case 'switch':
      return take(
        'part',
        switches.find((part) => part.limitA >= enough && part.magnetic === undefined && !part.momentary),
      );
    case 'converter input':
    case 'converter output':
      return take('part', largerConverter(link, supply, input.assessment.peakA));
    case 'fuse': {
      const best = suitFuse(leadOf(supply, input.assessment));
      const now = 'fuseA' in supply.rail.gives.item ? supply.rail.gives.item.fuseA : null;
      return best !== null && best !== now
        ? [{ label: say`Take ${amps(best)}`, edits: changeItem(design, itemId, { fuseA: best }) }]
        : [];
    }
    case 'tape':
      return feedAgain(input, lineOf(link, input), (fed) => isBorne(link, fed));
    default:
      return [];
  }
}

/** True where the link rule tells of what limits this mood: a part that is over its limit and cheap to exchange. */
const isToldByLink = (ceiling: MoodCeiling, supply: SupplyAssessment): boolean =>
  ceiling.linkId !== null && exchangeable.has(ceiling.linkId) && Number.isFinite(supply.atPeak.packA);

/** Whether a stronger part is enough: behind it something else may give way at much the same brightness. */
const liftsCeiling = (fix: Fix, ceiling: MoodCeiling, { design, library }: RuleInput): boolean =>
  assess(applyEdits(design, fix.edits), library).ceilings.some(
    (each) => each.moodId === ceiling.moodId && each.setTo <= each.brightness + 1e-6,
  );

/** A mood set brighter than a supply can follow over the whole discharge. */
export const ceilingRule: Rule = (input) => {
  const { assessment } = input;
  return assessment.supplies.flatMap((supply) => {
    const over = supply.ceilings.filter(
      (ceiling) => ceiling.setTo > ceiling.brightness + 1e-6 && !isToldByLink(ceiling, supply),
    );
    // Where nothing is left of any mood there is one cause, told once.
    const dark = over.filter((ceiling) => ceiling.brightness < NOTHING_LEFT);
    const [first] = dark;
    const none: Finding[] =
      first && !starvesBoard(input.assessment, supply)
        ? [
            {
              ...tellNothingLit({
                name: supply.rail.name,
                limitedBy: first.limitedBy,
                actual: { kind: 'fraction', value: first.brightness },
                limit: { kind: 'fraction', value: first.setTo },
              }),
              ...named('nothing-lit', supply.rail.id),
              stage: 'power',
              aboutId: supply.rail.id,
              fixes: addBoost(input),
            },
          ]
        : [];
    return [
      ...none,
      ...over
        .filter((ceiling) => ceiling.brightness >= NOTHING_LEFT)
        .map((ceiling): Finding => {
          const capped = Math.floor(ceiling.brightness * 100) / 100;
          const link = supply.links.find((each) => each.id === ceiling.linkId);
          return {
            ...named('ceiling', ceiling.moodId, ...(assessment.supplies.length > 1 ? [supply.rail.id] : [])),
            gravity: 'stop',
            stage: 'power',
            aboutId: ceiling.moodId,
            actual: { kind: 'fraction', value: ceiling.setTo },
            limit: { kind: 'fraction', value: ceiling.brightness },
            what: say`${ceiling.name} is set to ${roughPercent(ceiling.setTo)}; its ceiling is ${roughPercent(capped)}`,
            why: say`Above it ${ceiling.limitedBy ?? 'the supply gives way'}: the rail falls, the controller resets, lights up again and resets again.`,
            mend:
              capped > 0
                ? say`Set ${ceiling.name} to ${roughPercent(capped)} or less, or strengthen what gives way. The program taken out from here holds it back by itself; one of your own would not.`
                : 'Strengthen what gives way: not even one part in a hundred of the light is borne.',
            fixes: [
              ...(capped > 0
                ? [
                    {
                      label: say`Set it to ${roughPercent(capped)}`,
                      edits: [editMood(ceiling.moodId, { brightness: capped })],
                    },
                  ]
                : []),
              ...(link ? fixLink(link, supply, input) : []).filter((fix) => liftsCeiling(fix, ceiling, input)),
            ],
          };
        }),
    ];
  });
};

/** The id of a link’s finding: its sort and its item, and a number where one item has several of a sort. */
function nameLink(link: LoadedLink, before: readonly LoadedLink[], supply: SupplyAssessment): ReturnType<typeof named> {
  const earlier = before.filter(
    (each) => each.id === link.id && itemOfLink(each, supply) === itemOfLink(link, supply),
  ).length;
  return named('link', link.id, `${itemOfLink(link, supply)}`, ...(earlier === 0 ? [] : [earlier + 1]));
}

/** Whether all that is drawn is drawn all the time: no program that dims, no load that has its moments. */
const isSteady = ({ moods, consumers }: Assessment): boolean =>
  moods.length === 0 &&
  consumers.every(({ fullA, steadyA, steadyPeakA }) => fullA === 0 && steadyPeakA <= steadyA * (1 + 1e-9));

/** A link that carries more than it may at the height of the moods. */
export const linkRule: Rule = (input) =>
  input.assessment.supplies.flatMap((supply) => {
    // Cell and converter give way together, with one mend: where a mood above its ceiling tells of it, that is enough.
    const isTold = supply.ceilings.some(
      (ceiling) => ceiling.setTo > ceiling.brightness && !isToldByLink(ceiling, supply),
    );
    return supply.links
      .filter((link) => Number.isFinite(link.loadA) && !(isTold && !exchangeable.has(link.id)))
      .flatMap((link) => {
        const told = tellLink({ ...link, isSteady: isSteady(input.assessment) });
        return told ? [{ link, told }] : [];
      })
      .map(({ link, told }, i, all): Finding => {
        const before = all.slice(0, i).map((each) => each.link);
        return {
          ...told,
          ...nameLink(link, before, supply),
          stage: 'power',
          aboutId: itemOfLink(link, supply),
          fixes: fixLink(link, supply, input),
        };
      });
  });
