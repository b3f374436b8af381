import type { TodayView } from '@inch/contract/kitchen/today';
import { useEffect, useState } from 'react';
import { useNow } from '../data/useNow.ts';
import { duration } from '../ui/format.ts';
import { ring } from '../ui/sound.ts';
import { shownMark, shownSeconds } from './clock.ts';

/** A clock whose time is up, or something that is to be done again. */
export interface Ringing {
  key: string;
  code: string;
  colour: string;
  step: string;
  to: string;
  words: string;
}

const KEY = 'inch-heard';
const AGAIN_MS = 20_000;
const heardKeys = (): string[] => JSON.parse(localStorage.getItem(KEY) ?? '[]');

/** What rings at an instant, of the clocks the server last told of. */
export function ringingAt(today: Pick<TodayView, 'clocks' | 'now'>, now: string): Ringing[] {
  return today.clocks.flatMap((clock) => {
    const rings: Ringing[] = [];
    const to = clock.place === 'bottling' ? `/bottling/${clock.code}/process` : `/stove/${clock.code}/cook`;
    const at = { code: clock.code, colour: clock.colour, step: clock.step, to };
    const seconds = shownSeconds(clock, today.now, now);
    const mark = shownMark(clock, today.now, now);
    if (mark ? mark.low <= 0 : clock.leftSeconds !== null && seconds <= 0)
      rings.push({
        key: `${clock.stepId} time`,
        ...at,
        words: mark ? 'it may be at its mark: measure it' : 'its time is up',
      });
    if (clock.prompt && clock.prompt.dueAt <= now)
      rings.push({ key: `${clock.stepId} ${clock.prompt.dueAt}`, ...at, words: clock.prompt.words });
    return rings;
  });
}

function notify(rings: Ringing): void {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted' || !document.hidden)
    return;
  const note = new Notification(`${rings.code} ${rings.step}`, { body: rings.words, tag: rings.key });
  note.onclick = () => window.focus();
}

/** Rings for every clock whose time is up until it is heard on this device: a sound, a notification, the title of the page. */
export function useRinging(today: TodayView | undefined): {
  ringing: Ringing[];
  heard: (key: string) => void;
} {
  const now = useNow();
  const [heard, setHeard] = useState(heardKeys);
  const ringing = (today ? ringingAt(today, now) : []).filter((r) => !heard.includes(r.key));
  const keys = ringing.map((r) => r.key).join('|');
  // biome-ignore lint/correctness/useExhaustiveDependencies: it rings when what rings changes, not every second
  useEffect(() => {
    if (!keys) return;
    ring();
    for (const r of ringing) notify(r);
    const timer = setInterval(() => ring(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [keys]);
  useTitle(today, now, ringing);
  return {
    ringing,
    heard: (key) => {
      const next = [...heardKeys(), key].slice(-100);
      localStorage.setItem(KEY, JSON.stringify(next));
      setHeard(next);
    },
  };
}

/** The clock nearest its end in the page's title, so that it is seen on another tab. */
function useTitle(today: TodayView | undefined, now: string, ringing: readonly Ringing[]): void {
  const first = ringing[0];
  const nearest = (today?.clocks ?? [])
    .filter((c) => c.leftSeconds !== null)
    .map((c) => ({ ...c, seconds: shownSeconds(c, today!.now, now) }))
    .sort((a, b) => a.seconds - b.seconds)
    .find((c) => c.seconds > 0);
  const title = first
    ? `(!) ${first.code} ${first.words}`
    : nearest
      ? `${duration(nearest.seconds)} ${nearest.code}`
      : null;
  useEffect(() => {
    document.title = title ? `${title} · Inch Pantry` : 'Inch Pantry';
  }, [title]);
}
