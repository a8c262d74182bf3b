import fc from 'fast-check';
import {
  controllers,
  converters,
  fuseRatingsA,
  leds,
  packs,
  pixelTapes,
  plugs,
  switches,
  typical,
} from '../src/parts/index.ts';
import { type Control, type Cue, type Design, emptyDesign, layings, type Mood } from '../src/plan/index.ts';
import { anyMove } from './moves.ts';

const chosen = (parts: readonly { readonly id: string }[]) =>
  fc.option(fc.constantFrom(...parts.map((part) => part.id)), { nil: null, freq: 6 });
const sizeMm = fc.integer({ min: 1, max: 600 });
const at = fc.record({ xMm: fc.integer({ min: -50, max: 450 }), yMm: fc.integer({ min: -50, max: 330 }) });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const among = (ids: readonly string[]) => fc.option(fc.constantFrom(...ids), { nil: null });

const anyTape = fc.record({
  part: fc.constantFrom(...pixelTapes.map((tape) => tape.id), 'gone'),
  route: fc.array(at, { maxLength: 4 }),
  lengthMm: fc.option(fc.integer({ min: 1, max: 1500 }), { nil: null }),
  reversed: fc.boolean(),
  isChained: fc.boolean(),
  inHollow: fc.boolean(),
  grid: fc.option(
    fc.record({ columns: fc.integer({ min: 1, max: 9 }), rows: fc.integer({ min: 1, max: 9 }), snakes: fc.boolean() }),
    { nil: undefined },
  ),
  diffuserMm: fc.option(fc.integer({ min: 1, max: 40 }), { nil: undefined }),
  dieCurrentA: fc.option(
    fc.double({ min: 0.002, max: 0.04, noNaN: true }).map((value) => typical(value, value / 10)),
    { nil: null },
  ),
});

const anyLeds = fc.record({
  part: fc.constantFrom(...leds.map((led) => led.id), 'gone'),
  channels: fc.integer({ min: 1, max: 6 }),
  wantedCurrentA: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
  resistorOhm: fc.option(fc.integer({ min: 1, max: 5000 }), { nil: null }),
  resistorRatedW: fc.constantFrom(0.125, 0.25, 0.5),
  sleeved: fc.boolean(),
  drivenBy: fc.constantFrom('auto' as const, 'pin' as const, 'transistor' as const),
  places: fc.array(fc.record({ at, inHollow: fc.boolean() }), { maxLength: 9 }),
});

const anyHollow = fc.oneof(
  fc.record({ kind: fc.constant('bore' as const), at, diameterMm: sizeMm, depthMm: sizeMm }),
  fc.record({ kind: fc.constant('channel' as const), at, widthMm: sizeMm, depthMm: sizeMm }),
  fc.record({ kind: fc.constant('box' as const), at, widthMm: sizeMm, heightMm: sizeMm, depthMm: sizeMm }),
);

const anyControl = fc.oneof(
  fc.record({ kind: fc.constantFrom('button' as const, 'latching switch' as const, 'tilt switch' as const), at }),
  fc.record({ kind: fc.constant('remote' as const), at, output: fc.constantFrom('held' as const, 'latched' as const) }),
  fc.record({
    kind: fc.constant('light sensor' as const),
    at,
    darkOhm: fc.integer({ min: 20_000, max: 900_000 }),
    lightOhm: fc.integer({ min: 100, max: 19_000 }),
  }),
  fc.record({
    kind: fc.constant('charge sense' as const),
    at,
    lowV: fc.double({ min: 1, max: 12, noNaN: true }),
    settleS: fc.integer({ min: 1, max: 30 }),
  }),
);

const anyPower = fc.record({
  pack: chosen(packs),
  at,
  capacityMah: fc.option(
    fc.integer({ min: 50, max: 9000 }).map((value) => typical(value, value / 8)),
    { nil: null },
  ),
  converter: chosen(converters),
  switch: chosen(switches),
  fuseA: fc.option(fc.constantFrom(...fuseRatingsA), { nil: null }),
  plug: chosen(plugs),
  reservoirUf: fc.option(fc.integer({ min: 10, max: 2200 }), { nil: null }),
  housing: fc.constantFrom('none' as const, 'soft pouch' as const, 'hard case' as const),
  nextToBody: fc.boolean(),
  lockedLid: fc.boolean(),
  charging: fc.constantFrom(
    'taken out' as const,
    'in place, switched off' as const,
    'in place, while it runs' as const,
  ),
});

const anyPiece = fc.record({
  kind: fc.constantFrom('headdress' as const, 'garment' as const, 'scale model' as const, 'prop' as const),
  carriedBy: fc.constantFrom('adult' as const, 'child' as const, 'nobody' as const),
  setting: fc.constantFrom('dry' as const, 'splash' as const, 'rain' as const),
  ambientC: fc.integer({ min: -20, max: 40 }),
  hoursWanted: fc.integer({ min: 1, max: 12 }),
  copies: fc.integer({ min: 1, max: 9 }),
  budgetPerCopy: fc.option(fc.integer({ min: 0, max: 300 }), { nil: null }),
  lightsItself: fc.boolean(),
});

const afterS = fc.integer({ min: 1, max: 900 });
const byTime: fc.Arbitrary<Cue['when']> = fc.oneof(
  fc.record({ kind: fc.constant('after' as const), afterS }),
  fc.record({ kind: fc.constant('random' as const), leastS: afterS, mostS: afterS }),
  fc.record({ kind: fc.constant('through' as const) }),
);

/** An occasion of any kind that the plan allows, also one that its control can't give. */
function anyWhen(controlIds: readonly string[]): fc.Arbitrary<Cue['when']> {
  if (controlIds.length === 0) return byTime;
  const controlId = fc.constantFrom(...controlIds);
  const kind = fc.constantFrom(...(['button', 'opened', 'double', 'while', 'dark', 'light', 'low'] as const));
  const holdS = fc.integer({ min: 1, max: 9 });
  const held = fc.record({ kind: fc.constant('held' as const), controlId, holdS });
  return fc.oneof(byTime, held, fc.record({ kind, controlId }));
}

const anyCount = (most: number) => fc.integer({ min: 0, max: most });
const named = <T>(items: readonly T[], prefix: string): (T & { readonly id: string; readonly name: string })[] =>
  items.map((item, i) => ({ ...item, id: `${prefix}${i}`, name: `${prefix} ${i}` }));

/** Moods, cues, an evening, a sign and a set over what there is to light and to touch. */
function anyMoods(groups: Pick<Design, 'tapes' | 'leds'>, controls: readonly Control[]): fc.Arbitrary<Design['moods']> {
  const kind = groups.tapes.length > 0 ? groups.tapes : groups.leds;
  const groupIds = [...groups.tapes, ...groups.leds].map((group) => group.id);
  const controlIds = controls.map((control) => control.id);
  return anyCount(4).chain((count): fc.Arbitrary<Design['moods']> => {
    const moodIds = Array.from({ length: count }, (_, i) => `mood${i}`);
    if (moodIds.length === 0 || groupIds.length === 0) return fc.constant(emptyDesign.moods);
    const setIds = kind.length > 0 ? ['set0'] : [];
    const moves: fc.Arbitrary<Mood['moves']> = fc.dictionary(fc.constantFrom(...groupIds, ...setIds), anyMove);
    const moodId = fc.constantFrom(...moodIds);
    return fc.record({
      list: fc
        .array(
          fc.record({
            brightness: share,
            moves,
            tops: fc.array(
              fc.record({
                on: fc.constantFrom(...groupIds, ...setIds),
                how: fc.constantFrom(...layings),
                move: anyMove,
              }),
              { maxLength: 2 },
            ),
            fadeInS: fc.constantFrom(0, 0.5, 3),
          }),
          { minLength: count, maxLength: count },
        )
        .map((list) =>
          named(list, 'mood').map((mood) => ({
            ...mood,
            tops: mood.tops.map((top, i) => ({ ...top, id: `top${i}` })),
          })),
        ),
      startId: moodId,
      cues: fc
        .array(
          fc.record({
            from: among(moodIds),
            when: anyWhen(controlIds),
            to: moodId,
            fadeS: fc.constantFrom(0, 0.3, 2),
            backAfterS: fc.option(afterS, { nil: null }),
          }),
          { maxLength: 5 },
        )
        .map((cues) => cues.map((cue, i) => ({ ...cue, id: `cue${i}` }))),
      course: fc
        .array(fc.record({ moodId, minutes: fc.integer({ min: 1, max: 90 }) }), { maxLength: 4 })
        .map((course) => course.map((part, i) => ({ ...part, id: `part${i}` }))),
      cueUses: fc.constant([]),
      signs:
        controlIds.length === 0
          ? fc.constant([])
          : fc
              .array(fc.record({ controlId: fc.constantFrom(...controlIds), moves }), { maxLength: 2 })
              .map((signs) => named(signs, 'sign')),
      sets: fc.constant(
        kind.slice(0, 1).map((group) => ({
          id: 'set0',
          name: 'Set 0',
          order: 'interleaved' as const,
          of: kind.map((each) => ({ groupId: each.id, first: each === group ? 5 : 1, last: 2, every: 1 })),
        })),
      ),
    });
  });
}

/**
 * A design of any kind that the plan file allows, sense or nonsense: parts that are gone, tapes without a route,
 * controls that nothing listens to, moods on sets that reach beyond their group.
 */
export const anyDesign: fc.Arbitrary<Design> = fc
  .record({
    piece: anyPiece,
    hollows: fc.array(anyHollow, { maxLength: 3 }).map((items) => named(items, 'hollow')),
    tapes: fc.array(anyTape, { maxLength: 3 }),
    leds: fc.array(anyLeds, { maxLength: 3 }),
    controls: fc.array(anyControl, { maxLength: 3 }).map((items): Control[] => named(items, 'control')),
    controller: chosen(controllers),
    driveAt: at,
    dataResistorOhm: fc.option(fc.integer({ min: 10, max: 1000 }), { nil: null }),
    levelShifter: fc.boolean(),
    power: anyPower,
  })
  .chain(
    ({ piece, hollows, tapes, leds: groups, controls, controller, driveAt, dataResistorOhm, levelShifter, power }) => {
      const hollowId = hollows[0]?.id ?? null;
      const placed = {
        tapes: named(tapes, 'tape').map(({ isChained, inHollow, grid, diffuserMm, ...tape }, i) => ({
          ...tape,
          ...(grid ? { grid } : {}),
          ...(diffuserMm ? { diffuserMm } : {}),
          after: isChained && i > 0 ? `tape${i - 1}` : null,
          channelId: inHollow ? hollowId : null,
        })),
        leds: named(groups, 'leds').map((group) => ({
          ...group,
          forwardV: null,
          places: group.places.map((place, i) => ({
            id: `place${i}`,
            at: place.at,
            hollowId: place.inHollow ? hollowId : null,
          })),
        })),
      };
      return anyMoods(placed, controls).map((moods) => ({
        ...emptyDesign,
        ...placed,
        piece,
        hollows,
        moods,
        drive: { ...emptyDesign.drive, controller, at: driveAt, controls, dataResistorOhm, levelShifter },
        power,
      }));
    },
  );
