import { itemsOf, type PlanPoint } from '../../items/index.ts';
import { controllers, converters, packs, pixelTapes } from '../../parts/index.ts';
import type { Design } from '../../plan/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, optional, partChoice } from '../inputs.ts';
import { freshItem, layPiece, putPiece } from '../piece.ts';
import { defineSum, figure } from '../sum.ts';
import { briefOf, resultsOfRun, toldOfRun } from './runOfPiece.ts';

const tapes = pixelTapes.filter(({ form }) => form === undefined);

const noneThrough = { id: 'none', name: 'nothing: straight from the pack' };

interface Asked {
  readonly lengthMm: number;
  readonly tape: string;
  readonly pack: string;
  readonly through: string;
  readonly controller: string;
  readonly brightness: number;
}

interface Place {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly newId: () => string;
}

/** Tape, board, pack and what stands between, as items of a plan. */
function layOut(asked: Asked, name: string, { widthMm, heightMm, newId }: Place) {
  const at = (share: number): PlanPoint => ({ xMm: widthMm * share, yMm: heightMm * 0.8 });
  const pack = freshItem('pack', {
    id: newId(),
    name: 'Pack',
    at: at(0.2),
    part: `pack-${asked.pack}`,
    housing: 'hard case',
  });
  const converter =
    asked.through === noneThrough.id
      ? null
      : freshItem('converter', { id: newId(), name: 'Converter', at: at(0.4), part: asked.through, feed: pack.id });
  const board = freshItem('board', {
    id: newId(),
    name: 'Controller',
    at: at(0.6),
    part: `controller-${asked.controller}`,
    feed: converter?.id ?? pack.id,
  });
  const half = Math.min(asked.lengthMm, widthMm * 0.8) / 2;
  const tape = freshItem('pixel tape', {
    id: newId(),
    name,
    at: { xMm: widthMm / 2, yMm: heightMm / 2 },
    part: asked.tape,
    feed: converter?.id ?? pack.id,
    lengthMm: asked.lengthMm,
    dataResistorOhm: 330,
    reservoirUf: 1000,
    route: [
      { xMm: widthMm / 2 - half, yMm: heightMm / 2 },
      { xMm: widthMm / 2 + half, yMm: heightMm / 2 },
    ],
  });
  const mood = {
    id: newId(),
    name: 'All of it',
    brightness: asked.brightness,
    moves: { [tape.id]: { kind: 'steady' as const, colour: '#ffffff', level: 1 } },
  };
  return {
    tape,
    pack,
    items: [pack, ...(converter ? [converter] : []), board, tape],
    mood,
  };
}

const moodsOf = ({ mood }: ReturnType<typeof layOut>): Design['moods'] => ({
  list: [mood],
  startId: mood.id,
  cues: [],
  course: [],
  cueUses: [],
});

/** Answers a tape on a battery: how many lights, what they draw, how long, how bright it may be. */
export const tapeOnPackSum = defineSum({
  name: 'tape-on-pack',
  title: 'A tape on a battery',
  about:
    'A length of pixel tape with a controller on a pack: how many lights, what they draw in white, for how long, and how bright it may be.',
  group: 'power',
  inputs: {
    lengthMm: ask('lengthMm', 'length', 'Length of its way', 600, { least: 5, most: 20_000, usual: [20, 6000] }),
    tape: partChoice('tape', 'Tape', tapes, '', 'pixel-tape-60'),
    pack: partChoice('pack', 'Pack', packs, 'pack-', 'lithium-round-3400'),
    through: partChoice('through', 'Fed through', [noneThrough, ...converters], '', 'boost-5v-1a5'),
    controller: partChoice('controller', 'Controller', controllers, 'controller-', 'large-5v'),
    brightness: assume('fraction', 'bright', 'How bright, of full', 0.3, { least: 0.01, most: 1 }),
    wantedH: optional('timeH', 'wanted', 'Wanted', { least: 0.05, most: 8760 }),
  },
  reckon: (asked) => {
    let ids = 0;
    const laid = layOut(asked, 'Tape A', { widthMm: 2 * asked.lengthMm, heightMm: 280, newId: () => String(++ids) });
    const piece = layPiece(laid.items, [], { moods: moodsOf(laid), piece: briefOf(asked.wantedH) });
    const { assessment } = piece;
    const placed = assessment.placed.find(({ id }) => id === laid.tape.id);
    if (placed?.shape !== 'pixels') throw new SumError('This tape is not known any more; take another');
    const [ceiling] = assessment.ceilings;
    const runs = assessment.runsFor;
    return {
      results: [
        ...resultsOfRun(runs),
        figure('lights', 'Lights', 'count', placed.cut.lights),
        figure('litLengthMm', 'Lit length', 'lengthMm', placed.cut.litLengthMm),
        figure('gapMm', 'Gap left at the end', 'lengthMm', placed.cut.gapMm),
        figure('peakA', 'Draws in white, so bright', 'currentA', assessment.peakA),
        figure('allWhiteA', 'It would draw at full', 'currentA', assessment.allWhiteA),
        figure('restA', 'Draws with everything dark', 'currentA', assessment.restA),
        figure('ceiling', 'As bright as it may be in white', 'fraction', ceiling?.brightness ?? null),
      ],
      steps: [],
      findings: toldOfRun(piece, asked.wantedH),
    };
  },
  intoDesign: (design, asked, newId): Design => {
    const { widthMm, heightMm } = design.view;
    const laid = layOut(asked, `Tape ${itemsOf(design, 'pixel tape').length + 1}`, { widthMm, heightMm, newId });
    const put = putPiece(design, laid.items, []);
    return {
      ...put,
      ...(design.moods.list.length === 0 ? { moods: moodsOf(laid) } : {}),
      ...(asked.wantedH === null ? {} : { piece: { ...put.piece, hoursWanted: asked.wantedH } }),
    };
  },
});
