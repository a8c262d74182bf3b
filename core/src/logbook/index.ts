export { compareVersions, type VersionRow } from './compareVersions.ts';
export { batchCount, cheapestPurchase, lotsFor, type PriceBreak, type Purchase } from './copies.ts';
export {
  type ComparedRun,
  compareRun,
  predictRun,
  type RunPrediction,
  summarise,
  tuneCapacity,
  tunePacks,
} from './runTests.ts';
