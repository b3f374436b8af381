import { useEffect, useState } from 'react';

/** Keeps the screen of the device lit while a view is on show; taken up again when the page comes back. False where the device will not. */
export function useWakeLock(): boolean {
  const [lit, setLit] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const take = async () => {
      if (left || document.hidden || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        setLit(true);
        lock.addEventListener('release', () => setLit(false));
      } catch {
        // A device low on power refuses: the view says that its screen may sleep.
        setLit(false);
      }
    };
    void take();
    document.addEventListener('visibilitychange', take);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, []);
  return lit;
}
