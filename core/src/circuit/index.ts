export { efficiencyAtLoad, shiftEfficiency } from './branches.ts';
export { lightAt } from './devices.ts';
export { type Ladder, type LadderFeed, type LadderSolution, solveLadder } from './ladder.ts';
export { fitLedCurve, fitLedReadings, forwardVoltageV, type LedCurve, shiftCurve, solveString } from './ledCurve.ts';
export { type EfficiencyLaw, type Element, type Netlist, nodesOf } from './netlist.ts';
export { solveRising } from './root.ts';
export { type NetlistSolution, solveNetlist } from './solveNetlist.ts';
export { printSpice, spiceLines } from './spice.ts';
export { tabulate } from './tabulate.ts';
