import { describe, expect, it } from 'vitest';
import { allDemos } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { exportWireCsv } from '../exports/index.ts';
import { usualPrinter } from '../units/index.ts';
import { listSteps } from './index.ts';
import { chapters } from './step.ts';

describe.each(allDemos())('the small parts of %s', (_, { design }) => {
  const assessment = assess(design);
  const steps = listSteps(design, assessment);
  const textOf = (id: string): string => {
    const found = steps.find((step) => step.id === id);
    return found ? usualPrinter.message(found.todo) : '';
  };
  const firstWire = steps.findIndex(({ id }) => id.startsWith('solder:'));

  it('a fuse goes in before any wire, and the wires of its plus begin behind it', () => {
    for (const item of design.items) {
      if (!('fuseA' in item) || item.fuseA === null) continue;
      const at = steps.findIndex(({ id }) => id === `fuse:${item.id}`);
      expect(at, item.name).toBeGreaterThanOrEqual(0);
      expect(at).toBeLessThan(firstWire);
      expect(textOf(`fuse:${item.id}`)).toContain('before anything else');
      for (const run of assessment.runs) {
        const cores = (assessment.coreEnds.get(run.id) ?? []).filter(
          (_ends, c) => run.joins[c]?.from.item === item.id && run.joins[c]?.from.port.startsWith('plus'),
        );
        for (const { from } of cores) expect(usualPrinter.message(from)).toMatch(/behind its .*fuse|behind .* there/);
      }
    }
  });

  it('whatever stands at a pin is put together before a wire ends at it', () => {
    const told = steps.slice(0, firstWire).map(({ todo }) => usualPrinter.message(todo));
    for (const [id, ends] of assessment.coreEnds)
      if (id.startsWith('legs:channel:'))
        for (const { to } of ends)
          expect(
            told.some((text) => text.includes(usualPrinter.message(to))),
            id,
          ).toBe(true);
  });

  it('a transistor is told with what stands before it', () => {
    for (const { itemId, transistor, name } of [...assessment.driven, ...assessment.loads])
      if (transistor) {
        const text = textOf(`transistor:${itemId}`);
        expect(text, name).toContain(transistor.part.name);
        expect(text).toContain(usualPrinter.quantity('resistanceOhm', transistor.gateOhm));
        expect(text.includes('100 kΩ')).toBe(
          transistor.part.type === 'field-effect' || transistor.part.side === 'high',
        );
      }
  });

  it('whatever a core joins is told: by a wire of the list, a joint at one place, or the legs of a part', () => {
    const before = steps.slice(0, firstWire).map(({ id }) => id);
    for (const { id, bare } of assessment.joins) {
      if (bare || assessment.runs.some((run) => run.id === id)) continue;
      expect(before, id).toContain(`joint:${id}`);
      for (const { from, to } of assessment.coreEnds.get(id) ?? [])
        expect(textOf(`joint:${id}`)).toContain(`${usualPrinter.message(from)} to ${usualPrinter.message(to)}`);
    }
  });

  it('a light gate is told with its sensor', () => {
    for (const item of design.items)
      if (item.kind === 'light gate') expect(textOf(`assembly:${item.id}`)).toMatch(/phototransistor to minus/);
  });
});

it('the fire-box of the handcart: a field-effect transistor with 220 Ω at its gate and 100 kΩ to its source', () => {
  const design = allDemos().find(([name]) => name.startsWith('Paddle'))?.[1].design;
  if (!design) throw new Error('no handcart');
  const text = listSteps(design, assess(design)).find(({ id }) => id === 'transistor:fire');
  expect(text && usualPrinter.message(text.todo)).toMatch(
    /Its source to Board minus; gate through 220 Ω to the pin, and through 100 kΩ to its source; drain to what it switches/,
  );
});

it('the reliquary: a switch on its pack and a board on its converter, which no wire of the list joins', () => {
  const design = allDemos().find(([name]) => name.startsWith('Reef'))?.[1].design;
  if (!design) throw new Error('no reliquary');
  const assessment = assess(design);
  const told = listSteps(design, assessment)
    .filter(({ id }) => id.startsWith('joint:'))
    .map(({ todo }) => usualPrinter.message(todo));
  expect(told).toHaveLength(2);
  expect(told.join()).toContain('Converter out plus to Board plus in; Converter out minus to Board minus.');
  expect(told.join()).toContain('Pack plus (behind its fuse) to Switch a.');
  const csv = exportWireCsv(assessment, usualPrinter);
  expect(csv).toContain('Lead of Switch,Pack,Switch,plus of Pack,,,0,,,Pack plus (behind its fuse),Switch a');
});

describe('the helmet lamp, step by step', () => {
  const design = allDemos().find(([name]) => name.startsWith('Diver'))?.[1].design;
  if (!design) throw new Error('no helmet');
  const steps = listSteps(design, assess(design));
  const told = (id: string): string => {
    const found = steps.find((step) => step.id === id);
    return found ? usualPrinter.message(found.todo) : '';
  };
  const at = (id: string): number => steps.findIndex((step) => step.id === id);

  it('its driver is set and its star cooled before a wire ends at them', () => {
    expect(told('assembly:driver')).toMatch(/^To 200 mA, by what its sheet says .* as it is sold it gives 350 mA\.$/);
    expect(told('assembly:star')).toContain('A heatsink of 8.00 K/W or less');
    expect(Math.max(at('assembly:driver'), at('assembly:star'))).toBeLessThan(at('solder:lead:driver'));
  });

  it('what harms an eye is said where it is lit, and of nothing else', () => {
    const warned = steps.filter(({ id, caution }) => id.startsWith('channel:') && caution !== null);
    expect(warned.map(({ title, caution }) => [title, caution])).toEqual([
      ['Helmet lamp, at full', expect.stringMatching(/Never look into it, and turn it away from faces/)],
      ['Curing lamp, at full', expect.stringMatching(/Do not look into it, however dark it seems/)],
    ]);
  });

  it('nothing hangs on its converter before that has been measured', () => {
    expect(told('solder:lead:board')).toContain(
      'Leave its plus open at Step-down until the output there has been measured.',
    );
    expect(told('converter-output')).toBe(
      'Plug in and switch on, with the plus of Lead of Board still open. It is right: pull the pack, solder it on, and look for a short once more.',
    );
    // What hangs on the pack itself is soldered at once.
    expect(told('solder:lead:driver')).not.toContain('open');
  });

  it('the program goes in when the voltages are right, and before what asks for it', () => {
    expect(told('program:board')).toContain('follow its LOADING.md, line by line. The mark');
    expect(at('program:board')).toBeGreaterThan(at('converter-output'));
    expect(at('program:board')).toBeLessThan(at('rest-current'));
    expect(at('program:board')).toBeLessThan(at('contact:palm'));
  });

  it('no mood is asked of the port, which lights what a hand switches', () => {
    const moods = steps.filter(({ id }) => id.startsWith('mood:'));
    expect(moods.map(({ title }) => title)).toEqual([
      'Deep water: the highest current of the pack',
      'Hail the boat: the highest current of the pack',
    ]);
  });
});

it.each(allDemos())('%s: the steps are in the order of their chapters', (_, { design }) => {
  const order = listSteps(design, assess(design)).map(({ chapter }) => chapters.indexOf(chapter));
  expect(order).toEqual([...order].sort((a, b) => a - b));
});
