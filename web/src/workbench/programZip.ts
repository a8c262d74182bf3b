import type { Assessment } from '@glimmer/core/assess';
import { exportProgram } from '@glimmer/core/exports';
import type { Plan } from '@glimmer/core/plan';
import { strToU8, zipSync } from 'fflate';

/** The engine and the board files, as they stand in the folder firmware/. */
const sources = import.meta.glob<string>('../../../firmware/{engine,boards}/**/*.{c,h,ld,mk}', {
  query: '?raw',
  import: 'default',
  eager: true,
});

/** The program of a plan as one ZIP file, in a folder of its own. */
export function zipProgram(plan: Plan, assessment: Assessment, folder: string): Uint8Array<ArrayBuffer> {
  const engine = Object.fromEntries(
    Object.entries(sources).map(([path, text]) => [path.slice(path.lastIndexOf('/') + 1), text]),
  );
  const files = Object.entries(exportProgram(plan, assessment, engine)).map(
    ([name, text]) => [`${folder}/${name}`, strToU8(text)] as const,
  );
  return zipSync(Object.fromEntries(files));
}
