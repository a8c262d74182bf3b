import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { World } from '../../tests/keepingWorld.ts';
import { placesOf } from './places.ts';

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

async function runActs(world: World, scheduler: fc.Scheduler, acts: readonly Act[]): Promise<void> {
  for (const each of acts) {
    switch (each.kind) {
      case 'type':
        world.type(each.tab);
        break;
      case 'pass':
        for (let step = 0; step < each.steps && scheduler.count() > 0; step += 1) await scheduler.waitNext(1);
        break;
      case 'elsewhere':
        if (world.isServerUp) world.saveElsewhere();
        break;
      case 'reload': {
        // What was typed has been written by the time a page goes: it is written as it is typed.
        await scheduler.waitIdle();
        const tab = world.tabs[each.tab];
        if (!tab || !world.storeTakes) break;
        tab.keeper.close();
        void world.openTab(tab.name);
        await scheduler.waitIdle();
        break;
      }
      case 'away':
        world.isServerUp = false;
        break;
      case 'back':
        world.isServerUp = true;
        break;
      case 'lose answers':
        world.losesAnswers = true;
        break;
      case 'answer':
        world.losesAnswers = false;
        break;
      case 'full':
        world.storeTakes = false;
        break;
      default:
        world.storeTakes = true;
    }
    checkSigns(world);
  }
}

describe('what is typed', () => {
  it('is in the place that the sign names, and nothing of it is ever lost, whatever happens in whatever order', async () => {
    await fc.assert(
      fc.asyncProperty(fc.scheduler(), fc.array(act, { minLength: 5, maxLength: 40 }), async (scheduler, acts) => {
        const world = new World(scheduler);
        void world.openTab('left');
        void world.openTab('right');
        await scheduler.waitIdle();
        await runActs(world, scheduler, acts);
        // All is well again: the store takes, the server answers, all that is under way comes to its end.
        Object.assign(world, { isServerUp: true, losesAnswers: false, storeTakes: true });
        for (let round = 0; round < 4; round += 1) {
          for (const { keeper } of world.tabs) void keeper.sendWaiting();
          await scheduler.waitIdle();
        }
        expect(world.typed.filter((word) => !world.found().has(word))).toEqual([]);
        // The maker settles what was changed twice: then the server has every word.
        for (const { keeper } of world.tabs)
          for (let rest = 0; rest < 3 && keeper.state()?.other; rest += 1) {
            void keeper.settle(rest === 0 ? 'mine' : 'other');
            await scheduler.waitIdle();
          }
        for (const { keeper } of world.tabs) void keeper.sendWaiting();
        await scheduler.waitIdle();
        const onServer = new Set([...world.server.values()].flatMap(({ plan }) => plan.typed));
        expect(world.typed.filter((word) => !onServer.has(word))).toEqual([]);
        for (const { keeper } of world.tabs) {
          const state = keeper.state();
          expect(state && placesOf(state).kind).toBe('kept');
        }
      }),
      { numRuns: 300, seed: 7 },
    );
  });
});
