import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkPlan } from '../findings/index.ts';
import { transistors } from '../parts/index.ts';
import { applyEdits, changeItem, changeWay, type Design, type Plan } from '../plan/index.ts';
import { gauge, ohms, quantitiesOf, say, usualPrinter } from '../units/index.ts';
import { listRebuilds, listSteps, trackSteps, whatIsBuilt } from './index.ts';

const { design } = demoPlan();
const at = '2026-11-20T18:00:00Z';

/** The bench with these steps ticked while the plan was as it is now. */
function solder(...stepIds: readonly string[]): Plan['bench'] {
  const assessment = assess(design);
  return {
    readings: [],
    done: stepIds.map((stepId) => {
      const built = whatIsBuilt(stepId, assessment);
      return { stepId, at, ...(built ? { built } : {}) };
    }),
  };
}

const eye = 'solder:light:eyes:l';
const bench = solder('drill', eye, 'solder:control:fin');
const later = (changed: Design) => listRebuilds(bench, changed, assess(changed));

describe('what is soldered stays soldered', () => {
  it('remembers which cores went where, by which pin, with which resistor; other steps make nothing that can be unsoldered', () => {
    const [drilled, soldered] = bench.done;
    expect(drilled?.built).toBeUndefined();
    expect(soldered?.built?.cores.map((core) => core.to.item)).toContain('eyes');
    expect(soldered?.built?.cores.filter((core) => core.pin !== null)).toHaveLength(1);
    expect(soldered?.built?.resistorOhm).toBeGreaterThan(0);
  });
  it('says nothing while the plan is as it was, or changes elsewhere', () => {
    expect(later(design)).toEqual([]);
    const [first, ...others] = design.moods.list;
    if (!first) throw new Error('a mood');
    const list = [{ ...first, brightness: 0.4 }, ...others];
    expect(later({ ...design, moods: { ...design.moods, list } })).toEqual([]);
  });
  it('a mood that leaves the light alone would feed it without the board: that has to be asked', () => {
    const moods = { ...design.moods, list: design.moods.list.slice(0, 1) };
    const [found] = later({ ...design, moods });
    expect(found?.undo[0]).toBe(
      'rebuild how it is switched: not by a transistor to minus, but by nothing: it is on while its supply is',
    );
  });
  it('names the resistor that has to come out, and keeps it on a click', () => {
    const was = assess(design).driven.find((each) => each.itemId === 'eyes')?.resistor?.resistorOhm ?? 0;
    const changed = applyEdits(design, changeItem(design, 'eyes', { resistorOhm: was - 30 }));
    const [found] = later(changed);
    // A resistor of the maker’s own lets the pin itself do: that is told of too.
    expect(quantitiesOf(found?.undo.at(-1) ?? '')).toEqual([ohms(390), ohms(360)]);
    const kept = applyEdits(changed, found?.keep ?? []);
    expect(assess(kept).driven.find((each) => each.itemId === 'eyes')?.resistor?.resistorOhm).toBe(was);
    expect(later(kept)).toEqual([]);
  });
  it('names the cores when the light is switched in another way, and switches it as it is built on a click', () => {
    const changed = applyEdits(design, changeWay(design, 'eyes', { way: 'pin low', board: null }));
    const [found] = later(changed);
    expect(found?.undo.map(usualPrinter.message).join('; ')).toMatch(
      /^rebuild how it is switched: not by a transistor to minus, but by the pin itself, lit low/,
    );
    const kept = applyEdits(changed, found?.keep ?? []);
    expect(later(kept)).toEqual([]);
  });
  it('names the pins when they would be given otherwise, and locks them on a click', () => {
    const [board] = assess(design).boards;
    const pin = bench.done[1]?.built?.cores.find((core) => core.pin !== null)?.pin ?? '';
    const free = assess(design).pins[0]?.plan;
    const other = free?.ok ? free.free.find((each) => each.can.includes('dimmed'))?.name : undefined;
    if (!board || other === undefined) throw new Error('a free pin on the board');
    const changed = applyEdits(
      design,
      changeItem(design, board.id, { pinLocks: [{ demand: 'channel:eyes:1', pin: other }] }),
    );
    const [found] = later(changed);
    expect(found?.undo).toEqual([expect.stringContaining(`from pin ${pin} to pin ${other}`)]);
    expect(later(applyEdits(changed, found?.keep ?? []))).toEqual([]);
  });
  it('names the transistor that would be another, and keeps the one that is built on a click', () => {
    const ofEyes = (changed: Design) => assess(changed).driven.find((each) => each.itemId === 'eyes')?.transistor?.part;
    const was = ofEyes(design);
    const other = transistors.find(({ id, side }) => side === 'low' && id !== was?.id);
    const way = { way: 'transistor below', board: null, part: other?.id ?? null } as const;
    const changed = applyEdits(design, changeWay(design, 'eyes', way));
    expect(ofEyes(changed)).toBe(other);
    const [found] = later(changed);
    expect(found?.undo).toContain(`take out ${was?.name}, put in ${other?.name}`);
    const kept = applyEdits(changed, found?.keep ?? []);
    expect(ofEyes(kept)).toBe(was);
    expect(later(kept)).toEqual([]);
  });
  it('a wire that is too thin now has to come out, one that is thicker than needed stays', () => {
    const runId = 'light:eyes:l';
    const laid = assess(design).runs.find((run) => run.id === runId)?.gaugeAwg ?? 0;
    const withGauge = (gaugeAwg: number): Design => ({
      ...design,
      wires: { ...design.wires, runs: [{ runId, lengthMm: null, gaugeAwg, colours: null }] },
    });
    const [found] = later(withGauge(laid - 4));
    expect(found?.undo).toEqual([say`take out the wires of ${gauge(laid)}, lay ones of ${gauge(laid - 4)}`]);
    expect(later(applyEdits(withGauge(laid - 4), found?.keep ?? []))).toEqual([]);
    expect(later(withGauge(laid + 2))).toEqual([]);
  });
  it('what is taken out of the plan has to come out of the piece', () => {
    const changed = { ...design, items: design.items.filter((item) => item.id !== 'eyes') };
    const [found] = later(changed);
    expect(found?.undo).toEqual([expect.stringMatching(/^unsolder .*: the plan has no such wire any more$/)]);
    expect(found?.keep).toBeNull();
  });
  it('is a finding with its mend, and the step is open again until it is ticked anew', () => {
    const changed = applyEdits(design, changeWay(design, 'eyes', { way: 'pin low', board: null }));
    const assessment = assess(changed);
    const findings = checkPlan({ design: changed, bench }, assessment).filter((each) =>
      each.id.startsWith('built-otherwise:'),
    );
    expect(findings).toHaveLength(1);
    expect(findings[0]).toMatchObject({ gravity: 'mend', stage: 'bench', aboutId: 'eyes' });
    expect(findings[0]?.fixes.map((fix) => fix.label)).toEqual(['Keep what is built']);
    const progress = trackSteps(listSteps(changed, assessment), bench, listRebuilds(bench, changed, assessment));
    const step = progress.find((each) => each.step.id === eye);
    expect(step).toMatchObject({ done: false });
    expect(step?.undo.length).toBeGreaterThan(0);
    expect(progress.find((each) => each.step.id === 'drill')?.done).toBe(true);
  });
});
