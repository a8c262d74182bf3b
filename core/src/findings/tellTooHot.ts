import type { Told } from '../items/index.ts';
import { celsius, type Message, quantity, say } from '../units/index.ts';

/** A part that turns watts to heat. */
interface HotPart {
  /** As it is called. */
  readonly name: Message;
  readonly insideC: number;
  /** That it bears inside. */
  readonly limitC: number;
  readonly airC: number;
  readonly heatW: number;
}

/** Whether it is hotter inside than it bears. */
export const isTooHot = ({ insideC, limitC }: Pick<HotPart, 'insideC' | 'limitC'>): boolean => insideC > limitC;

/** What would just do from its inside to the air. */
export const enoughKPerW = ({ limitC, airC, heatW }: Pick<HotPart, 'limitC' | 'airC' | 'heatW'>): Message =>
  quantity('thermalKPerW', (limitC - airC) / heatW);

/** A part that is hotter inside than it bears. Wherever it is asked about. */
export const tellTooHot = (part: HotPart): Told => ({
  rule: 'too-hot',
  gravity: 'stop',
  actual: { kind: 'temperatureC', value: part.insideC },
  limit: { kind: 'temperatureC', value: part.limitC },
  what: say`${part.name} comes to ${celsius(part.insideC)} inside; it bears ${celsius(part.limitC)}`,
  why: 'Light and life fall with heat, and gross excess kills at once.',
  mend: say`Less current, less voltage to lose in it, or ${enoughKPerW(part)} to the air.`,
});
