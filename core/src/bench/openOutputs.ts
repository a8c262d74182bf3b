import type { Assessment } from '../assess.ts';
import type { Rail, RunDraft } from '../network/index.ts';

/** The converter at whose plus a run begins; null for any other run. */
function converterBefore({ rails }: Assessment, { cores, bare }: RunDraft): Rail | null {
  const made = cores.flatMap(({ from }) => {
    const rail = rails.byId.get(from.item);
    return rail?.gives.form === 'converter' && rail.gives.part && from.port === rail.ports.plus ? [rail] : [];
  });
  return bare ? null : (made[0] ?? null);
}

/** What waits at the plus of a converter until it has been measured with nothing on it, by name. */
export const openAt = (assessment: Assessment, railId: string): readonly string[] =>
  assessment.joins.filter((run) => converterBefore(assessment, run)?.id === railId).map(({ name }) => name);

/** Said where such a run is soldered; nothing of any other. */
export function sayOpen(assessment: Assessment, runId: string): string {
  const run = assessment.joins.find(({ id }) => id === runId);
  const made = run && converterBefore(assessment, run);
  return made ? ` Leave its plus open at ${made.name} until the output there has been measured.` : '';
}
