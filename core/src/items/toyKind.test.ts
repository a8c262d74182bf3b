import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { planOf, soundDesign } from '../../tests/designs.ts';
import { copyCore } from '../../tests/toy.ts';
import type { assess as assessOf } from '../assess.ts';
import type * as Exports from '../exports/index.ts';
import type * as Findings from '../findings/index.ts';
import type * as Reading from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import type * as Items from './index.ts';

/** A kind that nobody needs: a mist maker, which draws so much for each of its discs and does not like rain. */
const mist = {
  'items/mist/schema.ts': `import { z } from 'zod';
import { feed, placed, switchedBy } from '../schemaFields.ts';

export const mistSchema = z.strictObject({
  kind: z.literal('mist'),
  ...placed,
  feed,
  switchedBy,
  discs: z.number().int().min(1).max(9),
});
`,
  'items/mist/kind.ts': `import { asReckoned } from '../contract.ts';
import { pieces } from '../buys.ts';
import { named } from '../finding.ts';
import { feedRow } from '../rows.ts';

export const mist = {
  kind: 'mist',
  name: 'Mist maker',
  stage: 'power',
  role: 'load',
  create: ({ id, name, at }) => ({ kind: 'mist', id, name, at, feed: null, switchedBy: asReckoned, discs: 2 }),
  rows: [
    { type: 'quantity', field: 'discs', label: 'Discs', quantity: 'count', band: { least: 1, most: 9 }, isWhole: true },
    feedRow,
  ],
  parts: () => [],
  channels: () => [''],
  draws: ({ discs }) => ({ restA: 0, steadyA: 0.1 * discs, steadyPeakA: 0.1 * discs, startA: 0.1 * discs, relativeSpread: 0 }),
  buys: ({ discs, name }) => [pieces('Mist disc', 2, name, discs)],
  rules: [
    (item, { piece }) =>
      piece.setting === 'rain'
        ? [{ ...named('mist-in-rain', item.id), gravity: 'mind', stage: 'power', aboutId: item.id, what: item.name + ' in the rain', why: 'Nobody sees it.', mend: 'Stay in.', fixes: [] }]
        : [],
  ],
} as never;
`,
};

const source = (file: string): string => readFileSync(join(import.meta.dirname, file), 'utf8');

it('a kind that is a folder, and listed, reaches form, plan, figures, wires, shopping, findings and schema', async () => {
  const { load } = copyCore({
    ...mist,
    'items/kinds.ts': `import { mist } from './mist/kind.ts';\n${source('kinds.ts').replace('  load,\n]', '  load,\n  mist,\n]')}`,
    'items/schema.ts': `import { mistSchema } from './mist/schema.ts';\n${source('schema.ts').replace('  loadSchema,\n]', '  loadSchema,\n  mistSchema,\n]')}`,
  });
  const { kinds, rowsOf }: typeof Items = await load('items/index.ts');
  const { assess }: { assess: typeof assessOf } = await load('assess.ts');
  const { checkDesign }: typeof Findings = await load('findings/index.ts');
  const { readPlanText }: typeof Reading = await load('plan/reading.ts');
  const { exportShoppingCsv, exportWireCsv }: typeof Exports = await load('exports/index.ts');

  const kind = kinds.find((each) => (each.kind as string) === 'mist');
  if (!kind) throw new Error('the kind is offered');
  const item = { ...kind.create({ id: 'fog', name: 'Fog', at: { xMm: 40, yMm: 40 } }), discs: 3 } as never;
  expect(rowsOf(item).map(({ label }) => label)).toEqual(['Discs', 'Fed from']);

  const sound = soundDesign({});
  const design = { ...sound, piece: { ...sound.piece, setting: 'rain' as const }, items: [...sound.items, item] };
  const read = readPlanText(JSON.stringify(planOf(design)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const [with3, without] = [assess(read.plan.design), assess({ ...read.plan.design, items: sound.items })];
  // Three discs of 100 mA each.
  expect(with3.peakA - without.peakA).toBeCloseTo(0.3, 9);
  expect(exportWireCsv(with3, usualPrinter)).toContain('Fog');
  expect(exportShoppingCsv(with3, 1, usualPrinter)).toMatch(/Mist disc,3,/);
  expect(checkDesign(read.plan.design, with3).map(({ id }) => id)).toContain('mist-in-rain:fog');

  const wrong = readPlanText(
    JSON.stringify(planOf({ ...design, items: [...sound.items, { ...(item as object), discs: 99 }] as never })),
  );
  expect(wrong.ok).toBe(false);
});
