import { coneRadiusMm, slipsALoopAfterS, toggleInStep, transmitterRangeShare } from '../../drive/index.ts';
import { percent, say } from '../../units/index.ts';
import { assume, choice } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers what a receiver costs all evening. */
export const remoteSum = defineSum({
  name: 'remote',
  title: 'Remotes, and copies in step',
  about: 'What a lower supply does to a transmitter’s range, what a cone covers, and how long copies stay together.',
  group: 'drive',
  inputs: {
    end: choice('end', 'Below its rated supply runs', ['the transmitter', 'the receiver'], 'the transmitter'),
    supplyV: assume('voltageV', 'supply', 'It gets', 3.2, { least: 0.5, most: 24 }),
    ratedV: assume('voltageV', 'rated', 'It is made for', 4.8, { least: 0.5, most: 24 }),
    halfAngleDeg: assume('angleDeg', 'angle', 'Half angle of an infrared eye', 40, { least: 1, most: 89 }),
    distanceMm: assume('lengthMm', 'distance', 'At a distance of', 5000, { least: 10, most: 1e6 }),
    presses: assume('count', 'presses', 'Presses of a toggle', 20, { whole: true, least: 0, most: 10_000 }),
    loss: assume('fraction', 'loss', 'Each is lost with', 0.05, { least: 0, most: 0.5 }),
    loopS: assume('timeS', 'loop', 'Loop of the mood', 2.4, { least: 0.01, most: 3600 }),
    mismatch: assume('fraction', 'mismatch', 'Clocks differ by', 0.004, { least: 1e-6, most: 0.2 }),
  },
  reckon: ({ end, supplyV, ratedV, halfAngleDeg, distanceMm, presses, loss, loopS, mismatch }) => ({
    results: [
      mainFigure(
        'rangeShare',
        'Of its range, at most',
        'fraction',
        end === 'the transmitter' ? transmitterRangeShare(supplyV, ratedV) : null,
      ),
      figure('coneRadiusMm', 'The eye covers, to each side', 'lengthMm', coneRadiusMm(halfAngleDeg, distanceMm)),
      figure('inStep', `In step after ${presses} presses of a toggle`, 'fraction', toggleInStep(presses, loss)),
      figure('slipsAfterS', 'A whole loop apart after', 'timeS', slipsALoopAfterS(loopS, mismatch)),
    ],
    steps: [],
    findings: findingsWhere(
      [
        end === 'the receiver',
        finding(
          'must-be-tested',
          'mend',
          'A receiver below its rated supply must be tested',
          'Its range follows no law that can be relied on, and none is made up here.',
          'Walk the range with the piece worn, wet and turned away, on a pack that is nearly empty.',
        ),
      ],
      [
        toggleInStep(presses, loss) < 0.9,
        finding(
          'toggle-drifts',
          'mend',
          say`Only ${percent(toggleInStep(presses, loss))} are in step after ${presses} presses`,
          'A toggle lost once stays wrong for ever.',
          'Send "go to mood 2" instead of "next": it heals itself with the next one heard.',
        ),
      ],
      [
        true,
        finding(
          'bodies',
          'mind',
          'Metal, water and bodies eat radio; mouldings hide infrared',
          'It works on the table and not in the crowd.',
          'Aerial away from metal and skin, the eye where it sees out.',
        ),
      ],
    ),
  }),
});
