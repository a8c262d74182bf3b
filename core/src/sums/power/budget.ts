import { tellLink, tellMinusApart, tellStart } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { solveSupplyTree, type TreeLoad, type TreeState } from '../../power/index.ts';
import { amps, percent, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, optional, pairs } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** What a port gives before anything is agreed (USB 2.0). */
const USB_A = 0.5;

function checkBudget(asked: {
  readonly state: TreeState;
  readonly limitA: number;
  readonly packLimitA: number | null;
  readonly packV: number;
  readonly feed: string;
  readonly isSteady: boolean;
}): Finding[] {
  const { state, limitA, packLimitA, packV, feed, isSteady } = asked;
  const [pack, rail] = state.rails;
  const peakA = rail?.peakA ?? 0;
  const highestA = Math.max(peakA, rail?.startA ?? 0);
  const restShare = (rail?.restA ?? 0) / (rail?.meanA ?? 1);
  const over = tellLink({ id: 'cell', name: 'The supply of the rail', loadA: peakA, limitA, isSteady });
  const packOver =
    packLimitA === null
      ? null
      : tellLink({
          id: 'cell',
          name: say`The pack, at ${volts(packV)},`,
          loadA: pack?.peakA ?? 0,
          limitA: packLimitA,
          isSteady,
        });
  return [
    ...asInPlan(over),
    // What is too much all the time is too much at the start: told once.
    ...asInPlan(
      over ? null : tellStart({ name: 'the supply of the rail', askedA: highestA, limitA: limitA, controller: null }),
    ),
    ...asInPlan(packOver, 'link-pack'),
    ...asInPlan(state.flaws.length > 0 ? tellMinusApart('A signal') : null),
    ...findingsWhere(
      [
        feed !== 'a pack' && highestA > USB_A,
        finding(
          'usb-500',
          'stop',
          say`${amps(highestA)} from a port that gives ${amps(USB_A)} unless more is agreed`,
          'A port that is overdrawn switches itself off, or the voltage sags until the controller resets.',
          'A charger that states its current, a limiter in the program, or a pack.',
        ),
      ],
      [
        feed === 'a USB-C port by a C-to-C cable',
        finding(
          'usb-c-pins',
          'mind',
          'A type-C socket needs 5.1 kΩ from each configuration pin to minus',
          'Without them a C-to-C cable gives nothing at all, while an A-to-C cable works: it looks like a bad cable.',
          'Two resistors, one a pin; a board with the socket on it often has them.',
        ),
      ],
      [
        !isSteady && restShare > 0.3,
        finding(
          'rest-draw',
          'mind',
          say`${percent(restShare)} of the mean is drawn all the time`,
          '"Nothing when dark" rarely is: dark pixels, regulators, sensors and radios draw on.',
          'Switch them off too, or count with it.',
        ),
      ],
    ),
  ];
}

/** Answers everything on a rail together. */
export const budgetSum = defineSum({
  name: 'budget',
  title: 'Budget of a rail',
  about: 'Everything that draws on a rail, at its height, on the mean and dark, and what the pack gives for it.',
  group: 'power',
  inputs: {
    loads: pairs({
      word: 'loads',
      label: 'Loads',
      hint: 'current at its height : share of the time',
      names: ['peakA', 'share'],
      kinds: ['currentA', 'fraction'],
      bands: [
        { least: 0, most: 100 },
        { least: 0, most: 1 },
      ],
      initial: [
        [0.12, 1],
        [0.0528, 1],
        [2.376, 0.12],
      ],
    }),
    startA: assume('currentA', 'start', 'More in the first moment (a motor, a reservoir)', 0, { least: 0, most: 100 }),
    railV: assume('voltageV', 'rail', 'Rail', 5, { least: 0.5, most: 60 }),
    limitA: ask('currentA', 'limit', 'The supply of the rail gives', 3, { most: 100, usual: [0.05, 20] }),
    packV: assume('voltageV', 'pack', 'Pack, under load', 3.6, { least: 0.5, most: 60 }),
    efficiency: assume('fraction', 'efficiency', 'Efficiency of the converter', 0.9, { least: 0.05, most: 1 }),
    packLimitA: optional('currentA', 'packlimit', 'The pack gives'),
    feed: choice('feed', 'Fed from', ['a pack', 'a USB port', 'a USB-C port by a C-to-C cable'], 'a pack'),
    signal: choice(
      'signal',
      'A signal goes to a piece on another supply',
      ['no', 'yes, minus joined', 'yes, minus not joined'],
      'no',
    ),
  },
  reckon: ({ loads, startA, railV, limitA, packV, efficiency, packLimitA, feed, signal }) => {
    if (loads.length === 0) throw new SumError('Give the loads, got none: loads=120mA:100%,2.4A:12%');
    const list = loads.map(
      ([peakA, share], i): TreeLoad => ({
        name: `load ${i + 1}`,
        rail: 'rail',
        peakA,
        meanA: peakA * share,
        restA: share === 1 ? peakA : 0,
        ...(i === 0 ? { startA: peakA + startA } : {}),
      }),
    );
    const other = { name: 'other', volts: railV, from: null, efficiency: 1, limitA: 1, idleA: 0 };
    const state = solveSupplyTree({
      rails: [
        {
          name: 'pack',
          volts: packV,
          from: null,
          efficiency: 1,
          limitA: packLimitA ?? Number.MAX_VALUE,
          idleA: 0,
          minus: 'common',
        },
        { name: 'rail', volts: railV, from: 'pack', efficiency, limitA, idleA: 0, minus: 'common' },
        { ...other, minus: signal === 'yes, minus not joined' ? 'its own' : 'common' },
      ],
      loads: list,
      signals:
        signal === 'no' ? [] : [{ name: 'The signal', fromRail: 'rail', toRail: 'other', volts: railV, bearsV: railV }],
    });
    const [pack, rail] = state.rails;
    const peakA = rail?.peakA ?? 0;
    // What is on all the time, and starts as it goes on, has no height.
    const isSteady = startA === 0 && loads.every(([, share]) => share === 1);
    const atStartA = rail?.startA ?? 0;
    return {
      results: [
        mainFigure('peakA', isSteady ? 'Draws' : 'At its height', 'currentA', peakA),
        figure('meanA', 'On the mean', 'currentA', rail?.meanA ?? 0),
        figure('restA', 'Drawn all the time', 'currentA', rail?.restA ?? 0),
        figure('startA', 'In the first moment', 'currentA', atStartA),
        figure('fill', 'Of what the supply gives', 'fraction', rail?.fill ?? 0),
        figure('packPeakA', isSteady ? 'From the pack' : 'From the pack, at its height', 'currentA', pack?.peakA ?? 0),
        figure('packMeanA', '… on the mean', 'currentA', pack?.meanA ?? 0),
        figure('inW', 'Mean power out of the pack', 'powerW', state.inW),
        figure('lossW', '… lost in the converter', 'powerW', state.lossW),
      ],
      steps: [],
      findings: checkBudget({ state, limitA, packLimitA, packV, feed, isSteady }),
    };
  },
});
