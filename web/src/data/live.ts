import { type LiveEvent, liveRoutes } from '@inch/contract/route/live';
import { useEffect } from 'react';
import { urlOf } from './address.ts';
import { refresh, refreshReadBefore } from './api.ts';
import { base } from './base.ts';
import { oneAtATime } from './deviceLock.ts';
import { readChanged } from './keys.ts';
import { learnServerClock } from './serverClock.ts';

/**
 * Reads again what shows something that was written, on this device or another; everything, where it was too much to name or missed. One page of the device holds the stream and
 * tells the others: a browser lets only a few connections to one server stand open.
 */
export function useLive(): void {
  useEffect(() => {
    let known: number | null = null;
    const hear = ({ sequence, now, changed }: LiveEvent) => {
      learnServerClock(now);
      // What was read before the stream stood open may have missed a change: that is read again.
      if (known === null) void refreshReadBefore(Date.now());
      else if (changed && changed.from === known) void readChanged(changed.what);
      else if (known !== sequence) void refresh();
      known = sequence;
    };
    const channel = new BroadcastChannel(`inch-live${base}`);
    channel.onmessage = (message) => hear(message.data as LiveEvent);
    const leave = new AbortController();
    void oneAtATime(`inch-live${base}`, () => holdStream(hear, channel, leave.signal), leave.signal).catch(
      () => undefined,
    );
    return () => {
      leave.abort();
      channel.close();
    };
  }, []);
}

/** Holds the stream open until this page leaves. */
function holdStream(
  hear: (event: LiveEvent) => void,
  channel: BroadcastChannel,
  leave: AbortSignal,
): Promise<void> {
  return new Promise((resolve) => {
    const source = new EventSource(urlOf(liveRoutes.stream.path));
    source.onmessage = (message) => {
      const event = JSON.parse(message.data) as LiveEvent;
      if (leave.aborted) return;
      hear(event);
      channel.postMessage(event);
    };
    leave.addEventListener('abort', () => {
      source.close();
      resolve();
    });
  });
}
