import { useEffect, useState } from 'react';
import { base } from '../data/base.ts';
import { Button } from '../ui/Button.tsx';

/** How often an open page asks whether there is a newer build, ms. */
const ASKS_EVERY = 15 * 60_000;
/** How long after the first page the pages are put by on the device: what is on show comes first. */
const SETTLED = 5000;
/** How long the newer build is waited for before the page is loaded anyway, ms. */
const PATIENCE = 3000;

let registration: ServiceWorkerRegistration | null = null;
let ready = false;
const listeners = new Set<() => void>();

function tell(): void {
  ready = true;
  for (const listener of listeners) listener();
}

/** Hears of a build that was fetched beside the one the pages on this device are of; the very first is none. */
function hearOfNext(found: ServiceWorkerRegistration): void {
  if (found.waiting && found.active) tell();
  found.addEventListener('updatefound', () => {
    const next = found.installing;
    if (!next || !found.active) return;
    // Where no open page is of the old build yet, the new one does not wait: its states follow each other before this hears of the first.
    next.addEventListener('statechange', () => {
      if (next.state !== 'installing' && next.state !== 'redundant') tell();
    });
  });
}

/** Keeps the pages on this device, and asks now and then whether they are still the newest. Over plain HTTP a browser keeps none. */
async function keepPages(): Promise<void> {
  if (registration || import.meta.env.DEV || !('serviceWorker' in navigator)) return;
  registration = await navigator.serviceWorker.register(`${base}/sw.js`, { scope: `${base}/` });
  hearOfNext(registration);
  const ask = () => void registration?.update().catch(() => undefined);
  setInterval(ask, ASKS_EVERY);
  document.addEventListener('visibilitychange', () => !document.hidden && ask());
}

/** Lets the newer build take over, and loads the page from it. */
function takeUp(): void {
  const reload = () => window.location.reload();
  navigator.serviceWorker.addEventListener('controllerchange', reload, { once: true });
  const next = registration?.waiting;
  if (!next) {
    reload();
    return;
  }
  setTimeout(reload, PATIENCE);
  next.postMessage({ type: 'SKIP_WAITING' });
}

/** A line that says there is a newer build, with the one press that takes it up. What was typed is kept on the device. */
export function NewVersion() {
  const [there, setThere] = useState(ready);
  useEffect(() => {
    const hear = () => setThere(ready);
    listeners.add(hear);
    // A browser that refuses, as one in a private window may, works without.
    const timer = setTimeout(() => keepPages().catch(() => undefined), SETTLED);
    return () => {
      clearTimeout(timer);
      listeners.delete(hear);
    };
  }, []);
  if (!there) return null;
  return (
    <p role="status" className="no-print flex flex-wrap items-center gap-3 pb-2 text-sm">
      <span className="font-semibold">A new version is ready.</span>
      <Button size="small" onClick={takeUp}>
        Load it
      </Button>
    </p>
  );
}
