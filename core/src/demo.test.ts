import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assess } from './assess.ts';
import { checkDesign } from './findings/index.ts';
import { readPlanText } from './plan/reading.ts';

const folder = new URL('../../demo/', import.meta.url);
const files = readdirSync(folder);

describe('the demo plans', () => {
  it('each has an id and a name of its own', () => {
    const plans = files.map((file) => JSON.parse(readFileSync(new URL(file, folder), 'utf8')));
    expect(new Set(plans.map((plan) => plan.id)).size).toBe(files.length);
    expect(new Set(plans.map((plan) => plan.name)).size).toBe(files.length);
  });
  it.each(files)('%s is read, reckoned whole, and has at most two things to mend', (file) => {
    const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { design } = read.plan;
    const assessment = assess(design);
    expect(assessment.lightCount).toBeGreaterThan(0);
    expect(assessment.pins.map(({ plan }) => plan.ok)).not.toContain(false);
    expect(assessment.supply?.runsFor?.likelyH).toBeGreaterThan(1);
    const open = checkDesign(design, assessment).filter((finding) => finding.gravity !== 'mind');
    expect(open.length).toBeLessThanOrEqual(2);
  });
  it('the lighthouse and the parasol have nothing that would harm', () => {
    for (const file of files.filter((name) => !name.startsWith('anglerfish'))) {
      const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
      const { design } = read.ok ? read.plan : { design: null };
      if (!design) throw new Error(file);
      expect(checkDesign(design, assess(design)).filter((finding) => finding.gravity === 'stop')).toEqual([]);
    }
  });
});
