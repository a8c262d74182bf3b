import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { World } from '../../tests/keepingWorld.ts';
import { isOnPageAlone, placesOf } from './places.ts';

type Act =
  | { readonly kind: 'type'; readonly tab: number }
  | { readonly kind: 'pass'; readonly steps: number }
  | { readonly kind: 'elsewhere' | 'away' | 'back' | 'lose answers' | 'answer' | 'full' | 'room' }
  | { readonly kind: 'reload'; readonly tab: number };

const act: fc.Arbitrary<Act> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ kind: fc.constant('type' as const), tab: fc.nat(1) }) },
  { weight: 6, arbitrary: fc.record({ kind: fc.constant('pass' as const), steps: fc.integer({ min: 1, max: 9 }) }) },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constantFrom('elsewhere', 'away', 'back', 'lose answers', 'answer', 'full', 'room' as const),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('reload' as const), tab: fc.nat(1) }) },
);

/** What each tab’s sign says must be so. */
function checkSigns(world: World): void {
  for (const { keeper, name } of world.tabs) {
    const state = keeper.state();
    if (!state) continue;
    const places = placesOf(state);
    const mine = state.record.plan.typed;
    const held = new Set([...world.held.values(), ...world.aside.values()].flatMap(({ plan }) => plan.typed));
    if ('isHeld' in places && places.isHeld)
      for (const word of mine) expect(held, `${name} says that this browser holds it`).toContain(word);
    const onServer = new Set([...world.server.values()].flatMap(({ plan }) => plan.typed));
    if (places.kind === 'kept')
      for (const word of mine) expect(onServer, `${name} says that it is kept`).toContain(word);
  }
}

/** Closes a tab and opens it again, as a reload does. */
async function reload(world: World, index: number): Promise<void> {
  await world.settle();
  const tab = world.tabs[index];
  const state = tab?.keeper.state();
  // Of what stands on the page alone the browser asks before it lets it go.
  if (!tab || (state && isOnPageAlone(placesOf(state)))) return;
  tab.keeper.close();
  void world.openTab(tab.name);
  await world.settle();
}

const turn = {
  away: { isServerUp: false },
  back: { isServerUp: true },
  'lose answers': { losesAnswers: true },
  answer: { losesAnswers: false },
  full: { storeTakes: false },
  room: { storeTakes: true },
} as const;

async function runAct(world: World, scheduler: fc.Scheduler, act: Act): Promise<void> {
  if (act.kind === 'type') world.type(act.tab);
  else if (act.kind === 'reload') await reload(world, act.tab);
  else if (act.kind === 'elsewhere') {
    if (world.isServerUp) world.saveElsewhere();
  } else if (act.kind === 'pass') {
    for (let step = 0; step < act.steps && scheduler.count() > 0; step += 1) await scheduler.waitNext(1);
  } else {
    Object.assign(world, turn[act.kind]);
    if (act.kind === 'back') world.endWaits();
  }
}

/** The server answers, the store takes, and all that is under way comes to its end. */
async function endWell(world: World): Promise<void> {
  Object.assign(world, { isServerUp: true, losesAnswers: false, storeTakes: true });
  for (let round = 0; round < 4; round += 1) {
    for (const { keeper } of world.tabs) void keeper.sendWaiting();
    await world.settle();
  }
}

/** The maker goes on with one of two states, wherever a plan was changed twice. */
async function settleAll(world: World): Promise<void> {
  for (const { keeper } of world.tabs)
    for (let rest = 0; rest < 3 && keeper.state()?.other; rest += 1) {
      void keeper.settle(rest === 0 ? 'mine' : 'other');
      await world.settle();
    }
  await endWell(world);
}

describe('what is typed', () => {
  it('is in the place that the sign names, and nothing of it is ever lost, whatever happens in whatever order', async () => {
    await fc.assert(
      fc.asyncProperty(fc.scheduler(), fc.array(act, { minLength: 5, maxLength: 40 }), async (scheduler, acts) => {
        const world = new World(scheduler);
        void world.openTab('left');
        void world.openTab('right');
        await world.settle();
        for (const each of acts) {
          await runAct(world, scheduler, each);
          checkSigns(world);
        }
        await endWell(world);
        expect(world.typed.filter((word) => !world.found().has(word))).toEqual([]);
        await settleAll(world);
        const onServer = new Set([...world.server.values()].flatMap(({ plan }) => plan.typed));
        expect(world.typed.filter((word) => !onServer.has(word))).toEqual([]);
        for (const { keeper } of world.tabs) {
          const state = keeper.state();
          expect(state && placesOf(state).kind).toBe('kept');
        }
      }),
      { numRuns: 100, seed: 7 },
    );
  });

  it('is sent from memory when a plan is left that neither store nor server took', async () => {
    await fc.assert(
      fc.asyncProperty(fc.scheduler(), async (scheduler) => {
        const world = new World(scheduler);
        void world.openTab('left');
        await world.settle();
        Object.assign(world, { isServerUp: false, storeTakes: false });
        world.type(0);
        await world.settle();
        const state = world.tabs[0]?.keeper.state();
        expect(state && placesOf(state)).toEqual({ kind: 'away', isHeld: false });
        world.tabs[0]?.keeper.close();
        await world.settle();
        world.isServerUp = true;
        world.endWaits();
        await world.settle();
        expect([...world.server.values()].flatMap(({ plan }) => plan.typed)).toEqual(world.typed);
      }),
      { numRuns: 20, seed: 7 },
    );
  });
});
