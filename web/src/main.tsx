import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { queryClient, refresh } from './app/api.ts';
import { kept } from './app/kept.ts';
import { KeysProvider } from './app/keys.tsx';
import { router } from './app/router.tsx';
import { SessionGate } from './app/session.tsx';
import { readySound } from './app/sound.ts';
import { applyTheme } from './app/theme.ts';
import './theme.css';

applyTheme();
readySound();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <PersistQueryClientProvider
      client={queryClient}
      persistOptions={{ persister: kept, maxAge: 14 * 86_400_000, buster: 'stove 1' }}
      onSuccess={() => void refresh()}
    >
      <KeysProvider>
        <SessionGate>
          <RouterProvider router={router} />
        </SessionGate>
      </KeysProvider>
      <Toaster position="bottom-right" toastOptions={{ className: '!font-sans !text-base' }} />
    </PersistQueryClientProvider>
  </StrictMode>,
);
