// Writes what is generated: the schemas and the page of formulas in docs/, the tables and the moves of the engine.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { powerSchools, schools } from '@glimmer/core/choice';
import * as drive from '@glimmer/core/drive';
import { assessmentSchema, writeEngineTables, writeMovesHeader, writeMovesSource } from '@glimmer/core/exports';
import * as heat from '@glimmer/core/heat';
import * as items from '@glimmer/core/items';
import * as lights from '@glimmer/core/lights';
import * as logbook from '@glimmer/core/logbook';
import { gammaTable, lookTable } from '@glimmer/core/motion';
import { breathTable, changeMove, type MoveRow, moveKinds, moveOf, sayMove } from '@glimmer/core/moves';
import * as network from '@glimmer/core/network';
import { newestVersion, planSchema } from '@glimmer/core/plan/reading';
import * as power from '@glimmer/core/power';
import { type Formula, usualPrinter } from '@glimmer/core/units';
import * as wires from '@glimmer/core/wires';
import { z } from 'zod';

const engine = (name: string): URL => new URL(`../firmware/engine/${name}`, import.meta.url);
const out = (name: string): URL => new URL(`../docs/${name}`, import.meta.url);

const schema = z.toJSONSchema(planSchema, { target: 'draft-2020-12', reused: 'ref' });
writeFileSync(
  out('plan.schema.json'),
  `${JSON.stringify({ title: `Unruly Glimmer plan, version ${newestVersion}`, ...schema }, null, 2)}\n`,
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
writeFileSync(engine('tables.h'), writeEngineTables({ gamma: gammaTable, look: lookTable, breath: breathTable }));

const say = usualPrinter.message;
/** A setting of a move, with what it may be. */
const describeRow = (row: MoveRow): string => {
  if (row.as === 'choice') return `${row.label}: ${row.options.map(({ label }) => label).join(', ')}`;
  if (row.as !== 'quantity') return row.label;
  const { least, most } = row.band;
  return `${row.label}: ${usualPrinter.quantity(row.kind, least)} to ${usualPrinter.quantity(row.kind, most)}`;
};
const moveSections = moveKinds.map((kind) => {
  const { rows } = moveOf(kind);
  const example = say(sayMove(changeMove(kind, undefined, '#ffffff')));
  return `## ${kind}\n\nAs it is offered, it ${example}.\n\n${rows.map((row) => `- ${describeRow(row)}`).join('\n')}\n`;
});
writeFileSync(
  out('moves.md'),
  `# Moves\n\nWritten by \`npm run docs\` from the moves themselves: each with a colour, and with these settings.\n\n${moveSections.join('\n')}`,
);

/** What each move does in C, where it does more than to be steady. */
const movesInC = Object.fromEntries(
  moveKinds.flatMap((kind) => {
    const file = new URL(`../core/src/moves/${kind}/move.c`, import.meta.url);
    return existsSync(file) ? [[kind, readFileSync(file, 'utf8')] as const] : [];
  }),
);
writeFileSync(engine('moves.h'), writeMovesHeader());
writeFileSync(engine('moves.c'), writeMovesSource(movesInC));

const schoolSections = [...schools, ...powerSchools].map(({ question, ways, here }) => {
  const list = ways.map(({ way, when }) => `- *${way}*: ${when}`).join('\n');
  return `## ${question}\n\n${list}\n\nHere: ${here}\n`;
});
writeFileSync(
  out('schools.md'),
  `# Where makers differ\n\nGenerated from the core by \`npm run docs\`; the stages Lights and Power show the same.\n\n${schoolSections.join('\n')}`,
);
