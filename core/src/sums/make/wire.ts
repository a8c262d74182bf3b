import { tellRun } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { cutLength } from '../../network/index.ts';
import { fillSum, gauge } from '../../units/index.ts';
import {
  contactsFor,
  dropShare,
  foilOhm,
  gaugeDiameter,
  roundOhm,
  soldGauges,
  thinnestGauge,
  warmCopper,
  wireCarriesA,
  wireDrop,
  wireOhmPerMetre,
} from '../../wires/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Resistance of a metre of one core; refuses a conductor whose sizes are missing, and says which. */
function ohmOf(asked: {
  readonly conductor: string;
  readonly gaugeAwg: number;
  readonly widthMm: number | null;
  readonly thicknessMm: number | null;
  readonly threadOhmPerMetre: number | null;
  readonly ambientC: number;
}): number {
  const { conductor, gaugeAwg, widthMm, thicknessMm, threadOhmPerMetre, ambientC } = asked;
  const warm = warmCopper(ambientC);
  switch (conductor) {
    case 'foil':
      if (widthMm === null || thicknessMm === null)
        throw new SumError('Foil needs its width and thickness, and one was left open: width=5mm thickness=0.05mm');
      return foilOhm.reckon({ b: widthMm, h: thicknessMm }) * warm;
    case 'enamelled wire':
      if (widthMm === null)
        throw new SumError('Enamelled wire needs the diameter of its copper, and it was left open: width=0.2mm');
      return roundOhm.reckon({ d: widthMm }) * warm;
    case 'thread':
      if (threadOhmPerMetre === null)
        throw new SumError('Thread needs its resistance, and it was left open: thread=90Ω/m');
      // Of steel or silver in it, much as copper.
      return threadOhmPerMetre * warm;
    default:
      return wireOhmPerMetre(gaugeAwg, ambientC);
  }
}

/** What a conductor wants of the hand that joins it. */
const tellOfJoints = (conductor: string): Finding[] =>
  findingsWhere(
    [
      conductor === 'enamelled wire',
      finding(
        'scrape',
        'mind',
        'Enamelled wire is insulated until it is scraped',
        'A joint on the enamel looks sound and is open.',
        'Scrape or burn it off and tin it before it goes in.',
      ),
    ],
    [
      conductor === 'foil',
      finding(
        'foil-corners',
        'mind',
        'Foil breaks at corners and where it is folded',
        'Glue on its back is no contact, and its edges short and cut.',
        'Solder every overlap, round the edges, measure before you cover it.',
      ),
    ],
  );

/** Answers which wire. */
export const wireSum = defineSum({
  name: 'wire',
  title: 'Gauge, drop and what a wire carries',
  about:
    'Resistance and drop of a run, out and back, what it carries in a bundle, and the thinnest gauge that will do. Where you don’t say what may be lost, a gauge is chosen for 3 %, and more than 5 % is told.',
  group: 'wires',
  inputs: {
    currentA: ask('currentA', 'current', 'Current', 1.2, { most: 100, usual: [0.001, 15] }),
    lengthMm: ask('lengthMm', 'length', 'Length, one way', 700, { most: 100_000, usual: [10, 10_000] }),
    gaugeAwg: assume('gaugeAwg', 'gauge', 'Gauge', 24, { least: 8, most: 44 }),
    conductor: choice('conductor', 'Conductor', ['stranded wire', 'enamelled wire', 'foil', 'thread'], 'stranded wire'),
    widthMm: optional('lengthMm', 'width', 'Foil width, or wire diameter'),
    thicknessMm: optional('lengthMm', 'thickness', 'Foil thickness'),
    threadOhmPerMetre: optional('ohmPerMetre', 'thread', 'Resistance of the thread'),
    supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 0.5, most: 60 }),
    mostDrop: optional('fraction', 'drop', 'May lose, of the supply', { least: 0.001, most: 0.5 }, 0.03),
    ambientC: assume('temperatureC', 'ambient', 'Temperature of the copper', 20, { least: -40, most: 120 }),
  },
  reckon: ({
    currentA,
    lengthMm,
    gaugeAwg,
    conductor,
    widthMm,
    thicknessMm,
    threadOhmPerMetre,
    supplyV,
    mostDrop,
    ambientC,
  }) => {
    const isGauge = conductor === 'stranded wire';
    const r = ohmOf({ conductor, gaugeAwg, widthMm, thicknessMm, threadOhmPerMetre, ambientC });
    const dropV = wireDrop.reckon({ n: 2, I: currentA, L: lengthMm, r });
    const thinnest = thinnestGauge(soldGauges, {
      currentA,
      lengthMm,
      ways: 2,
      mostDropV: (mostDrop ?? dropShare.chosenFor) * supplyV,
      copperC: ambientC,
    });
    const carriesA = isGauge ? wireCarriesA(gaugeAwg) : null;
    const told = tellRun({
      name: 'This run',
      wire: isGauge ? gauge(gaugeAwg) : conductor,
      peakA: currentA,
      isSteady: true,
      carriesA,
      dropV,
      lengthMm,
      mostDropV: (mostDrop ?? dropShare.most) * supplyV,
      thicker: thinnest !== undefined,
    });
    return {
      results: [
        mainFigure('dropV', 'Lost, out and back', 'voltageV', dropV),
        figure('dropShare', '… of the supply', 'fraction', dropV / supplyV),
        figure('endV', 'At the end', 'voltageV', supplyV - dropV),
        figure('ohmPerMetre', 'One core, a metre', 'ohmPerMetre', r),
        figure('loopOhm', 'Out and back', 'resistanceOhm', (2 * r * lengthMm) / 1000),
        figure('heatW', 'Heat in it', 'powerW', dropV * currentA),
        figure('carriesA', 'Carries in a bundle', 'currentA', carriesA),
        ...(isGauge
          ? [figure('diameterMm', 'Diameter of the copper', 'lengthMm', gaugeDiameter.reckon({ n: gaugeAwg }))]
          : []),
        figure('thinnestAwg', 'Thinnest gauge that will do', 'gaugeAwg', thinnest ?? null),
        figure('cutToMm', 'Cut to, with slack', 'lengthMm', cutLength.reckon({ d: lengthMm })),
        figure('contacts', 'Contacts of 1.5 A for it', 'count', contactsFor(currentA, 1.5)),
      ],
      steps: [
        ...(isGauge ? [fillSum(gaugeDiameter, { n: gaugeAwg })] : []),
        ...(conductor === 'foil' ? [fillSum(foilOhm, { b: widthMm ?? 1, h: thicknessMm ?? 1 })] : []),
        ...(conductor === 'enamelled wire' ? [fillSum(roundOhm, { d: widthMm ?? 1 })] : []),
        fillSum(wireDrop, { n: 2, I: currentA, L: lengthMm, r }),
      ],
      findings: [...asInPlan(told), ...tellOfJoints(conductor)],
    };
  },
});
