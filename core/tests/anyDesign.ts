import fc from 'fast-check';
import {
  boxes,
  chargers,
  colourOrders,
  controllers,
  converters,
  drivers,
  fuseRatingsA,
  guides,
  leds,
  loads,
  outsideSupplies,
  packs,
  pixelShapes,
  pixelTapes,
  plainTapes,
  plugs,
  protections,
  receivers,
  scanDrivers,
  switches,
  transistors,
  typical,
} from '../src/parts/index.ts';
import { type Cue, type Design, emptyDesign, type Item, layings, type Mood } from '../src/plan/index.ts';
import { anyMove } from './moves.ts';

const idOf = (parts: readonly { readonly id: string }[]) => fc.constantFrom(...parts.map((part) => part.id), 'gone');
const chosen = (parts: readonly { readonly id: string }[]) => fc.option(idOf(parts), { nil: null, freq: 6 });
const sizeMm = fc.integer({ min: 1, max: 600 });
const at = fc.record({ xMm: fc.integer({ min: -50, max: 450 }), yMm: fc.integer({ min: -50, max: 330 }) });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const ampsTo = (most: number) => fc.double({ min: 0.001, max: most, noNaN: true });
const among = (ids: readonly string[]) =>
  ids.length === 0 ? fc.constant(null) : fc.option(fc.constantFrom(...ids), { nil: null });
const orNull = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null });
const orLeftOut = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });
const figureOf = (of: fc.Arbitrary<number>) => of.map((value) => typical(value, value / 10));
const anyFigure = (of: fc.Arbitrary<number>) => orNull(figureOf(of));

/** How many of each kind a design holds, so that every item can name any other by its id. */
interface Counts {
  readonly hollows: number;
  readonly boards: number;
  readonly packs: number;
  readonly supplies: number;
  readonly converters: number;
  readonly switches: number;
  readonly gates: number;
  readonly drivers: number;
  readonly scanners: number;
  readonly boxes: number;
  readonly changeovers: number;
  readonly tapes: number;
}

const anyCounts: fc.Arbitrary<Counts> = fc.record({
  hollows: fc.nat(2),
  boards: fc.nat(2),
  packs: fc.nat(2),
  supplies: fc.nat(1),
  converters: fc.nat(2),
  switches: fc.nat(2),
  gates: fc.nat(1),
  drivers: fc.nat(1),
  scanners: fc.nat(1),
  boxes: fc.nat(1),
  changeovers: fc.nat(1),
  tapes: fc.nat(3),
});

const idsOf = (prefix: string, count: number): string[] => Array.from({ length: count }, (_, i) => `${prefix}${i}`);
/** Names that makers give: twins, other scripts, signs that mean something to a program or a table. */
const anyName = fc.constantFrom('Lure', 'Lure', '左目', 'Œil "gauche", 2', 'int', '=1+1', '   x   ', 'Ω/µ\\n', '9');

/** The fields that name another item, drawn from the ids that there are. */
function fieldsFor(counts: Counts) {
  const converterIds = idsOf('converter', counts.converters);
  const switchIds = idsOf('switch', counts.switches);
  const sources = [...idsOf('pack', counts.packs), ...idsOf('supply', counts.supplies)];
  const changeoverIds = idsOf('changeover', counts.changeovers);
  const board = among(idsOf('board', counts.boards));
  const part = orNull(idOf(transistors));
  const named = (way: 'hand switch' | 'light gate', ids: readonly string[]) =>
    ids.length === 0 ? [] : [fc.record({ way: fc.constant(way), by: fc.constantFrom(...ids) })];
  const switchedBy = fc.oneof(
    fc.constantFrom({ way: 'auto' as const }, { way: 'always on' as const }),
    fc.record({ way: fc.constantFrom('pin high' as const, 'pin low' as const), board }),
    fc.record({ way: fc.constantFrom('transistor below' as const, 'transistor above' as const), board, part }),
    ...named('hand switch', switchIds),
    ...named('light gate', idsOf('gate', counts.gates)),
    ...idsOf('driver', counts.drivers).map((by) =>
      fc.record({ way: fc.constant('driver' as const), by: fc.constant(by), board }),
    ),
    fc.record({
      way: fc.constant('scanned grid' as const),
      board,
      rows: fc.integer({ min: 1, max: 4 }),
      part,
      columnsBy: orNull(fc.constantFrom('pin' as const, 'transistor' as const)),
    }),
    fc.record({ way: fc.constant('shared pins' as const), board }),
    ...idsOf('scanner', counts.scanners).map((by) =>
      fc.record({
        way: fc.constant('scan driver' as const),
        by: fc.constant(by),
        rows: fc.integer({ min: 1, max: 4 }),
      }),
    ),
    ...idsOf('box', counts.boxes).map((by) =>
      fc.record({
        way: fc.constant('box' as const),
        by: fc.constant(by),
        output: fc.integer({ min: 1, max: 4 }),
      }),
    ),
  ) as fc.Arbitrary<Extract<Item, { kind: 'light' }>['switchedBy']>;
  return {
    board,
    switchedBy,
    feed: among([...sources, ...converterIds, ...switchIds, ...changeoverIds]),
    source: among(sources),
    /** What stands between source and rail is fed by something before it, so that no two feed each other. */
    feedOfSwitch: (i: number) => among([...sources, ...changeoverIds, ...switchIds.slice(0, i)]),
    feedOfConverter: (i: number) => among([...sources, ...changeoverIds, ...switchIds, ...converterIds.slice(0, i)]),
    hollowId: among(idsOf('hollow', counts.hollows)),
    packId: among(idsOf('pack', counts.packs)),
  };
}

type Fields = ReturnType<typeof fieldsFor>;
type Kind = Item['kind'];
const kindOf = <K extends Kind>(kind: K) => fc.constant(kind);
const wiring = fc.constantFrom('pair' as const, 'bus' as const, 'chain' as const);
const minus = fc.constantFrom('joined' as const, 'apart' as const);

const anyWhite = orLeftOut(fc.constantFrom('white die' as const, 'three dice' as const));

const anyTape = ({ feed, board, hollowId }: Fields) =>
  fc.record({
    kind: kindOf('pixel tape'),
    part: idOf([...pixelTapes, ...pixelShapes]),
    feed,
    board,
    route: fc.array(at, { maxLength: 4 }),
    lengthMm: orNull(fc.integer({ min: 1, max: 1500 })),
    reversed: fc.boolean(),
    isChained: fc.boolean(),
    hollowId,
    grid: orLeftOut(
      fc.record({
        columns: fc.integer({ min: 1, max: 9 }),
        rows: fc.integer({ min: 1, max: 9 }),
        snakes: fc.boolean(),
      }),
    ),
    cutAtCorners: orLeftOut(fc.boolean()),
    feedsAt: orLeftOut(fc.array(fc.integer({ min: 2, max: 120 }), { maxLength: 3 })),
    litFirst: orLeftOut(fc.integer({ min: 1, max: 40 })),
    spareFirst: orLeftOut(fc.constantFrom('plain' as const, 'behind a diode' as const)),
    order: orLeftOut(fc.constantFrom(...colourOrders)),
    whiteFrom: anyWhite,
    diffuserMm: orLeftOut(fc.integer({ min: 1, max: 40 })),
    dieCurrentA: anyFigure(fc.double({ min: 0.002, max: 0.04, noNaN: true })),
    dataResistorOhm: orNull(fc.integer({ min: 10, max: 1000 })),
    levelShifter: fc.boolean(),
    reservoirUf: orNull(fc.integer({ min: 10, max: 2200 })),
  });

const anyPlainTape = ({ feed, switchedBy, hollowId }: Fields) =>
  fc.record({
    kind: kindOf('plain tape'),
    part: idOf(plainTapes),
    feed,
    switchedBy: fc.array(switchedBy, { minLength: 1, maxLength: 4 }),
    wiring,
    route: fc.array(at, { maxLength: 4 }),
    lengthMm: orNull(fc.integer({ min: 1, max: 3000 })),
    cutAtCorners: orLeftOut(fc.boolean()),
    whiteFrom: anyWhite,
    feedsAt: orLeftOut(fc.array(fc.integer({ min: 2, max: 120 }), { maxLength: 3 })),
    hollowId,
    powerPerMetreW: anyFigure(fc.integer({ min: 2, max: 20 })),
  });

const anyGuide = ({ hollowId }: Fields, lit: readonly string[]) =>
  fc.record({
    kind: kindOf('guide'),
    at,
    part: idOf(guides),
    gather: fc.constantFrom('bundle' as const, 'each' as const),
    lights:
      lit.length === 0
        ? fc.constant([])
        : fc.array(fc.record({ groupId: fc.constantFrom(...lit), light: fc.integer({ min: 1, max: 9 }) }), {
            maxLength: 4,
          }),
    gapMm: fc.integer({ min: 0, max: 60 }),
    filled: fc.boolean(),
    hollowId,
    perEnd: fc.integer({ min: 1, max: 5 }),
    lengthMm: orLeftOut(fc.integer({ min: 1, max: 900 })),
    skinMm: fc.integer({ min: 0, max: 20 }),
    dieMm: orLeftOut(fc.integer({ min: 1, max: 12 })),
    halfAngleDeg: orLeftOut(fc.integer({ min: 3, max: 80 })),
    ends: fc
      .array(fc.record({ at, hollowId }), { maxLength: 9 })
      .map((ends) => ends.map((end, i) => ({ ...end, id: `end${i}` }))),
  });

const anyLight = ({ feed, switchedBy, hollowId }: Fields) =>
  fc.record({
    kind: kindOf('light'),
    part: idOf(leds),
    feed,
    switchedBy,
    wiring,
    resistorAt: fc.constantFrom('light' as const, 'switch' as const, 'source' as const),
    channels: fc.integer({ min: 1, max: 6 }),
    inSeries: orLeftOut(fc.integer({ min: 1, max: 3 })),
    sideBySide: orLeftOut(fc.integer({ min: 1, max: 3 })),
    wantedCurrentA: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
    forwardV: anyFigure(fc.double({ min: 1.5, max: 3.4, noNaN: true })),
    resistorOhm: orNull(fc.integer({ min: 1, max: 5000 })),
    resistorRatedW: fc.constantFrom(0.125, 0.25, 0.5),
    sleeved: fc.boolean(),
    diodes: orLeftOut(fc.boolean()),
    whiteFrom: anyWhite,
    waySoldered: orLeftOut(fc.constant('not said' as const)),
    places: fc
      .array(fc.record({ at, hollowId }), { maxLength: 9 })
      .map((places) => places.map((place, i) => ({ ...place, id: `place${i}` }))),
  });

const anyLoad = ({ feed, switchedBy }: Fields) =>
  fc.record({
    kind: kindOf('load'),
    at,
    part: idOf(loads),
    feed,
    switchedBy,
    restA: anyFigure(ampsTo(0.02)),
    usualA: anyFigure(ampsTo(0.5)),
    mostA: anyFigure(ampsTo(1)),
    startA: anyFigure(ampsTo(3)),
  });

const control = ({ board }: Fields) => ({ at, board });
const anyControl = (fields: Fields) =>
  fc.oneof(
    fc.record({ kind: fc.constantFrom('button' as const, 'latching switch' as const), ...control(fields) }),
    fc.record({ kind: kindOf('tilt switch'), ...control(fields) }),
    fc.record({
      kind: kindOf('remote'),
      ...control(fields),
      output: fc.constantFrom('held' as const, 'latched' as const),
      receiver: orLeftOut(among(['receiver0'])),
      key: orLeftOut(fc.integer({ min: 1, max: 5 })),
    }),
    fc.record({
      kind: kindOf('light sensor'),
      ...control(fields),
      darkOhm: fc.integer({ min: 20_000, max: 900_000 }),
      lightOhm: fc.integer({ min: 100, max: 19_000 }),
      element: orLeftOut(fc.constant('phototransistor' as const)),
    }),
    fc.record({ kind: kindOf('knob'), ...control(fields), turnedTo: fc.double({ min: 0.05, max: 0.95, noNaN: true }) }),
    fc.record({ kind: kindOf('motion sensor'), ...control(fields), staysS: fc.integer({ min: 1, max: 300 }) }),
    fc.record({ kind: kindOf('sound sensor'), ...control(fields) }),
    fc.record({
      kind: kindOf('charge sense'),
      ...control(fields),
      of: fields.packId,
      lowV: fc.double({ min: 1, max: 12, noNaN: true }),
      settleS: fc.integer({ min: 1, max: 30 }),
    }),
  );

const anyPack = fc.record({
  kind: kindOf('pack'),
  at,
  part: chosen(packs),
  capacityMah: anyFigure(fc.integer({ min: 50, max: 9000 })),
  fuseA: orNull(fc.constantFrom(...fuseRatingsA)),
  plug: chosen(plugs),
  protection: chosen(protections),
  housing: fc.constantFrom('none' as const, 'soft pouch' as const, 'hard case' as const),
  nextToBody: fc.boolean(),
  lockedLid: fc.boolean(),
  minus,
  charging: fc.constantFrom(
    'taken out' as const,
    'in place, switched off' as const,
    'in place, while it runs' as const,
  ),
});

const anySupply = fc.record({
  kind: kindOf('outside supply'),
  at,
  part: idOf(outsideSupplies),
  volts: orNull(fc.integer({ min: 3, max: 24 })),
  sinksToV: fc.option(fc.integer({ min: 3, max: 24 }), { nil: undefined }),
  fuseA: orNull(fc.constantFrom(...fuseRatingsA)),
  plug: chosen(plugs),
  minus,
});

const anyMagnet = orLeftOut(
  fc.record({
    diameterMm: fc.integer({ min: 2, max: 30 }),
    thicknessMm: fc.integer({ min: 1, max: 20 }),
    remanenceMt: fc.integer({ min: 200, max: 1400 }),
    wallMm: fc.integer({ min: 0, max: 20 }),
    litWhen: fc.constantFrom('near' as const, 'away' as const),
  }),
);

const anyGate = ({ feed }: Fields) =>
  fc.record({
    kind: kindOf('light gate'),
    at,
    feed,
    part: idOf(transistors),
    microampsPerLux: fc.double({ min: 0.05, max: 100, noNaN: true }),
    pullUpOhm: fc.integer({ min: 100, max: 2_000_000 }),
    darkLux: fc.double({ min: 0.01, max: 50, noNaN: true }),
    brightLux: fc.double({ min: 51, max: 20_000, noNaN: true }),
  });

const anyPiece = fc.record({
  kind: fc.constantFrom('headdress' as const, 'garment' as const, 'scale model' as const, 'prop' as const),
  carriedBy: fc.constantFrom('adult' as const, 'child' as const, 'nobody' as const),
  setting: fc.constantFrom('dry' as const, 'splash' as const, 'rain' as const),
  ambientC: fc.integer({ min: -20, max: 40 }),
  hoursWanted: fc.integer({ min: 1, max: 12 }),
  copies: fc.integer({ min: 1, max: 9 }),
  budgetPerCopy: orNull(fc.integer({ min: 0, max: 300 })),
  lightsItself: fc.boolean(),
});

const anyHollow = fc.oneof(
  fc.record({ kind: fc.constant('bore' as const), at, diameterMm: sizeMm, depthMm: sizeMm }),
  fc.record({ kind: fc.constant('channel' as const), at, widthMm: sizeMm, depthMm: sizeMm }),
  fc.record({ kind: fc.constant('box' as const), at, widthMm: sizeMm, heightMm: sizeMm, depthMm: sizeMm }),
);

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

const named = <T>(items: readonly T[], prefix: string): (T & { readonly id: string; readonly name: string })[] =>
  items.map((item, i) => ({ ...item, id: `${prefix}${i}`, name: `${prefix} ${i}` }));

/** Moods, cues, an evening, a sign and a set over what there is to light and to touch. */
function anyMoods(items: readonly Item[]): fc.Arbitrary<Design['moods']> {
  const groupIds = items.flatMap((item) =>
    'route' in item || 'places' in item || item.kind === 'load' ? [item.id] : [],
  );
  // A set is of one kind: pixels with pixels, single lights with single lights.
  const tapeIds = items.flatMap((item) => (item.kind === 'pixel tape' ? [item.id] : []));
  const kindIds = tapeIds.length > 0 ? tapeIds : items.flatMap((item) => (item.kind === 'light' ? [item.id] : []));
  const setIds = kindIds.length > 0 ? ['set0'] : [];
  const controlIds = items.flatMap((item) =>
    'board' in item && 'at' in item && item.kind !== 'signal' && item.kind !== 'scan driver' ? [item.id] : [],
  );
  return fc.nat(4).chain((count): fc.Arbitrary<Design['moods']> => {
    const moodIds = idsOf('mood', count);
    if (moodIds.length === 0 || groupIds.length === 0) return fc.constant(emptyDesign.moods);
    const on = fc.constantFrom(...groupIds, ...setIds);
    const moves: fc.Arbitrary<Mood['moves']> = fc.dictionary(on, anyMove);
    const moodId = fc.constantFrom(...moodIds);
    const top = fc.record({ on, how: fc.constantFrom(...layings), move: anyMove });
    const mood = fc.record({
      brightness: share,
      moves,
      tops: fc.array(top, { maxLength: 2 }).map((tops) => tops.map((each, i) => ({ ...each, id: `top${i}` }))),
      fadeInS: fc.constantFrom(0, 0.5, 3),
    });
    const cue = fc.record({
      from: among(moodIds),
      when: anyWhen(controlIds),
      to: moodId,
      fadeS: fc.constantFrom(0, 0.3, 2),
      backAfterS: orNull(afterS),
    });
    const stretch = fc.record({ moodId, minutes: fc.integer({ min: 1, max: 90 }) });
    return fc.record({
      list: fc.array(mood, { minLength: count, maxLength: count }).map((list) => named(list, 'mood')),
      startId: moodId,
      cues: fc.array(cue, { maxLength: 5 }).map((cues) => cues.map((each, i) => ({ ...each, id: `cue${i}` }))),
      course: fc
        .array(stretch, { maxLength: 4 })
        .map((course) => course.map((each, i) => ({ ...each, id: `part${i}` }))),
      cueUses: fc.constant([]),
      signs:
        controlIds.length === 0
          ? fc.constant([])
          : fc
              .array(fc.record({ controlId: fc.constantFrom(...controlIds), moves }), { maxLength: 2 })
              .map((signs) => named(signs, 'sign')),
      sets: fc.constant(
        setIds.map((id) => ({
          id,
          name: 'Set 0',
          order: 'interleaved' as const,
          of: kindIds.map((groupId, i) => ({ groupId, first: i === 0 ? 5 : 1, last: 2, every: 1 })),
        })),
      ),
    });
  });
}

/** An item as it is drawn: its id and name come from where it stands among its kind. */
type Drawn = { readonly kind: Kind; readonly name?: string };

const listOf = (of: fc.Arbitrary<Drawn>, prefix: string, count: number, named = anyName): fc.Arbitrary<Drawn[]> =>
  fc
    .array(fc.tuple(of, named), { minLength: count, maxLength: count })
    .map((items) => items.map(([item, name], i) => ({ ...item, id: `${prefix}${i}`, name })));

const someOf = (of: fc.Arbitrary<Drawn>, prefix: string, most: number): fc.Arbitrary<Drawn[]> =>
  fc.nat(most).chain((count) => listOf(of, prefix, count));

/** Each of a kind whose own number matters to what it may name. */
const eachOf = (of: (i: number) => fc.Arbitrary<Drawn>, prefix: string, count: number): fc.Arbitrary<Drawn[]> =>
  fc.tuple(
    ...idsOf(prefix, count).map((id, i) => fc.tuple(of(i), anyName).map(([item, name]) => ({ ...item, id, name }))),
  );

const chainTapes = (tapes: Drawn[]): Drawn[] =>
  tapes.map((tape, i) => {
    const { isChained, ...own } = tape as Drawn & { readonly isChained: boolean };
    return { ...own, after: isChained && i > 0 ? `tape${i - 1}` : null };
  });

function anyItems(counts: Counts): fc.Arbitrary<Item[]> {
  const fields = fieldsFor(counts);
  const { feed, board } = fields;
  const boardIds = idsOf('board', counts.boards);
  return (
    fc
      .tuple(
        listOf(anyTape(fields), 'tape', counts.tapes).map(chainTapes),
        someOf(anyPlainTape(fields), 'plain', 2),
        someOf(anyLight(fields), 'leds', 3),
        someOf(anyGuide(fields, idsOf('tape', counts.tapes)), 'guide', 1),
        listOf(
          fc.record({
            kind: kindOf('board'),
            at,
            part: idOf(controllers),
            feed,
            pinLocks: fc.constant([]),
            pinNames: fc.constantFrom([], [{ pin: '3', name: 'IO/3' }]),
          }),
          'board',
          counts.boards,
        ),
        someOf(anyControl(fields), 'control', 3),
        someOf(anyLoad(fields), 'load', 2),
        listOf(anyPack, 'pack', counts.packs),
        listOf(anySupply, 'supply', counts.supplies),
        eachOf(
          (i) =>
            fc.record({
              kind: kindOf('converter'),
              at,
              part: idOf(converters),
              feed: fields.feedOfConverter(i),
              minus,
            }),
          'converter',
          counts.converters,
        ),
        eachOf(
          (i) =>
            fc.record({
              kind: kindOf('switch'),
              at,
              part: idOf(switches),
              feed: fields.feedOfSwitch(i),
              with: i > 0 ? orNull(fc.constant(`switch${i - 1}`)) : fc.constant(null),
              magnet: anyMagnet,
            }),
          'switch',
          counts.switches,
        ),
        listOf(
          fc.record({
            kind: kindOf('changeover'),
            at,
            feed: fields.source,
            other: fields.source,
            by: fc.constantFrom('switch' as const, 'diodes' as const, 'joined' as const),
            part: idOf(switches),
          }),
          'changeover',
          counts.changeovers,
        ),
        someOf(
          fc.record({
            kind: kindOf('charger'),
            at,
            part: idOf(chargers),
            feed,
            inlet: fc.constantFrom('covered socket' as const, 'bare terminals' as const),
          }),
          'charger',
          1,
        ),
        listOf(anyGate(fields), 'gate', counts.gates),
        listOf(
          fc.record({ kind: kindOf('driver'), at, part: idOf(drivers), feed, setA: orNull(ampsTo(0.5)) }),
          'driver',
          counts.drivers,
        ),
        listOf(
          fc.record({
            kind: kindOf('scan driver'),
            at,
            part: idOf(scanDrivers),
            feed,
            board,
            setA: orNull(fc.double({ min: 0.001, max: 0.05, noNaN: true })),
            idleBelowV: orNull(fc.double({ min: 0, max: 3, noNaN: true })),
          }),
          'scanner',
          counts.scanners,
        ),
        listOf(
          fc.record({
            kind: kindOf('receiver'),
            at,
            part: idOf(receivers),
            feed,
            rangeMm: fc.integer({ min: 500, max: 90_000 }),
            transmitters: fc.constantFrom('one for all copies' as const, 'one each' as const),
          }),
          'receiver',
          1,
        ),
        listOf(fc.record({ kind: kindOf('box'), at, part: idOf(boxes), feed }), 'box', counts.boxes),
        boardIds.length < 2
          ? fc.constant<Drawn[]>([])
          : someOf(fc.record({ kind: kindOf('signal'), at, from: fc.constantFrom(...boardIds), board }), 'signal', 1),
      )
      // Built field by field above; the property that each is read again as it was holds it to the schema.
      .map((kinds) => kinds.flat().map(withoutUndefined) as unknown as Item[])
  );
}

const withoutUndefined = <T extends object>(item: T): T =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as T;

/**
 * A design of any kind that the plan file allows, sense or nonsense: every kind of item, several packs and boards, parts
 * that are gone, tapes without a route, controls that nothing listens to, moods on sets that reach beyond their group.
 */
export const anyDesign: fc.Arbitrary<Design> = anyCounts
  .chain((counts) =>
    fc.record({
      piece: anyPiece,
      hollows: fc
        .array(anyHollow, { minLength: counts.hollows, maxLength: counts.hollows })
        .map((items) => named(items, 'hollow')),
      items: anyItems(counts),
    }),
  )
  .chain((drawn) => anyMoods(drawn.items).map((moods) => ({ ...emptyDesign, ...drawn, moods })));
