import type { Assessment } from '../assess.ts';
import { LEAST_HEAD_ROOM_V, leastHighLevel } from '../drive/index.ts';
import { distanceToGroupMm, type Finding, type Fix, kindOf, type LightItem } from '../items/index.ts';
import { type Driven, isProgrammed, unlitOverPin } from '../network/index.ts';
import { changeItem, changeWay, itemNamed } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Rule, RuleInput } from './finding.ts';

const volts = (value: number): string => printQuantity('voltageV', value);
const amps = (value: number): string => printQuantity('currentA', value);
const ohms = (value: number): string => printQuantity('resistanceOhm', value);
const watts = (value: number): string => printQuantity('powerW', value);

const wattages = [0.125, 0.25, 0.5, 1, 2, 5];

/** What leaves headroom for a group: told of the voltage that its loop works against. */
function describeHeadRoom(
  driven: Driven,
  headRoomV: number,
  leastHeadRoomV: number,
): Pick<Finding, 'gravity' | 'what'> {
  const from = `${volts(driven.feed.nominalV)} feeds a drop of ${volts(driven.forwardV.likely)}`;
  if (headRoomV <= 0) return { gravity: 'stop', what: `${driven.name} has no head-room: ${from}` };
  if (headRoomV < LEAST_HEAD_ROOM_V)
    return { gravity: 'mend', what: `${driven.name} has only ${volts(headRoomV)} of head-room: ${from}` };
  return {
    gravity: 'mend',
    what: `${driven.name} fades with the pack: at ${volts(driven.feed.leastV)} ${leastHeadRoomV <= 0 ? 'no' : `only ${volts(leastHeadRoomV)} of`} head-room is left`,
  };
}

/** Head-room at the end of the pack's life below which the light has faded to little. */
const SPENT_HEAD_ROOM_V = 0.1;

/** A converter put between, for what wants more than the pack gives. */
export function addBoost({ design, assessment }: RuleInput, id = 'converter'): Fix[] {
  const { rails } = assessment;
  const from = rails.mainId === null ? undefined : rails.byId.get(rails.mainId);
  if (!from || rails.list.some((rail) => rail.gives.form === 'converter')) return [];
  const free = design.items.some((item) => item.id === id) ? `${id}-5v` : id;
  const board = design.items.find((item) => kindOf(item.kind).role === 'board');
  const at = board && 'at' in board ? board.at : { xMm: design.view.widthMm / 2, yMm: design.view.heightMm / 2 };
  // A fresh converter is a boost one for 5 V.
  const item = kindOf('converter').create({ id: free, name: 'Converter', at });
  return [{ label: 'Add a 5 V boost converter', changes: [{ path: ['items'], value: [...design.items, item] }] }];
}

/** Too little voltage left over for the resistor to do its work, now or when the pack is spent. */
export const headRoomRule: Rule = (input) =>
  input.assessment.driven.flatMap((driven): Finding[] => {
    const { resistor } = driven;
    if (!resistor) return [];
    const { headRoomV, leastHeadRoomV } = resistor;
    if (headRoomV >= LEAST_HEAD_ROOM_V && leastHeadRoomV >= SPENT_HEAD_ROOM_V) return [];
    return [
      {
        id: `head-room:${driven.itemId}`,
        stage: 'drive',
        aboutId: driven.itemId,
        ...describeHeadRoom(driven, headRoomV, leastHeadRoomV),
        actual: { kind: 'voltageV', value: Math.min(headRoomV, leastHeadRoomV) },
        limit: { kind: 'voltageV', value: headRoomV < LEAST_HEAD_ROOM_V ? LEAST_HEAD_ROOM_V : SPENT_HEAD_ROOM_V },
        why: 'With little head-room a small change of the pack makes a large change of the light, and none at all means dark.',
        mend: 'Feed it from a higher rail (a boost converter), or take a light with a lower drop.',
        fixes: addBoost(input),
      },
    ];
  });

/** The single lights of this id; null where it is something else. */
function singleLights({ placed }: Assessment, itemId: string): LightItem | null {
  const group = placed.find((each) => each.id === itemId);
  return group?.shape === 'lights' ? group.group : null;
}

/** A resistor that lets the light go over its rating in the brightest corner. */
export const overRatingRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const { resistor, corners } = driven;
    if (corners.brightestA <= driven.ratedCurrentA * (1 + 1e-9) || !singleLights(assessment, driven.itemId)) return [];
    return [
      {
        id: `over-rating:${driven.itemId}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: corners.brightestA },
        limit: { kind: 'currentA', value: driven.ratedCurrentA },
        what: `${driven.name} may take ${amps(corners.brightestA)} and is rated for ${amps(driven.ratedCurrentA)}`,
        why: resistor
          ? `${ohms(resistor.resistorOhm)} is too little at a full supply with a light of low drop and a resistor at the low end of its tolerance.`
          : 'What holds its current is set to more than the light bears.',
        mend: resistor
          ? `Take the reckoned resistor; the exact one is ${ohms(resistor.exactOhm)}.`
          : 'Set the driver to less, or take a stronger light.',
        fixes: resistor?.overruled
          ? [{ label: 'Take the reckoned resistor', changes: changeItem(design, driven.itemId, { resistorOhm: null }) }]
          : [],
      },
    ];
  });

/** From here on a resistor gives so little of what is wanted that it was hardly meant. */
const FAR_SHARE = 0.5;

/** A resistor of the maker's own that is far from the wish: by decades, or by the drop that was left out of the sum. */
export const farResistorRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const { resistor, corners } = driven;
    const item = singleLights(assessment, driven.itemId);
    if (!resistor?.overruled || !item) return [];
    const share = corners.currentA / item.wantedCurrentA;
    if (share >= FAR_SHARE) return [];
    const withoutDrop = driven.feed.nominalV / item.wantedCurrentA;
    const isWithoutDrop = Math.abs(Math.log(resistor.resistorOhm / withoutDrop)) < Math.log(1.25);
    const decades = Math.round(Math.log10(resistor.resistorOhm / Math.max(1, resistor.exactOhm)));
    return [
      {
        id: `resistor-far:${driven.itemId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: corners.currentA },
        limit: { kind: 'currentA', value: item.wantedCurrentA },
        what: `${ohms(resistor.resistorOhm)} gives ${driven.name} ${amps(corners.currentA)}: ${printQuantity('fraction', share, { digits: 2 })} of the ${amps(item.wantedCurrentA)} wanted`,
        why: isWithoutDrop
          ? 'It is what supply ÷ current gives: the light’s own drop was left out of the sum. It still glows, so nobody notices.'
          : decades > 0
            ? `It is ${10 ** decades} times what is needed: a decade or more out, or kΩ where Ω was meant.`
            : 'It was reckoned for another supply, or for another light.',
        mend: `The exact one is ${ohms(resistor.exactOhm)}; take the reckoned resistor, or wish for less.`,
        fixes: [
          { label: 'Take the reckoned resistor', changes: changeItem(design, driven.itemId, { resistorOhm: null }) },
        ],
      },
    ];
  });

/** Half its rating is the most a resistor should turn to heat in a closed piece. */
export const resistorPowerRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const item = singleLights(assessment, driven.itemId);
    const { resistor } = driven;
    if (!item || !resistor || resistor.heatW <= item.resistorRatedW / 2) return [];
    const enough = wattages.find((rated) => resistor.heatW <= rated / 2);
    return [
      {
        id: `resistor-power:${driven.itemId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'powerW', value: resistor.heatW },
        limit: { kind: 'powerW', value: item.resistorRatedW / 2 },
        what: `The resistor of ${driven.name} turns ${watts(resistor.heatW)} to heat and is rated ${watts(item.resistorRatedW)}`,
        why: 'In a closed prop a resistor should carry at most half of its rating: it gets hot enough to mark skin, foam and prints.',
        mend: enough
          ? `Take one rated ${watts(enough)}.`
          : 'Spread the heat over several resistors, or lower the current.',
        fixes: enough
          ? [{ label: `Take ${watts(enough)}`, changes: changeItem(design, driven.itemId, { resistorRatedW: enough }) }]
          : [],
      },
    ];
  });

/** More current than the transistor of a channel bears. */
export const switchLoadRule: Rule = ({ assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const limitA = driven.transistor?.part.currentLimitA;
    if (limitA === undefined || driven.channelBrightestA <= limitA) return [];
    return [
      {
        id: `switch-load:${driven.itemId}:${driven.channels[0] ?? 0}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: driven.itemId,
        actual: { kind: 'currentA', value: driven.channelBrightestA },
        limit: { kind: 'currentA', value: limitA },
        what: `A channel of ${driven.name} asks ${amps(driven.channelBrightestA)} of a transistor that bears ${amps(limitA)}`,
        why: 'A transistor that is loaded beyond its limit fails, mostly by staying on.',
        mend: 'Share its lights among more channels, or let each draw less.',
        fixes: [],
      },
    ];
  });

/** What a channel asks of its pin: the lights' own current, or what drives the transistor. */
const pinCurrent = (driven: Driven): number =>
  driven.way.throughPin === 'not' ? (driven.transistor?.pinA ?? 0) : driven.channelBrightestA;

/** More current than a pin, or all pins of a board together, may give or take. */
export const pinLoadRule: Rule = ({ design, assessment }) =>
  assessment.boards.flatMap((board): Finding[] => {
    const own = assessment.driven.filter((driven) => driven.board?.id === board.id && isProgrammed(driven.way));
    const asTransistor = (driven: Driven) =>
      changeWay(design, driven.itemId, { way: 'transistor below', board: driven.board?.id ?? null, part: null });
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
            id: `pin-load:${driven.itemId}${assessment.boards.length > 1 ? `:${board.id}` : ''}`,
            gravity: 'stop',
            stage: 'drive',
            aboutId: driven.itemId,
            actual: { kind: 'currentA', value: pinA },
            limit: { kind: 'currentA', value: board.part.pinLimitA },
            what: `${driven.name} asks ${amps(pinA)} of a pin that ${driven.way.throughPin === 'taken' ? 'takes' : 'gives'} ${amps(board.part.pinLimitA)}`,
            why: 'The pin sags, so it seems to work, and fails later or takes the controller with it.',
            mend: 'Switch the channel with a transistor, or share its lights among more channels.',
            fixes:
              driven.way.throughPin === 'not'
                ? []
                : [{ label: 'Switch it with a transistor', changes: asTransistor(driven) }],
          },
        ];
      });
    const chipA = own.reduce(
      (sum, driven) =>
        sum +
        (driven.way.throughPin === 'not' ? (driven.transistor?.pinA ?? 0) * driven.channels.length : driven.totalA),
      0,
    );
    if (chipA <= board.part.chipLimitA) return single;
    const direct = own.filter((driven) => driven.way.throughPin !== 'not');
    return [
      ...single,
      {
        id: `chip-load:${board.id}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: board.id,
        actual: { kind: 'currentA', value: chipA },
        limit: { kind: 'currentA', value: board.part.chipLimitA },
        what: `All pins of ${board.name} together carry ${amps(chipA)}; its chip bears ${amps(board.part.chipLimitA)}`,
        why: 'The sum over the chip has a limit of its own, below pins × limit.',
        mend: 'Switch the larger groups with transistors.',
        fixes:
          direct.length > 0
            ? [
                {
                  label: 'Switch all groups with transistors',
                  changes: [...new Map(direct.map((driven) => [driven.itemId, driven])).values()].flatMap(asTransistor),
                },
              ]
            : [],
      },
    ];
  });

/** No legal plan of pins, or one on which a load hangs on a pin that moves while the board starts. */
export const pinPlanRule: Rule = ({ design, assessment }) =>
  assessment.pins.flatMap(({ board, plan }): Finding[] => {
    const free = (demands: readonly string[]): Fix[] => [
      {
        label: demands.length === board.item.pinLocks.length ? 'Free all locked pins' : 'Free that pin',
        changes: changeItem(design, board.id, {
          pinLocks: board.item.pinLocks.filter((lock) => !demands.includes(lock.demand)),
        }),
      },
    ];
    if (!plan.ok)
      return [
        {
          id: `no-pins:${board.id}`,
          gravity: 'stop',
          stage: 'drive',
          aboutId: board.id,
          what: `No pin plan for ${board.name}: ${plan.reason}`,
          why: 'Each dimmed light, reading and data line needs a pin that can do it.',
          mend: 'Do one of these.',
          fixes: board.item.pinLocks.length > 0 ? free(board.item.pinLocks.map((lock) => lock.demand)) : [],
        },
      ];
    return plan.given
      .filter(({ demand, pin }) => demand.isLoad && pin.startUp !== undefined)
      .map(
        ({ demand, pin, locked }): Finding => ({
          id: `start-pin:${demand.id}`,
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

/** Data level, series resistor and reservoir of the pixels. */
export const pixelRule: Rule = ({ design, assessment }) =>
  assessment.chains.flatMap((chain): Finding[] => {
    const [firstId] = chain.tapeIds;
    const item = itemNamed(design, firstId ?? null);
    const line = assessment.dataLines.find((each) => each.tapeId === firstId);
    if (!item || !('dataResistorOhm' in item) || !line?.board || !firstId) return [];
    const findings: Finding[] = [];
    const neededV = leastHighLevel.reckon({ Vp: chain.railV });
    const { board } = line;
    const isOwnRail = board.part.regulator === null && board.railId === chain.railId;
    const highV = isOwnRail ? chain.railV : board.part.logicV;
    if (chain.railV > 0 && !item.levelShifter && highV < neededV - 1e-9)
      findings.push({
        id: `data-level:${firstId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: firstId,
        actual: { kind: 'voltageV', value: highV },
        limit: { kind: 'voltageV', value: neededV },
        what: `The data line is ${volts(highV)} high; pixels on ${volts(chain.railV)} want ${volts(neededV)}`,
        why: 'Below seven tenths of their own supply pixels may misread the data: flicker, wrong colours, worse when warm or on a long lead.',
        mend: 'Put a level shifter into the data line, or feed the pixels from a lower voltage.',
        fixes: [{ label: 'Add a level shifter', changes: changeItem(design, firstId, { levelShifter: true }) }],
      });
    if (item.dataResistorOhm === null)
      findings.push({
        id: `data-resistor:${firstId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: firstId,
        what: `No resistor in the data line before the first pixel of ${item.name}`,
        why: 'It damps the ringing of the wire and saves the first pixel when data comes before power.',
        mend: 'Put 220 Ω to 470 Ω into the data line, close to the first pixel.',
        fixes: [{ label: 'Add 330 Ω', changes: changeItem(design, firstId, { dataResistorOhm: 330 }) }],
      });
    if (item.reservoirUf === null)
      findings.push({
        id: `reservoir:${firstId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: firstId,
        what: `No reservoir capacitor at the feed of ${item.name}`,
        why: 'When many pixels light at once the lead can’t follow, and the first one takes the dip.',
        mend: 'Put 470 µF to 1000 µF across plus and minus where the tape is fed; mind its polarity.',
        fixes: [{ label: 'Add 1000 µF', changes: changeItem(design, firstId, { reservoirUf: 1000 }) }],
      });
    return findings;
  });

/** Below this a light is dark even at night. */
const SEEN_A = 1e-5;

/** What a light between plus and a pin keeps when the pin says dark, and through the chip's clamp when it lets go. */
export const pinLowRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((driven): Finding[] => {
    const left = unlitOverPin(driven, driven.feed.mostV);
    if (!left || !driven.board) return [];
    const base = { stage: 'drive', aboutId: driven.itemId } as const;
    const fixes: Fix[] = [
      {
        label: 'Light it with the pin high',
        changes: changeWay(design, driven.itemId, { way: 'pin high', board: driven.board.id }),
      },
      {
        label: 'A transistor below',
        changes: changeWay(design, driven.itemId, { way: 'transistor below', board: driven.board.id, part: null }),
      },
    ];
    const limitA = driven.board.part.injectionLimitA;
    if (left.releasedA * (driven.lightsOnChannel[0] ?? 1) > limitA)
      return [
        {
          ...base,
          id: `clamp:${driven.itemId}`,
          gravity: 'stop',
          actual: { kind: 'currentA', value: left.releasedA },
          limit: { kind: 'currentA', value: limitA },
          what: `While the controller starts ${amps(left.releasedA)} flow through ${driven.name} into a pin that is let go; it bears ${amps(limitA)}`,
          why: 'The rail is higher than the chip’s supply: the light stays lit and the chip is fed backwards through its clamp.',
          mend: 'Light it with the pin high, or put a transistor below.',
          fixes,
        },
      ];
    if (left.drivenHighA > SEEN_A)
      return [
        {
          ...base,
          id: `glows-unlit:${driven.itemId}`,
          gravity: 'mend',
          actual: { kind: 'currentA', value: left.drivenHighA },
          limit: { kind: 'currentA', value: SEEN_A },
          what: `${driven.name} keeps ${amps(left.drivenHighA)} when it should be dark`,
          why: 'The rail is higher than the chip’s supply: what is left between them stands over light and resistor.',
          mend: 'Light it with the pin high, or put a transistor below.',
          fixes,
        },
      ];
    return left.releasedA > SEEN_A
      ? [
          {
            ...base,
            id: `faint-at-start:${driven.itemId}`,
            gravity: 'mind',
            actual: { kind: 'currentA', value: left.releasedA },
            limit: { kind: 'currentA', value: SEEN_A },
            what: `${driven.name} glows faintly while the controller starts: ${amps(left.releasedA)}`,
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
      changes: [
        ...changeWay(design, item.id, { way, board: first.board?.id ?? null }),
        { path: ['items', design.items.indexOf(item), 'waySoldered'], value: undefined },
      ],
    });
    return [
      {
        id: `way-soldered:${item.id}`,
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

const TOO_NEAR_MM = 60;

/** A light that shines on its own sensor makes the piece switch itself off and on. */
export const ownLightRule: Rule = ({ design, assessment }) => {
  const sensors = [
    ...assessment.sensing.flatMap(({ kind, control }) => (kind === 'light' ? [control] : [])),
    ...design.items.flatMap((item) => (kindOf(item.kind).seesLight && 'at' in item ? [item] : [])),
  ];
  return sensors.flatMap((sensor) =>
    assessment.placed
      .filter((group) => distanceToGroupMm(group, sensor.at) < TOO_NEAR_MM)
      .map(
        (group): Finding => ({
          id: `own-light:${sensor.id}:${group.id}`,
          gravity: 'mind',
          stage: 'drive',
          aboutId: sensor.id,
          what: `${group.name} may shine on ${sensor.name}`,
          why: 'Then the piece sees its own light as day, goes dark, lights again, and flickers.',
          mend: 'Put the sensor behind a tube or wall, or farther off; read it while the lights are out.',
          fixes: [],
        }),
      ),
  );
};

/** A sensor whose two readings are exchanged: dark must be the higher resistance. */
export const swappedSensorRule: Rule = ({ design, assessment }) =>
  assessment.sensing.flatMap((sensing): Finding[] => {
    if (sensing.kind !== 'light') return [];
    const { control, sense } = sensing;
    if (sense.darkOhm > sense.lightOhm) return [];
    return [
      {
        id: `sensor-swapped:${control.id}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: control.id,
        actual: { kind: 'resistanceOhm', value: sense.darkOhm },
        limit: { kind: 'resistanceOhm', value: sense.lightOhm },
        what: `${control.name} reads ${ohms(sense.darkOhm)} in the dark and ${ohms(sense.lightOhm)} in light: the two are exchanged, or the same`,
        why: 'A photoresistor has the higher resistance in the dark. As it stands the piece lights by day.',
        mend: 'Exchange the two readings, or measure again.',
        fixes:
          sense.darkOhm < sense.lightOhm
            ? [
                {
                  label: 'Exchange them',
                  changes: changeItem(design, control.id, { darkOhm: sense.lightOhm, lightOhm: sense.darkOhm }),
                },
              ]
            : [],
      },
    ];
  });

/** A charge sense that can't act: on its own rail, or with a threshold that the pack never has. */
export const chargeSenseRule: Rule = ({ design, assessment }) =>
  assessment.sensing.flatMap((sensing): Finding[] => {
    if (sensing.kind !== 'charge') return [];
    const { control, sense, board, pack, fullV, emptyV } = sensing;
    const base = { stage: 'drive', aboutId: control.id } as const;
    const boardRail = board.railId === null ? undefined : assessment.rails.byId.get(board.railId);
    const isOwnRail =
      board.part.regulator === null && boardRail?.sourceId === pack.id && boardRail.gives.form !== 'converter';
    if (isOwnRail)
      return [
        {
          ...base,
          id: `sense-own-rail:${control.id}`,
          gravity: 'stop',
          what: `${control.name} reads the pack against the pack itself`,
          why: 'This chip runs straight at the pack’s voltage and counts with it: the reading is the same from full to empty, and the alarm never comes.',
          mend: 'Take a controller with a regulator, or feed this one from a converter.',
          fixes: [],
        },
      ];
    const isBelow = sense.lowV <= emptyV;
    if (!isBelow && sense.lowV < fullV) return [];
    const better = Math.round((emptyV + (fullV - emptyV) * 0.3) * 100) / 100;
    return [
      {
        ...base,
        id: `sense-never:${control.id}`,
        gravity: 'stop',
        actual: { kind: 'voltageV', value: sense.lowV },
        limit: { kind: 'voltageV', value: isBelow ? emptyV : fullV },
        what: isBelow
          ? `${control.name} waits for ${volts(sense.lowV)}; the pack is cut off at ${volts(emptyV)}`
          : `${control.name} calls low below ${volts(sense.lowV)}; a full pack has ${volts(fullV)}`,
        why: isBelow ? 'The piece is dark before the alarm comes.' : 'The alarm is on from the first minute.',
        mend: `Set it between the two: ${volts(better)} leaves time to go home.`,
        fixes: [{ label: `Set it to ${volts(better)}`, changes: changeItem(design, control.id, { lowV: better }) }],
      },
    ];
  });
