import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { saveFile } from '../shelf/files.ts';
import { undo, usePlanStore } from '../state/planStore.ts';
import { Button } from './Button.tsx';

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** A script that could not be fetched, by the words of the browsers. */
const isFetchFailure = (error: unknown): boolean =>
  /dynamically imported module|module script failed|Importing a module/i.test(messageOf(error));

/** What is worth knowing of a fault: nothing of the plan but its id is in it. */
function reportOf(error: unknown, where: string): string {
  const lines = [
    'Unruly Glimmer: a part of the page broke',
    `Where: ${where}, ${window.location.pathname}`,
    `When: ${new Date().toISOString()}`,
    `Browser: ${navigator.userAgent}`,
    `What: ${messageOf(error)}`,
    error instanceof Error ? (error.stack ?? '') : '',
  ];
  return `${lines.join('\n')}\n`;
}

function Trouble({ error, resetErrorBoundary, where }: FallbackProps & { readonly where: string }) {
  const plan = usePlanStore((state) => state.plan);
  const isMissing = isFetchFailure(error);
  return (
    <div role="alert" className="m-4 max-w-xl border-l-4 border-brick-ink bg-brick-wash px-4 py-3">
      <h2 className="text-large">{isMissing ? 'A part of the program could not be fetched' : `${where} broke`}</h2>
      <p className="mt-1">
        {isMissing
          ? 'The server does not answer, or there is a newer version of the program.'
          : `The program stumbled: ${messageOf(error)}.`}{' '}
        Your plan is untouched: everything that you changed is kept.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        {isMissing ? (
          <Button look="main" onClick={() => window.location.reload()}>
            Load the page again
          </Button>
        ) : (
          <Button look="main" onClick={resetErrorBoundary}>
            Try again
          </Button>
        )}
        {!isMissing && plan && (
          <Button
            onClick={() => {
              undo();
              resetErrorBoundary();
            }}
          >
            Undo the last change
          </Button>
        )}
        {plan && (
          <Button
            onClick={() => saveFile('plan.glimmer.json', `${JSON.stringify(plan, null, 2)}\n`, 'application/json')}
          >
            Take the plan out
          </Button>
        )}
        <Button
          look="quiet"
          onClick={() => saveFile('unruly-glimmer-report.txt', reportOf(error, where), 'text/plain')}
        >
          Take out a report
        </Button>
      </div>
    </div>
  );
}

/** Keeps a fault of one part of the page within it: says what happened, keeps the edits, and offers to go on. */
export function Boundary({
  where,
  resetKeys = [],
  children,
}: {
  /** The part, at the beginning of a sentence. */
  readonly where: string;
  /** With another of these it is tried again by itself. */
  readonly resetKeys?: readonly unknown[];
  readonly children: ReactNode;
}) {
  return (
    <ErrorBoundary resetKeys={[...resetKeys]} fallbackRender={(props) => <Trouble {...props} where={where} />}>
      {children}
    </ErrorBoundary>
  );
}
