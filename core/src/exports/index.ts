export { writeBrief } from './brief.ts';
export { exportShoppingCsv, exportWireCsv } from './csv.ts';
export { exportRingSvg } from './ringTemplate.ts';
export { exportTemplateSvg } from './template.ts';
