/** Is a field-effect transistor full on at the gate voltage it gets? A threshold below it is not enough. */
export type GateVerdict = 'full on' | 'half on' | 'off';

export const judgeGate = (gateV: number, promisedAtV: number, thresholdV: number): GateVerdict =>
  gateV >= promisedAtV - 1e-9 ? 'full on' : gateV > thresholdV ? 'half on' : 'off';
