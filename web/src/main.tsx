import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { queryClient, refresh } from './data/api.ts';
import { kept } from './data/kept.ts';
import { askSession } from './data/session.tsx';
import { router } from './shell/router.tsx';
import { SessionGate } from './shell/SessionGate.tsx';
import { applyTheme } from './shell/theme.ts';
import { KeysProvider } from './ui/keys.tsx';
import { lazyPart } from './ui/lazyPart.ts';
import { readySound } from './ui/sound.ts';
import './theme.css';

applyTheme();
readySound();
// Asked while what was kept on the device is read, not after it.
askSession();

const Toaster = lazyPart(async () => (await import('sonner')).Toaster);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <PersistQueryClientProvider
      client={queryClient}
      persistOptions={{
        persister: kept,
        maxAge: 14 * 86_400_000,
        buster: __CONTRACT__,
        // What was read once is kept, also where the last try to read it again failed.
        dehydrateOptions: { shouldDehydrateQuery: ({ state }) => state.data !== undefined },
      }}
      onSuccess={() => void refresh()}
    >
      <KeysProvider>
        <SessionGate>
          <RouterProvider router={router} />
        </SessionGate>
      </KeysProvider>
      <Suspense fallback={null}>
        <Toaster
          position="bottom-right"
          mobileOffset={{ bottom: '7.5rem', left: '0.75rem', right: '0.75rem' }}
          toastOptions={{
            className: '!font-sans !text-base',
            // What takes a slip back is pressed with wet fingers.
            classNames: {
              actionButton: '!h-14 !rounded-[10px] !bg-rim !px-5 !text-base !font-semibold !text-on-rim',
            },
          }}
        />
      </Suspense>
    </PersistQueryClientProvider>
  </StrictMode>,
);
