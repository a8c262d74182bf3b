import type { Assessment } from '../assess.ts';
import { meanOfScan, resistorPower, seriesResistor } from '../drive/index.ts';
import { regulatedChip } from '../items/index.ts';
import { baseResistor, type Compared, compareTransistors, type Driven } from '../network/index.ts';
import { amps, fillSum, type Message, ohms, say, volts, watts } from '../units/index.ts';
import type { Explanation } from './figure.ts';

/** What a transistor costs before a channel, or why it does not do. */
function sayCompared({ lostV, heatW, holdA, drivenV, fullOnV, bears, part }: Compared): Message {
  if (!bears) return say`bears ${amps(part.currentLimitA)} and no more`;
  if (fullOnV > drivenV + 1e-9)
    return say`half on with a spent pack: it wants ${volts(fullOnV)}, and gets ${volts(drivenV)}`;
  return say`loses ${volts(lostV)}, ${watts(heatW)} of heat${part.type === 'bipolar' ? say`, takes ${amps(holdA)} of its pin` : ''}`;
}

/** The transistor that was taken, with its reason, and beside it the other sort. */
function sayTransistors(compared: ReturnType<typeof compareTransistors>): Explanation['lines'] {
  if (!compared) return [];
  const { own, other } = compared;
  return [
    { label: `${own.part.name}, ${own.part.type}`, value: sayCompared(own) },
    ...(other ? [{ label: `instead, ${other.part.type}: ${other.part.name}`, value: sayCompared(other) }] : []),
  ];
}

/** How a group's resistor and switch came about. */
export function explainDrive(driven: Driven, { rails, library }: Pick<Assessment, 'rails' | 'library'>): Explanation {
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
  const switches = sayTransistors(compareTransistors(driven, rails, library));
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
      lines: [...currents, ...switches],
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
      ...switches,
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
