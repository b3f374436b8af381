import type { LiveEvent } from '@inch/contract/live';
import { useEffect } from 'react';
import { refresh } from './api.ts';
import { learnServerClock } from './serverClock.ts';

/** Reads every view again whenever the kitchen's record grew, on this device or another. */
export function useLive(): void {
  useEffect(() => {
    const source = new EventSource('/api/live');
    let known: number | null = null;
    source.onmessage = (message) => {
      const { sequence, now } = JSON.parse(message.data) as LiveEvent;
      learnServerClock(now);
      if (known !== null && known !== sequence) void refresh();
      known = sequence;
    };
    return () => source.close();
  }, []);
}
