import { registerSW } from 'virtual:pwa-register';
import { useEffect, useState } from 'react';
import { Button } from '../ui/Button.tsx';

/** How often an open page asks whether there is a newer build, ms. */
const ASKS_EVERY = 15 * 60_000;

let load: ((reload: boolean) => Promise<void>) | null = null;
const listeners = new Set<() => void>();
let ready = false;

/** Keeps the pages on this device, and hears of a newer build. */
function watch(): void {
  if (load) return;
  load = registerSW({
    onNeedRefresh: () => {
      ready = true;
      for (const listener of listeners) listener();
    },
    onRegisteredSW: (_, registration) => {
      if (!registration) return;
      const ask = () => void registration.update().catch(() => undefined);
      setInterval(ask, ASKS_EVERY);
      document.addEventListener('visibilitychange', () => !document.hidden && ask());
    },
  });
}

/** A line that says there is a newer build, with the one press that takes it up. What was typed is kept on the device. */
export function NewVersion() {
  const [there, setThere] = useState(ready);
  useEffect(() => {
    const hear = () => setThere(ready);
    listeners.add(hear);
    watch();
    return () => void listeners.delete(hear);
  }, []);
  if (!there) return null;
  return (
    <p role="status" className="no-print flex flex-wrap items-center gap-3 pb-2 text-sm">
      <span className="font-semibold">A new version is ready.</span>
      <Button size="small" onClick={() => void load?.(true)}>
        Load it
      </Button>
    </p>
  );
}
