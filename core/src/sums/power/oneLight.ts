import { resistorPower } from '../../drive/index.ts';
import { itemsOf, type PlanPoint } from '../../items/index.ts';
import { leds, packs } from '../../parts/index.ts';
import type { Design } from '../../plan/index.ts';
import { fillSum } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, optional, partChoice } from '../inputs.ts';
import { freshItem, layPiece, putPiece } from '../piece.ts';
import { defineSum, figure } from '../sum.ts';
import { briefOf, resultsOfRun, toldOfRun } from './runOfPiece.ts';

/** Lights of one die that are seen: what a first question is about. */
const plainLights = leds.filter(({ dice, invisible }) => dice === undefined && invisible === undefined);

interface Asked {
  readonly pack: string;
  readonly light: string;
  readonly currentA: number;
  readonly lights: number;
}

interface Place {
  readonly packAt: PlanPoint;
  readonly lightAt: (i: number) => PlanPoint;
  readonly newId: () => string;
}

/** The lights, straight on their pack, as items of a plan. */
function layOut({ pack, light, currentA, lights }: Asked, name: string, { packAt, lightAt, newId }: Place) {
  return {
    pack: freshItem('pack', { id: newId(), name: 'Pack', at: packAt, part: `pack-${pack}`, housing: 'hard case' }),
    lights: freshItem('light', {
      id: newId(),
      name,
      at: lightAt(0),
      part: `led-${light}`,
      wantedCurrentA: currentA,
      places: Array.from({ length: lights }, (_, i) => ({ id: newId(), at: lightAt(i), hollowId: null })),
    }),
  };
}

/** Answers a light on a battery: which resistor, how bright, how long. */
export const oneLightSum = defineSum({
  name: 'one-light',
  title: 'A light on a battery',
  about:
    'One light, or several alike, straight on a pack: which resistor, how bright from fresh to spent, and for how long.',
  group: 'power',
  inputs: {
    pack: partChoice('pack', 'Pack', packs, 'pack-', 'lithium-round-2600'),
    light: partChoice('light', 'Light', plainLights, 'led-', '5mm-warm-white'),
    currentA: ask('currentA', 'current', 'Wanted current', 0.01, { least: 0.0001, most: 1, usual: [0.0005, 0.03] }),
    lights: assume('count', 'lights', 'So many alike, a resistor each', 1, { whole: true, least: 1, most: 60 }),
    wantedH: optional('timeH', 'wanted', 'Wanted', { least: 0.05, most: 8760 }),
  },
  reckon: (asked) => {
    let ids = 0;
    const at = { xMm: 50, yMm: 50 };
    const laid = layOut(asked, asked.lights > 1 ? 'Lights A' : 'Light A', {
      packAt: at,
      lightAt: () => at,
      newId: () => String(++ids),
    });
    const piece = layPiece([laid.lights, laid.pack], [], { piece: briefOf(asked.wantedH) });
    const { assessment } = piece;
    const driven = assessment.driven.find(({ itemId }) => itemId === laid.lights.id);
    const part = plainLights.find(({ id }) => id === laid.lights.part);
    if (!driven || !part) throw new SumError('Nothing can be said of this light on this pack; take another of the two');
    const { resistor, corners } = driven;
    const can = resistor === null || resistor.headRoomV > 0;
    const runs = can ? assessment.supply?.runsFor : null;
    const bright = (currentA: number): number | null =>
      can ? (part.intensityMcd * currentA) / part.ratedCurrentA : null;
    return {
      results: [
        ...resultsOfRun(runs),
        figure('resistorOhm', 'Resistor of each light', 'resistanceOhm', can ? (resistor?.resistorOhm ?? null) : null),
        figure('freshA', 'Each light, at most on a fresh pack', 'currentA', can ? corners.brightestA : null),
        figure('usualA', 'Each light, half way', 'currentA', can ? corners.currentA : null),
        figure('spentA', 'Each light, at least on a spent one', 'currentA', can ? corners.dimmestA : null),
        figure('usualMcd', 'Brightness on its axis, half way', 'intensityMcd', bright(corners.currentA)),
        figure('spentMcd', '… and at least on a spent pack', 'intensityMcd', bright(corners.dimmestA)),
      ],
      steps: resistor && can ? [fillSum(resistorPower, { I: corners.mostA, R: resistor.resistorOhm })] : [],
      findings: toldOfRun(piece, asked.wantedH),
    };
  },
  intoDesign: (design, asked, newId): Design => {
    const { widthMm, heightMm } = design.view;
    const laid = layOut(asked, `Lights ${itemsOf(design, 'light').length + 1}`, {
      packAt: { xMm: widthMm / 2, yMm: heightMm * 0.8 },
      lightAt: (i) => ({ xMm: (widthMm * (i + 1)) / (asked.lights + 1), yMm: heightMm / 2 }),
      newId,
    });
    const put = putPiece(design, [laid.lights, laid.pack], []);
    return asked.wantedH === null ? put : { ...put, piece: { ...put.piece, hoursWanted: asked.wantedH } };
  },
});
