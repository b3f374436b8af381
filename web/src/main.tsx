import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { queryClient } from './app/api.ts';
import { KeysProvider } from './app/keys.tsx';
import { router } from './app/router.tsx';
import { SessionGate } from './app/session.tsx';
import { applyTheme } from './app/theme.ts';
import './theme.css';

applyTheme();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <KeysProvider>
        <SessionGate>
          <RouterProvider router={router} />
        </SessionGate>
      </KeysProvider>
      <Toaster position="bottom-right" toastOptions={{ className: '!font-sans !text-base' }} />
    </QueryClientProvider>
  </StrictMode>,
);
