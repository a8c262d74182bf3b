import { followLamp } from './state/lamp.ts';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import './theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { startKeeping } from './keeping/index.ts';
import { ShelfPage } from './shelf/ShelfPage.tsx';
import { Boundary } from './widgets/Boundary.tsx';
import { NewVersion } from './widgets/NewVersion.tsx';
import { ToastShelf } from './widgets/Toasts.tsx';
import { startBelongings } from './workshop/index.ts';

// The workbench and the sums bring the whole core with them: the shelf comes without, and they are fetched behind it.
const workbench = () => import('./workbench/WorkbenchPage.tsx');
const WorkbenchPage = lazy(() => workbench().then(({ WorkbenchPage: page }) => ({ default: page })));
const SumsPage = lazy(() => import('./sums/SumsPage.tsx').then(({ SumsPage: page }) => ({ default: page })));
// Tips are told of things that are there: without them all works as well.
const Tips = lazy(() => import('./widgets/Tips.tsx').catch(() => ({ default: () => null })));
const HelpPage = lazy(() => import('./help/HelpPage.tsx').then(({ HelpPage: page }) => ({ default: page })));

followLamp();
// The server is on this machine: it answers without a network too, so nothing waits for one.
const client = new QueryClient({
  defaultOptions: {
    queries: { retry: 1, staleTime: 2000, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});
// Whatever is saved or reckoned, in any tab or browser, is seen on the shelf.
startKeeping(() => void client.invalidateQueries({ queryKey: ['shelf'] }));
startBelongings();
const host = document.getElementById('root');
if (!host) throw new Error('index.html has no #root');

// A plan is mostly what is opened next.
window.addEventListener('load', () => window.setTimeout(() => void workbench().catch(() => undefined), 1500));

// What a boundary has caught is told there; here it is only a note for whoever looks.
const onCaughtError = (error: unknown): void => console.warn(error);

createRoot(host, { onCaughtError }).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <NewVersion />
      <BrowserRouter>
        <Boundary where="The page">
          <Routes>
            <Route path="/" element={<ShelfPage />} />
            <Route
              path="/sums"
              element={
                <Suspense fallback={<p className="p-10 text-faint">Laying out the desk …</p>}>
                  <SumsPage />
                </Suspense>
              }
            />
            <Route path="/help" element={<Navigate to="/help/piece" replace />} />
            <Route
              path="/help/:page"
              element={
                <Suspense fallback={<p className="p-10 text-faint">Opening the help …</p>}>
                  <HelpPage />
                </Suspense>
              }
            />
            <Route path="/plan/:id" element={<Navigate to="piece" replace />} />
            <Route
              path="/plan/:id/:stage"
              element={
                <Suspense fallback={<p className="p-10 text-faint">Opening the plan …</p>}>
                  <WorkbenchPage />
                </Suspense>
              }
            />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Boundary>
      </BrowserRouter>
      <ToastShelf />
      <Suspense>
        <Tips />
      </Suspense>
    </QueryClientProvider>
  </StrictMode>,
);
