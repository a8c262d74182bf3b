import { cutTape } from '../../items/index.ts';
import { cutFromStock } from '../../lights/index.ts';
import { joinMessages, mm, say } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, optional, pairs } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

/** Answers cutting pieces out of a reel. */
export const tapeCutSum = defineSum({
  name: 'tape-cut',
  title: 'Cutting a list of lengths',
  about:
    'Cuts all lengths from the reels in hand with the least stock used; tape only at its marks, wire and tube with a loss a cut.',
  group: 'lights',
  inputs: {
    lengths: pairs({
      word: 'lengths',
      label: 'Lengths wanted',
      hint: 'count x length, with commas',
      names: ['count', 'lengthMm'],
      kinds: ['count', 'lengthMm'],
      bands: [
        { whole: true, least: 1, most: 500 },
        { least: 1, most: 100_000 },
      ],
      initial: [
        [3, 620],
        [4, 410],
        [5, 260],
      ],
    }),
    stock: pairs({
      word: 'stock',
      label: 'Stock in hand',
      hint: 'count x length; count 0 = as many as needed',
      names: ['count', 'lengthMm'],
      kinds: ['count', 'lengthMm'],
      bands: [
        { whole: true, least: 0, most: 1000 },
        { least: 1, most: 1_000_000 },
      ],
      initial: [[0, 1000]],
    }),
    kerfMm: assume('lengthMm', 'kerf', 'Lost at each cut', 0, { least: 0, most: 50 }),
    perMetre: optional('perMetre', 'density', 'Lights a metre, for tape'),
    lightsPerJoint: assume('count', 'joint', 'Lights from cut mark to cut mark', 1, {
      whole: true,
      least: 1,
      most: 48,
    }),
    cores: assume('count', 'cores', 'Cores of each jumper', 3, { whole: true, least: 0, most: 8 }),
  },
  reckon: ({ lengths, stock, kerfMm, perMetre, lightsPerJoint, cores }) => {
    const total = lengths.reduce((sum, [count]) => sum + count, 0);
    if (total > 60) throw new SumError(`${total} lengths are more than can be proven at once; give at most 60`);
    if (stock.length === 0) throw new SumError('Give the stock in hand, got none: stock=0x5m');
    const cutTo = (lengthMm: number): number =>
      perMetre === null ? lengthMm : cutTape({ routeMm: lengthMm, perMetre, lightsPerJoint }).litLengthMm;
    const pieces = lengths.map(([count, lengthMm]) => ({ count, length: cutTo(lengthMm) }));
    const plan = cutFromStock({
      pieces,
      stock: stock.map(([count, length]) => ({ length, count: count === 0 ? null : count })),
      kerf: kerfMm,
    });
    const wantedMm = pieces.reduce((sum, piece) => sum + piece.count * piece.length, 0);
    const longest = Math.max(...stock.map(([, length]) => length));
    const joints = perMetre === null ? 0 : Math.max(0, total - 1) * cores * 2;
    return {
      results: [
        mainFigure('stockPieces', 'Stock lengths cut', 'count', plan.cuts.length),
        figure('stockUsedMm', 'Stock used', 'lengthMm', plan.stockUsed),
        figure('wasteMm', 'Left over and lost', 'lengthMm', plan.stockUsed - wantedMm),
        figure('bySumOnly', 'Stock lengths, if lengths just added up', 'count', Math.ceil(wantedMm / longest - 1e-9)),
        figure('solderJoints', 'Joints of the jumpers between them', 'count', joints),
        text('proven', 'No plan can use less', plan.proven && plan.short.length === 0),
        {
          form: 'table',
          key: 'cuts',
          label: 'The cuts',
          columns: [
            { key: 'stockMm', label: 'from', kind: 'lengthMm' },
            { key: 'pieces', label: 'pieces, mm', kind: 'text' },
            { key: 'offcutMm', label: 'left', kind: 'lengthMm' },
          ],
          rows: plan.cuts.map((cut) => [
            cut.stockLength,
            cut.pieces.map((piece) => Number(piece.toFixed(1))).join(' + '),
            cut.offcut,
          ]),
        },
      ],
      steps: [],
      findings: findingsWhere([
        plan.short.length > 0,
        finding(
          'stock-short',
          'stop',
          say`The stock is short by ${joinMessages(plan.short.map(mm), ', ')}`,
          'No length in hand is long enough for what is left.',
          'Buy more, or join two with a jumper at a mark.',
        ),
      ]),
      drawing: {
        kind: 'bars',
        unit: 'lengthMm',
        bars: plan.cuts.map((cut) => ({ length: cut.stockLength, pieces: cut.pieces, offcut: cut.offcut })),
      },
    };
  },
});
