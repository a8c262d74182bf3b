import { type DrivenLeds, LEAST_HEAD_ROOM_V, leastHighLevel } from '../drive/index.ts';
import { distanceToGroupMm } from '../lights/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Finding, Rule } from './finding.ts';

const volts = (value: number): string => printQuantity('voltageV', value);
const amps = (value: number): string => printQuantity('currentA', value);
const ohms = (value: number): string => printQuantity('resistanceOhm', value);
const watts = (value: number): string => printQuantity('powerW', value);

const wattages = [0.125, 0.25, 0.5, 1, 2, 5];

function describeHeadRoom(leds: DrivenLeds): Pick<Finding, 'gravity' | 'what'> {
  const { headRoomV, leastHeadRoomV } = leds.resistor;
  const from = `${volts(leds.feed.nominalV)} feeds a drop of ${volts(leds.forwardV.likely)}`;
  if (headRoomV <= 0) return { gravity: 'stop', what: `${leds.name} has no head-room: ${from}` };
  if (headRoomV < LEAST_HEAD_ROOM_V)
    return { gravity: 'mend', what: `${leds.name} has only ${volts(headRoomV)} of head-room: ${from}` };
  return {
    gravity: 'mend',
    what: `${leds.name} fades with the pack: at ${volts(leds.feed.leastV)} ${leastHeadRoomV <= 0 ? 'no' : `only ${volts(leastHeadRoomV)} of`} head-room is left`,
  };
}

/** Head-room at the end of the pack's life below which the light has faded to little. */
const SPENT_HEAD_ROOM_V = 0.1;

/** Too little voltage left over for the resistor to do its work, now or when the pack is spent. */
export const headRoomRule: Rule = ({ design, assessment }) =>
  assessment.driven
    .filter((leds) => leds.resistor.headRoomV < LEAST_HEAD_ROOM_V || leds.resistor.leastHeadRoomV < SPENT_HEAD_ROOM_V)
    .map((leds) => ({
      id: `head-room:${leds.groupId}`,
      stage: 'drive',
      aboutId: leds.groupId,
      ...describeHeadRoom(leds),
      why: 'With little head-room a small change of the pack makes a large change of the light, and none at all means dark.',
      mend: 'Feed it from a higher rail (a boost converter), or take a light with a lower drop.',
      fixes:
        design.power.converter === null && design.power.pack !== null
          ? [{ label: 'Add a 5 V boost converter', changes: [{ path: ['power', 'converter'], value: 'boost-5v-1a5' }] }]
          : [],
    }));

/** A resistor that lets the light go over its rating in the brightest corner. */
export const overRatingRule: Rule = ({ design, assessment }) =>
  assessment.driven
    .filter((leds) => leds.resistor.brightestA > leds.ratedCurrentA * (1 + 1e-9))
    .map((leds) => ({
      id: `over-rating:${leds.groupId}`,
      gravity: 'stop' as const,
      stage: 'drive' as const,
      aboutId: leds.groupId,
      what: `${leds.name} may take ${amps(leds.resistor.brightestA)} and is rated for ${amps(leds.ratedCurrentA)}`,
      why: `${ohms(leds.resistor.resistorOhm)} is too little at a full supply with a light of low drop and a resistor at the low end of its tolerance.`,
      mend: `Take the reckoned resistor; the exact one is ${ohms(leds.resistor.exactOhm)}.`,
      fixes: [
        {
          label: 'Take the reckoned resistor',
          changes: [
            { path: ['leds', design.leds.findIndex((group) => group.id === leds.groupId), 'resistorOhm'], value: null },
          ],
        },
      ],
    }));

/** Half its rating is the most a resistor should turn to heat in a closed piece. */
export const resistorPowerRule: Rule = ({ design, assessment }) =>
  assessment.driven.flatMap((leds): Finding[] => {
    const index = design.leds.findIndex((group) => group.id === leds.groupId);
    const group = design.leds[index];
    if (!group || leds.resistor.heatW <= group.resistorRatedW / 2) return [];
    const enough = wattages.find((rated) => leds.resistor.heatW <= rated / 2);
    return [
      {
        id: `resistor-power:${leds.groupId}`,
        gravity: 'mend',
        stage: 'drive',
        aboutId: leds.groupId,
        what: `The resistor of ${leds.name} turns ${watts(leds.resistor.heatW)} to heat and is rated ${watts(group.resistorRatedW)}`,
        why: 'In a closed prop a resistor should carry at most half of its rating: it gets hot enough to mark skin, foam and prints.',
        mend: enough
          ? `Take one rated ${watts(enough)}.`
          : 'Spread the heat over several resistors, or lower the current.',
        fixes: enough
          ? [{ label: `Take ${watts(enough)}`, changes: [{ path: ['leds', index, 'resistorRatedW'], value: enough }] }]
          : [],
      },
    ];
  });

/** More current than the strongest transistor switch of the catalogue bears. */
export const switchLoadRule: Rule = ({ assessment }) =>
  assessment.driven.flatMap((leds): Finding[] => {
    if (leds.by.kind !== 'transistor' || leds.channelBrightestA <= leds.by.part.currentLimitA) return [];
    return [
      {
        id: `switch-load:${leds.groupId}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: leds.groupId,
        what: `A channel of ${leds.name} asks ${amps(leds.channelBrightestA)} of a transistor that bears ${amps(leds.by.part.currentLimitA)}`,
        why: 'A transistor that is loaded beyond its limit fails, mostly by staying on.',
        mend: 'Share its lights among more channels, or let each draw less.',
        fixes: [],
      },
    ];
  });

/** More current than a pin, or all pins together, may give. */
export const pinLoadRule: Rule = ({ design, assessment }) => {
  const { controller } = assessment;
  if (!controller) return [];
  const single = assessment.driven.flatMap((leds): Finding[] => {
    const pinA = leds.by.kind === 'pin' ? leds.channelBrightestA : leds.by.pinA;
    if (pinA <= controller.pinLimitA * (1 + 1e-9)) return [];
    return [
      {
        id: `pin-load:${leds.groupId}`,
        gravity: 'stop',
        stage: 'drive',
        aboutId: leds.groupId,
        what: `${leds.name} asks ${amps(pinA)} of a pin that gives ${amps(controller.pinLimitA)}`,
        why: 'The pin sags, so it seems to work, and fails later or takes the controller with it.',
        mend: 'Switch the channel with a transistor, or share its lights among more channels.',
        fixes: [
          {
            label: 'Switch it with a transistor',
            changes: [
              {
                path: ['leds', design.leds.findIndex((group) => group.id === leds.groupId), 'drivenBy'],
                value: 'auto',
              },
            ],
          },
        ],
      },
    ];
  });
  const chipA = assessment.driven.reduce(
    (sum, leds) => sum + (leds.by.kind === 'pin' ? leds.totalA : leds.by.pinA * leds.lightsOnChannel.length),
    0,
  );
  if (chipA <= controller.chipLimitA) return single;
  return [
    ...single,
    {
      id: 'chip-load',
      gravity: 'stop',
      stage: 'drive',
      aboutId: null,
      what: `All pins together give ${amps(chipA)}; this controller bears ${amps(controller.chipLimitA)}`,
      why: 'The sum over the chip has a limit of its own, below pins × limit.',
      mend: 'Switch the larger groups with transistors.',
      fixes: assessment.driven.some((leds) => leds.by.kind === 'pin')
        ? [
            {
              label: 'Switch all groups with transistors',
              changes: design.leds.map((_, i) => ({ path: ['leds', i, 'drivenBy'], value: 'transistor' })),
            },
          ]
        : [],
    },
  ];
};

/** No legal plan of pins. */
export const pinPlanRule: Rule = ({ design, assessment }) => {
  const plan = assessment.pinPlan;
  if (!plan || plan.ok) return [];
  return [
    {
      id: 'no-pins',
      gravity: 'stop',
      stage: 'drive',
      aboutId: null,
      what: `No pin plan: ${plan.reason}`,
      why: 'Each dimmed light, reading and data line needs a pin that can do it.',
      mend: 'Do one of these.',
      fixes:
        design.drive.pinLocks.length > 0
          ? [{ label: 'Free all locked pins', changes: [{ path: ['drive', 'pinLocks'], value: [] }] }]
          : [],
    },
  ];
};

/** Data level, series resistor, reservoir and memory of the pixels. */
export const pixelRule: Rule = ({ design, assessment }) => {
  const { controller, dataLines, rail } = assessment;
  if (dataLines.length === 0) return [];
  const findings: Finding[] = [];
  const firstId = dataLines[0]?.tapeId ?? null;
  const neededV = leastHighLevel.reckon({ Vp: rail.nominalV });
  if (controller && !design.drive.levelShifter && controller.logicV < neededV) {
    findings.push({
      id: 'data-level',
      gravity: 'mend',
      stage: 'drive',
      aboutId: firstId,
      what: `The data line is ${volts(controller.logicV)} high; pixels on ${volts(rail.nominalV)} want ${volts(neededV)}`,
      why: 'Below seven tenths of their own supply pixels may misread the data: flicker, wrong colours, worse when warm or on a long lead.',
      mend: 'Put a level shifter into the data line, or feed the pixels from a lower voltage.',
      fixes: [{ label: 'Add a level shifter', changes: [{ path: ['drive', 'levelShifter'], value: true }] }],
    });
  }
  if (design.drive.dataResistorOhm === null) {
    findings.push({
      id: 'data-resistor',
      gravity: 'mend',
      stage: 'drive',
      aboutId: firstId,
      what: 'No resistor in the data line before the first pixel',
      why: 'It damps the ringing of the wire and saves the first pixel when data comes before power.',
      mend: 'Put 220 Ω to 470 Ω into the data line, close to the first pixel.',
      fixes: [{ label: 'Add 330 Ω', changes: [{ path: ['drive', 'dataResistorOhm'], value: 330 }] }],
    });
  }
  if (design.power.reservoirUf === null) {
    findings.push({
      id: 'reservoir',
      gravity: 'mend',
      stage: 'drive',
      aboutId: firstId,
      what: 'No reservoir capacitor at the tape’s feed',
      why: 'When many pixels light at once the lead can’t follow, and the first one takes the dip.',
      mend: 'Put 470 µF to 1000 µF across plus and minus where the tape is fed; mind its polarity.',
      fixes: [{ label: 'Add 1000 µF', changes: [{ path: ['power', 'reservoirUf'], value: 1000 }] }],
    });
  }
  return findings;
};

const TOO_NEAR_MM = 60;

/** A light that shines on its own sensor makes the piece switch itself off and on. */
export const ownLightRule: Rule = ({ assessment }) =>
  assessment.sensing.flatMap(({ kind, control }) => {
    if (kind !== 'light') return [];
    const near = assessment.placed.filter((group) => distanceToGroupMm(group, control.at) < TOO_NEAR_MM);
    return near.map(
      (group): Finding => ({
        id: `own-light:${control.id}:${group.id}`,
        gravity: 'mind',
        stage: 'drive',
        aboutId: control.id,
        what: `${group.name} may shine on ${control.name}`,
        why: 'Then the piece sees its own light as day, goes dark, lights again, and flickers.',
        mend: 'Put the sensor behind a tube or wall, or farther off; read it while the lights are out.',
        fixes: [],
      }),
    );
  });
