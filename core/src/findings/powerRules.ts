import type { MoodCeiling, SupplyAssessment } from '../assess.ts';
import { chemistries, converters, type Part, packs, plugs, switches } from '../parts/index.ts';
import { chooseFuse, describeEnd, type LoadedLink, openCircuitVoltageV } from '../power/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Finding, Fix, Rule, RuleInput } from './finding.ts';

const amps = (value: number): string => printQuantity('currentA', value);
const percent = (value: number): string => printQuantity('fraction', value, { digits: 2 });
const hours = (value: number): string => printQuantity('timeH', value);

/** Parts that are cheap to exchange: where one of these gives way, exchange it rather than dim the piece. */
const exchangeable = new Set(['plug', 'switch', 'fuse', 'wire']);

function fixLink(link: LoadedLink, input: RuleInput): Fix[] {
  const { design, assessment } = input;
  const enough = link.loadA * 1.1;
  const take = (label: string, field: string, part: Part | undefined): Fix[] =>
    part ? [{ label: `${label}: ${part.name}`, changes: [{ path: ['power', field], value: part.id }] }] : [];
  switch (link.id) {
    case 'plug':
      return take(
        'Take',
        'plug',
        plugs.find((part) => part.contactLimitA >= enough),
      );
    case 'switch':
      return take(
        'Take',
        'switch',
        switches.find((part) => part.limitA >= enough),
      );
    case 'converter input':
    case 'converter output': {
      const now = assessment.supply?.parts.converter;
      const wanted = link.id === 'converter output' ? enough : assessment.peakA * 1.1;
      return take(
        'Take',
        'converter',
        converters.find(
          (part) => part.outputLimitA >= wanted && part.id !== now?.id && part.outputLimitA > (now?.outputLimitA ?? 0),
        ),
      );
    }
    case 'fuse': {
      const best = suitFuse(input);
      return best !== null && best !== design.power.fuseA
        ? [{ label: `Take ${amps(best)}`, changes: [{ path: ['power', 'fuseA'], value: best }] }]
        : [];
    }
    default:
      return [];
  }
}

/** The weakest thing a fuse must guard: wire, plug or switch. */
function suitFuse({ assessment }: RuleInput): number | null {
  const { supply } = assessment;
  if (!supply || !Number.isFinite(supply.atPeak.packA)) return null;
  const guarded = supply.links
    .filter((link) => link.id === 'plug' || link.id === 'wire' || link.id === 'switch')
    .filter((link) => link.carries === 'pack');
  return chooseFuse(supply.atPeak.packA, Math.min(...guarded.map((link) => link.limitA), Number.POSITIVE_INFINITY))
    .bestA;
}

/** True where the link rule tells of what limits this mood: a part that is over its limit and cheap to exchange. */
const isToldByLink = (ceiling: MoodCeiling, supply: SupplyAssessment): boolean =>
  ceiling.linkId !== null && exchangeable.has(ceiling.linkId) && Number.isFinite(supply.atPeak.packA);

/** A mood set brighter than the supply can follow over the whole discharge. */
export const ceilingRule: Rule = (input) => {
  const { design, assessment } = input;
  const { supply } = assessment;
  if (!supply) return [];
  return supply.ceilings.flatMap((ceiling): Finding[] => {
    if (ceiling.setTo <= ceiling.brightness + 1e-6 || isToldByLink(ceiling, supply)) return [];
    const index = design.moods.list.findIndex((mood) => mood.id === ceiling.moodId);
    const capped = Math.floor(ceiling.brightness * 100) / 100;
    const link = supply.links.find((each) => each.id === ceiling.linkId);
    return [
      {
        id: `ceiling:${ceiling.moodId}`,
        gravity: 'stop',
        stage: 'power',
        aboutId: ceiling.moodId,
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
          ...(link ? fixLink(link, input) : []),
        ],
      },
    ];
  });
};

/** A link that carries more than it may at the height of the moods. */
export const linkRule: Rule = (input) => {
  const { assessment } = input;
  const { supply } = assessment;
  if (!supply) return [];
  // Cell and converter give way together, with one mend: where a mood above its ceiling tells of it, that is enough.
  const isTold = supply.ceilings.some(
    (ceiling) => ceiling.setTo > ceiling.brightness && !isToldByLink(ceiling, supply),
  );
  return supply.links
    .filter((link) => link.fill > 1 + 1e-9 && Number.isFinite(link.loadA) && !(isTold && !exchangeable.has(link.id)))
    .map((link) => ({
      id: `link:${link.id}:${link.name}`,
      gravity: 'stop' as const,
      stage: 'power' as const,
      aboutId: null,
      what: `${link.name} carries ${amps(link.loadA)} at peak and is good for ${amps(link.limitA)}`,
      why:
        link.id === 'fuse'
          ? 'It blows in the middle of the evening.'
          : 'It heats, drops voltage or fails, on the night rather than on the bench.',
      mend: 'Take a stronger one, or lower the brightness.',
      fixes: fixLink(link, input),
    }));
};

/** Runs shorter than the brief asks, by the cautious figure. */
export const runTimeRule: Rule = ({ design, assessment }) => {
  const runs = assessment.supply?.runsFor;
  const wanted = design.piece.hoursWanted;
  if (!runs || runs.cautiousH >= wanted) return [];
  // An evening that ends in a reset is cut short by a mood above its ceiling, which is told and mended there.
  if (runs.end === 'resets' && assessment.supply?.ceilings.some((ceiling) => ceiling.setTo > ceiling.brightness))
    return [];
  const now = assessment.supply?.parts;
  const bigger =
    now &&
    packs.find(
      (pack) =>
        pack.chemistry === now.pack.chemistry &&
        (pack.protected || !now.pack.protected) &&
        pack.cellsInSeries === now.pack.cellsInSeries &&
        pack.capacityMah.likely * runs.cautiousH > now.capacityMah.likely * wanted &&
        pack.steadyLimitA >= now.pack.steadyLimitA,
    );
  const restA = assessment.moods[0]?.draw.restA ?? 0;
  const factor = (assessment.usualA * (runs.cautiousH / wanted) - restA) / Math.max(1e-9, assessment.usualA - restA);
  const dimmed = design.moods.list.map((mood, i) => ({
    path: ['moods', 'list', i, 'brightness'],
    value: Math.floor(mood.brightness * factor * 100) / 100,
  }));
  return [
    {
      id: 'runs-short',
      gravity: 'mend',
      stage: 'power',
      aboutId: null,
      what: `Runs for ${hours(runs.cautiousH)} with caution (likely ${hours(runs.likelyH)}); ${hours(wanted)} are wanted`,
      why: `It ends because ${describeEnd(runs.end)}. The doubt comes mostly from the ${runs.chiefCause}.`,
      mend: 'Take a larger pack, bring a second one, or dim the moods.',
      fixes: [
        ...(bigger
          ? [
              {
                label: `Take: ${bigger.name}`,
                changes: [
                  { path: ['power', 'pack'], value: bigger.id },
                  { path: ['power', 'capacityMah'], value: null },
                ],
              },
            ]
          : []),
        ...(factor > 0.1 ? [{ label: `Dim all moods to ${percent(factor)} of now`, changes: dimmed }] : []),
      ],
    },
  ];
};

/** Fuse and switch: there, and of the right size. */
export const guardRule: Rule = (input) => {
  const { design, assessment } = input;
  const { supply } = assessment;
  if (!supply) return [];
  const findings: Finding[] = [];
  const peakA = supply.atPeak.packA;
  const best = suitFuse(input);
  const fixFuse: Fix[] =
    best === null ? [] : [{ label: `Fit ${amps(best)}`, changes: [{ path: ['power', 'fuseA'], value: best }] }];
  if (design.power.fuseA === null) {
    findings.push({
      id: 'no-fuse',
      gravity: chemistries[supply.parts.pack.chemistry].canBurn ? 'stop' : 'mend',
      stage: 'power',
      aboutId: null,
      what: 'No fuse in the pack’s lead',
      why: 'A pinched lead turns the cell’s whole energy to heat in seconds, and a lithium cell can burn.',
      mend: `Fit a fuse close to the pack${best === null ? '' : `: ${amps(best)} suits`}.`,
      fixes: fixFuse,
    });
  } else if (
    Number.isFinite(peakA) &&
    best !== null &&
    best < design.power.fuseA &&
    (design.power.fuseA > 2 * peakA * 1.3 ||
      supply.links.some(
        (link) =>
          link.carries === 'pack' &&
          (link.id === 'wire' || link.id === 'plug') &&
          (design.power.fuseA ?? 0) > link.limitA,
      ))
  ) {
    findings.push({
      id: 'fuse-large',
      gravity: 'mend',
      stage: 'power',
      aboutId: null,
      what: `The fuse of ${amps(design.power.fuseA)} guards too little`,
      why: `At peak ${amps(peakA)} flow; a fuse should be 1.25 to 2 times that and below what wire and plug carry.`,
      mend: `Fit ${amps(best)}.`,
      fixes: fixFuse,
    });
  }
  if (design.power.switch === null) {
    const enough = switches.find((part) => part.limitA >= peakA * 1.1);
    findings.push({
      id: 'no-switch',
      gravity: 'mend',
      stage: 'power',
      aboutId: null,
      what: 'No switch in the pack’s lead',
      why: 'Dark pixels, the converter and the controller draw all night; in an emergency there is no quick way to cut the power.',
      mend: 'Put a switch where the wearer reaches it.',
      fixes: enough
        ? [{ label: `Add: ${enough.name}`, changes: [{ path: ['power', 'switch'], value: enough.id }] }]
        : [],
    });
  }
  return findings;
};

/** Controller and rail must suit each other over the life of the pack. */
export const supplyRangeRule: Rule = ({ design, assessment }) => {
  const { controller, rail, supply } = assessment;
  if (!controller || !supply) return [];
  const findings: Finding[] = [];
  const addConverter: Fix[] = supply.parts.converter
    ? []
    : [{ label: 'Add a 5 V boost converter', changes: [{ path: ['power', 'converter'], value: 'boost-5v-1a5' }] }];
  if (rail.leastV < controller.supplyLeastV) {
    findings.push({
      id: 'rail-low',
      gravity: supply.parts.converter || rail.nominalV >= controller.supplyLeastV ? 'mend' : 'stop',
      stage: 'power',
      aboutId: 'controller',
      what: `The rail falls to ${printQuantity('voltageV', rail.leastV)}; the controller wants ${printQuantity('voltageV', controller.supplyLeastV)}`,
      why: 'It resets or hangs before the pack is empty, and the rest of the charge is lost.',
      mend: 'Put a converter between, or take a controller that bears less.',
      fixes: addConverter,
    });
  }
  if (rail.mostV > controller.supplyMostV) {
    findings.push({
      id: 'rail-high',
      gravity: 'stop',
      stage: 'power',
      aboutId: 'controller',
      what: `A full pack gives ${printQuantity('voltageV', rail.mostV)}; the controller bears ${printQuantity('voltageV', controller.supplyMostV)}`,
      why: 'It is destroyed when it is switched on.',
      mend: 'Take a converter or a pack of lower voltage.',
      fixes: [],
    });
  }
  const isTaped = design.tapes.length > 0;
  const low = assessment.chains.find((chain) => chain.voltageV.length > 0 && chain.leastV < 3.7);
  if (isTaped && low) {
    findings.push({
      id: 'tape-low',
      gravity: 'mend',
      stage: 'power',
      aboutId: low.tapeIds[low.tapeIds.length - 1] ?? null,
      what: `The far pixels get ${printQuantity('voltageV', low.leastV)} at peak; they want 3.70 V`,
      why: 'Blue and green fade first, so white goes warm, and below that the pixel stops.',
      mend: 'Thicker wire to the tape, a shorter tape for each feed, or less brightness.',
      fixes: addConverter,
    });
  }
  return findings;
};

/** What the pack does to its converter, and a power bank to a small load. */
export const packMatchRule: Rule = ({ assessment }) => {
  const { supply } = assessment;
  if (!supply) return [];
  const findings: Finding[] = [];
  const { pack, converter } = supply.parts;
  const fullV = openCircuitVoltageV(supply.path.pack, 1);
  if (converter && fullV > converter.inputMostV) {
    findings.push({
      id: 'converter-input-high',
      gravity: 'stop',
      stage: 'power',
      aboutId: null,
      what: `A full pack gives ${printQuantity('voltageV', fullV)}; the converter bears ${printQuantity('voltageV', converter.inputMostV)}`,
      why:
        converter.topology === 'boost'
          ? 'A boost converter can only lift: what is above its output passes straight through to the lights.'
          : 'It is destroyed when it is switched on.',
      mend: 'Take a buck converter that bears this pack, or a pack of fewer cells.',
      fixes: [],
    });
  }
  const { switchesOffBelowA } = pack;
  const lowest = assessment.moods.reduce((least, mood) => Math.min(least, mood.meanA), Number.POSITIVE_INFINITY);
  if (switchesOffBelowA !== undefined && lowest < switchesOffBelowA) {
    findings.push({
      id: 'bank-sleeps',
      gravity: 'mend',
      stage: 'power',
      aboutId: null,
      what: `The power bank switches itself off below ${printQuantity('currentA', switchesOffBelowA)}; the dimmest mood draws ${printQuantity('currentA', lowest)}`,
      why: 'It takes a small load for a telephone that is full, and the piece goes dark in the middle of the evening.',
      mend: 'Take a bank with a mode for small loads, a pack with a converter, or a brighter lowest mood.',
      fixes: [],
    });
  }
  return findings;
};

/** How the pack is kept and charged. */
export const packCareRule: Rule = ({ design, assessment }) => {
  const { supply } = assessment;
  if (!supply) return [];
  const { power, piece } = design;
  const { chemistry, name } = supply.parts.pack;
  const findings: Finding[] = [];
  if (power.charging !== 'taken out' && !chemistries[chemistry].rechargeable) {
    findings.push({
      id: 'charge-primary',
      gravity: 'stop',
      stage: 'power',
      aboutId: null,
      what: 'Cells of this kind must never be charged',
      why: 'They leak or burst.',
      mend: 'Exchange them, or take rechargeable cells.',
      fixes: [{ label: 'They are exchanged', changes: [{ path: ['power', 'charging'], value: 'taken out' }] }],
    });
  } else if (power.charging === 'in place, while it runs') {
    findings.push({
      id: 'charge-and-use',
      gravity: 'stop',
      stage: 'power',
      aboutId: null,
      what: 'The pack is charged while the piece runs',
      why: 'The load hides the end of charge, so a plain charger never stops; a lithium cell overheats inside a closed piece.',
      mend: 'Charge it taken out, or with the switch proven to cut the load off.',
      fixes: [{ label: 'Charge it taken out', changes: [{ path: ['power', 'charging'], value: 'taken out' }] }],
    });
  }
  if (power.nextToBody && power.housing !== 'hard case' && piece.carriedBy !== 'nobody') {
    findings.push({
      id: 'cell-on-body',
      gravity: chemistries[chemistry].canBurn ? 'stop' : 'mend',
      stage: 'power',
      aboutId: null,
      what: `The pack sits next to the body ${power.housing === 'none' ? 'without a case' : 'in a soft pouch'}`,
      why: 'A fall or a screw end can pierce it against the wearer; a damaged lithium cell burns skin.',
      mend: 'Put it into a hard case, away from the spine, with the lead’s exit relieved of strain.',
      fixes: [{ label: 'Put it into a hard case', changes: [{ path: ['power', 'housing'], value: 'hard case' }] }],
    });
  }
  if (piece.carriedBy === 'child' && !power.lockedLid) {
    findings.push({
      id: 'child-reach',
      gravity: 'stop',
      stage: 'power',
      aboutId: null,
      what: `A child can reach the cells (${name})`,
      why: 'Small cells are swallowed, and a swallowed coin cell burns within two hours; loose lithium cells short.',
      mend: 'Close the pack with a lid that needs a screwdriver.',
      fixes: [{ label: 'The lid is screwed', changes: [{ path: ['power', 'lockedLid'], value: true }] }],
    });
  }
  return findings;
};
