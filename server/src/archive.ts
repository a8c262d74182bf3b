import { createHash } from 'node:crypto';
import type { PlanProblem } from '@glimmer/core/plan/reading';
import type { Belongings } from '@glimmer/core/workshop';
import { packWorkshop, unpackWorkshop, type Workshop } from '@glimmer/core/workshop/reading';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { type PlanToKeep, setPicturesApart } from './pictures.ts';

/** What an archive may unpack to: more is none that was taken out of here. */
export const mostOfArchive = { bytes: 256 * 1024 * 1024, unpackedBytes: 1024 * 1024 * 1024, files: 100_000 } as const;

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** Everything of a workshop as one ZIP. */
export const writeArchive = ({
  workshop,
  madeAt,
}: {
  readonly workshop: Workshop;
  /** A date and time, ISO 8601. */
  readonly madeAt: string;
}): Uint8Array =>
  zipSync(
    Object.fromEntries([...packWorkshop(workshop, { madeAt, hashOf })].map(([file, text]) => [file, strToU8(text)])),
    { level: 6 },
  );

/** A workshop out of an archive, its plans ready to be kept. */
export interface WorkshopToKeep {
  readonly plans: readonly { readonly plan: PlanToKeep; readonly putAway: boolean }[];
  /** Desk, drawer, own parts, units. */
  readonly belongings: Belongings;
}

/** An archive that was read whole, or what is wrong with it. */
export type ArchiveRead =
  | { readonly ok: true; readonly workshop: WorkshopToKeep }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

/** Reads an archive: all of it, or every reason why not. */
export function readArchive(zip: Uint8Array): ArchiveRead {
  const files = new Map<string, string>();
  let [bytes, count] = [0, 0];
  try {
    const unpacked = unzipSync(zip, {
      filter: ({ originalSize }) => {
        bytes += originalSize;
        count += 1;
        return bytes <= mostOfArchive.unpackedBytes && count <= mostOfArchive.files;
      },
    });
    for (const [file, content] of Object.entries(unpacked)) files.set(file, strFromU8(content));
  } catch {
    return {
      ok: false,
      problems: [
        { place: 'the archive', message: 'is not a ZIP, or was cut short; take it out anew where it came from' },
      ],
    };
  }
  if (bytes > mostOfArchive.unpackedBytes || count > mostOfArchive.files)
    return {
      ok: false,
      problems: [
        {
          place: 'the archive',
          message: `unpacks to more than the ${mostOfArchive.unpackedBytes / 1024 / 1024} MB or ${mostOfArchive.files} files that a workshop has at most`,
        },
      ],
    };
  const read = unpackWorkshop(files, hashOf);
  if (!read.ok) return read;
  const plans = read.workshop.plans.map(({ plan, putAway }) => ({ plan: setPicturesApart(plan), putAway }));
  return { ok: true, workshop: { plans, belongings: read.workshop.belongings } };
}
