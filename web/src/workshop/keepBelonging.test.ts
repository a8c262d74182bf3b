import type { DeskCard } from '@glimmer/core/workshop';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type BelongingKeeper, createBelongingKeeper, type Mark } from './keepBelonging.ts';

const card = (id: string, supply = ''): DeskCard => ({
  id,
  sum: 'led-resistor',
  texts: supply === '' ? {} : { supply },
});

/** The server’s side: one value and its revision; it answers, does not, or its answer is lost on the way. */
class Server {
  value: readonly DeskCard[] = [];
  revision = 0;
  mood: 'answers' | 'away' | 'answer lost' = 'answers';

  async load(): Promise<{ readonly value: readonly DeskCard[]; readonly revision: number }> {
    if (this.mood !== 'answers') throw new Error('away');
    return { value: this.value, revision: this.revision };
  }

  async save(value: readonly DeskCard[], basedOn: number): Promise<number | null> {
    if (this.mood === 'away') throw new Error('away');
    if (basedOn !== this.revision) return null;
    this.value = value;
    this.revision += 1;
    if (this.mood === 'answer lost') throw new Error('lost');
    return this.revision;
  }
}

/** A browser with its desk; what it holds outlives a reload. */
class Browser {
  mark: Mark | null = null;
  private work: Promise<void> = Promise.resolve();
  private readonly keeper: BelongingKeeper;

  constructor(
    private readonly server: Server,
    public desk: readonly DeskCard[] = [],
  ) {
    this.keeper = createBelongingKeeper('desk', {
      read: () => this.desk,
      write: (desk) => {
        this.desk = desk;
      },
      readMark: () => this.mark,
      writeMark: (mark) => {
        this.mark = mark;
      },
      load: () => this.server.load(),
      save: (value, basedOn) => this.server.save(value, basedOn),
      alone: (work) => {
        this.work = this.work.then(work);
        return this.work;
      },
    });
  }

  change(desk: readonly DeskCard[]): void {
    this.desk = desk;
    this.keeper.changed();
  }

  settle(): Promise<void> {
    return this.keeper.settle();
  }
}

const ids = (desk: readonly DeskCard[]): string[] => desk.map(({ id }) => id).sort();

describe('a desk that is kept in browsers and on the server', () => {
  it('is sent when it is changed, and taken in elsewhere', async () => {
    const server = new Server();
    const [one, two] = [new Browser(server), new Browser(server)];
    one.change([card('a')]);
    await one.settle();
    expect(server).toMatchObject({ value: [card('a')], revision: 1 });
    expect(one.mark).toEqual({ revision: 1, isChanged: false });
    await two.settle();
    expect(two.desk).toEqual([card('a')]);
    expect(server.revision).toBe(1);
  });

  it('of an earlier version of the program, which the server has never seen, is sent and not emptied', async () => {
    const server = new Server();
    Object.assign(server, { value: [card('server')], revision: 4 });
    const old = new Browser(server, [card('old')]);
    // Before there is any answer it is known to wait.
    expect(old.mark).toEqual({ revision: 0, isChanged: true });
    await old.settle();
    expect(ids(old.desk)).toEqual(['old', 'server']);
    expect(ids(server.value)).toEqual(['old', 'server']);
  });

  it('waits while there is no answer, and is sent when there is', async () => {
    const server = new Server();
    const browser = new Browser(server);
    server.mood = 'away';
    browser.change([card('a')]);
    await browser.settle();
    expect(browser.mark).toEqual({ revision: 0, isChanged: true });
    server.mood = 'answers';
    await browser.settle();
    expect(server.value).toEqual([card('a')]);
    expect(browser.mark?.isChanged).toBe(false);
  });

  it('changed in two browsers at once has the cards of both, and of one card each keeps its own until the last is sent', async () => {
    const server = new Server();
    const [one, two] = [new Browser(server), new Browser(server)];
    one.change([card('both')]);
    await one.settle();
    await two.settle();
    one.change([card('both', '5 V'), card('one')]);
    two.change([card('both', '9 V'), card('two')]);
    await one.settle();
    await two.settle();
    expect(ids(server.value)).toEqual(['both', 'one', 'two']);
    expect(server.value.find(({ id }) => id === 'both')).toEqual(card('both', '9 V'));
    await one.settle();
    expect(one.desk).toEqual(two.desk);
  });

  it('cleared is cleared everywhere', async () => {
    const server = new Server();
    const [one, two] = [new Browser(server), new Browser(server)];
    one.change([card('a')]);
    await one.settle();
    await two.settle();
    two.change([]);
    await two.settle();
    await one.settle();
    expect([one.desk, two.desk, server.value]).toEqual([[], [], []]);
  });

  it('changed while it is on its way is sent again', async () => {
    const server = new Server();
    const browser = new Browser(server);
    const save = server.save.bind(server);
    server.save = async (value, basedOn) => {
      const revision = await save(value, basedOn);
      if (value.length === 1) browser.change([...value, card('late')]);
      return revision;
    };
    browser.change([card('a')]);
    await browser.settle();
    expect(ids(server.value)).toEqual(['a', 'late']);
    expect(browser.mark).toEqual({ revision: 2, isChanged: false });
  });

  type Step = { readonly kind: 'lay' | 'settle'; readonly at: number } | { readonly kind: Server['mood'] };
  const anyStep: fc.Arbitrary<Step> = fc.oneof(
    fc.record({ kind: fc.constantFrom('lay' as const, 'settle' as const), at: fc.nat(2) }),
    fc.record({ kind: fc.constantFrom('answers' as const, 'away' as const, 'answer lost' as const) }),
  );

  /** Takes all steps, and then lets every browser hear of every other; gives the names of all cards that were laid. */
  async function live(server: Server, browsers: readonly Browser[], steps: readonly Step[]): Promise<string[]> {
    const laid: string[] = [];
    for (const step of steps) {
      if (!('at' in step)) {
        server.mood = step.kind;
        continue;
      }
      const browser = browsers[step.at];
      if (step.kind === 'settle') await browser?.settle();
      else {
        const id = `card ${laid.length}`;
        laid.push(id);
        browser?.change([card(id), ...browser.desk]);
      }
    }
    server.mood = 'answers';
    for (const browser of [...browsers, ...browsers]) await browser.settle();
    return laid.sort();
  }

  it('loses no card, whatever is laid where and however answers get lost', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(anyStep, { maxLength: 40 }), async (steps) => {
        const server = new Server();
        const browsers = [new Browser(server), new Browser(server), new Browser(server)];
        const laid = await live(server, browsers, steps);
        for (const desk of [server.value, ...browsers.map((each) => each.desk)]) expect(ids(desk)).toEqual(laid);
        expect(browsers.map(({ mark }) => mark?.isChanged ?? false)).toEqual([false, false, false]);
      }),
      { numRuns: 300, seed: 26 },
    );
  });
});
