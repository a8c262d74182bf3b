import { tellCarried } from '../../findings/index.ts';
import { chemistryNames } from '../../parts/index.ts';
import { packEnergy, packsForEvent, swapTimesH } from '../../power/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, mainFigure } from '../sum.ts';

/** Answers packs to bring, and when to change them. */
export const eventPacksSum = defineSum({
  name: 'event-packs',
  title: 'Packs for an event',
  about: 'How many packs to bring, when to change them, and the energy of each for whoever carries them.',
  group: 'power',
  inputs: {
    eventH: ask('timeH', 'event', 'The event lasts', 5.5, { most: 1000, usual: [0.3, 48] }),
    cautiousH: ask('timeH', 'cautious', 'One pack runs, with caution', 1.9, {
      least: 0.01,
      most: 100_000,
      usual: [0.2, 48],
    }),
    likelyH: optional('timeH', 'likely', '… and likely'),
    nominalV: assume('voltageV', 'nominal', 'Nominal voltage', 11.1, { least: 0.5, most: 60 }),
    capacityMah: assume('capacityMah', 'capacity', 'Capacity', 2600, { most: 1e6 }),
    chemistry: choice('chemistry', 'Chemistry', chemistryNames, 'lithium-ion'),
  },
  reckon: ({ eventH, cautiousH, likelyH, nominalV, capacityMah, chemistry }) => {
    const count = packsForEvent.reckon({ T: eventH, t: cautiousH });
    const wh = packEnergy.reckon({ U: nominalV, C: capacityMah });
    return {
      results: [
        mainFigure('packs', 'Packs', 'count', count),
        ...(likelyH === null
          ? []
          : [
              figure(
                'packsIfLikely',
                'Counted with the likely time',
                'count',
                packsForEvent.reckon({ T: eventH, t: likelyH }),
              ),
            ]),
        { form: 'figures', key: 'swapH', label: 'Change after', kind: 'timeH', values: swapTimesH(eventH, cautiousH) },
        figure('energyWh', 'Energy of each', 'energyWh', wh),
        figure('allWh', 'Of all', 'energyWh', wh * count),
      ],
      steps: [
        fillSum(packsForEvent, { T: eventH, t: cautiousH }),
        fillSum(packEnergy, { U: nominalV, C: capacityMah }),
      ],
      findings: [
        ...asInPlan(tellCarried({ name: 'Each pack', chemistry, energyWh: wh })),
        finding(
          'in-the-bag',
          'mind',
          'Guard the switch and the contacts in the bag',
          'A piece that switches itself on in a bag heats and is empty on the night.',
          'Pack out, contacts taped; a spare that is charged.',
        ),
      ],
    };
  },
});
