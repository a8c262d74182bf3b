export { type CoreMeaning, colourCores, wireColours } from './colours.ts';
export { contactsFor, foilOhm, rolledWidth, roundOhm, shrinkFits, slackAtTravelMm } from './conductors.ts';
export { gaugeDiameter, insulatedDiameterMm, wireCarriesA, wireDrop, wireOhmPerMetre } from './gauge.ts';
export { type Core, chooseGauge, cutLength, planRuns, type RunCurrents, rowRunId, type WireRun } from './runs.ts';
