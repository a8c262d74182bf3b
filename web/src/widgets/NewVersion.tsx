/// <reference types="vite-plugin-pwa/react" />
import { useRegisterSW } from 'virtual:pwa-register/react';
import { Button } from './Button.tsx';

const LOOK_EVERY_MS = 60 * 60 * 1000;

/** Keeps the program in the browser, so that it opens without its server; a newer one asks before it takes over. */
export function NewVersion() {
  const {
    needRefresh: [isWaiting, setWaiting],
    updateServiceWorker,
  } = useRegisterSW({
    // A piece may stay open for days.
    onRegisteredSW: (_address, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), LOOK_EVERY_MS);
    },
    // A browser that takes nothing works as it did before, with the server alone.
    onRegisterError: () => undefined,
  });
  if (!isWaiting) return null;
  return (
    <div
      role="status"
      className="no-print fixed bottom-24 left-4 z-50 flex max-w-[90vw] flex-wrap items-center gap-3 border-l-4 border-verdigris bg-sheet px-3 py-2 ring-1 ring-rule"
    >
      <p>A newer version of the program is here. Your plans stay as they are.</p>
      <Button look="main" onClick={() => void updateServiceWorker(true)}>
        Take it now
      </Button>
      <Button look="quiet" onClick={() => setWaiting(false)}>
        Later
      </Button>
    </div>
  );
}
