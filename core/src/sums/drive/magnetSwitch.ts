import { discField, type Finding, reachMm, tellMagnet, worksThrough } from '../../items/index.ts';
import { fillSum } from '../../units/index.ts';
import { sample } from '../drawing.ts';
import { ask, assume } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

interface Judged {
  readonly pullInMt: number;
  readonly dropOutMt: number;
  readonly pullInMm: number;
  readonly wallMm: number;
}

/** What is amiss, or to be known. */
const judge = ({ pullInMt, dropOutMt, pullInMm, wallMm }: Judged): Finding[] => [
  ...findingsWhere([
    pullInMt <= dropOutMt,
    finding(
      'no-hysteresis',
      'stop',
      'A switch drops out at a weaker field than it pulls in',
      'The two values are swapped.',
      'Exchange them.',
    ),
  ]),
  ...asInPlan(tellMagnet({ name: 'the switch', pullInMm, wallMm })),
  finding(
    'lost-magnet',
    'mind',
    'Think of the magnet lost',
    'Lit with it or lit without it: one of the two leaves the piece lit or dark for good.',
    'Closure magnets nearby work the same switch: keep twice the drop-out distance.',
  ),
];

/** Answers whether a magnet works a switch through a wall. */
export const magnetSwitchSum = defineSum({
  name: 'magnet-switch',
  title: 'Magnet through the skin',
  about: 'How far a disc magnet works a magnetic switch, and whether it does through the wall.',
  group: 'drive',
  inputs: {
    diameterMm: ask('lengthMm', 'diameter', 'Diameter of the disc', 6, { most: 200, usual: [2, 30] }),
    thicknessMm: ask('lengthMm', 'thickness', 'Thickness', 3, { most: 100, usual: [0.5, 20] }),
    wallMm: ask('lengthMm', 'wall', 'Wall between', 8, { least: 0, most: 500, usual: [0.5, 30] }),
    remanenceMt: assume('fluxMt', 'remanence', 'Remanence', 1200, { least: 50, most: 1500 }),
    pullInMt: assume('fluxMt', 'pullin', 'Switch pulls in at', 2.5, { least: 0.1, most: 100 }),
    dropOutMt: assume('fluxMt', 'dropout', '… and drops out at', 1.2, { least: 0.05, most: 100 }),
  },
  reckon: ({ diameterMm, thicknessMm, wallMm, remanenceMt, pullInMt, dropOutMt }) => {
    const disc = { Br: remanenceMt, r: diameterMm / 2, t: thicknessMm };
    const pullInMm = reachMm(disc, pullInMt);
    const dropOutMm = reachMm(disc, dropOutMt);
    return {
      results: [
        mainFigure('pullInMm', 'Pulls in within', 'lengthMm', pullInMm),
        figure('dropOutMm', 'Drops out beyond', 'lengthMm', dropOutMm),
        figure('fieldMt', 'Field behind the wall', 'fluxMt', discField.reckon({ ...disc, z: wallMm })),
        text('works', 'Works through the wall with a third in hand', worksThrough(pullInMm, wallMm)),
      ],
      steps: [fillSum(discField, { ...disc, z: wallMm })],
      findings: judge({ pullInMt, dropOutMt, pullInMm, wallMm }),
      drawing: {
        kind: 'lines',
        x: { label: 'distance from its face', kind: 'lengthMm' },
        y: { label: 'field', kind: 'fluxMt' },
        lines: [
          {
            name: 'field',
            role: 'curve',
            points: sample(2, Math.max(10, dropOutMm * 1.3), 100, (z) => discField.reckon({ ...disc, z })),
          },
          {
            name: 'pulls in',
            role: 'limit',
            points: [
              [2, pullInMt],
              [Math.max(10, dropOutMm * 1.3), pullInMt],
            ],
          },
          {
            name: 'drops out',
            role: 'limit',
            points: [
              [2, dropOutMt],
              [Math.max(10, dropOutMm * 1.3), dropOutMt],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});
