import { distanceToGroupMm, type Finding, kindOf, named, rangeOfChip } from '../items/index.ts';
import { boardOf } from '../network/index.ts';
import { changeItem, controlsOf, pinOwnerOf } from '../plan/index.ts';
import { say, volts } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { lowEnoughV, tellSense } from './tellSense.ts';
import { tellSwapped } from './tellSwapped.ts';

const TOO_NEAR_MM = 60;

/** A light that shines on its own sensor makes the piece switch itself off and on. */
export const ownLightRule: Rule = ({ design, assessment }) => {
  const sensors = [
    ...assessment.sensing.flatMap((each) => (each.kind === 'light' && !each.isLevel ? [each.control] : [])),
    ...design.items.flatMap((item) => (kindOf(item.kind).seesLight && 'at' in item ? [item] : [])),
  ];
  return sensors.flatMap((sensor) =>
    assessment.placed
      .filter((group) => distanceToGroupMm(group, sensor.at) < TOO_NEAR_MM)
      .map(
        (group): Finding => ({
          ...named('own-light', sensor.id, group.id),
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
    const told = tellSwapped({ name: control.name, darkOhm: sense.darkOhm, lightOhm: sense.lightOhm });
    if (!told) return [];
    return [
      {
        ...told,
        ...named(told.rule, control.id),
        stage: 'drive',
        aboutId: control.id,
        fixes:
          sense.darkOhm < sense.lightOhm
            ? [
                {
                  label: 'Exchange them',
                  edits: changeItem(design, control.id, { darkOhm: sense.lightOhm, lightOhm: sense.darkOhm }),
                },
              ]
            : [],
      },
    ];
  });

/** A sensor with a small board of its own, on a chip whose supply it does not bear, or not any more once the pack is spent. */
export const moduleVoltsRule: Rule = ({ design, assessment }) =>
  controlsOf(design).flatMap((control): Finding[] => {
    const worksV = kindOf(control.kind).control?.worksV;
    const board = boardOf(assessment.boards, control.board);
    const rail = assessment.rails.byId.get(board?.railId ?? '')?.range;
    if (!worksV || !board || !rail) return [];
    const chip = rangeOfChip(board.part, rail);
    const [leastV, mostV] = worksV;
    const isOver = chip.mostV > mostV + 1e-9;
    if (!isOver && chip.leastV >= leastV - 1e-9) return [];
    return [
      {
        ...named('module-volts', control.id),
        gravity: isOver ? 'stop' : 'mend',
        stage: 'drive',
        aboutId: control.id,
        actual: { kind: 'voltageV', value: isOver ? chip.mostV : chip.leastV },
        limit: { kind: 'voltageV', value: isOver ? mostV : leastV },
        what: isOver
          ? say`${control.name} gets up to ${volts(chip.mostV)} from ${board.name}; it bears ${volts(mostV)}`
          : say`${control.name} gets no more than ${volts(chip.leastV)} from ${board.name} once the pack is spent; it works from ${volts(leastV)}`,
        why: isOver
          ? 'Above that its own part breaks.'
          : 'Below that it sees or hears nothing, or cries out by itself: just when the show runs late.',
        mend: isOver
          ? 'Feed the board lower, or take another sensor.'
          : 'A converter before the board, a fresher pack, or a sensor that works lower.',
        fixes: [],
      },
    ];
  });

/** A reading shakes by this share of the converter’s top each way; typical. */
const NOISE_SHARE = 25 / 4096;

/** Two readings so near each other that the noise of the converter crosses both thresholds: the lamp chatters at dusk. */
export const narrowSensorRule: Rule = ({ assessment }) =>
  assessment.sensing.flatMap((sensing): Finding[] => {
    if (sensing.kind !== 'light' || sensing.sense.darkOhm <= sensing.sense.lightOhm) return [];
    const { control, board, design } = sensing;
    const gap = design.lightAbove - design.darkBelow;
    const least = Math.ceil(2 * NOISE_SHARE * 2 ** board.part.converterBits) + 1;
    if (gap >= least) return [];
    return [
      {
        ...named('sensor-narrow', control.id),
        gravity: 'mend',
        stage: 'drive',
        aboutId: control.id,
        actual: { kind: 'count', value: gap },
        limit: { kind: 'count', value: least },
        what: `${control.name}: between its dark and its light are ${gap} codes, and a reading shakes by about ${least - 1}`,
        why: 'Noise alone crosses both thresholds: at dusk it goes to and fro.',
        mend: 'Take readings that lie farther apart, or have fewer levels on one sensor.',
        fixes: [],
      },
    ];
  });

/** A further level that another board is to read than the one that its sensor is soldered to. */
export const levelApartRule: Rule = ({ design, assessment }) =>
  controlsOf(design).flatMap((control): Finding[] => {
    const owner = controlsOf(design).find(({ id }) => id === pinOwnerOf(control));
    if (!owner || owner === control) return [];
    const boardId = (of: string | null): string | undefined => boardOf(assessment.boards, of)?.id;
    if (boardId(owner.board) === boardId(control.board)) return [];
    return [
      {
        ...named('level-apart', control.id),
        gravity: 'stop',
        stage: 'drive',
        aboutId: control.id,
        what: `${control.name} is a level of ${owner.name}, which another controller reads`,
        why: 'One pin measures a sensor: a controller without it knows nothing of the level.',
        mend: 'Let the same controller hear both, or give it a sensor of its own.',
        fixes: [
          {
            label: `Let the controller of ${owner.name} hear it`,
            edits: changeItem(design, control.id, { board: owner.board }),
          },
        ],
      },
    ];
  });

/** A knob whose threshold lies where the converter no longer tells. */
export const knobRule: Rule = ({ assessment }) =>
  assessment.sensing.flatMap((sensing): Finding[] => {
    if (sensing.kind !== 'knob' || sensing.design.upAbove < sensing.design.fullCode) return [];
    const { control, board } = sensing;
    return [
      {
        ...named('knob-never', control.id),
        gravity: 'stop',
        stage: 'drive',
        aboutId: control.id,
        what: `${control.name} never counts as turned up`,
        why: say`Its slider goes up to the chip’s supply; the converter of ${board.part.name} ends at ${volts(board.part.converterReferenceV ?? board.part.logicV)}.`,
        mend: 'Let it count as turned up earlier.',
        fixes: [],
      },
    ];
  });

/** A charge sense that can't act: on its own rail, or with a threshold that the pack never has. */
export const chargeSenseRule: Rule = ({ design, assessment }) =>
  assessment.sensing.flatMap((sensing): Finding[] => {
    if (sensing.kind !== 'charge') return [];
    const { control, sense, fullV, emptyV, steadyFromV } = sensing;
    const told = tellSense({ name: control.name, lowV: sense.lowV, fullV, emptyV, steadyFromV });
    if (!told) return [];
    const betterV = lowEnoughV({ fullV, emptyV, steadyFromV });
    return [
      {
        ...told,
        ...named(told.rule, control.id),
        stage: 'drive',
        aboutId: control.id,
        fixes:
          betterV === null
            ? []
            : [{ label: say`Set it to ${volts(betterV)}`, edits: changeItem(design, control.id, { lowV: betterV }) }],
      },
    ];
  });
