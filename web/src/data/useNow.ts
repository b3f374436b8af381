import { useEffect, useState } from 'react';
import { serverNow } from './serverClock.ts';

/** One tick for all that count at the same pace, so that a second is drawn once and not a view at a time. */
class Ticker {
  private readonly listeners = new Set<(now: string) => void>();
  private timer: ReturnType<typeof setInterval> | null = null;
  private readonly every: number;

  constructor(every: number) {
    this.every = every;
  }

  listen(listener: (now: string) => void): () => void {
    this.listeners.add(listener);
    this.timer ??= setInterval(() => {
      const now = serverNow();
      for (const listener of this.listeners) listener(now);
    }, this.every);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0 || !this.timer) return;
      clearInterval(this.timer);
      this.timer = null;
    };
  }
}

const tickers = new Map<number, Ticker>();
const tickerOf = (every: number): Ticker => {
  const ticker = tickers.get(every) ?? new Ticker(every);
  tickers.set(every, ticker);
  return ticker;
};

/** The time now by the server's clock as ISO text, renewed every so many milliseconds. */
export function useNow(every = 1000): string {
  const [now, setNow] = useState(serverNow);
  useEffect(() => tickerOf(every).listen(setNow), [every]);
  return now;
}
