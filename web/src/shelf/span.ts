import type { LotHead } from '@inch/contract/making/lot';
import { daysBetween } from '@inch/core/calendar';
import { inWords } from '@inch/core/quantity';
import { dayMonth, kitchenDay } from '../ui/dates.ts';

const DAY = 86_400_000;

/** The stretch of time that the shelf is drawn on: whole months, from the oldest lot to the furthest date. */
export interface Span {
  from: number;
  to: number;
}

export function spanOf(lots: LotHead[], now: string): Span {
  const starts = lots.map((lot) => Date.parse(lot.madeOn));
  const ends = lots.map((lot) => Date.parse(lot.bestBy ?? lot.madeOn));
  const first = new Date(Math.max(Math.min(...starts, Date.parse(now)), Date.parse(now) - 400 * DAY));
  const last = new Date(Math.max(...ends, Date.parse(now) + 60 * DAY));
  return {
    from: Date.UTC(first.getUTCFullYear(), first.getUTCMonth(), 1),
    to: Date.UTC(last.getUTCFullYear(), last.getUTCMonth() + 1, 1),
  };
}

export const placeOn = (span: Span, instant: string): number =>
  Math.min(100, Math.max(0, ((Date.parse(instant) - span.from) / (span.to - span.from)) * 100));

/** What a hand should know of a lot on the shelf, if anything. */
export function warningOf(
  lot: LotHead,
  now: string,
): { tone: 'hold' | 'stop' | 'plain'; words: string } | null {
  if (lot.state === 'held') return { tone: 'hold', words: 'held' };
  if (lot.state === 'recalled') return { tone: 'stop', words: 'recalled: destroy unopened' };
  const warm = lot.stands.filter((s) => s.tooWarmAt !== null && s.tooWarmAt <= now);
  if (warm.length > 0)
    return { tone: 'stop', words: `too warm in ${warm.map((s) => s.place).join(', ')}: throw away` };
  if (lot.state !== 'released') return { tone: 'plain', words: `${lot.state}, not released` };
  if (!lot.bestBy) return null;
  const days = daysBetween(kitchenDay(now), lot.bestBy);
  const count = lot.bottles.left - lot.retained;
  if (days < 0 && count <= 0) return { tone: 'plain', words: 'past its date, kept back' };
  if (days < 0) return { tone: 'stop', words: `past its date: ${count} to take off` };
  if (days <= 14) return { tone: 'hold', words: `${inWords(lot.dateWord)} ${dayMonth(lot.bestBy)}` };
  if (lot.readyOn > kitchenDay(now)) return { tone: 'plain', words: `ready ${dayMonth(lot.readyOn)}` };
  return null;
}

/** Whether a lot goes by what was typed: its code, its name, or a place it stands in. */
export const matches = (lot: LotHead, text: string) =>
  [lot.code, lot.name, ...lot.bottles.groups.map((g) => g.place)].some((word) =>
    word.toLowerCase().includes(text.trim().toLowerCase()),
  );
