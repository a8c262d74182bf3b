import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { exportShoppingCsv, exportWireCsv } from '../exports/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { checkDesign } from './index.ts';

const at = (xMm: number) => ({ xMm, yMm: 20 });
const supply = itemOf('outside supply', { id: 'supply', name: 'Supply', at: at(10), part: 'supply-bench', volts: 5 });
const board = itemOf('board', { id: 'board', name: 'Board', at: at(30), part: 'controller-large-5v', feed: 'supply' });
const lamp = itemOf('light', {
  id: 'lamp',
  name: 'Lamp',
  feed: 'supply',
  places: [{ id: 'a', at: at(90), hollowId: null }],
});
const key = (n: number, change: object = {}): Item =>
  itemOf('remote', { id: `key${n}`, name: `Key ${n}`, at: at(50), ...change });
const receiver = (change: object = {}): Item =>
  itemOf('receiver', { id: 'ear', name: 'Ear', at: at(60), feed: 'supply', ...change });
const heard = (n: number, change: object = {}): Item => key(n, { receiver: 'ear', key: n, ...change });

const judge = (...items: Item[]) => {
  const design: Design = circuitOf([supply, board, lamp, ...items]);
  const assessment = assess(design);
  const findings = checkDesign(design, assessment);
  return { design, assessment, found: (rule: string) => findings.find((each) => each.rule === rule) };
};

const bought = (design: Design, copies: number): string[] =>
  exportShoppingCsv(assess(design), copies, usualPrinter)
    .split(/\r?\n/)
    .filter((line) => /eceiver|ransmitter/.test(line));

describe('a receiver with several outputs', () => {
  it('four keys that each have a receiver are told of, and a click makes them one', () => {
    const { design, found } = judge(key(1), key(2), key(3), key(4));
    expect(bought(design, 1)).toEqual([expect.stringMatching(/^"?Radio receiver, one channel.*,4,/)]);
    const many = found('receivers-many');
    expect(many?.fixes.map(({ label }) => label)).toEqual(['One receiver with 4 outputs']);
    const mended = applyEdits(design, many?.fixes[0]?.edits ?? []);
    expect(checkDesign(mended, assess(mended)).some(({ rule }) => rule === 'receivers-many')).toBe(false);
    const lines = bought(mended, 3);
    // Three copies: three receivers, and a transmitter each.
    expect(lines.length).toBe(2);
    expect(lines[0]).toMatch(/four outputs, closed while a key is held"?,1,3,3,/);
    expect(lines[1]).toMatch(/^"?Hand transmitter, radio, 4 keys"?,1,3,3,/);
  });

  it('one transmitter for all copies is bought once', () => {
    const { design } = judge(receiver({ transmitters: 'one for all copies' }), heard(1));
    expect(bought(design, 7).find((line) => line.includes('transmitter'))).toMatch(/,1,7,1,/);
  });

  it('draws all day, has a lead of its own, and a core to the pin of each output that is heard', () => {
    const { assessment, design } = judge(receiver(), heard(1), heard(2));
    expect(assessment.consumers.find(({ id }) => id === 'ear')?.restA).toBe(0.005);
    const wires = exportWireCsv(assessment, usualPrinter);
    expect(wires).toMatch(/Lead of Ear/);
    expect(wires).toMatch(/Key 2.*Ear output 2/);
    // What has its own supply takes none from the chip.
    expect(assessment.nets.some(({ name }) => name === 'chip plus')).toBe(false);
    const step = listSteps(design, assessment).find(({ id }) => id === 'range:ear');
    expect(step?.expect).toMatchObject({ kind: 'count', likely: 10, low: 9 });
  });

  it('an output that it has not got is a stop; another way of working is mended by a click', () => {
    const beyond = judge(receiver({ part: 'receiver-radio-2-latched' }), heard(3, { output: 'latched' }));
    expect(beyond.found('receiver-output')?.gravity).toBe('stop');
    expect(beyond.found('receiver-output')?.fixes.length).toBe(1);
    const other = judge(receiver(), heard(1, { output: 'latched' })).found('receiver-mode');
    expect(other?.fixes[0]?.label).toBe('It is closed while its key is held');
  });

  it('5 V at the pin of a 3.3 V chip is a stop; on the chip’s own voltage it is none', () => {
    const small = itemOf('board', {
      id: 'board',
      name: 'Board',
      at: at(30),
      part: 'controller-radio-3v3',
      feed: 'supply',
    });
    const on = (feed: string) => {
      const design = circuitOf([
        supply,
        itemOf('converter', { id: 'low', name: 'Low', at: at(20), part: 'buck-3v3-1a', feed: 'supply' }),
        small,
        receiver({ feed }),
        heard(1),
      ]);
      const assessment = assess(design);
      expect(assessment.boards[0]?.part.logicV).toBe(3.3);
      return checkDesign(design, assessment).find(({ rule }) => rule === 'receiver-level')?.gravity;
    };
    expect([on('supply'), on('low')]).toEqual(['stop', undefined]);
  });

  it('an infrared eye in a closed box is told of, with the cone that it sees', () => {
    const design = {
      ...judge(receiver({ part: 'receiver-infrared-4-held', boxId: 'hold', rangeMm: 5000 }), heard(1)).design,
      hollows: [{ kind: 'box' as const, id: 'hold', name: 'Hold', at: at(10), widthMm: 90, heightMm: 60, depthMm: 30 }],
    };
    const found = checkDesign(design, assess(design)).find(({ rule }) => rule === 'eye-hidden');
    // tan 40° · 5 m.
    expect(usualPrinter.message(found?.why ?? '')).toMatch(/4196 mm|4.20 m|4200 mm/);
  });
});
