import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { assessmentSchema } from '@glimmer/core/exports';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';

const workspace = join(import.meta.dirname, '..');
const main = join(workspace, 'dist/main.mjs');
// The same bundle that ./glimmer runs.
execFileSync(process.execPath, ['build.mjs'], { cwd: workspace });
const demo = join(import.meta.dirname, '../../demo/anglerfish-headdress.glimmer.json');
const folder = mkdtempSync(join(tmpdir(), 'glimmer-cli-'));
const run = (...args: string[]) => spawnSync(process.execPath, [main, ...args], { encoding: 'utf8' });
/** The demo with its two findings mended. */
const mended = join(folder, 'mended.glimmer.json');
const plan = JSON.parse(readFileSync(demo, 'utf8'));
plan.design.moods.list[2].brightness = 0.3;
plan.design.hollows[1].diameterMm = 4.8;
writeFileSync(mended, JSON.stringify(plan));

describe('./glimmer', () => {
  it('assess gives the assessment as JSON of the documented form, without a number that is not one', () => {
    const { stdout, status } = run('assess', demo);
    expect(status).toBe(0);
    const result = JSON.parse(stdout);
    expect(assessmentSchema.parse(result).plan).toBe('Anglerfish headdress');
    expect(result.figures.ceiling.likely).toBeLessThan(0.5);
    expect(result.findings[0]).toMatchObject({ rule: 'ceiling', about: 'strike', gravity: 'stop' });
    expect(result.nets.map((net: { name: string }) => net.name)).toContain('rail plus');
    expect(stdout).not.toMatch(/NaN|Infinity/);
  });
  it('assess --brief gives a page that a person reads', () => {
    const { stdout } = run('assess', demo, '--brief');
    expect(stdout).toMatch(/^Anglerfish headdress\n=+\nMark +[0-9a-f]{8}: .*\nLights +69 in 4 groups/);
    expect(stdout).toMatch(/STOP +Strike is set to 70 %/);
  });
  it('--units: in inches, mm² and °F, with a sign before money; the numbers of machines stay as they are', () => {
    const brief = run('assess', demo, '--brief', '--units', 'in,mm2,F,€').stdout;
    expect(brief).toMatch(/Cost +€\d+\.\d\d a copy/);
    expect(brief).toMatch(/at \d+(\.\d)? °F/);
    expect(brief).not.toMatch(/ mm\b| °C/);
    // The bore is 4.2 mm, 0.16535 in; the tape of 583 mm 22.953 in, 15/16 on a rule.
    const found = run('check', demo, '--units', 'in').stdout;
    expect(found).toContain('the bore is 0.165 in');
    expect(found).toContain('you say 22 15/16 in');
    const [usual, inches] = [run('assess', demo), run('assess', demo, '--units', 'in')].map((each) =>
      JSON.parse(each.stdout),
    );
    expect(inches.figures).toEqual(usual.figures);
    expect(inches.runs).toEqual(usual.runs);
    expect(run('export', demo, '--as', 'wires-csv', '--units', 'in').stdout).toContain('length mm');
    // A bare number is in the unit that is asked for: 10 in are 254 mm.
    const drop = (...args: string[]): number =>
      JSON.parse(run('sum', 'wire', 'current=1A', ...args, '--json').stdout).results.dropV;
    expect(drop('length=10', '--units', 'in')).toBeCloseTo(drop('length=254'), 12);
    const refused = run('check', demo, '--units', 'furlong');
    expect([refused.status, refused.stderr]).toEqual([2, expect.stringContaining('"furlong" is no unit')]);
  });
  it('check: status 1 where there is a stop, 0 where there is none', () => {
    expect(run('check', demo).status).toBe(1);
    const clean = run('check', mended);
    expect(clean.status).toBe(0);
    expect(clean.stdout).not.toMatch(/^STOP|^MEND/m);
  });
  it.each([
    ['shopping-csv', /^part,for one,copies/],
    ['wires-csv', /^run,from,to,core/],
    ['template-svg', /^<svg .*mm"/],
    ['template-back-svg', /seen from the back/],
    ['mood-card', /^Anglerfish headdress: how it is worked\nMark [0-9a-f]{8}\n\nMOODS\nDoze \(at the start\)/],
    ['plan', /"format": "unruly-glimmer-plan"/],
    ['netlist', /^Anglerfish headdress: its network.*\n\* packs at 50 % of their charge; Strike at its height/],
  ])('export --as %s', (format, pattern) => {
    expect(run('export', demo, '--as', format).stdout).toMatch(pattern);
  });
  it('a netlist runs as it stands in a general circuit simulator and prints every net', () => {
    const file = join(folder, 'dark.cir');
    run('export', demo, '--as', 'netlist', '--charge', '1', '--mood', 'dark', '--out', file);
    const text = readFileSync(file, 'utf8');
    const { stdout } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
    // Two lithium cells, full: 8.4 V less what the dark pixels and the board draw; the converter holds its rail.
    const node = /^\* (n\d+): rail plus /m.exec(text)?.[1];
    expect(Number(new RegExp(`^v\\(${node}\\) = (\\S+)`, 'm').exec(stdout)?.[1])).toBeCloseTo(5, 2);
    for (const [, each] of text.matchAll(/^\* (n\d+): /gm)) expect(stdout).toContain(`v(${each}) = `);
  });
  it.each([
    [['--mood', 'nap'], /There is no mood "nap"; there are: dark, doze, /],
    [['--charge', '50'], /The charge is a share from 0 to 1; got 50/],
    [['--open', 'pack'], /There is no switch in a lead "pack"; there are: switch/],
  ])('export --as netlist %j says what can’t be', (options, message) => {
    const { stderr, status } = run('export', demo, '--as', 'netlist', ...options);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  });
  it('simulate answers line by line, as a board would', () => {
    const { stdout, status } = spawnSync(process.execPath, [main, 'simulate', demo], {
      encoding: 'utf8',
      input: 'frame 0\n\nclose 0 100\nwhat?\n',
    });
    expect(status).toBe(0);
    expect(stdout).toMatch(
      /^plan [0-9a-f]{8}, 200 bytes a frame\n(00){200} Doze\nStrike\nframe T, loop T, close C T, open C T or code C X T\n$/,
    );
  });
  it('demo writes the plan as it ships', () => {
    const out = join(folder, 'demo.glimmer.json');
    expect(run('demo', 'anglerfish-headdress', '--out', out).status).toBe(0);
    expect(readFileSync(out, 'utf8')).toBe(readFileSync(demo, 'utf8'));
  });
  it.each([
    [['assess', '/nowhere.json'], /can’t be read/],
    [['assess'], /Name a plan file/],
    [['export', demo, '--as', 'pie'], /takes one of: shopping-csv/],
    [['demo', 'whale'], /no demo plan "whale"/],
    [['sing'], /"sing" is not a command/],
    [['assess', demo, '--loud'], /--loud/],
  ])('%s says what is wrong and gives status 2', (args, message) => {
    const { stderr, status } = run(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
    expect(stderr).not.toMatch(/ {4}at /);
  });
  it('a file cut in half says so', () => {
    const half = join(folder, 'half.json');
    writeFileSync(half, readFileSync(demo, 'utf8').slice(0, 700));
    expect(run('check', half)).toMatchObject({ status: 2, stderr: expect.stringContaining('cut short') });
  });
});

describe('./glimmer sum', () => {
  it('lists the sums, and says what one takes with an example that works as it stands', () => {
    expect(run('sum').stdout).toMatch(/led-resistor +The resistor for one light/);
    const { stdout } = run('sum', 'led-resistor');
    const example = /Such as: \.\/glimmer (.*)/.exec(stdout)?.[1]?.split(' ') ?? [];
    expect(run(...example).stdout).toMatch(/\* Resistor +180 Ω/);
  });
  it('answers words as a person writes them', () => {
    const { stdout, status } = run('sum', 'led-resistor', 'supply=9V', 'forward=2V', 'current=20mA', 'rating=1/2W');
    expect(status).toBe(0);
    // (9 − 2) V / 20 mA = 350 Ω, and 390 Ω is the next of E12.
    expect(stdout).toMatch(/Exactly +350 Ω/);
    expect(stdout).toMatch(/\* Resistor +390 Ω/);
    expect(stdout).toMatch(/\(9\.00 V − 0 V − 2\.00 V\) \/ 20\.0 mA = 350 Ω/);
  });
  it('takes and gives JSON: piped, as an argument, or what it gave before', () => {
    const inputs = JSON.stringify({ supplyV: 9, forwardV: 2, currentA: 0.02 });
    const piped = spawnSync(process.execPath, [main, 'sum', 'led-resistor', '--json'], {
      encoding: 'utf8',
      input: inputs,
    });
    const answer = JSON.parse(piped.stdout);
    expect(answer).toMatchObject({ sum: 'led-resistor', inputs: { supplyV: 9 }, results: { resistorOhm: 390 } });
    expect(JSON.parse(run('sum', 'led-resistor', inputs, '--json').stdout)).toEqual(answer);
    const again = spawnSync(process.execPath, [main, 'sum', 'led-resistor', '-', '--json'], {
      encoding: 'utf8',
      input: piped.stdout,
    });
    expect(JSON.parse(again.stdout).results).toEqual(answer.results);
  });
  it('status 1 with a stop, 2 with what can be mended, and then nothing on the screen', () => {
    expect(run('sum', 'boost-limit', 'cell=3.2V', 'source=0.25', 'current=1.9A').status).toBe(1);
    for (const [args, message] of [
      [['sum', 'resistor'], /Did you mean led-resistor/],
      [['sum', 'wire', 'current=1 A'], /length: Length, one way is needed/],
      [['sum', 'wire', 'current'], /is not key=value/],
      [['sum', 'wire', '{"currentA":'], /not JSON/],
      [['sum', 'wire', '[]'], /not key=value|must be an object/],
    ] as const) {
      const { status, stderr, stdout } = run(...args);
      expect([status, stdout]).toEqual([2, '']);
      expect(stderr).toMatch(message);
    }
  });
});

it('takes resistors from the drawer, and says which lines it could not read', () => {
  const file = join(folder, 'drawer.csv');
  writeFileSync(file, 'kind,count,resistance\nresistor,5,47\nresistor,5,120\nresistor,5,much\n');
  const { stdout, stderr } = run('sum', 'resistor-combine', 'wanted=165.3', `stock=@${file}`);
  expect(stdout).toMatch(/Made of +47 \+ 120/);
  expect(stderr).toMatch(/line 4: resistance: "much" is not a resistance/);
});

it('writes the program of a plan as a ZIP with the engine, the tables and the pins', () => {
  const out = join(folder, 'program.zip');
  expect(run('export', demo, '--as', 'program', '--out', out).status).toBe(0);
  const files = unzipSync(readFileSync(out));
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining([
      'program/paint.c',
      'program/tables.h',
      'program/show.c',
      'program/pins.h',
      'program/LOADING.md',
    ]),
  );
});
