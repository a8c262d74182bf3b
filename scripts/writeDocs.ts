// Writes what is generated into docs/: the JSON Schema of the plan file, and the page of formulas.
import { writeFileSync } from 'node:fs';
import * as drive from '@glimmer/core/drive';
import { assessmentSchema, writeEngineTables } from '@glimmer/core/exports';
import * as heat from '@glimmer/core/heat';
import * as items from '@glimmer/core/items';
import * as lights from '@glimmer/core/lights';
import * as logbook from '@glimmer/core/logbook';
import { breathTable, gammaTable, lookTable } from '@glimmer/core/motion';
import * as network from '@glimmer/core/network';
import { planSchema } from '@glimmer/core/plan/reading';
import * as power from '@glimmer/core/power';
import type { Formula } from '@glimmer/core/units';
import * as wires from '@glimmer/core/wires';
import { z } from 'zod';

const out = (name: string): URL => new URL(`../docs/${name}`, import.meta.url);

const schema = z.toJSONSchema(planSchema, { target: 'draft-2020-12', reused: 'ref' });
writeFileSync(
  out('plan.schema.json'),
  `${JSON.stringify({ title: 'Unruly Glimmer plan, version 2', ...schema }, null, 2)}\n`,
);
writeFileSync(
  out('assessment.schema.json'),
  `${JSON.stringify({ title: 'Unruly Glimmer assessment, version 1', ...z.toJSONSchema(assessmentSchema, { target: 'draft-2020-12', reused: 'ref' }) }, null, 2)}\n`,
);

const isFormula = (value: unknown): value is Formula =>
  typeof value === 'object' && value !== null && 'form' in value && 'reckon' in value;
const concepts = {
  Lights: lights,
  Drive: drive,
  Items: items,
  Network: network,
  Power: power,
  Wires: wires,
  Heat: heat,
  Copies: logbook,
};
const pages = Object.entries(concepts).map(([name, module]) => {
  const formulas = Object.values(module).filter(isFormula);
  const blocks = formulas.map((formula) => {
    const symbols = Object.entries(formula.symbols).map(([symbol, { meaning }]) => `- \`${symbol}\`: ${meaning}`);
    return `### ${formula.name}\n\n\`${formula.form.replace(/[{}]/g, '')}\`\n\n${symbols.join('\n')}\n\nGives: ${formula.gives.meaning}. Basis: ${formula.source}.\n`;
  });
  return `## ${name}\n\n${blocks.join('\n')}`;
});
writeFileSync(
  out('formulas.md'),
  `# Formulas\n\nGenerated from the core by \`npm run docs\`; the interface prints its sums from the same source.\n\n${pages.join('\n')}`,
);
writeFileSync(
  new URL('../firmware/engine/tables.h', import.meta.url),
  writeEngineTables({ gamma: gammaTable, look: lookTable, breath: breathTable }),
);
