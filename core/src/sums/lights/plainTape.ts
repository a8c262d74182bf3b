import type { Item } from '../../items/index.ts';
import { longestTapeMm, tapeCurrent } from '../../lights/index.ts';
import { type OutsideSupplyPart, outsideSupplies, type PlainTapePart, plainTapes } from '../../parts/index.ts';
import { emptyDesign } from '../../plan/index.ts';
import { fillSum } from '../../units/index.ts';
import { wireOhmPerMetre } from '../../wires/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, optional, partChoice } from '../inputs.ts';
import { freshItem, layPiece, type Piece } from '../piece.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

const likeIts = { id: 'typical', name: 'the nearest of this voltage and so many colours' };

const LEAD_AWG = 10;

interface Asked {
  readonly powerPerMetreW: number;
  readonly lengthMm: number;
  readonly voltageV: number;
  readonly feedV: number | null;
  readonly supplyA: number;
  readonly colours: number;
  readonly lit: number | null;
  readonly tape: string;
  readonly leadOhm: number;
  readonly sourceOhm: number;
}

const coloursAsSold = (colours: number): PlainTapePart['colours'] => (colours <= 1 ? 1 : colours <= 3 ? 3 : 4);

/** A tape that has the colours that are lit, and takes what they do. */
function partOf({ tape, voltageV, colours, powerPerMetreW }: Asked, litShare: number): PlainTapePart {
  const off = (part: PlainTapePart): number =>
    Math.abs(Math.log(part.voltageV / voltageV)) * 10 + Math.abs(part.colours - colours);
  const [nearest] = [...plainTapes].sort((a, b) => off(a) - off(b));
  const part = plainTapes.find(({ id }) => id === `plain-tape-${tape}`) ?? nearest;
  if (!part) throw new SumError('The catalogue has no tape to take typical values from');
  return {
    ...part,
    id: 'asked-tape',
    voltageV,
    colours: coloursAsSold(litShare === 1 ? colours : 1),
    powerPerMetreW: powerPerMetreW * litShare,
    // Of another voltage it has as many more or fewer dice in a row as that asks for.
    diceInSeries: Math.max(1, Math.round((part.diceInSeries * voltageV) / part.voltageV)),
  };
}

/** The tape on its supply, as a plan has them: lit all along, with what its copper and its lead take. */
function lay(asked: Asked, litShare: number): Piece {
  const at = { xMm: 0, yMm: 0 };
  const [bench] = outsideSupplies.filter(({ adjustable }) => adjustable);
  if (!bench) throw new SumError('The catalogue has no supply to take typical values from');
  const supply: OutsideSupplyPart = {
    ...bench,
    id: 'asked-supply',
    volts: asked.feedV ?? asked.voltageV,
    limitA: asked.supplyA,
    ohm: asked.sourceOhm,
  };
  const part = partOf(asked, litShare);
  const items: Item[] = [
    freshItem('outside supply', { id: 'supply', name: 'The supply', at: { xMm: 100, yMm: 0 }, part: supply.id }),
    freshItem('plain tape', {
      id: 'tape',
      name: 'The tape',
      at,
      part: 'asked-tape',
      feed: 'supply',
      switchedBy: Array.from({ length: part.colours }, () => ({ way: 'always on' }) as const),
      route: [at, { xMm: 0, yMm: asked.lengthMm }],
    }),
  ];
  // A lead of this resistance, of copper so thick that nothing else is amiss with it.
  const lengthMm = (asked.leadOhm / 2 / wireOhmPerMetre(LEAD_AWG)) * 1000;
  const lead = { runId: 'feed:tape', gaugeAwg: LEAD_AWG, lengthMm, colours: null };
  return layPiece(items, [part, supply], { wires: { ...emptyDesign.wires, runs: [lead] } });
}

/** Answers what plain tape draws, and how much a supply feeds. */
export const plainTapeSum = defineSum({
  name: 'plain-tape',
  title: 'Plain tape on a supply',
  about: 'What a plain tape draws, all its colours lit or some, how far it fades, and how much of it a supply feeds.',
  group: 'lights',
  inputs: {
    powerPerMetreW: ask('powerPerMetreW', 'power', 'Power of a metre', 9.6, { most: 60, usual: [2, 25] }),
    lengthMm: ask('lengthMm', 'length', 'Length', 2400, { most: 100_000, usual: [50, 10_000] }),
    voltageV: assume('voltageV', 'volts', 'Voltage', 12, { least: 3, most: 48 }),
    supplyA: ask('currentA', 'supply', 'What the supply gives', 1.5, { most: 50, usual: [0.1, 20] }),
    feedV: optional('voltageV', 'fed', 'Fed with, if not its voltage', { least: 1, most: 60 }),
    colours: assume('count', 'colours', 'Colours', 3, { whole: true, least: 1, most: 5 }),
    lit: optional('count', 'lit', 'Lit at once, if not all', { whole: true, least: 1, most: 5 }),
    tape: partChoice('tape', 'Built like', [likeIts, ...plainTapes], 'plain-tape-', likeIts.id),
    leadOhm: assume('resistanceOhm', 'lead', 'Its lead, out and back', 0.05, { least: 0, most: 20 }),
    sourceOhm: assume('resistanceOhm', 'source', 'The supply itself', 0.02, { least: 0, most: 20 }),
  },
  reckon: (asked) => {
    const { powerPerMetreW, lengthMm, voltageV, supplyA, colours, lit } = asked;
    if (lit !== null && lit > colours)
      throw new SumError(`${lit} are lit at once of a tape that has ${colours}; give lit=${colours} or fewer`);
    const allA = tapeCurrent.reckon({ P: powerPerMetreW, L: lengthMm, U: voltageV });
    const litShare = (lit ?? colours) / colours;
    const litA = allA * litShare;
    const { assessment, told } = lay(asked, litShare);
    const [fade] = assessment.fades;
    return {
      results: [
        mainFigure('litA', 'Draws by its stated power, lit so', 'currentA', litA),
        figure('fedA', 'Draws, with what copper and lead take', 'currentA', assessment.supply?.mostA ?? null),
        figure('leastShare', 'Its far end gets, of its first light', 'fraction', fade?.leastShare ?? null),
        figure('allA', 'Draws by its stated power, all colours lit', 'currentA', allA),
        figure('oneColourA', 'Draws in one colour', 'currentA', allA / colours),
        figure(
          'longestMm',
          'Longest that the supply feeds, lit so',
          'lengthMm',
          longestTapeMm(supplyA, voltageV, powerPerMetreW * litShare),
        ),
        figure('brightness', 'Brightness that it feeds, lit so', 'fraction', Math.min(1, supplyA / litA)),
      ],
      steps: [fillSum(tapeCurrent, { P: powerPerMetreW, L: lengthMm, U: voltageV })],
      findings: [
        // By how many ohms the lead was asked for, not by its gauge.
        ...told().filter(({ rule }) => rule !== 'wire'),
        ...findingsWhere([
          colours > 1,
          finding(
            'plus-in-common',
            'mind',
            'The common core is plus, not minus',
            'On tapes of several colours the fourth core usually carries the supply; each colour is switched to minus.',
            'Measure before you join it; join the minus of every supply that shares a signal.',
          ),
        ]),
      ],
    };
  },
});
