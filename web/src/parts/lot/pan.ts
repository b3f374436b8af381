import type { LotView } from '@inch/contract/lot';
import { type PanNow, panNow } from '@inch/core/lot';

/** The pan of a lot at one of its steps, reckoned from all that stands in its record. */
export function panOf(lot: LotView, step: LotView['steps'][number], now: string): PanNow | null {
  try {
    return panNow(
      lot,
      step,
      { cup: lot.cupSchool, vessel: lot.vessel && { shape: lot.vessel.shape, learned: lot.vessel.learned } },
      now,
    );
  } catch (error) {
    // A record whose figures do not go together has no forecast; it still has its steps and clocks.
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** 14 to 19 min; about 3 h; any moment. */
export function leftSaid(left: NonNullable<PanNow['left']>): { from: string; to: string; unit: string } {
  const minutes = (s: number) => Math.max(0, Math.round(s / 60));
  if (left.high === 0) return { from: '', to: '0', unit: 'min left' };
  if (!Number.isFinite(left.high) || left.high > 6 * 3600)
    return left.low > 5400
      ? { from: '', to: (left.low / 3600).toFixed(1), unit: 'h or more' }
      : { from: '', to: String(minutes(left.low)), unit: 'min or more' };
  if (left.high > 5400)
    return { from: (left.low / 3600).toFixed(1), to: (left.high / 3600).toFixed(1), unit: 'h left' };
  const [low, high] = [minutes(left.low), Math.max(1, minutes(left.high))];
  return low === high
    ? { from: '', to: String(high), unit: 'min left' }
    : { from: String(low), to: String(high), unit: 'min left' };
}
