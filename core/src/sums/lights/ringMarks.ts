import { missingChannels, tellSeam } from '../../findings/index.ts';
import { type Finding, itemsOf, kindOf } from '../../items/index.ts';
import { chordOfRing, markRing, ringRoom, skinStretch } from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

interface Judged {
  readonly room: number | null;
  readonly count: number;
  readonly channels: number | null;
}

/** What is amiss, or to be known. */
const judge = ({ room, count, channels }: Judged): Finding[] => [
  ...findingsWhere([
    room !== null && room < count,
    finding(
      'ring-full',
      'stop',
      `The ring has room for ${room} lights, not ${count}`,
      'Centres would lie closer than the lights are wide.',
      'A larger ring, smaller lights or fewer of them.',
    ),
  ]),
  ...asInPlan(channels === null ? null : tellSeam({ name: 'The ring', lights: count, channels })),
];

/** Answers marking out a ring. */
export const ringMarksSum = defineSum({
  name: 'ring-marks',
  title: 'Marks on a ring',
  about: 'Angles, divider setting and coordinates for lights on a circle, each from one datum.',
  group: 'lights',
  inputs: {
    radiusMm: ask('lengthMm', 'radius', 'Radius of the ring of centres', 62, { most: 50_000, usual: [3, 2000] }),
    count: ask('count', 'count', 'Lights', 27, { whole: true, least: 2, most: 720 }),
    startDeg: assume('angleDeg', 'start', 'Angle of the first mark', 90, { least: -360, most: 360 }),
    way: choice('way', 'Numbered', ['clockwise', 'against the clock'], 'clockwise'),
    side: choice('side', 'Seen from', ['front', 'back'], 'front'),
    spacingMm: optional('lengthMm', 'spacing', 'Least distance of two centres'),
    channels: optional('count', 'channels', 'Interleaved channels', { whole: true, least: 1, most: 24 }),
    skinRadiusMm: optional('lengthMm', 'skin', 'Radius of a curved skin'),
  },
  reckon: ({ radiusMm, count, startDeg, way, side, spacingMm, channels, skinRadiusMm }) => {
    const marks = markRing({ radiusMm, count, startDeg, clockwise: way === 'clockwise', back: side === 'back' });
    const chordMm = chordOfRing.reckon({ r: radiusMm, N: count });
    const room = spacingMm === null ? null : ringRoom.reckon({ r: radiusMm, s: spacingMm });
    return {
      results: [
        mainFigure('chordMm', 'Divider setting', 'lengthMm', chordMm),
        figure('stepDeg', 'Angle from mark to mark', 'angleDeg', 360 / count),
        figure('arcMm', 'Arc from mark to mark', 'lengthMm', (2 * Math.PI * radiusMm) / count),
        figure('circumferenceMm', 'All the way round', 'lengthMm', 2 * Math.PI * radiusMm),
        figure('driftMm', 'A divider 0.1 mm wide is off at the end by', 'lengthMm', 0.1 * count),
        ...(room === null ? [] : [figure('room', 'Lights that it has room for', 'count', room)]),
        ...(skinRadiusMm === null
          ? []
          : [figure('skinStretch', 'Pitch on the curved skin, times', 'count', skinStretch(chordMm, skinRadiusMm))]),
        ...(channels === null
          ? []
          : [
              text('seam', 'Left out between the last light and the first', missingChannels(count, channels) ?? 'none'),
            ]),
        {
          form: 'table',
          key: 'marks',
          label: 'Marks, from the centre',
          columns: [
            { key: 'number', label: 'no', kind: 'count' },
            { key: 'angleDeg', label: 'angle', kind: 'angleDeg' },
            { key: 'xMm', label: 'x', kind: 'lengthMm' },
            { key: 'yMm', label: 'y', kind: 'lengthMm' },
          ],
          rows: marks.map((mark) => [mark.number, mark.angleDeg, mark.xMm, mark.yMm]),
        },
      ],
      steps: [
        fillSum(chordOfRing, { r: radiusMm, N: count }),
        ...(spacingMm === null ? [] : [fillSum(ringRoom, { r: radiusMm, s: spacingMm })]),
      ],
      findings: judge({ room, count, channels }),
      drawing: { kind: 'ring', radiusMm, marks },
    };
  },
  intoDesign: (design, values, newId) => {
    const { radiusMm, count, startDeg, way, channels } = values;
    const marks = markRing({ radiusMm, count, startDeg, clockwise: way === 'clockwise', back: false });
    const id = newId();
    const name = `Ring ${itemsOf(design, 'light').length + 1}`;
    const fresh = kindOf('light').create({ id, name, at: { xMm: 0, yMm: 0 } });
    const ring = {
      ...fresh,
      part: 'led-3mm-amber',
      channels: Math.min(12, channels ?? 1),
      places: marks.map((mark) => ({
        id: newId(),
        // The picture counts downwards.
        at: { xMm: design.view.widthMm / 2 + mark.xMm, yMm: design.view.heightMm / 2 - mark.yMm },
        hollowId: null,
      })),
    };
    return { ...design, items: [...design.items, ring as typeof fresh] };
  },
});
