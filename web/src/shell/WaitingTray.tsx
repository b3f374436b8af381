import { Suspense, useState } from 'react';
import { useWaiting } from '../data/outbox/outbox.ts';
import { lazyPart } from '../ui/lazyPart.ts';
import { State } from '../ui/State.tsx';

const WaitingSheet = lazyPart(async () => (await import('./WaitingSheet.tsx')).WaitingSheet);

/** How much waits on this device; pressed, what it is and what the server would not take. */
export function WaitingTray() {
  const waiting = useWaiting();
  const [open, setOpen] = useState(false);
  if (waiting.length === 0) return null;
  const refused = waiting.filter((w) => w.problem !== null).length;
  const left = waiting.length - refused;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="min-h-10 border-l border-steel-line px-3 text-sm"
      >
        <State tone={refused > 0 ? 'stop' : 'hold'}>
          {[refused > 0 && `${refused} refused`, left > 0 && `${left} waiting`].filter(Boolean).join(', ')}
        </State>
      </button>
      {open && (
        <Suspense fallback={null}>
          <WaitingSheet onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
