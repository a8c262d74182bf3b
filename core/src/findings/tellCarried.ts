import type { Told } from '../items/index.ts';
import { chemistries, type PackPart } from '../parts/index.ts';
import { type Message, quantity, say } from '../units/index.ts';

/** What carriers often ask about. */
const ASKED_ABOVE_WH = 100;

/** A pack on its way to an event. */
interface CarriedPack {
  /** As it is called. */
  readonly name: Message;
  readonly chemistry: PackPart['chemistry'];
  /** By the voltage that such cells are sold by. */
  readonly energyWh: number;
}

/** A lithium pack of an energy that carriers ask about; null where none does. Wherever it is asked about. */
export function tellCarried({ name, chemistry, energyWh }: CarriedPack): Told | null {
  if (!chemistries[chemistry].canBurn || energyWh <= ASKED_ABOVE_WH) return null;
  return {
    rule: 'carry-energy',
    gravity: 'mind',
    actual: { kind: 'energyWh', value: energyWh },
    limit: { kind: 'energyWh', value: ASKED_ABOVE_WH },
    what: say`${name} holds ${quantity('energyWh', energyWh)}`,
    why: 'Above about 100 Wh many carriers want to be asked first, and above 160 Wh they often do not take it at all; their rules hold, not this sum.',
    mend: 'Ask the carrier before the journey, or take several smaller packs; terminals covered, in a case, switched off so that it can’t come on in the bag.',
  };
}
