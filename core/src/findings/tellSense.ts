import type { Told } from '../items/index.ts';
import { type Message, say, volts } from '../units/index.ts';

/** The voltages of a pack that a program watches. */
interface PackVolts {
  /** At rest. */
  readonly fullV: number;
  /** Where it is cut off; null while that is not said. */
  readonly emptyV: number | null;
  /** Of the pack, from which on what the converter counts by stands still; below it sinks with the pack. Infinity = always. */
  readonly steadyFromV: number;
}

interface WatchedPack extends PackVolts {
  /** What watches it, as it is called. */
  readonly name: Message;
  /** From where its charge is to count as low. */
  readonly lowV: number;
}

/** Drop-outs differ from part to part: so far above it a threshold is safe. */
const ABOVE_DROP_OUT_V = 0.05;

/** A threshold that leaves time to go home; null where none can act. */
export function lowEnoughV({ fullV, emptyV, steadyFromV }: PackVolts): number | null {
  const wantedV = Math.max(
    emptyV === null ? 0 : emptyV + (fullV - emptyV) * 0.3,
    steadyFromV === 0 ? 0 : steadyFromV + ABOVE_DROP_OUT_V,
  );
  const toHundredthV = Math.ceil(wantedV * 100 - 1e-9) / 100;
  return toHundredthV > 0 && toHundredthV < fullV ? toHundredthV : null;
}

/**
 * A charge sense that can’t act: counting by the pack itself, or with a threshold that the pack never has; null where it
 * can. Wherever it is asked about.
 */
export function tellSense({ name, lowV, ...pack }: WatchedPack): Told | null {
  const { fullV, emptyV, steadyFromV } = pack;
  const betterV = lowEnoughV(pack);
  const set = betterV === null ? null : say`Set it to ${volts(betterV)}`;
  if (steadyFromV > fullV)
    return {
      rule: 'sense-own-rail',
      gravity: 'stop',
      what: say`${name} reads the pack against the pack itself`,
      why: 'The chip runs at the pack’s voltage, or just below it, and counts with it: the reading is the same from full to empty, and the alarm never comes.',
      mend: 'Take a controller with a regulator or a reference of its own, or feed this one from a converter.',
    };
  if (emptyV !== null && lowV <= emptyV)
    return {
      rule: 'sense-never',
      gravity: 'stop',
      actual: { kind: 'voltageV', value: lowV },
      limit: { kind: 'voltageV', value: emptyV },
      what: say`${name} waits for ${volts(lowV)}; the pack is cut off at ${volts(emptyV)}`,
      why: 'The piece is dark before the alarm comes.',
      mend: set ? say`${set}: that leaves time to go home.` : 'Set it above the cut-off.',
    };
  if (lowV < steadyFromV)
    return {
      rule: 'sense-sinks',
      gravity: 'stop',
      actual: { kind: 'voltageV', value: lowV },
      limit: { kind: 'voltageV', value: steadyFromV },
      what: say`${name} waits for ${volts(lowV)}; from ${volts(steadyFromV)} of the pack on the chip’s own supply sinks with it`,
      why: 'The regulator has too little left to hold the voltage that the chip counts by. Both fall together, the reading stands still, and the alarm never comes.',
      mend: set
        ? say`${set}, take a controller with a reference of its own, or feed it from a converter.`
        : 'Take a controller with a reference of its own, or feed it from a converter.',
    };
  if (lowV < fullV) return null;
  return {
    rule: 'sense-never',
    gravity: 'stop',
    actual: { kind: 'voltageV', value: lowV },
    limit: { kind: 'voltageV', value: fullV },
    what: say`${name} calls low below ${volts(lowV)}; a full pack has ${volts(fullV)}`,
    why: 'The alarm is on from the first minute.',
    mend: set ? say`${set}: that leaves time to go home.` : 'Set it below the full pack.',
  };
}
