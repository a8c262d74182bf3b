import type { Told } from '../items/index.ts';
import { amps, type Message, say, volts } from '../units/index.ts';

/** A supply in the moment in which something that it feeds starts. */
interface Start {
  /** As it is called. */
  readonly name: Message;
  /** That it is asked for then; Infinity where it can’t be given. */
  readonly askedA: number;
  /** That it is good for; null where that is not known. */
  readonly limitA: number | null;
  /** Left on the rail of a controller then, and where that resets; null where none hangs on it. */
  readonly controller: { readonly railV: number; readonly resetsBelowV: number } | null;
}

/** A start that asks a supply for more than it is good for, or pulls a controller down; null where it does neither. Wherever it is asked about. */
export function tellStart({ name, askedA, limitA, controller }: Start): Told | null {
  const isOver = limitA !== null && askedA > limitA * (1 + 1e-9);
  const resets = controller !== null && controller.railV < controller.resetsBelowV;
  if (!isOver && !resets) return null;
  return {
    rule: 'start',
    gravity: 'stop',
    ...(isOver && Number.isFinite(askedA)
      ? { actual: { kind: 'currentA', value: askedA }, limit: { kind: 'currentA', value: limitA } }
      : {}),
    ...(!isOver && resets
      ? {
          actual: { kind: 'voltageV', value: controller.railV },
          limit: { kind: 'voltageV', value: controller.resetsBelowV },
        }
      : {}),
    what: !Number.isFinite(askedA)
      ? say`In the first moment ${name} is asked for more than it has`
      : isOver
        ? say`In the first moment ${name} is asked for ${amps(askedA)} and is good for ${amps(limitA)}`
        : say`In the first moment the rail falls to ${volts(controller?.railV ?? 0)}; a controller resets below ${volts(controller?.resetsBelowV ?? 0)}`,
    why: 'A motor that starts takes several times what it takes when it runs, and its protection or the controller lets go.',
    mend: 'Give it a pack of its own, a softer start, or a supply that bears the start.',
  };
}
