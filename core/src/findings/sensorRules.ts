import { distanceToGroupMm, type Finding, kindOf, named } from '../items/index.ts';
import { changeItem } from '../plan/index.ts';
import { ohms, say, volts } from '../units/index.ts';
import type { Rule } from './finding.ts';

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
    if (sense.darkOhm > sense.lightOhm) return [];
    return [
      {
        ...named('sensor-swapped', control.id),
        gravity: 'stop',
        stage: 'drive',
        aboutId: control.id,
        actual: { kind: 'resistanceOhm', value: sense.darkOhm },
        limit: { kind: 'resistanceOhm', value: sense.lightOhm },
        what: say`${control.name} reads ${ohms(sense.darkOhm)} in the dark and ${ohms(sense.lightOhm)} in light: the two are exchanged, or the same`,
        why: 'A photoresistor has the higher resistance in the dark. As it stands the piece lights by day.',
        mend: 'Exchange the two readings, or measure again.',
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
          ...named('sense-own-rail', control.id),
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
        ...named('sense-never', control.id),
        gravity: 'stop',
        actual: { kind: 'voltageV', value: sense.lowV },
        limit: { kind: 'voltageV', value: isBelow ? emptyV : fullV },
        what: isBelow
          ? say`${control.name} waits for ${volts(sense.lowV)}; the pack is cut off at ${volts(emptyV)}`
          : say`${control.name} calls low below ${volts(sense.lowV)}; a full pack has ${volts(fullV)}`,
        why: isBelow ? 'The piece is dark before the alarm comes.' : 'The alarm is on from the first minute.',
        mend: say`Set it between the two: ${volts(better)} leaves time to go home.`,
        fixes: [{ label: say`Set it to ${volts(better)}`, edits: changeItem(design, control.id, { lowV: better }) }],
      },
    ];
  });
