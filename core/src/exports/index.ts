export { type AssessmentJson, assessmentSchema, tellAssessment } from './assessmentJson.ts';
export { writeBrief } from './brief.ts';
export { exportShoppingCsv, exportWireCsv } from './csv.ts';
export { fingerprint } from './fingerprint.ts';
export { writeMoodCard } from './moodCard.ts';
export { exportNetlist, usualCondition } from './netlist.ts';
export { type EngineFiles, exportProgram, writeEngineTables } from './program.ts';
export { exportRingSvg } from './ringTemplate.ts';
export { exportTemplateSvg } from './template.ts';
