import { type Assessment, assess, type MoodCeiling, type SupplyAssessment } from '../assess.ts';
import { type Finding, type Fix, kindOf, type PackItem } from '../items/index.ts';
import { chemistries, converters, type Library, type Part, packs, plugs, switches } from '../parts/index.ts';
import { applyChanges, changeItem, type Design, itemNamed } from '../plan/index.ts';
import { chooseFuse, describeEnd, type LoadedLink, sourceAt } from '../power/index.ts';
import { printQuantity } from '../units/index.ts';
import { addBoost } from './driveRules.ts';
import type { Rule, RuleInput } from './finding.ts';

const amps = (value: number): string => printQuantity('currentA', value);
const volts = (value: number): string => printQuantity('voltageV', value);
const percent = (value: number): string => printQuantity('fraction', value, { digits: 2 });
const hours = (value: number): string => printQuantity('timeH', value);

/** Parts that are cheap to exchange: where one of these gives way, exchange it rather than dim the piece. */
const exchangeable = new Set(['plug', 'switch', 'fuse', 'wire']);

/** The item that a link belongs to, by the node that it stands at. */
const itemOfLink = (link: LoadedLink, supply: SupplyAssessment): string | null =>
  link.id === 'cell' || link.id === 'plug' || link.id === 'fuse'
    ? supply.rail.id
    : (supply.tree.nodes[link.node]?.id ?? null);

function fixLink(link: LoadedLink, supply: SupplyAssessment, input: RuleInput): Fix[] {
  const { design } = input;
  const enough = link.loadA * 1.1;
  const itemId = itemOfLink(link, supply);
  if (itemId === null) return [];
  const take = (field: string, part: Part | undefined): Fix[] =>
    part ? [{ label: `Take: ${part.name}`, changes: changeItem(design, itemId, { [field]: part.id }) }] : [];
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
    case 'converter output': {
      const now = supply.tree.nodes[link.node]?.converter;
      const state = supply.atPeak.nodes[link.node];
      const wanted = (link.id === 'converter output' ? link.loadA : (state?.outA ?? input.assessment.peakA)) * 1.1;
      return take(
        'part',
        converters.find(
          (part) =>
            part.outputV === now?.outputV &&
            part.topology === now.topology &&
            part.outputLimitA >= wanted &&
            part.outputLimitA > now.outputLimitA,
        ),
      );
    }
    case 'fuse': {
      const best = suitFuse(supply);
      const now = 'fuseA' in supply.rail.gives.item ? supply.rail.gives.item.fuseA : null;
      return best !== null && best !== now
        ? [{ label: `Take ${amps(best)}`, changes: changeItem(design, itemId, { fuseA: best }) }]
        : [];
    }
    default:
      return [];
  }
}

/** What a fuse must guard: the wire, the plug and the switch in a source's own lead. */
const guardedBy = (supply: SupplyAssessment): readonly LoadedLink[] =>
  supply.links.filter(
    (link) =>
      (link.id === 'plug' || link.id === 'wire' || link.id === 'switch') &&
      (link.node === 0 || supply.tree.nodes[link.node]?.parent === 0) &&
      link.side !== 'own',
  );

/** What a source gives into a short: a fuse above that never blows. */
function shortA(supply: SupplyAssessment): number {
  const { openV, ohm } = sourceAt(supply.tree.source, 1);
  return openV / Math.max(1e-3, ohm);
}

/** The fuses that suit a source, for what it gives at its height; none where no fuse could ever blow, or nothing flows. */
export function fusesFor(supply: SupplyAssessment): ReturnType<typeof chooseFuse> | null {
  if (!Number.isFinite(supply.mostA) || supply.mostA <= 0) return null;
  const weakestA = Math.min(...guardedBy(supply).map((link) => link.limitA), shortA(supply) / 2);
  const found = chooseFuse(supply.mostA, weakestA);
  return found.mostA >= found.leastA - 1e-9 || found.bestA !== null ? found : { ...found, bestA: null };
}

const suitFuse = (supply: SupplyAssessment): number | null => fusesFor(supply)?.bestA ?? null;

/** True where the link rule tells of what limits this mood: a part that is over its limit and cheap to exchange. */
const isToldByLink = (ceiling: MoodCeiling, supply: SupplyAssessment): boolean =>
  ceiling.linkId !== null && exchangeable.has(ceiling.linkId) && Number.isFinite(supply.atPeak.packA);

/** Below this not even a glimmer is left of a mood. */
const NOTHING_LEFT = 0.005;

/** Whether a stronger part is enough: behind it something else may give way at much the same brightness. */
const liftsCeiling = (fix: Fix, ceiling: MoodCeiling, { design, library }: RuleInput): boolean =>
  assess(applyChanges(design, fix.changes), library).ceilings.some(
    (each) => each.moodId === ceiling.moodId && each.setTo <= each.brightness + 1e-6,
  );

/** Whether a supply gives a board less than it starts on: the rule of rails tells of that, and it is cause enough. */
const starvesBoard = (assessment: Assessment, supply: SupplyAssessment): boolean =>
  assessment.boards.some((board) => {
    const rail = board.railId === null ? undefined : assessment.rails.byId.get(board.railId);
    return rail?.sourceId === supply.rail.id && rail.range !== null && rail.range.nominalV < board.part.supplyLeastV;
  });

/** A mood set brighter than a supply can follow over the whole discharge. */
export const ceilingRule: Rule = (input) => {
  const { design, assessment } = input;
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
              id: `nothing-lit:${supply.rail.id}`,
              gravity: 'stop',
              stage: 'power',
              aboutId: supply.rail.id,
              actual: { kind: 'fraction', value: first.brightness },
              limit: { kind: 'fraction', value: first.setTo },
              what: `${supply.rail.name} feeds the piece dark, and nothing on top of it: ${first.limitedBy ?? 'it gives way'}`,
              why: 'With a tenth of the charge in hand the program’s limiter would leave no light at all; without one the piece resets as soon as it lights.',
              mend: 'A stronger pack, a converter, or lights that take less.',
              fixes: addBoost(input),
            },
          ]
        : [];
    return [
      ...none,
      ...over
        .filter((ceiling) => ceiling.brightness >= NOTHING_LEFT)
        .map((ceiling): Finding => {
          const index = design.moods.list.findIndex((mood) => mood.id === ceiling.moodId);
          const capped = Math.floor(ceiling.brightness * 100) / 100;
          const link = supply.links.find((each) => each.id === ceiling.linkId);
          return {
            id:
              assessment.supplies.length > 1
                ? `ceiling:${ceiling.moodId}:${supply.rail.id}`
                : `ceiling:${ceiling.moodId}`,
            gravity: 'stop',
            stage: 'power',
            aboutId: ceiling.moodId,
            actual: { kind: 'fraction', value: ceiling.setTo },
            limit: { kind: 'fraction', value: ceiling.brightness },
            what: `${ceiling.name} is set to ${percent(ceiling.setTo)}; its ceiling is ${percent(capped)}`,
            why: `Above it ${ceiling.limitedBy ?? 'the supply gives way'}: the rail falls, the controller resets, lights up again and resets again.`,
            mend:
              capped > 0
                ? `Set ${ceiling.name} to ${percent(capped)} or less, or strengthen what gives way. The program taken out from here holds it back by itself; one of your own would not.`
                : 'Strengthen what gives way: not even one part in a hundred of the light is borne.',
            fixes: [
              ...(capped > 0
                ? [
                    {
                      label: `Set it to ${percent(capped)}`,
                      changes: [{ path: ['moods', 'list', index, 'brightness'], value: capped }],
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
function nameLink(link: LoadedLink, before: readonly LoadedLink[], supply: SupplyAssessment): string {
  const own = (each: LoadedLink): string => `link:${each.id}:${itemOfLink(each, supply)}`;
  const earlier = before.filter((each) => own(each) === own(link)).length;
  return earlier === 0 ? own(link) : `${own(link)}:${earlier + 1}`;
}

/** A link that carries more than it may at the height of the moods. */
export const linkRule: Rule = (input) =>
  input.assessment.supplies.flatMap((supply) => {
    // Cell and converter give way together, with one mend: where a mood above its ceiling tells of it, that is enough.
    const isTold = supply.ceilings.some(
      (ceiling) => ceiling.setTo > ceiling.brightness && !isToldByLink(ceiling, supply),
    );
    return supply.links
      .filter((link) => link.fill > 1 + 1e-9 && Number.isFinite(link.loadA) && !(isTold && !exchangeable.has(link.id)))
      .map(
        (link, i, all): Finding => ({
          id: nameLink(link, all.slice(0, i), supply),
          gravity: 'stop',
          stage: 'power',
          aboutId: itemOfLink(link, supply),
          actual: { kind: 'currentA', value: link.loadA },
          limit: { kind: 'currentA', value: link.limitA },
          what: `${link.name} carries ${amps(link.loadA)} at peak and is good for ${amps(link.limitA)}`,
          why:
            link.id === 'fuse'
              ? 'It blows in the middle of the evening.'
              : 'It heats, drops voltage or fails, on the night rather than on the bench.',
          mend: 'Take a stronger one, or lower the brightness.',
          fixes: fixLink(link, supply, input),
        }),
      );
  });

/** A start that pulls the supply down: a motor, a servo, a sound. */
export const startRule: Rule = ({ assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { atStart } = supply;
    if (!atStart) return [];
    const low = supply.tree.nodes.find(
      (node, i) => node.brownOutV > 0 && (atStart.collapses || (atStart.nodes[i]?.outV ?? 0) < node.brownOutV),
    );
    const cell = supply.links.find((link) => link.id === 'cell');
    const isOver = cell !== undefined && atStart.packA > cell.limitA * (1 + 1e-9);
    if (!low && !isOver) return [];
    return [
      {
        id: `start:${supply.rail.id}`,
        gravity: 'stop',
        stage: 'power',
        aboutId: supply.rail.id,
        ...(cell && Number.isFinite(atStart.packA)
          ? {
              actual: { kind: 'currentA' as const, value: atStart.packA },
              limit: { kind: 'currentA' as const, value: cell.limitA },
            }
          : {}),
        what: isOver
          ? `In the first moment ${supply.rail.name} is asked for ${amps(atStart.packA)} and is good for ${amps(cell?.limitA ?? 0)}`
          : `In the first moment the rail falls below the ${volts(low?.brownOutV ?? 0)} at which a controller resets`,
        why: 'A motor that starts takes several times what it takes when it runs, and its protection or the controller lets go.',
        mend: 'Give it a pack of its own, a softer start, or a supply that bears the start.',
        fixes: [],
      },
    ];
  });

/** Dims every mood until the night is long enough: what a converter and the cells lose of themselves asks for a little more. */
function dimUntilEnough(design: Design, library: Library, first: number): Fix | null {
  if (design.moods.list.length === 0 || first >= 1) return null;
  for (const factor of [first, first * 0.85, first * 0.7].filter((each) => each > 0.1)) {
    const changes = design.moods.list.map((mood, i) => ({
      path: ['moods', 'list', i, 'brightness'],
      value: Math.floor(mood.brightness * factor * 100) / 100,
    }));
    const { runsFor } = assess(applyChanges(design, changes), library);
    if (runsFor && runsFor.cautiousH >= design.piece.hoursWanted)
      return { label: `Dim all moods to ${percent(factor)} of now`, changes };
  }
  return null;
}

/** Runs shorter than the brief asks, by the cautious figure. */
export const runTimeRule: Rule = ({ design, assessment, library }) => {
  const runs = assessment.runsFor;
  const wanted = design.piece.hoursWanted;
  const supply = assessment.supplies.find((each) => each.runsFor === runs);
  if (!runs || !supply || runs.cautiousH >= wanted || supply.rail.gives.form !== 'cells') return [];
  // It never starts: that has been told.
  if (runs.likelyH === 0 && starvesBoard(assessment, supply)) return [];
  const { part: now, item } = supply.rail.gives;
  const bigger =
    now &&
    packs.find(
      (pack) =>
        pack.chemistry === now.chemistry &&
        (pack.protected || !now.protected) &&
        pack.cellsInSeries === now.cellsInSeries &&
        pack.capacityMah.likely * runs.cautiousH > (item.capacityMah ?? now.capacityMah).likely * wanted &&
        pack.steadyLimitA >= now.steadyLimitA,
    );
  const restA = assessment.moods[0]?.draw.restA ?? 0;
  const factor = (assessment.usualA * (runs.cautiousH / wanted) - restA) / Math.max(1e-9, assessment.usualA - restA);
  const dimmed = dimUntilEnough(design, library, factor);
  return [
    {
      id: 'runs-short',
      gravity: 'mend',
      stage: 'power',
      aboutId: supply.rail.id,
      actual: { kind: 'timeH', value: runs.cautiousH },
      limit: { kind: 'timeH', value: wanted },
      what: `Runs for ${hours(runs.cautiousH)} with caution (likely ${hours(runs.likelyH)}); ${hours(wanted)} are wanted`,
      why: `It ends because ${describeEnd(runs.end)}. The doubt comes mostly from the ${runs.chiefCause}.`,
      mend: 'Take a larger pack, bring a second one, or dim the moods.',
      fixes: [
        ...(bigger
          ? [
              {
                label: `Take: ${bigger.name}`,
                changes: changeItem(design, item.id, { part: bigger.id, capacityMah: null }),
              },
            ]
          : []),
        ...(dimmed ? [dimmed] : []),
      ],
    },
  ];
};

const isBurning = (item: PackItem, supply: SupplyAssessment): boolean => {
  const part = supply.rail.gives.form === 'cells' ? supply.rail.gives.part : null;
  return item.id === supply.rail.id && part !== null && chemistries[part.chemistry].canBurn;
};

/** A source whose short gives less than this can't heat a thin wire: it limits itself. */
const HARMLESS_SHORT_A = 1;

/** A pack whose lead is judged by its fuse. */
interface Fused {
  readonly item: PackItem;
  readonly supply: SupplyAssessment;
  readonly burns: boolean;
  readonly bestA: number | null;
  readonly shortA: number;
  readonly fit: readonly Fix[];
}

function noFuse({ item, burns, bestA, shortA: short, fit }: Fused): Finding[] {
  if (short < HARMLESS_SHORT_A && !burns) return [];
  return [
    {
      stage: 'power',
      aboutId: item.id,
      id: `no-fuse:${item.id}`,
      gravity: burns ? 'stop' : 'mend',
      what: `No fuse in the lead of ${item.name}`,
      why: burns
        ? 'A pinched lead turns the cell’s whole energy to heat in seconds, and a lithium cell can burn.'
        : `A pinched lead takes up to ${amps(short)} from it: wire and switch get hot enough to burn.`,
      mend: `Fit a fuse close to the pack${bestA === null ? '' : `: ${amps(bestA)} suits`}.`,
      fixes: fit,
    },
  ];
}

function neverBlows({ item, burns, bestA, shortA: short, fit }: Fused, fuseA: number, leaveOut: Fix): Finding {
  return {
    stage: 'power',
    aboutId: item.id,
    id: `fuse-never:${item.id}`,
    gravity: 'mend',
    actual: { kind: 'currentA', value: fuseA },
    limit: { kind: 'currentA', value: short / 2 },
    what: `The fuse of ${amps(fuseA)} never blows: ${item.name} gives ${amps(short)} into a short`,
    why: 'A fuse wants about twice its rating to blow in seconds; these cells limit themselves below that.',
    mend: bestA === null ? 'Leave it out: a short only drains them.' : `Fit ${amps(bestA)}, or leave it out.`,
    fixes: burns ? fit : [...fit, leaveOut],
  };
}

function largeFuse({ item, supply, bestA, fit }: Fused, fuseA: number): Finding[] {
  const [worst] = guardedBy(supply)
    .filter((link) => fuseA > link.limitA * (1 + 1e-9))
    .sort((a, b) => a.limitA - b.limitA);
  const packA = supply.mostA;
  const isLarge = Number.isFinite(packA) && packA > 0 && fuseA > 2 * packA * 1.3 && bestA !== null && bestA < fuseA;
  if (!worst && !isLarge) return [];
  return [
    {
      stage: 'power',
      aboutId: item.id,
      id: `fuse-large:${item.id}`,
      gravity: worst ? 'stop' : 'mend',
      actual: { kind: 'currentA', value: fuseA },
      limit: { kind: 'currentA', value: worst?.limitA ?? 2 * packA },
      what: worst
        ? `The fuse of ${amps(fuseA)} guards too little: ${worst.name} bears ${amps(worst.limitA)}`
        : `The fuse of ${amps(fuseA)} guards too little`,
      why: worst
        ? 'What is behind it burns before the fuse does.'
        : `At peak ${amps(packA)} flow; a fuse should be 1.25 to 2 times that.`,
      mend: bestA === null ? 'Take a smaller fuse, or stronger parts behind it.' : `Fit ${amps(bestA)}.`,
      fixes: fit,
    },
  ];
}

/** Fuse of every pack: there, and of the right size. */
export const fuseRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'cells') return [];
    const { item } = gives;
    const [bestA, short] = [suitFuse(supply), shortA(supply)];
    const set = (label: string, fuseA: number | null): Fix => ({
      label,
      changes: changeItem(design, item.id, { fuseA }),
    });
    const fits = bestA !== null && bestA !== item.fuseA && bestA <= short / 2;
    const fused: Fused = {
      item,
      supply,
      burns: isBurning(item, supply),
      bestA,
      shortA: short,
      fit: fits ? [set(`Fit ${amps(bestA)}`, bestA)] : [],
    };
    if (item.fuseA === null) return noFuse(fused);
    if (item.fuseA > short / 2) return [neverBlows(fused, item.fuseA, set('Leave it out', null))];
    return largeFuse(fused, item.fuseA);
  });

/** Every pack wants a way to be cut off. */
export const switchRule: Rule = ({ design, assessment }) =>
  assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    if (gives.form !== 'cells') return [];
    const { item } = gives;
    const behind = assessment.rails.list.filter((rail) => rail.sourceId === item.id);
    if (behind.some((rail) => rail.gives.form === 'contact')) return [];
    const drawn = assessment.consumers.filter((each) => behind.some((rail) => rail.id === each.railId));
    if (drawn.length === 0) return [];
    const packA = Number.isFinite(supply.mostA) ? supply.mostA : 0;
    const enough = switches.find(
      (part) => part.limitA >= packA * 1.1 && !part.momentary && part.magnetic === undefined,
    );
    const id = design.items.some((each) => each.id === 'switch') ? `switch-of-${item.id}`.slice(0, 40) : 'switch';
    return [
      {
        id: `no-switch:${item.id}`,
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        what: `No switch in the lead of ${item.name}`,
        why:
          design.piece.carriedBy === 'nobody'
            ? 'What hangs on it draws for as long as there is charge, and there is no quick way to cut the power.'
            : 'What hangs on it draws all night; in an emergency there is no quick way for the wearer to cut the power.',
        mend:
          design.piece.carriedBy === 'nobody'
            ? 'Put a switch where a hand reaches it.'
            : 'Put a switch where the wearer reaches it.',
        fixes:
          enough && assessment.supplies.length === 1
            ? [
                {
                  label: `Add: ${enough.name}`,
                  changes: [
                    {
                      path: ['items'],
                      value: [
                        ...design.items.map((each) =>
                          'feed' in each && each.feed === item.id ? { ...each, feed: id } : each,
                        ),
                        {
                          ...kindOf('switch').create({ id, name: 'Switch', at: item.at }),
                          part: enough.id,
                          feed: item.id,
                        },
                      ],
                    },
                  ],
                },
              ]
            : [],
      },
    ];
  });

/** Boards and their rails must suit each other over the life of the pack; lights must bear theirs. */
export const supplyRangeRule: Rule = (input) => {
  const { assessment } = input;
  const boards = assessment.boards.flatMap((board): Finding[] => {
    const rail = board.railId === null ? undefined : assessment.rails.byId.get(board.railId);
    const range = rail?.range;
    if (!range || !rail) return [];
    const findings: Finding[] = [];
    if (range.leastV < board.part.supplyLeastV) {
      const isConverted = rail.gives.form === 'converter';
      findings.push({
        id: `rail-low:${board.id}`,
        gravity: isConverted || range.nominalV >= board.part.supplyLeastV ? 'mend' : 'stop',
        stage: 'power',
        aboutId: board.id,
        actual: { kind: 'voltageV', value: range.leastV },
        limit: { kind: 'voltageV', value: board.part.supplyLeastV },
        what: `The rail of ${board.name} falls to ${volts(range.leastV)}; it wants ${volts(board.part.supplyLeastV)}`,
        why: 'It resets or hangs before the pack is empty, and the rest of the charge is lost.',
        mend: 'Put a converter between, or take a controller that bears less.',
        fixes: isConverted ? [] : addBoost(input),
      });
    }
    if (range.mostV > board.part.supplyMostV)
      findings.push({
        id: `rail-high:${board.id}`,
        gravity: 'stop',
        stage: 'power',
        aboutId: board.id,
        actual: { kind: 'voltageV', value: range.mostV },
        limit: { kind: 'voltageV', value: board.part.supplyMostV },
        what: `At its fullest the rail gives ${volts(range.mostV)}; ${board.name} bears ${volts(board.part.supplyMostV)}`,
        why: 'It is destroyed when it is switched on.',
        mend: 'Take a converter or a pack of lower voltage.',
        fixes: [],
      });
    return findings;
  });
  const low = assessment.chains.find(
    (chain) => chain.voltageV.length > 0 && chain.railV > 0 && chain.leastV < chain.wantsV,
  );
  const isStraight = low && low.railV < low.wantsV + 0.3;
  return [
    ...boards,
    ...(low
      ? [
          {
            id: 'tape-low',
            gravity: 'mend' as const,
            stage: 'power' as const,
            aboutId: low.tapeIds[low.tapeIds.length - 1] ?? null,
            actual: { kind: 'voltageV' as const, value: low.leastV },
            limit: { kind: 'voltageV' as const, value: low.wantsV },
            what: `The far pixels get ${volts(low.leastV)} at peak; they want ${volts(low.wantsV)}`,
            why: 'Blue and green fade first, so white goes warm, and below that the pixel stops.',
            mend: 'Thicker wire to the tape, a shorter tape for each feed, or less brightness.',
            fixes: isStraight ? addBoost(input) : [],
          },
        ]
      : []),
  ];
};

/** How far above its rated voltage a tape is destroyed rather than brighter. */
const OVER_VOLTAGE = 1.1;

/** What a part wants at least and bears at most; null for what no rail feeds. */
function bearsV(part: Part): { readonly leastV: number; readonly mostV: number } | null {
  switch (part.kind) {
    case 'pixel-tape':
      return { leastV: part.leastVoltageV, mostV: part.ratedVoltageV * OVER_VOLTAGE };
    case 'plain-tape':
      return { leastV: part.voltageV * 0.75, mostV: part.voltageV * 1.15 };
    case 'load':
    case 'box':
      return { leastV: part.leastV, mostV: part.mostV };
    case 'driver':
      return { leastV: part.inputLeastV, mostV: part.inputMostV };
    default:
      return null;
  }
}

/** Lights and loads on a rail that they do not bear, or that is too little for them. */
export const overVoltageRule: Rule = ({ design, assessment, library }) =>
  design.items.flatMap((item): Finding[] => {
    const part = 'part' in item && item.part !== null ? library.parts.get(item.part) : undefined;
    const rated = part ? bearsV(part) : null;
    const consumer = assessment.consumers.find((each) => each.id === item.id);
    const railId = consumer?.railId ?? assessment.rails.feedOf(item);
    const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
    if (!rated || !range) return [];
    if (range.mostV > rated.mostV * (1 + 1e-9))
      return [
        {
          id: `over-voltage:${item.id}`,
          gravity: 'stop',
          stage: 'power',
          aboutId: item.id,
          actual: { kind: 'voltageV', value: range.mostV },
          limit: { kind: 'voltageV', value: rated.mostV },
          what: `${item.name} gets ${volts(range.mostV)} and bears ${volts(rated.mostV)}`,
          why: 'It is destroyed when it is switched on.',
          mend: 'Feed it from a rail of its own voltage: a converter makes one.',
          fixes: [],
        },
      ];
    // Pixels tell of their own voltage along the tape.
    if (part?.kind === 'pixel-tape' || range.nominalV >= rated.leastV) return [];
    return [
      {
        id: `under-voltage:${item.id}`,
        gravity: 'mend',
        stage: 'power',
        aboutId: item.id,
        actual: { kind: 'voltageV', value: range.nominalV },
        limit: { kind: 'voltageV', value: rated.leastV },
        what: `${item.name} gets ${volts(range.nominalV)} and wants at least ${volts(rated.leastV)}`,
        why: 'It stays dim or dark, or does not start.',
        mend: 'Feed it from a rail of its own voltage: a converter makes one.',
        fixes: [],
      },
    ];
  });

/** What the pack does to a converter, and a power bank to a small load. */
export const packMatchRule: Rule = ({ assessment }) => {
  const tooHigh = assessment.rails.list.flatMap((rail): Finding[] => {
    const from = rail.fromId === null ? undefined : assessment.rails.byId.get(rail.fromId);
    if (rail.gives.form !== 'converter' || !rail.gives.part || !from?.range) return [];
    const { part } = rail.gives;
    if (from.range.mostV <= part.inputMostV) return [];
    return [
      {
        id: `converter-input-high:${rail.id}`,
        gravity: 'stop',
        stage: 'power',
        aboutId: rail.id,
        actual: { kind: 'voltageV', value: from.range.mostV },
        limit: { kind: 'voltageV', value: part.inputMostV },
        what: `At its fullest ${from.name} gives ${volts(from.range.mostV)}; the converter bears ${volts(part.inputMostV)}`,
        why:
          part.topology === 'boost'
            ? 'A boost converter can only lift: what is above its output passes straight through to the lights.'
            : 'It is destroyed when it is switched on.',
        mend: 'Take a buck converter that bears this pack, or a pack of fewer cells.',
        fixes: [],
      },
    ];
  });
  const sleeping = assessment.supplies.flatMap((supply): Finding[] => {
    const { gives } = supply.rail;
    const below = gives.form === 'cells' || gives.form === 'outside' ? gives.part?.switchesOffBelowA : undefined;
    const lowest = assessment.moods.reduce((least, mood) => Math.min(least, mood.meanA), Number.POSITIVE_INFINITY);
    if (below === undefined || lowest >= below) return [];
    return [
      {
        id: `bank-sleeps:${supply.rail.id}`,
        gravity: 'mend',
        stage: 'power',
        aboutId: supply.rail.id,
        actual: { kind: 'currentA', value: lowest },
        limit: { kind: 'currentA', value: below },
        what: `${supply.rail.name} switches itself off below ${amps(below)}; the dimmest mood draws ${amps(lowest)}`,
        why: 'It takes a small load for a telephone that is full, and the piece goes dark in the middle of the evening.',
        mend: 'Take a bank with a mode for small loads, a pack with a converter, or a brighter lowest mood.',
        fixes: [],
      },
    ];
  });
  return [...tooHigh, ...sleeping];
};

/** Supplies whose signals cross must share their minus. */
export const minusRule: Rule = ({ design, assessment }) => {
  const minusOf = (railId: string | null): string | null =>
    railId === null ? null : (assessment.rails.byId.get(railId)?.minusId ?? null);
  const steered = new Map(
    assessment.driven.flatMap((driven) => {
      const [first] = assessment.switched.get(driven.itemId) ?? [];
      return driven.board && first
        ? [
            [
              driven.itemId,
              { name: driven.name, id: driven.itemId, a: minusOf(driven.board.railId), b: minusOf(first.railId) },
            ] as const,
          ]
        : [];
    }),
  );
  const crossings = [
    ...steered.values(),
    ...assessment.dataLines.flatMap((line) => {
      const item = itemNamed(design, line.tapeId);
      return item && line.board
        ? [{ name: item.name, id: item.id, a: minusOf(line.board.railId), b: minusOf(assessment.rails.feedOf(item)) }]
        : [];
    }),
    ...design.items.flatMap((item) => {
      const giverId = kindOf(item.kind).control?.givenBy?.(item);
      if (giverId === undefined || !('board' in item)) return [];
      const [from, to] = [giverId, item.board].map(
        (id) => assessment.boards.find((board) => board.id === id) ?? assessment.boards[0],
      );
      return from && to ? [{ name: item.name, id: item.id, a: minusOf(from.railId), b: minusOf(to.railId) }] : [];
    }),
  ];
  return crossings
    .filter(({ a, b }) => a !== null && b !== null && a !== b)
    .map(
      ({ name, id, a, b }): Finding => ({
        id: `minus-apart:${id}`,
        gravity: 'stop',
        stage: 'power',
        aboutId: id,
        what: `${name} is steered across two supplies that do not share their minus`,
        why: 'A signal is a voltage against minus: without a common one nothing switches, or the current finds a way through the chip.',
        mend: 'Join the two minuses with a wire.',
        fixes: [a, b].flatMap((minusId) => {
          const giver = minusId === null ? undefined : itemNamed(design, minusId);
          return giver && 'minus' in giver
            ? [{ label: `Join the minus of ${giver.name}`, changes: changeItem(design, giver.id, { minus: 'joined' }) }]
            : [];
        }),
      }),
    );
};

/** Several rails could be meant by an item that names none. */
export const whichRailRule: Rule = ({ design, assessment }) => {
  if (!assessment.rails.isAmbiguous) return [];
  const silent = design.items.filter(
    (item) => 'feed' in item && item.feed === null && !assessment.rails.byId.has(item.id),
  );
  const main = assessment.rails.mainId === null ? undefined : assessment.rails.byId.get(assessment.rails.mainId);
  if (silent.length === 0 || !main) return [];
  return [
    {
      id: 'which-rail',
      gravity: 'mend',
      stage: 'power',
      aboutId: silent[0]?.id ?? null,
      what: `There are several rails, and ${silent.length === 1 ? `${silent[0]?.name} does` : `${silent.length} items do`} not say which feeds ${silent.length === 1 ? 'it' : 'them'}`,
      why: `They are reckoned on ${main.name}.`,
      mend: 'Choose for each what feeds it.',
      fixes: [
        {
          label: `They are fed from ${main.name}`,
          changes: silent.flatMap((item) => changeItem(design, item.id, { feed: main.id })),
        },
      ],
    },
  ];
};
