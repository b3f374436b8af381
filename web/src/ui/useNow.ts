import { useEffect, useState } from 'react';
import { serverNow } from '../app/serverClock.ts';

/** The time now by the server's clock as ISO text, renewed every so many milliseconds. */
export function useNow(every = 1000): string {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), every);
    return () => clearInterval(timer);
  }, [every]);
  return now;
}
