import { type Edit, kindOf, type PixelTapeItem, type PlainTapeItem, tapeLights } from '../items/index.ts';
import { type PixelTapePart, type PlainTapePart, pixelShapes, pixelTapes, plainTapes } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { amps, type Message, mm, percent, say, volts } from '../units/index.ts';
import { acrossMiddle, evenDepthMm, missesOf, pitchOf } from './shared.ts';
import type { Judged, KindOption, Wish } from './wish.ts';

/** Of a mood that moves, at night: a fifth of white. */
const USUAL_SHARE = 0.2;
const PIXEL_DICE = 3;
/** Plus, minus and data. */
const PIXEL_JOINTS = 3;

/** The loosest pixel tape whose lights stand near enough; the densest where none does. */
function suitPixels(wish: Wish): PixelTapePart | undefined {
  const reels = pixelTapes.filter((part) => part.dice === PIXEL_DICE && part.dotsPerPixel === undefined);
  const wanted = wish.isEven ? 1000 / pitchOf(wish) : 60;
  return reels.find((part) => part.perMetre >= wanted) ?? reels[reels.length - 1];
}

type Amounts = Pick<KindOption, 'worstA' | 'usualA'> & { readonly darkA: number };

function ofPixels(part: PixelTapePart, lights: number): Amounts {
  const darkA = lights * part.restCurrentA.likely;
  const litA = lights * PIXEL_DICE * part.dieCurrentA.likely;
  return { darkA, worstA: darkA + litA, usualA: darkA + litA * USUAL_SHARE };
}

/** Dark pixels draw too: what is left for white is less than it looks. */
const whiteMiss = ({ mostA }: Wish, { darkA, worstA }: Amounts): readonly Message[] =>
  mostA !== null && worstA > mostA
    ? [
        say`dark they draw ${amps(darkA)}: white goes up to ${percent((mostA - darkA) / (worstA - darkA))} on ${amps(mostA)}`,
      ]
    : [];

const routeOf = (design: Design, lengthMm: number) => {
  const route = acrossMiddle(design, lengthMm, 2);
  const drawnMm = Math.abs((route[1]?.xMm ?? 0) - (route[0]?.xMm ?? 0));
  // A stretch that is longer than the picture is told by its length.
  return { route: [...route], lengthMm: Math.abs(drawnMm - lengthMm) > 1e-6 ? lengthMm : null };
};

function addPixels(part: PixelTapePart, lengthMm: number, design: Design, newId: () => string): readonly Edit[] {
  const count = design.items.filter((item) => item.kind === 'pixel tape').length + 1;
  const fresh = kindOf('pixel tape').create({ id: newId(), name: `Tape ${count}`, at: { xMm: 0, yMm: 0 } });
  const laid = part.form
    ? { route: [{ xMm: design.view.widthMm / 2, yMm: design.view.heightMm / 2 }], lengthMm: null }
    : routeOf(design, lengthMm);
  return [{ kind: 'add item', item: { ...fresh, part: part.id, ...laid } as PixelTapeItem }];
}

function judgePixels(wish: Wish): readonly Judged[] {
  const tape = suitPixels(wish);
  const forms = pixelShapes.filter(
    (part) => wish.points !== null && part.form?.pixels === wish.points && part.dice === PIXEL_DICE,
  );
  return [...(tape ? [tape] : []), ...forms].map((part): Judged => {
    const [id, name] = [part.id, part.name];
    const lights =
      part.form?.pixels ??
      wish.points ??
      Math.max(1, tapeLights.reckon({ L: wish.stretchMm ?? 0, d: part.perMetre, j: part.lightsPerJoint }));
    const lengthMm = (lights * 1000) / part.perMetre;
    const amounts = ofPixels(part, lights);
    if (wish.mostA !== null && amounts.darkA >= wish.mostA)
      return {
        id,
        name,
        reason: say`dark alone its ${lights} pixels draw ${amps(amounts.darkA)}, and ${amps(wish.mostA)} are there`,
      };
    const depthMm = wish.isEven ? evenDepthMm(1000 / part.perMetre) : part.heightMm;
    const cost = part.form ? part.price : (part.price * lengthMm) / 1000;
    const { worstA, usualA } = amounts;
    const asks = { lights, worstA, cost, depthMm };
    return {
      id,
      name,
      ...asks,
      usualA,
      pins: 1,
      joints: PIXEL_JOINTS,
      misses: [
        ...whiteMiss(wish, amounts),
        ...missesOf({ ...wish, mostA: null }, asks),
        ...(wish.railV < part.leastVoltageV ? [say`it wants ${volts(part.ratedVoltageV)}: a converter besides`] : []),
      ],
      add: (design, newId) => addPixels(part, lengthMm, design, newId),
    };
  });
}

/** The plain tape of so many colours that hangs on the rail that is there, or on 12 V. */
const suitPlain = (colours: number, railV: number): PlainTapePart | undefined => {
  const all = plainTapes.filter((part) => part.colours === colours);
  return all.find((part) => Math.abs(part.voltageV - railV) < 0.1 * railV) ?? all.find((part) => part.voltageV === 12);
};

function addPlain(part: PlainTapePart, lengthMm: number, design: Design, newId: () => string): readonly Edit[] {
  const count = design.items.filter((item) => item.kind === 'plain tape').length + 1;
  const fresh = kindOf('plain tape').create({ id: newId(), name: `Plain tape ${count}`, at: { xMm: 0, yMm: 0 } });
  return [{ kind: 'add item', item: { ...fresh, part: part.id, ...routeOf(design, lengthMm) } as PlainTapeItem }];
}

function judgePlain(wish: Wish, colours: 1 | 3): Judged {
  const part = suitPlain(colours, wish.railV);
  const id = colours === 1 ? 'plain-white' : 'plain-colour';
  const name = part?.name ?? 'Plain tape';
  if (!part) return { id, name, reason: 'the library has none' };
  if (wish.control !== 'as one')
    return { id, name, reason: 'all of it is lit as one: no run and no light by itself, whatever the program' };
  if (colours === 1 && wish.colour === 'any colour') return { id, name, reason: 'it is white alone' };
  // Points are rounded up to the next mark, a stretch down to the last one in it.
  const joint = part.lightsPerJoint;
  const lights =
    wish.points === null
      ? tapeLights.reckon({ L: wish.stretchMm ?? 0, d: part.perMetre, j: joint })
      : Math.ceil(wish.points / joint) * joint;
  const lengthMm = (lights * 1000) / part.perMetre;
  if (lights === 0)
    return { id, name, reason: say`it is cut every ${mm((joint * 1000) / part.perMetre)}, and the stretch is shorter` };
  const asks = {
    lights,
    worstA: (part.powerPerMetreW * lengthMm) / 1000 / part.voltageV,
    cost: (part.price * lengthMm) / 1000,
    depthMm: wish.isEven ? evenDepthMm(1000 / part.perMetre) : part.heightMm,
  };
  return {
    id,
    name,
    ...asks,
    usualA: colours === 1 ? asks.worstA : asks.worstA / 2,
    pins: colours === 1 ? 0 : colours,
    joints: colours + 1,
    misses: [
      ...missesOf(wish, asks),
      ...(Math.abs(part.voltageV - wish.railV) > 0.1 * part.voltageV
        ? [say`it wants ${volts(part.voltageV)}, and the rail has ${volts(wish.railV)}`]
        : []),
    ],
    add: (design, newId) => addPlain(part, lengthMm, design, newId),
  };
}

/** What the kinds of tape make of a wish. */
export const judgeTapes = (wish: Wish): readonly Judged[] => [
  ...judgePixels(wish),
  judgePlain(wish, 1),
  judgePlain(wish, 3),
];
