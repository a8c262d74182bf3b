import { type Finding, itemsOf, kindOf, modelPack, openCircuitVoltageV, packResistanceOhm } from '../../items/index.ts';
import { chemistries, type PackPart, packs } from '../../parts/index.ts';
import { mapItem } from '../../plan/index.ts';
import { packEnergy } from '../../power/index.ts';
import { amps, fillSum, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { sample } from '../drawing.ts';
import { assume, partChoice } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

const packNames = packs.map((part) => part.id.replace(/^pack-/, ''));

interface Judged {
  readonly loadA: number;
  readonly part: PackPart;
  readonly series: number;
  readonly parallel: number;
  readonly underLoadV: number;
  readonly canBurn: boolean;
}

/** What is amiss, or to be known. */
const judge = ({ loadA, part, series, parallel, underLoadV, canBurn }: Judged): Finding[] =>
  findingsWhere(
    [
      loadA > part.steadyLimitA * parallel,
      finding(
        'pack-over',
        'stop',
        say`${amps(loadA)} is over the ${amps(part.steadyLimitA * parallel)} of this pack`,
        'It sags, heats, and a protection circuit trips.',
        'A larger cell, or more side by side.',
      ),
    ],
    [
      underLoadV < part.cutOffV * series,
      finding(
        'pack-sags',
        'mend',
        say`Under this load it is at ${volts(underLoadV)}, below its cut-off`,
        'The charge that is left can’t be had at this current.',
        'A pack of less resistance, or less current.',
      ),
    ],
    [
      series * parallel > 1,
      finding(
        'never-mixed',
        'mind',
        'Only cells of one kind, age and charge together',
        'The weakest is reversed in series and force-fed side by side; lithium cells burn.',
        'Buy them together, charge them together, mark them as a set.',
      ),
    ],
    [
      parallel > 1 && canBurn,
      finding(
        'parallel-equal',
        'mind',
        'Join side by side only at equal voltage',
        'A difference of a tenth of a volt drives amperes from one to the other.',
        'Measure to 10 mV before they are joined.',
      ),
    ],
    [
      canBurn && !part.protected,
      finding(
        'bare-cell',
        'stop',
        'A bare lithium cell needs a protection circuit and a fuse',
        'Nothing in it stops a short or a deep discharge.',
        'Add a board rated above the peak, fuse it at the cell, hard case.',
      ),
    ],
  );

/** Answers cells made up into a pack. */
export const packSum = defineSum({
  name: 'pack',
  title: 'A pack made of cells',
  about:
    'Cells in series and side by side: volts full and empty, capacity, energy, resistance, what it can give, mass.',
  group: 'power',
  inputs: {
    cell: partChoice('cell', 'Cell or pack', packs, 'pack-', 'lithium-round-2600'),
    series: assume('count', 'series', 'In series', 1, { whole: true, least: 1, most: 20 }),
    parallel: assume('count', 'parallel', 'Side by side', 1, { whole: true, least: 1, most: 20 }),
    ambientC: assume('temperatureC', 'ambient', 'Temperature', 21, { least: -30, most: 60 }),
    loadA: assume('currentA', 'load', 'Look at a load of', 0.5, { least: 0, most: 100 }),
    drainA: assume('currentA', 'drain', 'Drawn when switched off', 0, { least: 0, most: 10 }),
    charge: assume('fraction', 'charge', '… with this charge left', 0.5, { least: 0, most: 1 }),
  },
  reckon: ({ cell, series, parallel, ambientC, loadA, drainA, charge }) => {
    const part = packs.find((each) => each.id === `pack-${cell}`);
    if (!part) throw new SumError(`There is no pack "${cell}" in the catalogue; take one of ${packNames.join(', ')}`);
    const each = modelPack({ part, capacityMah: part.capacityMah, ambientC });
    const open = (share: number): number => openCircuitVoltageV(each, share) * series;
    const ohm = (packResistanceOhm(each, charge) * series) / parallel;
    const capacityMah = each.capacityMah * parallel;
    const nominalV = open(0.5);
    const underLoadV = open(charge) - loadA * ohm;
    const energy = { U: nominalV, C: capacityMah };
    const { canBurn } = chemistries[part.chemistry];
    return {
      results: [
        mainFigure('nominalV', 'Half full, at rest', 'voltageV', nominalV),
        figure('fullV', 'Full', 'voltageV', open(1)),
        figure('cutOffV', 'Cut off at', 'voltageV', part.cutOffV * series),
        figure('capacityMah', 'Capacity at this temperature', 'capacityMah', capacityMah),
        figure('energyWh', 'Energy', 'energyWh', packEnergy.reckon(energy)),
        figure('resistanceOhm', 'Resistance', 'resistanceOhm', ohm),
        figure('steadyLimitA', 'Gives steadily', 'currentA', part.steadyLimitA * parallel),
        figure('underLoadV', say`At ${amps(loadA)}`, 'voltageV', underLoadV),
        figure('emptyAfterH', 'Switched off, empty after', 'timeH', drainA > 0 ? capacityMah / 1000 / drainA : null),
        figure('massG', 'Mass', 'massG', part.massG * series * parallel),
        figure('price', 'By usual prices', 'money', part.price * series * parallel),
      ],
      steps: [fillSum(packEnergy, energy)],
      findings: judge({ loadA, part, series, parallel, underLoadV, canBurn }),
      drawing: {
        kind: 'lines',
        x: { label: 'charge left', kind: 'fraction' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          { name: 'at rest', role: 'second', points: sample(0, 1, 60, open) },
          {
            name: say`at ${amps(loadA)}`,
            role: 'curve',
            points: sample(0, 1, 60, (s) => open(s) - (loadA * packResistanceOhm(each, s) * series) / parallel),
          },
          {
            name: 'cut-off',
            role: 'limit',
            points: [
              [0, part.cutOffV * series],
              [1, part.cutOffV * series],
            ],
          },
        ],
        marks: [],
      },
    };
  },
  intoDesign: (design, { cell }, newId) => {
    const part = `pack-${cell}`;
    const pack = itemsOf(design, 'pack')[0];
    if (pack)
      return mapItem(design, pack.id, (item) => (item.kind === 'pack' ? { ...item, part, capacityMah: null } : item));
    const at = { xMm: design.view.widthMm / 2, yMm: design.view.heightMm * 0.8 };
    const fresh = kindOf('pack').create({ id: newId(), name: 'Pack', at });
    return { ...design, items: [...design.items, { ...fresh, part } as typeof fresh] };
  },
});
