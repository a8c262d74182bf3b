/** Is a field-effect transistor full on at the gate voltage it gets? A threshold below it is not enough. */
export type GateVerdict = 'full on' | 'half on' | 'off';

/** Whether a gate voltage turns a field-effect transistor off, half on or full on. @example threshold 1.5 V, promised at 4.5 V: 3.3 V is half on, whatever the threshold says */
export const judgeGate = (gateV: number, promisedAtV: number, thresholdV: number): GateVerdict =>
  gateV >= promisedAtV - 1e-9 ? 'full on' : gateV > thresholdV ? 'half on' : 'off';
