import { meanOfScan, resistorPower, seriesResistor } from '../drive/index.ts';
import { regulatedChip } from '../items/index.ts';
import { baseResistor, type Driven } from '../network/index.ts';
import { amps, fillSum, ohms, say, volts } from '../units/index.ts';
import type { Explanation } from './figure.ts';

/** How a group's resistor and switch came about. */
export function explainDrive(driven: Driven): Explanation {
  const { resistor, feed, board, transistor, corners } = driven;
  const chip =
    driven.way.throughPin === 'given' && board?.part.regulator && !board.part.regulator.lifts
      ? [
          fillSum(regulatedChip, {
            Vr: feed.nominalV + board.part.regulator.dropOutV,
            Vd: board.part.regulator.dropOutV,
            Vn: board.part.logicV,
          }),
        ]
      : [];
  const base =
    transistor && transistor.part.type === 'bipolar'
      ? [
          fillSum(baseResistor, {
            Vp: transistor.pinA * transistor.gateOhm + transistor.part.gateV,
            Vbe: transistor.part.gateV,
            g: 10,
            Ic: driven.channelA,
          }),
        ]
      : [];
  const currents = [
    { label: 'likely current', value: amps(corners.currentA) },
    { label: 'brightest corner', value: amps(corners.brightestA) },
    { label: 'dimmest corner', value: amps(corners.dimmestA) },
  ];
  const doubt = say`Forward voltage ${driven.hung.inSeries > 1 ? say`of each of ${driven.hung.inSeries} lights ` : ''}${volts(driven.forwardV.likely)} ± ${volts(driven.forwardV.spread)} (${driven.forwardV.origin}), ${resistor ? 'resistor ± 5 %, ' : ''}${driven.way.throughPin === 'given' ? 'the pin' : 'supply'} ${volts(feed.leastV)} to ${volts(feed.mostV)}. The likely current is solved on the light’s curve, not with a constant drop.`;
  const turns = driven.scan
    ? [fillSum(meanOfScan, { Ip: corners.currentA, r: driven.scan.layout.turns, s: driven.scan.litOfTurn })]
    : [];
  if (!resistor)
    return {
      title: `Current of ${driven.name}`,
      answer: amps(corners.currentA),
      lead: `Switched by ${driven.way.words}; its current is held without a resistor of yours.`,
      lines: currents,
      sums: [...turns, ...base],
      doubt,
    };
  return {
    title: `Resistor of ${driven.name}`,
    answer: ohms(resistor.resistorOhm),
    lead: `${
      resistor.overruled
        ? 'Your own value, reckoned as it stands.'
        : 'The next standard value (E12) at or above the exact one, so that the brightest corner keeps within the light’s rating.'
    } Switched by ${driven.way.words}.`,
    lines: [
      ...currents,
      ...resistor.neighbours.map((each) => ({
        label: say`with ${ohms(each.resistorOhm)} instead`,
        value: amps(each.currentA),
      })),
    ],
    sums: [
      ...chip,
      fillSum(seriesResistor, {
        Vs: feed.nominalV,
        Vd: feed.nominalV - driven.forwardV.likely * driven.hung.inSeries - resistor.headRoomV,
        Vf: driven.forwardV.likely * driven.hung.inSeries,
        I: resistor.headRoomV / resistor.exactOhm,
      }),
      fillSum(resistorPower, { I: resistor.mostA * driven.hung.sideBySide, R: resistor.resistorOhm }),
      ...turns,
      ...base,
    ],
    doubt,
  };
}
