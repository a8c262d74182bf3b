import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { type Request, Router } from 'express';
import { idParam } from './openapi.ts';
import { onlyThese } from './planRoutes.ts';
import { Problem } from './problems.ts';
import type { ShelfFacts } from './shelfFacts.ts';

/** Example pieces in the order in which they are offered, each with what it shows of the work. */
const offered: readonly (readonly [file: string, shows: string])[] = [
  [
    'anglerfish-headdress',
    'Pixel tape, a dimmed lure and two eyes, worn on one lithium cell; one finding to stop for and one to mend.',
  ],
  ['jellyfish-parasol', 'Eight tentacles of dense tape: how bright a cell bears it, where it is fed, how it spreads.'],
  [
    'harbour-lighthouse',
    'A scale model: tiny wired lights, a beam that turns in three channels, windows that flicker.',
  ],
  ['kelp-cloak', 'Plain 12 V colour tape on three transistors, and a second part that moves.'],
  ['reef-reliquary', 'A grid of 64 lights that is lit row by row, with cells that live on it.'],
  ['mooring-float', 'One light, one cell, and a magnet that switches it: no controller at all.'],
  ['divers-helmet-lamp', 'A power light that is held at its current, with its heatsink and how warm it gets.'],
  ['pilots-semaphore-wands', 'A matched pair that is swung, each with a small controller and a cell; seven copies.'],
  ['stepping-stone-lanterns', 'Twelve like copies, straight from one cell each.'],
  ['paddle-steamer-handcart', 'Two motors that start with a mood, and a protection board that must not starve them.'],
  ['crews-oars', 'Four copies in step on one radio remote.'],
  ['coxs-mask', 'A mask to see through, on the same remote; its cells beside the head.'],
  ['bow-wave', 'A bundle of fibres over two pixels, a small block battery and a regulator.'],
  ['bandstand-rail', 'Colour tape on a ready-made box, and lead-acid that is charged from outside.'],
  ['foghorn-buoy', 'Three-colour lamps, a horn on a pack of its own, buttons for many hands.'],
  ['harbour-beacon', 'Lights that come on one after another as it darkens, by your own readings.'],
  ['harbour-beacon-gate', 'The same without a program: a transistor that the dark switches.'],
  ['lock-keepers-key', 'Light that no eye sees, on one small cell, tested through a camera.'],
];
/** So many of them lie on the shelf at the first start. */
const LAID_IN = 5;
/** Files of those that the first start lays on the shelf. */
export const laidIn: readonly string[] = offered.slice(0, LAID_IN).map(([file]) => file);

/** An example as it is offered. */
interface Example {
  readonly id: string;
  readonly name: string;
  /** In a line, what it shows. */
  readonly shows: string;
}

/** Reads the plan of an example. @throws where its file is damaged */
export function readExample(folder: string, file: string): Plan {
  const name = `${file}.glimmer.json`;
  const read = readPlanText(readFileSync(join(folder, name), 'utf8'));
  if (read.ok) return read.plan;
  const said = read.problems.map((problem) => `${problem.place}: ${problem.message}`).join('; ');
  throw new Error(`Demo plan ${name} is damaged: ${said}`);
}

/** Example pieces that a plan can begin from. */
export interface Examples {
  readonly list: () => readonly Example[];
  /** Undefined where there is no such one. */
  readonly find: (id: string) => Plan | undefined;
  /** As the shelf would show it; reckoned once, when it is first asked for. */
  readonly facts: (plan: Plan) => Promise<ShelfFacts>;
}

/**
 * Example pieces out of a folder, read when they are first asked for; none without one. What is in the folder and not
 * offered by name stands behind the others.
 */
export function createExamples(folder: string | null, describe: (plan: Plan) => Promise<ShelfFacts>): Examples {
  let read: readonly { readonly plan: Plan; readonly shows: string }[] | null = null;
  const all = () => {
    if (folder === null) return [];
    read ??= [
      ...offered,
      ...readdirSync(folder)
        .filter((name) => name.endsWith('.glimmer.json'))
        .map((name) => name.replace('.glimmer.json', ''))
        .filter((file) => !offered.some(([known]) => known === file))
        .sort()
        .map((file) => [file, ''] as const),
    ].map(([file, shows]) => ({ plan: readExample(folder, file), shows }));
    return read;
  };
  const known = new Map<string, Promise<ShelfFacts>>();
  return {
    list: () => all().map(({ plan, shows }) => ({ id: plan.id, name: plan.name, shows })),
    find: (id) => all().find(({ plan }) => plan.id === id)?.plan,
    facts: (plan) => {
      const facts = known.get(plan.id) ?? describe(plan);
      known.set(plan.id, facts);
      // What failed is tried again when it is asked for again.
      facts.catch(() => known.delete(plan.id));
      return facts;
    },
  };
}

/** What can be begun from. */
export function createExampleRoutes(examples: Examples): Router {
  const router = Router();
  const asked = (req: Request): Plan => {
    const id = idParam.safeParse(req.params);
    const plan = id.success ? examples.find(id.data.id) : undefined;
    if (!plan) throw new Problem('no-such-plan', 'There is no such example here');
    return plan;
  };
  router
    .route('/')
    .get((_req, res) => {
      res.json({ examples: examples.list() });
    })
    .all(onlyThese('GET', 'HEAD'));
  router
    .route('/:id')
    .get((req, res) => {
      res.json({ plan: asked(req) });
    })
    .all(onlyThese('GET', 'HEAD'));
  router
    .route('/:id/facts')
    .get(async (req, res) => {
      res.json(await examples.facts(asked(req)));
    })
    .all(onlyThese('GET', 'HEAD'));
  return router;
}
