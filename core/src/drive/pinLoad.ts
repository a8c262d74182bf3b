/** A load on one pin of a controller. */
export interface PinLoad {
  readonly pin: string;
  /** The group of pins that share a limit. */
  readonly port: string;
  /** Most that flows in or out. */
  readonly currentA: number;
}

/** A pin, a port or the whole chip over its limit. */
export interface PinOverload {
  /** The pin, the port or the whole chip. */
  readonly where: string;
  /** What it would carry. */
  readonly currentA: number;
  /** What it bears. */
  readonly limitA: number;
}

/**
 * Checks the loads of a chip at all three levels; sums by port and chip often matter more than the pin.
 * @example three lights of 12 mA on one 20 mA pin: 36 mA, over
 */
export function findOverloads(
  loads: readonly PinLoad[],
  limits: { readonly pinA: number; readonly portA: number; readonly chipA: number },
): readonly PinOverload[] {
  const sums = (keyOf: (load: PinLoad) => string): [string, number][] => {
    const found = new Map<string, number>();
    for (const load of loads) found.set(keyOf(load), (found.get(keyOf(load)) ?? 0) + load.currentA);
    return [...found];
  };
  const over = (rows: [string, number][], limitA: number): PinOverload[] =>
    rows.filter(([, currentA]) => currentA > limitA).map(([where, currentA]) => ({ where, currentA, limitA }));
  return [
    ...over(
      sums((load) => `pin ${load.pin}`),
      limits.pinA,
    ),
    ...over(
      sums((load) => `port ${load.port}`),
      limits.portA,
    ),
    ...over(
      sums(() => 'the chip'),
      limits.chipA,
    ),
  ];
}
