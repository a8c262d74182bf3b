import { type Edit, type GuideItem, kindOf, type LightItem, type PixelTapeItem } from '../items/index.ts';
import { gatheredMm } from '../lights/index.ts';
import { type GuidePart, guides, type LedPart, leds, type PixelTapePart, pixelShapes } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { mm, say, volts } from '../units/index.ts';
import { acrossMiddle, missesOf } from './shared.ts';
import type { Judged, Wish } from './wish.ts';

/** Lead, lead, driver in and out. */
const STAR_JOINTS = 6;

function addStar(part: LedPart, design: Design, newId: () => string): readonly Edit[] {
  const [at] = acrossMiddle(design, null, 1);
  const count = design.items.filter((item) => item.kind === 'light').length + 1;
  const fresh = kindOf('light').create({ id: newId(), name: `Lights ${count}`, at: at ?? { xMm: 0, yMm: 0 } });
  const item = {
    ...fresh,
    part: part.id,
    wantedCurrentA: part.ratedCurrentA / 2,
    places: at ? [{ id: newId(), at, hollowId: null }] : [],
  };
  return [{ kind: 'add item', item: item as LightItem }];
}

function judgeStar(wish: Wish): Judged {
  const part = leds.find((each) => each.body === 'power star');
  const [id, name] = ['power-star', 'A power star, for one strong beam'];
  if (!part) return { id, name, reason: 'the library has none' };
  if ((wish.points ?? 2) > 1 || wish.stretchMm !== null)
    return { id, name, reason: 'it is one point, hot and bright: for a single beam' };
  if (wish.control !== 'as one' || wish.colour === 'any colour')
    return { id, name, reason: 'it has one die: it dims, and that is all' };
  if (wish.railV < part.forwardAt20mAV + 0.5)
    return { id, name, reason: say`it wants more than the ${volts(wish.railV)} of the rail` };
  const asks = { lights: 1, worstA: part.ratedCurrentA, cost: part.price, depthMm: part.lengthMm + 15 };
  return {
    id,
    name,
    ...asks,
    pins: 0,
    usualA: part.ratedCurrentA / 2,
    joints: STAR_JOINTS,
    misses: [...missesOf(wish, asks), 'it wants a heatsink and a driver that holds its current'],
    add: (design, newId) => addStar(part, design, newId),
  };
}

/** Fibres of the common kind, for many points that show one light. */
function judgeBundle(wish: Wish): Judged {
  const [id, name] = ['bundle', 'A fibre bundle over one pixel'];
  const part = guides.find((each) => each.id === 'fibre-0.75');
  const pixel = pixelShapes.find((each) => each.form?.shape === 'single');
  const points = wish.points ?? 0;
  if (!part || !pixel) return { id, name, reason: 'the library has none' };
  if (wish.control === 'each by itself') return { id, name, reason: 'all its ends show the light that they begin at' };
  if (points < 2) return { id, name, reason: 'it is for many points from one light; say how many there are' };
  const metres = 0.25 * points;
  const worstA = pixel.dice * pixel.dieCurrentA.likely + pixel.restCurrentA.likely;
  const mouthMm = gatheredMm(points, part.diameterMm);
  const asks = { lights: 1, worstA, cost: pixel.price + metres * part.price, depthMm: part.leastBendMm };
  return {
    id,
    name,
    ...asks,
    pins: 1,
    usualA: worstA / 3,
    joints: 3,
    misses: [
      ...missesOf(wish, asks),
      say`a bundle of ${points} is ${mm(mouthMm)} thick, and no fibre bends tighter than ${mm(part.leastBendMm)}`,
      `each end gives 1/${points} of what goes in: for the dark`,
    ],
    add: (design, newId) => addBundle(points, pixel, part, design, newId),
  };
}

function addBundle(
  points: number,
  pixel: PixelTapePart,
  part: GuidePart,
  design: Design,
  newId: () => string,
): readonly Edit[] {
  const [pixelId, at] = [newId(), { xMm: design.view.widthMm / 2, yMm: design.view.heightMm * 0.8 }];
  const tape = kindOf('pixel tape').create({ id: pixelId, name: 'Pixel of the bundle', at });
  const bundle = kindOf('guide').create({ id: newId(), name: 'Bundle', at });
  const ends = acrossMiddle(design, null, points).map((place) => ({ id: newId(), at: place, hollowId: null }));
  const lights = [{ groupId: pixelId, light: 1 }];
  return [
    { kind: 'add item', item: { ...tape, part: pixel.id, route: [at] } as PixelTapeItem },
    { kind: 'add item', item: { ...bundle, part: part.id, lights, ends } as GuideItem },
  ];
}

/** What the other kinds make of a wish. */
export const judgeOthers = (wish: Wish): readonly Judged[] => [judgeStar(wish), judgeBundle(wish)];
