import type { Assessment } from '../assess.ts';
import { firstChipV, leastHighLevel } from '../drive/index.ts';
import { type Finding, type Fix, named, type PixelTapeItem } from '../items/index.ts';
import { type Board, type Driven, isProgrammed, type LoadDrive, unlitOverPin } from '../network/index.ts';
import { findPart } from '../parts/index.ts';
import { changeItem, changeWay, type Design, itemNamed } from '../plan/index.ts';
import { amps, ohms, say, volts } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';
import { columnsOnTransistors } from './scanRules.ts';
import { tellGate } from './tellGate.ts';

/** More current than the transistor of a channel bears. */
export const switchLoadRule: Rule = ({ assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const limitA = driven.transistor?.part.currentLimitA;
    if (limitA === undefined || driven.channelBrightestA <= limitA) return [];
    return [
      {
        ...named('switch-load', driven.itemId, driven.channels[0] ?? 0),
        gravity: 'stop',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: driven.channelBrightestA },
        limit: { kind: 'currentA', value: limitA },
        what: say`A channel of ${driven.name} asks ${amps(driven.channelBrightestA)} of a transistor that bears ${amps(limitA)}`,
        why: 'A transistor that is loaded beyond its limit fails, mostly by staying on.',
        mend: 'Share its lights among more channels, or let each draw less.',
        fixes: [],
      },
    ];
  });

/** The same of a load that a program runs: what it starts with counts, since that is when a transistor dies. */
export const loadSwitchRule: Rule = ({ assessment }) =>
  assessment.loads.flatMap(({ itemId, name, transistor, startA }): Finding[] => {
    if (!transistor || startA <= transistor.part.currentLimitA) return [];
    return [
      {
        ...named('load-switch', itemId),
        gravity: 'stop',
        stage: 'drive',
        aboutId: itemId,
        actual: { kind: 'currentA', value: startA },
        limit: { kind: 'currentA', value: transistor.part.currentLimitA },
        what: say`${name} starts with ${amps(startA)} through a transistor that bears ${amps(transistor.part.currentLimitA)}`,
        why: 'A motor that starts, or is held, takes several times what it runs with; the transistor fails by staying on.',
        mend: 'Take a stronger transistor, or a motor that asks less.',
        fixes: [],
      },
    ];
  });

/** Every transistor between a pin and what it switches. */
const listTransistors = ({ driven, loads }: Assessment) => [
  ...driven.flatMap(({ itemId, name, channels, transistor, scan }) => [
    ...(transistor ? [{ itemId, name, key: `${channels[0] ?? 0}`, transistor }] : []),
    ...(scan?.columnSwitch ? [{ itemId, name, key: 'columns', transistor: scan.columnSwitch }] : []),
  ]),
  ...loads.flatMap(({ itemId, name, transistor }) => (transistor ? [{ itemId, name, key: 'load', transistor }] : [])),
];

/** A transistor that its pin, or its rail, does not turn full on: once for an item. */
export const gateRule: Rule = ({ design, assessment }) => {
  const told = listTransistors(assessment).flatMap(({ itemId, name, key, transistor }): Finding[] => {
    const { part, driven } = transistor;
    const low = tellGate({
      name: `the transistor of ${name}`,
      type: part.type,
      drivenV: driven.leastV,
      fullOnV: part.gateV,
    });
    if (!low) return [];
    const item = itemNamed(design, itemId);
    const said = item && 'switchedBy' in item ? item.switchedBy : null;
    return [
      {
        ...low,
        ...named(low.rule, itemId, key),
        stage: 'drive',
        aboutId: itemId,
        fixes:
          said && 'part' in said && said.part !== null
            ? [{ label: 'Take the reckoned transistor', edits: changeWay(design, itemId, { ...said, part: null }) }]
            : [],
      },
    ];
  });
  return told.filter(({ aboutId }, i) => told.findIndex((each) => each.aboutId === aboutId) === i);
};

/** What a column of a grid asks of its pin: the current of a light, or what drives its transistor; nothing where another part scans. */
function columnPinA({ scan, corners }: Driven): number {
  if (!scan || scan.driver) return 0;
  return scan.columnSwitch?.pinA ?? corners.mostA;
}

/** What a channel asks of its pin: the lights' own current, or what drives the transistor. */
const pinCurrent = (driven: Driven): number =>
  driven.way.throughPin === 'not'
    ? Math.max(driven.transistor?.pinA ?? 0, columnPinA(driven))
    : driven.channelBrightestA;

/** What a group asks of all pins together; of a grid one row at a time, with each of its columns. */
function chipCurrent(driven: Driven): number {
  const { way, transistor, channels, totalA, scan } = driven;
  if (way.throughPin !== 'not') return scan ? driven.channelA : totalA;
  return (transistor?.pinA ?? 0) * channels.length + columnPinA(driven) * (scan?.layout.atOnce ?? 0);
}

/** A pin that gives more into the base of what switches a load than it bears. */
function tellOfLoad(design: Design, { itemId, name, transistor }: LoadDrive, { part }: Board): Finding[] {
  if (!transistor || transistor.pinA <= part.pinLimitA * (1 + 1e-9)) return [];
  const item = itemNamed(design, itemId);
  const said = item && 'switchedBy' in item ? item.switchedBy : null;
  return [
    {
      ...named('pin-load', itemId),
      gravity: 'stop',
      stage: 'drive',
      aboutId: itemId,
      actual: { kind: 'currentA', value: transistor.pinA },
      limit: { kind: 'currentA', value: part.pinLimitA },
      what: say`${name} is switched through ${ohms(transistor.gateOhm)} with ${amps(transistor.pinA)} of a pin that gives ${amps(part.pinLimitA)}`,
      why: 'Full on a bipolar transistor takes a tenth of what it switches; the pin sags, so it seems to work, and fails later or takes the controller with it.',
      mend: 'A field-effect transistor takes nothing; or a transistor pair, or a load that draws less.',
      fixes:
        said && 'part' in said && said.part !== null
          ? [{ label: 'Take the reckoned transistor', edits: changeWay(design, itemId, { ...said, part: null }) }]
          : [],
    },
  ];
}

/** More current than a pin, or all pins of a board together, may give or take. */
export const pinLoadRule: Rule = ({ design, assessment }) =>
  assessment.boards.flatMap((board): Finding[] => {
    const own = assessment.driven.filter((driven) => driven.board?.id === board.id && isProgrammed(driven.way));
    const asTransistor = (driven: Driven) =>
      changeWay(design, driven.itemId, { way: 'transistor below', board: driven.board?.id ?? null, part: null });
    const mendsOfPin = (driven: Driven): Fix[] =>
      driven.scan || driven.way.throughPin === 'not'
        ? columnsOnTransistors(design, driven)
        : [{ label: 'Switch it with a transistor', edits: asTransistor(driven) }];
    const worst = own.filter((driven) =>
      own.every((each) => each.itemId !== driven.itemId || pinCurrent(each) <= pinCurrent(driven)),
    );
    const single = worst
      .filter((driven, i) => worst.findIndex((each) => each.itemId === driven.itemId) === i)
      .flatMap((driven): Finding[] => {
        const pinA = pinCurrent(driven);
        if (pinA <= board.part.pinLimitA * (1 + 1e-9)) return [];
        return [
          {
            ...named('pin-load', driven.itemId, ...(assessment.boards.length > 1 ? [board.id] : [])),
            gravity: 'stop',
            stage: 'drive',
            aboutId: driven.itemId,
            actual: { kind: 'currentA', value: pinA },
            limit: { kind: 'currentA', value: board.part.pinLimitA },
            what: say`${driven.name} asks ${amps(pinA)} of a pin that ${driven.way.throughPin === 'taken' ? 'takes' : 'gives'} ${amps(board.part.pinLimitA)}`,
            why: 'The pin sags, so it seems to work, and fails later or takes the controller with it.',
            mend: 'Switch the channel with a transistor, or share its lights among more channels.',
            fixes: mendsOfPin(driven),
          },
        ];
      });
    const loads = assessment.loads.filter((load) => load.board.id === board.id && load.transistor);
    const ofLoads = loads.flatMap((load) => tellOfLoad(design, load, board));
    const chipA =
      own.reduce((sum, driven) => sum + chipCurrent(driven), 0) +
      loads.reduce((sum, { transistor }) => sum + (transistor?.pinA ?? 0), 0);
    if (chipA <= board.part.chipLimitA) return [...single, ...ofLoads];
    const direct = own.filter((driven) => driven.way.throughPin !== 'not' && !driven.scan);
    return [
      ...single,
      ...ofLoads,
      {
        ...named('chip-load', board.id),
        gravity: 'stop',
        stage: 'drive',
        aboutId: board.id,
        actual: { kind: 'currentA', value: chipA },
        limit: { kind: 'currentA', value: board.part.chipLimitA },
        what: say`All pins of ${board.name} together carry ${amps(chipA)}; its chip bears ${amps(board.part.chipLimitA)}`,
        why: 'The sum over the chip has a limit of its own, below pins × limit.',
        mend: 'Switch the larger groups with transistors.',
        fixes: [
          ...own.flatMap((driven) => columnsOnTransistors(design, driven)),
          ...(direct.length > 0
            ? [
                {
                  label: 'Switch all groups with transistors',
                  edits: [...new Map(direct.map((driven) => [driven.itemId, driven])).values()].flatMap(asTransistor),
                },
              ]
            : []),
        ],
      },
    ];
  });

/** No legal plan of pins, or one on which a load hangs on a pin that moves while the board starts. */
export const pinPlanRule: Rule = ({ design, assessment }) =>
  assessment.pins.flatMap(({ board, plan }): Finding[] => {
    const free = (demands: readonly string[]): Fix[] => [
      {
        label: demands.length === board.item.pinLocks.length ? 'Free all locked pins' : 'Free that pin',
        edits: changeItem(design, board.id, {
          pinLocks: board.item.pinLocks.filter((lock) => !demands.includes(lock.demand)),
        }),
      },
    ];
    if (!plan.ok)
      return [
        {
          ...named('no-pins', board.id),
          gravity: 'stop',
          stage: 'drive',
          aboutId: board.id,
          what: `No pin plan for ${board.name}: ${plan.reason}`,
          why: 'Each dimmed light, reading and data line needs a pin that can do it.',
          mend: 'Take a larger controller, fewer channels, or free a locked pin.',
          fixes: board.item.pinLocks.length > 0 ? free(board.item.pinLocks.map((lock) => lock.demand)) : [],
        },
      ];
    return plan.given
      .filter(({ demand, pin }) => demand.isLoad && pin.startUp !== undefined)
      .map(
        ({ demand, pin, locked }): Finding => ({
          ...named('start-pin', demand.id),
          gravity: 'mend',
          stage: 'drive',
          aboutId: board.id,
          what: `${demand.label} hangs on pin ${pin.name}, which ${pin.startUp}`,
          why: 'A load there flashes while the board starts, or keeps it from starting at all.',
          mend: locked
            ? 'Free the pin, and another is taken.'
            : 'No other pin is left that can do it: take a larger controller, or fewer channels.',
          fixes: locked ? free([demand.id]) : [],
        }),
      );
  });

/** A data line whose high level is too low for its first pixel. */
function judgeLevel(
  { design, library }: RuleInput,
  chain: Assessment['chains'][number],
  item: PixelTapeItem,
  board: Board,
): Finding[] {
  const part = findPart(library, 'pixel-tape', item.part);
  const neededAt = (spare: PixelTapeItem['spareFirst']): number =>
    leastHighLevel.reckon({ Vp: firstChipV(chain.railV, part ?? {}, spare) });
  const neededV = neededAt(item.spareFirst);
  const isOwnRail = board.part.regulator === null && board.railId === chain.railId;
  const highV = isOwnRail ? chain.railV : board.part.logicV;
  if (chain.railV <= 0 || item.levelShifter || highV >= neededV - 1e-9) return [];
  const who =
    item.spareFirst === 'behind a diode'
      ? say`a spare pixel behind a diode wants`
      : say`pixels on ${volts(part?.chipV ?? chain.railV)} want`;
  return [
    {
      ...named('data-level', item.id),
      gravity: 'mend',
      stage: 'drive',
      aboutId: item.id,
      actual: { kind: 'voltageV', value: highV },
      limit: { kind: 'voltageV', value: neededV },
      what: say`The data line is ${volts(highV)} high; ${who} ${volts(neededV)}`,
      why: 'Below seven tenths of their own supply pixels may misread the data: flicker, wrong colours, worse when warm or on a long lead.',
      mend: 'Put a level shifter into the data line, or feed the pixels from a lower voltage.',
      fixes: [
        { label: 'Add a level shifter', edits: changeItem(design, item.id, { levelShifter: true }) },
        ...(neededAt('behind a diode') <= highV
          ? [
              {
                label: 'Put a spare pixel behind a diode first',
                edits: changeItem(design, item.id, { spareFirst: 'behind a diode' }),
              },
            ]
          : []),
      ],
    },
  ];
}

/** Data level, series resistor and reservoir of the pixels. */
export const pixelRule: Rule = (input) =>
  input.assessment.chains.flatMap((chain): Finding[] => {
    const { design, assessment } = input;
    const [firstId] = chain.tapeIds;
    const item = itemNamed(design, firstId ?? null);
    const line = assessment.dataLines.find((each) => each.tapeId === firstId);
    if (!item || !('dataResistorOhm' in item) || !line?.board || !firstId) return [];
    const findings = judgeLevel(input, chain, item, line.board);
    if (item.dataResistorOhm === null)
      findings.push({
        ...named('data-resistor', firstId),
        gravity: 'mend',
        stage: 'drive',
        aboutId: firstId,
        what: `No resistor in the data line before the first pixel of ${item.name}`,
        why: 'It damps the ringing of the wire and saves the first pixel when data comes before power.',
        mend: 'Put 220 Ω to 470 Ω into the data line, close to the first pixel.',
        fixes: [{ label: 'Add 330 Ω', edits: changeItem(design, firstId, { dataResistorOhm: 330 }) }],
      });
    if (item.reservoirUf === null)
      findings.push({
        ...named('reservoir', firstId),
        gravity: 'mend',
        stage: 'drive',
        aboutId: firstId,
        what: `No reservoir capacitor at the feed of ${item.name}`,
        why: 'When many pixels light at once the lead can’t follow, and the first one takes the dip.',
        mend: 'Put 470 µF to 1000 µF across plus and minus where the tape is fed; mind its polarity.',
        fixes: [{ label: 'Add 1000 µF', edits: changeItem(design, firstId, { reservoirUf: 1000 }) }],
      });
    return findings;
  });

/** Below this a light is dark even at night. */
const SEEN_A = 1e-5;

/** What a light between plus and a pin keeps when the pin says dark, and through the chip's clamp when it lets go. */
export const pinLowRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const boardRailId = driven.board?.railId ?? null;
    // Where one pack feeds both they rise and fall together; of two, the board's may be spent first.
    const boardV =
      boardRailId === null || boardRailId === driven.railId
        ? driven.feed.mostV
        : (assessment.rails.byId.get(boardRailId)?.range?.leastV ?? driven.feed.mostV);
    const left = unlitOverPin(driven, driven.feed.mostV, boardV);
    if (!left || !driven.board) return [];
    const base = { stage: 'drive', aboutId: driven.itemId } as const;
    const fixes: Fix[] = [
      {
        label: 'Light it with the pin high',
        edits: changeWay(design, driven.itemId, { way: 'pin high', board: driven.board.id }),
      },
      {
        label: 'A transistor below',
        edits: changeWay(design, driven.itemId, { way: 'transistor below', board: driven.board.id, part: null }),
      },
    ];
    const limitA = driven.board.part.injectionLimitA;
    if (left.releasedA * (driven.loopsOnChannel[0] ?? 1) > limitA)
      return [
        {
          ...base,
          ...named('clamp', driven.itemId),
          gravity: 'stop',
          actual: { kind: 'currentA', value: left.releasedA },
          limit: { kind: 'currentA', value: limitA },
          what: say`While the controller starts ${amps(left.releasedA)} flow through ${driven.name} into a pin that is let go; it bears ${amps(limitA)}`,
          why: 'The rail is higher than the chip’s supply: the light stays lit and the chip is fed backwards through its clamp.',
          mend: 'Light it with the pin high, or put a transistor below.',
          fixes,
        },
      ];
    if (left.drivenHighA > SEEN_A)
      return [
        {
          ...base,
          ...named('glows-unlit', driven.itemId),
          gravity: 'mend',
          actual: { kind: 'currentA', value: left.drivenHighA },
          limit: { kind: 'currentA', value: SEEN_A },
          what: say`${driven.name} keeps ${amps(left.drivenHighA)} when it should be dark`,
          why: 'The rail is higher than the chip’s supply: what is left between them stands over light and resistor.',
          mend: 'Light it with the pin high, or put a transistor below.',
          fixes,
        },
      ];
    return left.releasedA > SEEN_A
      ? [
          {
            ...base,
            ...named('faint-at-start', driven.itemId),
            gravity: 'mind',
            actual: { kind: 'currentA', value: left.releasedA },
            limit: { kind: 'currentA', value: SEEN_A },
            what: say`${driven.name} glows faintly while the controller starts: ${amps(left.releasedA)}`,
            why: 'Until the program runs its pin is let go.',
            mend: 'Know it, or light it with the pin high.',
            fixes: [],
          },
        ]
      : [];
  });

/** A light whose sheets of an earlier version named the wrong cores: which was soldered is for the maker to say. */
export const solderedWayRule: Rule = ({ design, assessment }) =>
  design.items.flatMap((item): Finding[] => {
    if (!('waySoldered' in item) || item.waySoldered === undefined) return [];
    const [first] = assessment.switched.get(item.id) ?? [];
    if (!first || first.way.throughPin === 'not') return [];
    const answer = (label: string, way: 'pin high' | 'pin low'): Fix => ({
      label,
      edits: [
        ...changeWay(design, item.id, { way, board: first.board?.id ?? null }),
        ...changeItem(design, item.id, { waySoldered: undefined }),
      ],
    });
    return [
      {
        ...named('way-soldered', item.id),
        gravity: 'mend',
        stage: 'drive',
        aboutId: item.id,
        what: `${item.name}: earlier sheets said "rail plus and channel". Which did you solder?`,
        why: 'The program drove the pin high for light, which wants channel and minus. Wired to plus it shows the opposite.',
        mend: 'Say how it is wired; cores, resistor and program follow.',
        fixes: [answer('Channel and minus: lit high', 'pin high'), answer('Rail plus and channel: lit low', 'pin low')],
      },
    ];
  });
