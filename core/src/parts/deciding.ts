import { amps, joinMessages, type Message, milliampHours, mm, say, volts, watts } from '../units/index.ts';
import { chemistries } from './chemistries.ts';
import type { Chemistry, LedBody, LedPart, Part } from './kinds.ts';

const listed = (...parts: readonly (Message | null)[]): Message =>
  joinMessages(
    parts.flatMap((each) => (each === null ? [] : [each])),
    ' · ',
  );

const sayLed = ({ dice, madeForV, forwardAt20mAV, ratedCurrentA, wavelengthNm }: LedPart): Message =>
  listed(
    madeForV === undefined ? say`drops ${volts(forwardAt20mAV)} at 20 mA` : say`for ${volts(madeForV)}`,
    say`${amps(ratedCurrentA)} at most`,
    wavelengthNm === undefined ? null : say`${wavelengthNm} nm`,
    dice ? `${dice.length} dice` : null,
  );

/** The few figures of a part that decide between it and the next, beside its name. */
export function decidingFigures(part: Part): Message {
  switch (part.kind) {
    case 'led':
      return sayLed(part);
    case 'pixel-tape': {
      const white = part.restCurrentA.likely + 3 * part.dieCurrentA.likely;
      return listed(
        part.form ? `${part.form.pixels} pixels` : say`a pixel every ${mm(1000 / part.perMetre)}`,
        say`${amps(white)} each in white`,
        say`${volts(part.ratedVoltageV)}`,
        part.form ? null : say`${mm(part.widthMm)} wide`,
      );
    }
    case 'plain-tape':
      return listed(
        say`${volts(part.voltageV)}`,
        say`${watts(part.powerPerMetreW)} a metre`,
        say`a mark every ${mm((1000 * part.lightsPerJoint) / part.perMetre)}`,
      );
    case 'guide':
      return listed(say`bends to ${mm(part.leastBendMm)}`, `loses ${part.lossDbPerMetre} dB a metre`);
    case 'controller':
      return listed(
        say`${volts(part.supplyLeastV)} to ${volts(part.supplyMostV)} in`,
        `${part.pins.length} pins, ${part.pins.filter(({ can }) => can.includes('dimmed')).length} dim`,
        say`${amps(part.pinLimitA)} a pin`,
        say`draws ${amps(part.drawA.likely)}`,
        `${part.memoryBytes} bytes`,
      );
    case 'pack': {
      const { nominalV } = chemistries[part.chemistry];
      return listed(
        say`${volts(nominalV * part.cellsInSeries)}`,
        say`${milliampHours(part.capacityMah.likely)}`,
        say`gives ${amps(part.steadyLimitA)}`,
        say`empty at ${volts(part.cutOffV)}`,
        `${Math.round(part.massG)} g`,
      );
    }
    case 'converter':
      return listed(
        say`${volts(part.outputV)} out, ${amps(part.outputLimitA)}`,
        say`${volts(part.inputLeastV)} to ${volts(part.inputMostV)} in`,
        say`${amps(part.idleA)} by itself`,
      );
    case 'transistor':
      return listed(say`bears ${amps(part.currentLimitA)}`, say`full on at ${volts(part.gateV)}`);
    case 'switch':
      return say`bears ${amps(part.limitA)}`;
    case 'plug':
      return listed(say`${amps(part.contactLimitA)} a contact`, `${part.ways} contacts`);
    case 'receiver':
      return listed(`${part.outputs} outputs`, say`${volts(part.leastV)} to ${volts(part.mostV)}`);
    case 'charger':
      return listed(say`${amps(part.chargeA)}`, `${part.chemistry}, ${part.cellsInSeries} in series`);
    case 'outside-supply':
      return listed(say`${volts(part.volts)}`, say`gives ${amps(part.limitA)}`);
    case 'load':
      return listed(say`${volts(part.leastV)} to ${volts(part.mostV)}`, say`draws ${amps(part.usualA.likely)}`);
    case 'driver':
      return listed(say`${amps(part.setA)}`, say`${volts(part.inputLeastV)} to ${volts(part.inputMostV)} in`);
    case 'scan-driver':
      return listed(`${part.rows} rows, ${part.columns} columns`, say`${amps(part.mostA)} at most`);
    case 'box':
      return listed(`${part.outputs} outputs`, say`${amps(part.outputLimitA)} each`);
    case 'protection':
      return listed(
        say`lets go at ${amps(part.tripA)}`,
        say`cuts off at ${volts(part.cutOffV)}`,
        `${part.cellsInSeries} in series`,
      );
    case 'sensor':
      return part.standbyA === undefined ? `senses ${part.senses}` : say`draws ${amps(part.standbyA)}`;
    case 'wire':
      return say`${mm(part.outsideMm)} with its insulation`;
  }
}

const bodyGroups: Readonly<Record<LedBody, string>> = {
  '3 mm': '3 mm',
  '5 mm': '5 mm',
  '8 mm': '8 mm',
  '10 mm': '10 mm',
  'pre-wired chip': 'Chips with enamelled leads',
  'bare chip': 'Bare chips',
  module: 'Ready-wired, resistor inside',
  filament: 'Filament pieces',
  'chip on board': 'Chip-on-board segments',
  'power star': 'Power stars',
};

const chemistryGroups: Readonly<Record<Chemistry, string>> = {
  'lithium-ion': 'Lithium-ion',
  'lithium iron phosphate': 'Lithium iron phosphate',
  alkaline: 'Alkaline, not charged again',
  'nickel-metal hydride': 'Nickel-metal hydride',
  'lithium coin': 'Coin cells',
  'alkaline button': 'Coin cells',
  'lead-acid': 'Lead-acid',
  'power bank': 'Power banks',
};

const converterGroups = {
  boost: 'Lift the voltage',
  buck: 'Lower it by switching',
  linear: 'Lower it by burning the rest',
} as const;

/** What a part is listed under in a long choice; null where its kind is a short one. */
export function groupOfPart(part: Part): string | null {
  if ('like' in part) return 'Of your own';
  switch (part.kind) {
    case 'led':
      return bodyGroups[part.body];
    case 'pixel-tape':
      return part.form ? 'Rings, panels, sticks, single pixels' : 'Tape off a reel';
    case 'pack':
      return chemistryGroups[part.chemistry];
    case 'converter':
      return converterGroups[part.topology];
    case 'transistor':
      return part.side === 'low' ? 'Below the lights, to minus' : 'Above the lights, from plus';
    default:
      return null;
  }
}
