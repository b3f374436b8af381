import { useEffect, useState } from 'react';

/** The time now as ISO text, renewed every so many milliseconds. */
export function useNow(every = 1000): string {
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date().toISOString()), every);
    return () => clearInterval(timer);
  }, [every]);
  return now;
}
