import { describe, expect, it } from 'vitest';
import { demoPlan, designOf, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { exportProgram } from '../exports/index.ts';
import { checkDesign } from '../findings/index.ts';
import { itemsOf } from '../items/index.ts';
import { applyEdits, changeItem, type Design } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import {
  builtInLibrary,
  describeOwnPart,
  findPart,
  type OwnPart,
  readPartsCsv,
  talksAtBaud,
  withOwnParts,
  writePartsCsv,
} from './index.ts';

const table = `kind,like,name,price,forward at 20 mA,capacity,cut-off,density,die current
led,led-5mm-white,Cold star,0.30,3.30 V,,,,
pack,pack-two-lithium-round,Tired pair,0,,1.9 Ah,6.2 V,,
pixel-tape,pixel-tape-60,Odd tape,,,,,66/m,9 mA
`;
const { parts, problems } = readPartsCsv(table);
const refused = (line: string): string | undefined =>
  readPartsCsv(`kind,like,name,price,forward at 1 mA,forward at 20 mA,capacity,cut-off,density\n${line}\n`).problems[0]
    ?.problem;

describe('parts of the maker’s own', () => {
  it('are the part they are like but for what the table says, and a figure from it counts as read', () => {
    expect(problems).toEqual([]);
    expect(parts.map((part) => part.id)).toEqual(['own-cold-star', 'own-tired-pair', 'own-odd-tape']);
    // The whole curve moves: 2.72 V and 3.14 V of the white light, both up by 0.16 V.
    expect(parts[0]).toMatchObject({ forwardAt1mAV: 2.88, forwardAt20mAV: 3.3, price: 0.3, body: '5 mm' });
    expect(parts[1]).toMatchObject({ capacityMah: { likely: 1900, origin: 'data sheet' }, cutOffV: 6.2, price: 0 });
    expect(parts[2]).toMatchObject({ perMetre: 66, widthMm: 10, price: 6.8 });
  });
  it('are read back as they were written, and only what differs is written', () => {
    expect(readPartsCsv(writePartsCsv(parts))).toEqual({ parts, problems: [] });
    expect(parts[2] && describeOwnPart(parts[2])).toEqual({ density: '66/m', 'die current': '9 mA' });
  });
  it.each([
    [
      'kite,led-5mm-white,Kite,,,,,,',
      /kind "kite" is not one of led, pixel-tape, guide, load, receiver, converter, charger, protection, pack, controller/,
    ],
    ['led,pixel-tape-60,Mixed,,,,,,', /like "pixel-tape-60" is not a led of the library/],
    ['led,led-5mm-white,,,,,,,', /name "" must have letters or figures/],
    ['led,led-5mm-white,A,,,20 mm,,,', /forward at 20 mA: .*voltage/],
    ['led,led-5mm-white,A,,,1e30,,,', /forward at 20 mA "1e30" must lie between/],
    ['led,led-5mm-white,A,,3.1,3.2,,,', /forward at 20 mA must be at least 209 mV above forward at 1 mA/],
    ['pack,pack-two-lithium-round,A,,,,0,,', /capacity "0" must lie between/],
    // Two cells of 4.19 V when full.
    ['pack,pack-two-lithium-round,A,,,,,9 V,', /cut-off must lie below 8\.38 V/],
    ['pixel-tape,pixel-tape-60,A,-3,,,,,', /price "-3"/],
  ])('refuses %s with what is wrong', (line, message) => {
    expect(refused(line)).toMatch(message);
  });
  it.each([
    ['2 out; 3', /pins: pin 3 can do nothing; say what it can: out, in/],
    ['2 out; 2 in', /pins: pin 2 is there twice/],
    ['2 out; pin four in', /pins: pin pin can "four"; allowed: out, in, dimmed, analog, data/],
    ['{} out', /pins: pin "\{\}" must be named by 1 to 12 letters/],
    [';;', /pins: a board has 1 to 100 pins, got 0/],
  ])('refuses the pins %s of a controller with what is wrong', (pins, message) => {
    const { problems: found } = readPartsCsv(`kind,like,name,pins\ncontroller,controller-large-5v,Mine,${pins}\n`);
    expect(found.map(({ problem }) => problem).join()).toMatch(message);
  });
  it.each([
    ['6 V', '5 V', '', /least supply 6\.00 V must lie below most supply 5\.00 V/],
    ['4 V', '6 V', '4.5 V', /resets below 4\.50 V must not lie above least supply 4\.00 V/],
  ])('refuses a controller whose supply from %s to %s makes no sense', (least, most, resets, message) => {
    const { problems: found } = readPartsCsv(
      `kind,like,name,least supply,most supply,resets below\ncontroller,controller-large-5v,Mine,${least},${most},${resets}\n`,
    );
    expect(found.map(({ problem }) => problem).join()).toMatch(message);
  });
  it('takes a controller with pins of its own names, which has no ready board file, and gives it back', () => {
    const { parts: boards, problems: none } = readPartsCsv(
      'kind,like,name,draw,memory,pins\ncontroller,controller-large-5v,My board,18 mA,2048.4,"D2 data out; A0 analog in; TX out @ tells while it starts"\ncontroller,controller-large-5v,As it is,,,\n',
    );
    expect(none).toEqual([]);
    expect(boards[0]).toMatchObject({
      drawA: { likely: 0.018, origin: 'data sheet' },
      memoryBytes: 2048,
      code: null,
      pins: [
        { name: 'D2', can: ['out', 'data'] },
        { name: 'A0', can: ['in', 'analog'] },
        { name: 'TX', can: ['out'], startUp: 'tells while it starts' },
      ],
    });
    expect(boards[1]).toMatchObject({ code: findPart(builtInLibrary, 'controller', 'controller-large-5v')?.code });
    expect(readPartsCsv(writePartsCsv(boards))).toEqual({ parts: boards, problems: [] });
  });
  it('a board of one’s own scans as its ready file does, whatever its plan was kept with; without a file not at all', () => {
    const like = findPart(builtInLibrary, 'controller', 'controller-small-5v');
    if (!like) throw new Error('the small board is listed');
    const old: OwnPart = { ...like, id: 'own-old', like: like.id, scan: undefined };
    const other: OwnPart = { ...like, id: 'own-other', like: like.id, code: null };
    const library = withOwnParts([old, other]);
    expect(findPart(library, 'controller', 'own-old')?.scan).toEqual(like.scan);
    expect(findPart(library, 'controller', 'own-other')?.scan).toBeUndefined();
  });
  it('a serial line of another speed is another board: its template is filled in, and talks at that speed', () => {
    const { parts: boards, problems: none } = readPartsCsv(
      'kind,like,name,serial speed\ncontroller,controller-large-5v,Slow,9600\ncontroller,controller-large-5v,As it is,\ncontroller,controller-dual-3v3,On a pin,\n',
    );
    expect(none).toEqual([]);
    const talk = boards.map((board) => (board.kind === 'controller' ? [board.code, talksAtBaud(board)] : []));
    expect(talk).toEqual([
      [null, 9600],
      ['eight16', 115_200],
      ['two26', 115_200],
    ]);
  });
  it('loads, receivers, converters, chargers and protection boards too, refused where they contradict themselves', () => {
    const head =
      'kind,like,name,works from,works up to,draws at rest,draws at the start,input up to,charges with,trips at\n';
    const good = readPartsCsv(
      `${head}load,load-motor-6v,Winch,3 V,6 V,2 mA,1.4 A,,,\nreceiver,receiver-radio-4-held,Ear,2.8 V,,,,,,\nconverter,buck-5v-3a,Step,,,,,20 V,,\ncharger,charger-lithium-1-0a5,Fill,,,,,,0.3 A,\nprotection,protection-one-3a,Guard,,,,,,,4 A\n`,
    );
    expect(good.problems).toEqual([]);
    // A motor of the library rests at nothing: the doubt of what is said instead is a third of it.
    expect(good.parts[0]).toMatchObject({ restA: { likely: 0.002, spread: 0.002 / 3 }, startA: { likely: 1.4 } });
    expect(good.parts[4]).toMatchObject({ tripA: 4 });
    expect(readPartsCsv(writePartsCsv(good.parts)).parts).toEqual(good.parts);
    const plan = demoPlan();
    expect(readPlan({ ...plan, design: { ...plan.design, ownParts: good.parts } }).ok).toBe(true);
    const bad = readPartsCsv(
      `${head}load,load-motor-6v,A,7 V,6 V,,,,,\nload,load-motor-6v,B,,,900 mA,10 mA,,,\nconverter,buck-5v-3a,C,,,,,4 V,,\n`,
    );
    expect(bad.problems.map(({ problem }) => problem)).toEqual([
      expect.stringContaining('works from 7.00 V must lie below works up to 6.00 V'),
      expect.stringContaining('draws at the start must not be less'),
      expect.stringContaining('must lie below input up to 4.00 V'),
    ]);
  });
  it('keeps the good lines of a table and names the bad ones, twins among them', () => {
    const read = readPartsCsv(`${table}led,led-5mm-red,cold STAR,,,,,,\n`);
    expect(read.parts).toHaveLength(3);
    expect(read.problems).toEqual([{ line: 5, problem: '"cold STAR" is already the name of a part above' }]);
    expect(readPartsCsv('name,count\nx,1\n').problems[0]?.line).toBe(1);
  });
});

describe('a plan with parts of the maker’s own', () => {
  const ownParts = parts;
  it('is reckoned with them', () => {
    const tapes = [tapeOf({ part: 'own-odd-tape', lengthMm: 1000 })];
    const design = { ...designOf({ tapes }), ownParts };
    const assessment = assess(design);
    // One metre of 66 a metre, cut to whole lights: 66 or 65, three dice of 9 mA and 0.8 mA at rest each.
    expect(assessment.lightCount).toBe(66);
    expect(assessment.allWhiteA).toBeCloseTo(66 * (3 * 0.009 + 0.0008), 6);
    expect(withOwnParts([]).parts.size + 3).toBe(withOwnParts(ownParts).parts.size);
  });
  it('is a plan file like any other, and one with a part outside its bounds is refused by name', () => {
    const plan = demoPlan();
    expect(readPlan({ ...plan, design: { ...plan.design, ownParts } }).ok).toBe(true);
    const broken = [{ ...parts[1], cutOffV: -1 }];
    const read = readPlan({ ...plan, design: { ...plan.design, ownParts: broken } });
    expect(read.ok ? [] : read.problems.map((problem) => problem.place)).toEqual(['design.ownParts.0.cutOffV']);
    const twins = readPlan({ ...plan, design: { ...plan.design, ownParts: [parts[0], parts[0]] } });
    expect(twins.ok).toBe(false);
  });
  it('a part that nobody knows any more stops the plan by name: its light is in no figure', () => {
    const { design } = demoPlan();
    const tapes = itemsOf(design, 'pixel tape');
    const odd = applyEdits(
      design,
      tapes.flatMap((tape) => changeItem(design, tape.id, { part: 'own-odd-tape' })),
    );
    const stops = (own: typeof ownParts): string[] => {
      const asked = { ...odd, ownParts: own };
      return checkDesign(asked, assess(asked)).flatMap((finding) =>
        finding.id.startsWith('part-gone') ? [`${finding.gravity} ${usualPrinter.message(finding.what)}`] : [],
      );
    };
    expect(stops(ownParts)).toEqual([]);
    expect(stops([])).toEqual(tapes.map((tape) => `stop ${tape.name} is of a kind that is not known: own-odd-tape`));
  });
  it('a pack with less in it never runs longer', () => {
    const { design } = demoPlan();
    const hours = (capacity: string): number => {
      const [pack] = itemsOf(design, 'pack');
      const own = readPartsCsv(`kind,like,name,capacity\npack,${pack?.part},Mine,${capacity}\n`).parts;
      const mine = applyEdits(design, changeItem(design, pack?.id ?? '', { part: 'own-mine', capacityMah: null }));
      return assess({ ...mine, ownParts: own }).supply?.runsFor?.cautiousH ?? 0;
    };
    expect(hours('1300 mAh')).toBeLessThan(hours('2600 mAh'));
    expect(hours('1300 mAh')).toBeGreaterThan(0);
  });

  it('a board of one’s own is given its pins by their printed names, and its program counts them along the edge', () => {
    const pins = Array.from({ length: 12 }, (_, i) => `D${i} out in data dimmed analog`).join('; ');
    const own = readPartsCsv(
      `kind,like,name,memory,program memory,pins\ncontroller,controller-large-5v,My board,32000,256000,${pins}\n`,
    ).parts;
    const demo = demoPlan();
    const boards = itemsOf(demo.design, 'board');
    const design = {
      ...applyEdits(
        demo.design,
        boards.flatMap(({ id }) => changeItem(demo.design, id, { part: 'own-my-board', pinLocks: [], pinNames: [] })),
      ),
      ownParts: own,
    };
    const assessment = assess(design);
    const given = assessment.pins.flatMap(({ plan }) => (plan.ok ? plan.given.map(({ pin }) => pin.name) : []));
    expect(given.length).toBeGreaterThan(3);
    expect(given.every((name) => /^D\d+$/.test(name))).toBe(true);
    const files = exportProgram({ ...demo, design }, assessment, {});
    const header = files['pins.h'] ?? '';
    // D0 is the first along the edge, so D4 is number 5.
    for (const name of given)
      expect(header).toMatch(new RegExp(` ${Number(name.slice(1)) + 1} /\\* .*marked ${name} `));
    expect(Object.values(files).join('\n')).toContain('Pins go by what is printed on your board');
  });

  it('a larger pack of one’s own is offered where the built-in ones do not last', () => {
    const { design } = demoPlan();
    const [pack] = itemsOf(design, 'pack');
    const read = readPartsCsv(`kind,like,name,price,capacity\npack,${pack?.part},Barrel of cells,90,90 Ah`);
    const long: Design = { ...design, piece: { ...design.piece, hoursWanted: 40 } };
    const offered = (asked: Design): readonly string[] =>
      checkDesign(asked, assess(asked))
        .filter((finding) => finding.rule === 'runs-short')
        .flatMap((finding) => finding.fixes.map((fix) => usualPrinter.message(fix.label)));
    expect(offered(long)).not.toContain('Take: Barrel of cells');
    expect(offered({ ...long, ownParts: read.parts })).toContain('Take: Barrel of cells');
  });
});
