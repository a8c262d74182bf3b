import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import './theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { ShelfPage } from './shelf/ShelfPage.tsx';
import { followLamp } from './state/viewStore.ts';
import { ToastShelf } from './widgets/Toasts.tsx';
import { WorkbenchPage } from './workbench/WorkbenchPage.tsx';

followLamp();
const client = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2000 } } });
const host = document.getElementById('root');
if (!host) throw new Error('index.html has no #root');

createRoot(host).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <ToastShelf>
        <BrowserRouter>
          <Routes>
            <Route path="/" element={<ShelfPage />} />
            <Route path="/plan/:id" element={<Navigate to="piece" replace />} />
            <Route path="/plan/:id/:stage" element={<WorkbenchPage />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </BrowserRouter>
      </ToastShelf>
    </QueryClientProvider>
  </StrictMode>,
);
