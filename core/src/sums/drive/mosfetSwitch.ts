import { judgeGate } from '../../circuit/index.ts';
import { fetAt, fetOnLine, lineOf, type OnLine, switchHeat } from '../../drive/index.ts';
import { tellGate } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, choice } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';
import { onItsLine, temperatures } from './onItsLine.ts';

interface Judged {
  readonly gateV: number;
  readonly promisedAtV: number;
  readonly ambientC: number;
  readonly heatW: number;
  readonly thermalKPerW: number;
  readonly side: string;
}

/** What is amiss, or to be known. */
function judge({ gateV, promisedAtV, ambientC, heatW, thermalKPerW, side }: Judged): Finding[] {
  const low = tellGate({ name: 'it', type: 'field-effect', drivenV: gateV, fullOnV: promisedAtV });
  return [
    ...asInPlan(low),
    ...findingsWhere(
      [
        ambientC + heatW * thermalKPerW > 120,
        finding(
          'switch-hot',
          'stop',
          'It gets too hot',
          'Inside a closed piece there is little air.',
          'Lower on-resistance, or copper to carry the heat away.',
        ),
      ],
      [
        side === 'minus',
        finding(
          'high-side',
          'mind',
          'A common minus asks for a switch on the plus side',
          'It is on when its gate is pulled low: dimming works the other way round, and above the pin’s own voltage it needs a second transistor.',
          'Invert the levels in the program.',
        ),
      ],
      [
        true,
        finding(
          'pull-down',
          'mind',
          'A pull-down of 100 kΩ at the gate',
          'While the controller starts its pins float, and a floating gate lights the lamp.',
          'Gate resistor 100 to 330 Ω, pull-down on the pin’s side of it.',
        ),
      ],
    ),
  ];
}

/** Answers whether a pin turns a field-effect transistor full on. */
export const mosfetSwitchSum = defineSum({
  name: 'mosfet-switch',
  title: 'Field-effect transistor as a switch',
  about:
    'Whether it is full on at the gate voltage it gets, what it loses and how warm it runs, half on too, cold and hot.',
  group: 'drive',
  inputs: {
    loadA: ask('currentA', 'load', 'Current switched', 0.64, { most: 60, usual: [0.005, 10] }),
    gateV: ask('voltageV', 'gate', 'Gate voltage, at the lowest pack', 3.3, { least: 0, most: 20, usual: [1.8, 12] }),
    onOhm: ask('resistanceOhm', 'on', 'On-resistance', 0.045, { least: 1e-4, most: 100 }),
    promisedAtV: ask('voltageV', 'at', '… promised at a gate voltage of', 3, { least: 0.5, most: 15 }),
    thresholdV: assume('voltageV', 'threshold', 'Threshold', 1.5, { least: 0.2, most: 6 }),
    thermalKPerW: assume('thermalKPerW', 'thermal', 'From inside to air', 120, { most: 1000 }),
    ambientC: assume('temperatureC', 'ambient', 'Air around it', 30, { least: -40, most: 90 }),
    supplyV: assume('voltageV', 'supply', 'Supply of the load', 5, { least: 0.5, most: 60, usual: [1.2, 30] }),
    ...temperatures,
    side: choice('common', 'The lights share', ['plus', 'minus'], 'plus'),
  },
  reckon: (values) => {
    const { loadA, gateV, onOhm, promisedAtV, thresholdV, thermalKPerW, ambientC, side, supplyV } = values;
    const verdict = judgeGate(gateV, promisedAtV, thresholdV);
    const heatW = switchHeat.reckon({ I: loadA, R: onOhm });
    const fet = { thresholdV, onOhm, promisedAtV };
    const at = (celsius: number): OnLine => fetOnLine(lineOf(supplyV, loadA), gateV, fetAt(celsius, fet));
    const halfOnW = Math.max(at(values.coldC).heatW, at(values.hotC).heatW);
    return {
      results: [
        text('verdict', 'At this gate voltage it is', verdict),
        mainFigure('heatW', 'Heat, hot', 'powerW', verdict === 'full on' ? heatW : null),
        figure('lostV', 'Volts lost', 'voltageV', verdict === 'full on' ? loadA * onOhm * 1.5 : null),
        figure(
          'insideC',
          'Temperature inside',
          'temperatureC',
          verdict === 'full on' ? ambientC + heatW * thermalKPerW : null,
        ),
        onItsLine(values, at),
        text(
          'sits',
          'It sits',
          side === 'plus' ? 'between the lights and minus, N-channel' : 'between plus and the lights, P-channel',
        ),
      ],
      steps: [fillSum(switchHeat, { I: loadA, R: onOhm })],
      findings: judge({
        gateV,
        promisedAtV,
        ambientC,
        heatW: verdict === 'full on' ? heatW : halfOnW,
        thermalKPerW,
        side,
      }),
    };
  },
});
