import { z } from 'zod';
import type { Plan } from '../plan/index.ts';
import { describeIssues, type PlanProblem, readPlanText } from '../plan/reading.ts';
import { type BelongingName, type Belongings, belongingNames } from './belongings.ts';
import { readBelonging } from './readBelonging.ts';

/** Everything of a workshop: its plans with their versions and pictures, and what else it has. */
export interface Workshop {
  /** All, put away or not. */
  readonly plans: readonly { readonly plan: Plan; readonly putAway: boolean }[];
  /** Desk, drawer and own parts. */
  readonly belongings: Belongings;
}

const FORMAT = 'unruly-glimmer-workshop';
const VERSION = 1;
const MANIFEST = 'workshop.json';

/** The first file of an archive: what is in it, and how each file can be checked. */
const manifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  madeAt: z.string().max(40),
  plans: z
    .array(z.strictObject({ file: z.string().max(300), sha256: z.string().length(64), putAway: z.boolean() }))
    .max(100_000),
  belongings: z
    .array(z.strictObject({ file: z.string().max(300), sha256: z.string().length(64), name: z.string().max(40) }))
    .max(20),
});
type Manifest = z.infer<typeof manifestSchema>;

/** Names of files that every system takes, each its own. */
function uniqueFile(folder: string, name: string, taken: Set<string>): string {
  const plain = name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);
  for (let number = 1; ; number += 1) {
    const file = `${folder}/${plain || 'plan'}${number === 1 ? '' : `-${number}`}.glimmer.json`;
    if (taken.has(file)) continue;
    taken.add(file);
    return file;
  }
}

const print = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/**
 * A workshop as the files of an archive, in the open format of plans.
 * @param hashOf SHA-256 of a text, in hexadecimal
 */
export function packWorkshop(
  workshop: Workshop,
  { madeAt, hashOf }: { readonly madeAt: string; readonly hashOf: (text: string) => string },
): ReadonlyMap<string, string> {
  const files = new Map<string, string>();
  const taken = new Set<string>();
  const add = (file: string, value: unknown): { readonly file: string; readonly sha256: string } => {
    const text = print(value);
    files.set(file, text);
    return { file, sha256: hashOf(text) };
  };
  const plans = workshop.plans.map(({ plan, putAway }) => ({
    ...add(uniqueFile('plans', plan.name, taken), plan),
    putAway,
  }));
  const belongings = belongingNames.map((name) => ({
    ...add(`workshop/${name}.json`, workshop.belongings[name]),
    name,
  }));
  const manifest: Manifest = { format: FORMAT, version: VERSION, madeAt, plans, belongings };
  return new Map([[MANIFEST, print(manifest)], ...files]);
}

type WorkshopRead =
  | { readonly ok: true; readonly workshop: Workshop }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

const refuse = (...problems: readonly PlanProblem[]): WorkshopRead => ({ ok: false, problems: problems.slice(0, 50) });

function readManifest(text: string | undefined): Manifest | readonly PlanProblem[] {
  if (text === undefined)
    return [
      {
        place: 'the archive',
        message: `has no ${MANIFEST}: it is not an archive of a workshop; a single plan is brought in by itself`,
      },
    ];
  const document = parse(text);
  if (document === undefined) return [{ place: MANIFEST, message: 'is not JSON; the archive is damaged' }];
  const version = (document as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > VERSION)
    return [
      {
        place: MANIFEST,
        message: `is of version ${version}; this program reads up to ${VERSION}. Bring the program up to date`,
      },
    ];
  const result = manifestSchema.safeParse(document);
  return result.success
    ? result.data
    : describeIssues(result.error, document).map(({ place, message }) => ({
        place: `${MANIFEST}, ${place}`,
        message,
      }));
}

/** What a text says as JSON; what is none is nothing that could be read. */
function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The text of a file, if it is there and is what it was when it was packed. */
function checkFile(
  files: ReadonlyMap<string, string>,
  { file, sha256 }: { readonly file: string; readonly sha256: string },
  hashOf: (text: string) => string,
): { readonly text: string } | { readonly problem: PlanProblem } {
  const text = files.get(file);
  if (text === undefined)
    return { problem: { place: file, message: 'is missing from the archive; take it out anew where it came from' } };
  if (hashOf(text) !== sha256)
    return {
      problem: { place: file, message: 'is not as it was packed; bring in a plan that was changed by hand by itself' },
    };
  return { text };
}

/**
 * Reads the files of an archive: all of it, or every reason why not. Files that its list does not name are left out.
 * @param hashOf SHA-256 of a text, in hexadecimal
 */
export function unpackWorkshop(files: ReadonlyMap<string, string>, hashOf: (text: string) => string): WorkshopRead {
  const manifest = readManifest(files.get(MANIFEST));
  if (!('plans' in manifest)) return refuse(...manifest);
  const problems: PlanProblem[] = [];
  const plans = manifest.plans.flatMap((entry) => {
    const checked = checkFile(files, entry, hashOf);
    if ('problem' in checked) {
      problems.push(checked.problem);
      return [];
    }
    const read = readPlanText(checked.text);
    if (read.ok) return [{ plan: read.plan, putAway: entry.putAway }];
    problems.push(...read.problems.map(({ place, message }) => ({ place: `${entry.file}, ${place}`, message })));
    return [];
  });
  const found: { -readonly [N in BelongingName]: Belongings[N] } = { desk: [], drawer: [], 'own-parts': [], units: [] };
  const take = <N extends BelongingName>(name: N, entry: Manifest['belongings'][number]): void => {
    const checked = checkFile(files, entry, hashOf);
    if ('problem' in checked) {
      problems.push(checked.problem);
      return;
    }
    const read = readBelonging(name, parse(checked.text));
    if (read.ok) found[name] = read.value;
    else problems.push(...read.problems.map(({ place, message }) => ({ place: `${entry.file}, ${place}`, message })));
  };
  for (const entry of manifest.belongings) {
    const name = belongingNames.find((each) => each === entry.name);
    if (name) take(name, entry);
    else problems.push({ place: `${MANIFEST}, ${entry.name}`, message: 'is nothing that a workshop has' });
  }
  const twins = plans.filter(({ plan }, i) => plans.findIndex((other) => other.plan.id === plan.id) !== i);
  for (const { plan } of twins)
    problems.push({ place: plan.name, message: 'is in the archive twice, under one id; it is damaged' });
  return problems.length > 0 ? refuse(...problems) : { ok: true, workshop: { plans, belongings: found } };
}
