export { compareVersions, type VersionRow } from './compareVersions.ts';
export { type ComparedRun, compareRun, predictRun, summarise, tuneCapacity } from './runTests.ts';
