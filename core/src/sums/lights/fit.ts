import { tellBoreFit, tellBoxFit, tellChannelFit } from '../../findings/index.ts';
import {
  bundleDiameterMm,
  CLEARANCE_A_SIDE_MM,
  chordBend,
  type Fit,
  finishedDiameter,
  fitBox,
  upToDrillMm,
} from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, choice, list, optional } from '../inputs.ts';
import {
  asInPlan,
  defineSum,
  figure,
  finding,
  findingsWhere,
  mainFigure,
  type Outcome,
  type Result,
  text,
} from '../sum.ts';

interface FitAsked {
  readonly part: readonly number[];
  readonly hollow: readonly number[];
  readonly sleeveMm: number;
  readonly wires: number;
  readonly wireMm: number;
  readonly clearanceMm: number;
  readonly chordMm: number | null;
}

const verdictOf = (fitsWell: boolean, goesIn: boolean): Result =>
  text('verdict', 'It', fitsWell ? 'fits' : goesIn ? 'fits if eased' : 'does not fit');

function fitIntoBox({ part, hollow, clearanceMm }: FitAsked): Outcome {
  const [p1 = 0, p2 = 0, p3 = 0] = part;
  const [h1 = 0, h2 = 0, h3 = 0] = hollow;
  if (part.length !== 3 || hollow.length !== 3)
    throw new SumError(
      `A box has three sizes, got ${part.length} of the part and ${hollow.length} of the hollow: part=34,62,6 hollow=70,40,20`,
    );
  const found = fitBox([p1, p2, p3], [h1, h2, h3]);
  const easy = found.tightestMm >= 2 * clearanceMm;
  return {
    results: [
      verdictOf(easy, found.fits),
      mainFigure('tightestMm', 'Left on the tightest side', 'lengthMm', found.tightestMm),
      { form: 'figures', key: 'turnedMm', label: 'Turned so', kind: 'lengthMm', values: found.turned },
      {
        form: 'figures',
        key: 'clearanceMm',
        label: 'Left along each side',
        kind: 'lengthMm',
        values: found.clearanceMm,
      },
    ],
    steps: [],
    findings: asInPlan(
      tellBoxFit({ boxName: 'the box', box: [h1, h2, h3], inside: [{ name: 'The part', size: [p1, p2, p3] }] }),
    ),
  };
}

function fitIntoChannel({ part, hollow, clearanceMm, chordMm }: FitAsked): Outcome {
  const [p1 = 0, p2 = 0] = part;
  const [h1 = 0, h2 = 0] = hollow;
  if (part.length < 1 || hollow.length < 1)
    throw new SumError('Give both widths, got one or none: part=12 hollow=12.8');
  const playMm = h1 - p1;
  const radius = chordMm === null || playMm <= 0 ? null : chordBend.reckon({ L: chordMm, s: playMm });
  return {
    results: [
      verdictOf(playMm >= 2 * clearanceMm, playMm >= 0),
      mainFigure('playMm', 'Play across', 'lengthMm', playMm),
      ...(hollow.length > 1 && part.length > 1 ? [figure('aboveMm', 'Left above', 'lengthMm', h2 - p2)] : []),
      figure('leastRadiusMm', 'Least radius in its own plane', 'lengthMm', radius),
    ],
    steps: radius === null || chordMm === null ? [] : [fillSum(chordBend, { L: chordMm, s: playMm })],
    findings: asInPlan(
      tellChannelFit({
        name: 'The tape',
        channelName: 'the channel',
        // Without a height it is asked about its width alone.
        tape: { widthMm: p1, heightMm: p2 },
        channel: { widthMm: h1, depthMm: hollow.length > 1 ? h2 : p2 },
      }),
    ),
  };
}

function fitIntoBore({ part, hollow, sleeveMm, wires, wireMm, clearanceMm }: FitAsked): Outcome {
  const [p1 = 0, p2 = 0] = part;
  const [h1 = 0, h2 = 0] = hollow;
  const finishedMm = finishedDiameter.reckon({ d: p1, w: sleeveMm });
  const wiresMm = bundleDiameterMm(wires, wireMm);
  const widest = Math.max(finishedMm, wiresMm);
  const leftMm = (h1 - widest) / 2;
  const depthToSpareMm = hollow.length < 2 || part.length < 2 ? 0 : h2 - p2;
  const isClear = leftMm >= clearanceMm - 1e-9 && depthToSpareMm >= 0;
  const fit: Fit = {
    verdict: isClear ? 'fits' : leftMm >= -1e-9 ? 'fits if eased' : 'does not fit',
    finishedMm,
    wiresMm,
    clearanceMm: leftMm,
    leastBoreMm: upToDrillMm(widest + 2 * clearanceMm),
    depthToSpareMm,
  };
  return {
    results: [
      text('verdict', 'It', fit.verdict),
      mainFigure('leastBoreMm', 'Least bore', 'lengthMm', fit.leastBoreMm),
      figure('finishedMm', 'Finished diameter', 'lengthMm', finishedMm),
      figure('wiresMm', 'Bundle of its wires', 'lengthMm', wiresMm),
      figure('clearanceMm', 'Left on each side', 'lengthMm', leftMm),
    ],
    steps: [fillSum(finishedDiameter, { d: p1, w: sleeveMm })],
    findings: [
      ...asInPlan(tellBoreFit({ name: 'The light', boreName: 'the bore', fit, bore: { diameterMm: h1, depthMm: h2 } })),
      ...findingsWhere([
        wiresMm > finishedMm,
        finding(
          'wires-widest',
          'mind',
          'The wires are wider than the light',
          'The tightest thing on the path decides, not the one at the seat.',
          'Thread the wires one after another, or take thinner ones.',
        ),
      ]),
    ],
  };
}

const fitters = { bore: fitIntoBore, box: fitIntoBox, channel: fitIntoChannel } as const;

/** Answers whether something goes in. */
export const fitSum = defineSum({
  name: 'fit',
  title: 'Will it go in?',
  about: 'A light with its sleeve and wires into a bore, or a box into a box, any square turn.',
  group: 'lights',
  inputs: {
    shape: choice('shape', 'Hollow', ['bore', 'box', 'channel'], 'bore'),
    part: list('lengthMm', 'part', 'Sizes of the part', [3.4], { least: 0.01, most: 5000 }),
    hollow: list('lengthMm', 'hollow', 'Sizes of the hollow', [4.7], { least: 0.01, most: 5000 }),
    sleeveMm: assume('lengthMm', 'sleeve', 'Wall of the shrunk sleeve', 0, { least: 0, most: 5 }),
    wires: assume('count', 'wires', 'Wires through it', 2, { whole: true, least: 0, most: 500 }),
    wireMm: assume('lengthMm', 'wire', 'Diameter of one wire', 1.1, { least: 0.02, most: 20 }),
    clearanceMm: assume('lengthMm', 'clearance', 'Clearance a side', CLEARANCE_A_SIDE_MM, { least: 0, most: 10 }),
    chordMm: optional('lengthMm', 'chord', 'Chord of a tape laid round a curve'),
  },
  reckon: (values) => fitters[values.shape](values),
  intoDesign: (design, { shape, hollow }, newId) => {
    const [a = 5, b = 10, c = 10] = hollow;
    const common = {
      id: newId(),
      name: `Hollow ${design.hollows.length + 1}`,
      at: { xMm: design.view.widthMm / 2, yMm: design.view.heightMm / 2 },
    };
    return {
      ...design,
      hollows: [
        ...design.hollows,
        shape === 'bore'
          ? { ...common, kind: 'bore', diameterMm: a, depthMm: b }
          : shape === 'channel'
            ? { ...common, kind: 'channel', widthMm: a, depthMm: b }
            : { ...common, kind: 'box', widthMm: a, heightMm: b, depthMm: c },
      ],
    };
  },
});
