import { tellNoLight } from '../../findings/index.ts';
import { cutTape, itemsOf, kindOf, tapeLights } from '../../items/index.ts';
import { type OwnPart, type PixelTapePart, pixelTapes } from '../../parts/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { asInPlan, defineSum, figure, mainFigure } from '../sum.ts';

/** The tape of the library whose density is nearest. */
const nearestTape = (perMetre: number): PixelTapePart =>
  pixelTapes
    .filter((part) => part.dice === 3)
    .reduce((best, each) => (Math.abs(each.perMetre - perMetre) < Math.abs(best.perMetre - perMetre) ? each : best));

/** Answers lights on a length of tape. */
export const tapeCountSum = defineSum({
  name: 'tape-count',
  title: 'Lights on a route',
  about: 'How many lights of a tape go on a route, and what gap is left.',
  group: 'lights',
  inputs: {
    routeMm: ask('lengthMm', 'route', 'Length of the route', 583, { most: 100_000, usual: [20, 6000] }),
    perMetre: ask('perMetre', 'density', 'Lights a metre', 74, { least: 1, most: 1000, usual: [14, 400] }),
    lightsPerJoint: assume('count', 'joint', 'Lights from cut mark to cut mark', 1, {
      whole: true,
      least: 1,
      most: 48,
    }),
  },
  reckon: ({ routeMm, perMetre, lightsPerJoint }) => {
    const cut = cutTape({ routeMm, perMetre, lightsPerJoint });
    return {
      results: [
        mainFigure('lights', 'Lights', 'count', cut.lights),
        figure('litLengthMm', 'Lit length', 'lengthMm', cut.litLengthMm),
        figure('gapMm', 'Gap left at the end', 'lengthMm', cut.gapMm),
        figure('jointPitchMm', 'From cut mark to cut mark', 'lengthMm', (1000 * lightsPerJoint) / perMetre),
        figure('shorterLights', 'One cut shorter', 'count', cut.shorter.lights),
        figure('shorterLengthMm', '… with a length of', 'lengthMm', cut.shorter.lengthMm),
        figure('longerLights', 'One cut longer', 'count', cut.longer.lights),
        figure('longerOverMm', '… too long by', 'lengthMm', cut.longer.overMm),
      ],
      steps: [fillSum(tapeLights, { L: routeMm, d: perMetre, j: lightsPerJoint })],
      findings: asInPlan(
        cut.lights === 0
          ? tellNoLight({ name: 'The tape', routeMm, markMm: (1000 * lightsPerJoint) / perMetre })
          : null,
      ),
    };
  },
  intoDesign: (design, { routeMm, perMetre }, newId) => {
    const centre = { x: design.view.widthMm / 2, y: design.view.heightMm / 2 };
    const half = Math.min(routeMm, design.view.widthMm * 0.8) / 2;
    const exact = pixelTapes.find((part) => part.perMetre === perMetre && part.dice === 3);
    const like = exact ?? nearestTape(perMetre);
    // A density that the library has not got becomes a part of the maker's own, so that the count stays as it was typed.
    const own: readonly OwnPart[] = exact
      ? []
      : [
          {
            ...like,
            id: `own-tape-${perMetre}`.replace('.', '-'),
            name: `Tape of ${perMetre}/m`,
            perMetre,
            like: like.id,
          },
        ];
    const before = (design.ownParts ?? []).filter((part) => !own.some((each) => each.id === part.id));
    const id = newId();
    const fresh = kindOf('pixel tape').create({
      id,
      name: `Tape ${itemsOf(design, 'pixel tape').length + 1}`,
      at: { xMm: centre.x, yMm: centre.y },
    });
    const tape = {
      ...fresh,
      part: own[0]?.id ?? like.id,
      route: [
        { xMm: centre.x - half, yMm: centre.y },
        { xMm: centre.x + half, yMm: centre.y },
      ],
      lengthMm: routeMm,
    };
    return {
      ...design,
      items: [...design.items, tape as typeof fresh],
      ...(own.length > 0 || design.ownParts ? { ownParts: [...before, ...own] } : {}),
    };
  },
});
