import { dotPitchMm, type Finding, named, type PlacedTape } from '../items/index.ts';
import { changeItem, changeWay, measureRoute } from '../plan/index.ts';
import { mm, say } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { DOTS_RIPPLE, evenAtMm, tellDots } from './tellDots.ts';
import { tellNoLight } from './tellNoLight.ts';
import { tellSeam } from './tellSeam.ts';

/** A tape that has no light on its route, or that is not drawn yet. */
export const emptyTapeRule: Rule = ({ assessment }) =>
  assessment.placed.flatMap((group): Finding[] =>
    group.shape !== 'lights' && group.cut.lights === 0
      ? [
          {
            ...tellNoLight({
              name: group.name,
              routeMm: group.routeMm,
              markMm: (1000 * group.part.lightsPerJoint) / group.part.perMetre,
            }),
            ...named('empty', group.id),
            stage: 'lights',
            aboutId: group.id,
            fixes: [],
          },
        ]
      : [],
  );

/** One data line on which pixels of three dice and of four hang. */
export const mixedLineRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'pixels' || group.cut.lights === 0) return [];
    const before = assessment.placed.find((each) => each.id === group.tape.after);
    if (before?.shape !== 'pixels' || before.part.dice === group.part.dice) return [];
    return [
      {
        ...named('mixed-line', group.id),
        gravity: 'stop',
        stage: 'lights',
        aboutId: group.id,
        what: `${group.name} hangs behind pixels that take another number of bytes`,
        why: 'One line sends each pixel as many bytes as the next, so from here on every colour is wrong.',
        mend: 'Give it a data line of its own, or take tapes of one kind.',
        fixes: [{ label: 'Give it its own data line', edits: changeItem(design, group.id, { after: null }) }],
      },
    ];
  });

/** Every single light of a design is meant to be somewhere; a group without a place lights nothing. */
export const unplacedRule: Rule = ({ design }) =>
  design.items
    .filter((item) => 'places' in item && item.places.length === 0)
    .map((item) => ({
      ...named('unplaced', item.id),
      gravity: 'mend',
      stage: 'lights',
      aboutId: item.id,
      what: `${item.name} has no light placed`,
      why: 'Counts, pins and wires follow from where the lights are.',
      mend: 'Place at least one on the picture.',
      fixes: [],
    }));

/** Moods that move a light which no program drives: a hand, the room or its supply decides, whatever they say. */
export const unmovedRule: Rule = ({ design, assessment }) => {
  const ids = new Set([
    ...design.moods.list.flatMap((mood) => [...Object.keys(mood.moves), ...(mood.tops ?? []).map((top) => top.on)]),
    ...(design.moods.signs ?? []).flatMap((sign) => Object.keys(sign.moves)),
  ]);
  return design.items.flatMap((item): Finding[] => {
    const [first] = assessment.switched.get(item.id) ?? [];
    const isDriven = assessment.driven.some((driven) => driven.itemId === item.id);
    if (!ids.has(item.id) || !isDriven || assessment.show.groups.some((group) => group.id === item.id)) return [];
    return [
      {
        ...named('unmoved', item.id),
        gravity: 'mend',
        stage: 'moods',
        aboutId: item.id,
        what: `Moods move ${item.name}, but no program reaches it`,
        why: `It is switched by ${first?.way.words ?? 'nothing'}: its moves are never seen.`,
        mend: 'Let a pin or a transistor switch it, or take its moves away.',
        fixes:
          assessment.boards.length === 0
            ? []
            : [
                {
                  label: 'Switch it as reckoned',
                  edits: changeWay(design, item.id, { way: 'auto' }),
                },
              ],
      },
    ];
  });
};

/** Share of the middle distance within which the last light of a ring comes back to its first. */
const CLOSED_SHARE = 1.6;

/** Lights by turns round a closed ring whose number does not go up: at the seam a channel is missing. */
export const seamRule: Rule = ({ assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'lights') return [];
    const { name, places } = group;
    const [first, second, last] = [places[0], places[1], places[places.length - 1]];
    const told = tellSeam({ name, lights: places.length, channels: group.group.channels });
    if (!told || !first || !second || !last) return [];
    const step = Math.hypot(second.xMm - first.xMm, second.yMm - first.yMm);
    const back = Math.hypot(last.xMm - first.xMm, last.yMm - first.yMm);
    if (back > CLOSED_SHARE * step) return [];
    return [{ ...told, ...named(told.rule, group.id), stage: 'lights', aboutId: group.id, fixes: [] }];
  });

/** A sheet so near to its lights that the dots show through. */
export const dotsRule: Rule = ({ assessment, design }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape === 'lights' || group.tape.diffuserMm === undefined || group.cut.lights < 2) return [];
    const row = {
      name: group.name,
      depthMm: group.tape.diffuserMm,
      pitchMm: dotPitchMm(group.part),
      evenEnough: DOTS_RIPPLE,
    };
    const told = tellDots(row);
    if (!told) return [];
    const wantedMm = evenAtMm(row);
    return [
      {
        ...told,
        ...named(told.rule, group.id),
        stage: 'lights',
        aboutId: group.id,
        fixes: [
          { label: say`Set it to ${mm(wantedMm)}`, edits: changeItem(design, group.id, { diffuserMm: wantedMm }) },
        ],
      },
    ];
  });

/** How far a typed length may lie from the drawn line before a template marked by the line would be wrong. */
const DRAWN_SHARE = 0.03;

/** Tapes whose measured length is not that of their drawn line: told once for all of them. */
export const drawnLengthRule: Rule = ({ assessment, design }) => {
  const off = assessment.placed.flatMap((group) => {
    if (group.shape === 'lights' || group.tape.lengthMm === null || group.tape.route.length < 2) return [];
    if ('grid' in group.tape && group.tape.grid) return [];
    const drawnMm = measureRoute(group.tape.route);
    return Math.abs(drawnMm - group.routeMm) <= DRAWN_SHARE * group.routeMm ? [] : [{ group, drawnMm }];
  });
  const [first, ...others] = off;
  if (!first) return [];
  const says = say`The drawn line of ${first.group.name} is ${mm(first.drawnMm)}; you say ${mm(first.group.routeMm)}`;
  return [
    {
      ...named('drawn-length', first.group.id),
      gravity: 'mind',
      stage: 'lights',
      aboutId: first.group.id,
      actual: { kind: 'lengthMm', value: first.drawnMm },
      limit: { kind: 'lengthMm', value: first.group.routeMm },
      what:
        others.length === 0 ? says : say`${says}; so it is with ${others.map(({ group }) => group.name).join(', ')}`,
      why: 'A line that curves towards the eye looks shorter than it is. The template marks such lights by your length along a straight strip, not on the line.',
      mend: 'Draw the line on, scale it about its first point, or leave it: the strip on the template is true.',
      fixes: [
        {
          label: off.length === 1 ? say`Scale the line to ${mm(first.group.routeMm)}` : 'Scale the lines',
          edits: off.flatMap(({ group, drawnMm }) =>
            changeItem(design, group.id, { route: scaleRoute(group.tape.route, group.routeMm / drawnMm) }),
          ),
        },
        {
          label: off.length === 1 ? say`Take the ${mm(first.drawnMm)} of the line` : 'Take the lengths of the lines',
          edits: off.flatMap(({ group }) => changeItem(design, group.id, { lengthMm: null })),
        },
      ],
    },
  ];
};

function scaleRoute(route: PlacedTape['tape']['route'], factor: number): PlacedTape['tape']['route'] {
  const [first] = route;
  if (!first) return route;
  return route.map((point) => ({
    xMm: Math.round((first.xMm + (point.xMm - first.xMm) * factor) * 1000) / 1000,
    yMm: Math.round((first.yMm + (point.yMm - first.yMm) * factor) * 1000) / 1000,
  }));
}
