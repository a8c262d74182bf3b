import { Entries } from '../logbook/Entries.tsx';
import { RunTestForm } from '../logbook/RunTestForm.tsx';
import { RunTests } from '../logbook/RunTests.tsx';
import { Versions } from '../logbook/Versions.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { useSheet } from './useSheet.ts';

/** Stage 8. */
export default function LogbookSheet() {
  const { plan } = useSheet();
  const { entries, runTests, versions } = plan.logbook;
  return (
    <>
      {entries.length + runTests.length + versions.length === 0 && (
        <BeginHere>
          Begin by keeping a version before you change things, and log the first run test: one evening’s hours beside
          the prediction teach the most.
        </BeginHere>
      )}
      <Section title="Run tests">
        <RunTests />
        <RunTestForm />
      </Section>
      <Section title="Versions">
        <Versions />
      </Section>
      <Section title="Entries">
        <Entries />
      </Section>
    </>
  );
}
