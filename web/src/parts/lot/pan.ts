import type { LotView } from '@inch/contract/making/lot';
import { type PanNow, panInHand, panNow } from '@inch/core/lot';

const settingOf = (lot: LotView) => ({
  cup: lot.cupSchool,
  vessel: lot.vessel && { shape: lot.vessel.shape, learned: lot.vessel.learned },
});

/** What a record comes to; null where its figures do not go together: it still has its steps and clocks. */
function orNone(work: () => PanNow | null): PanNow | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The pan of a lot at one of its steps. */
export const panOf = (lot: LotView, step: LotView['steps'][number], now: string): PanNow | null =>
  orNone(() => panNow(lot, step, settingOf(lot), now));

/** The pan of a lot at the step in hand: what there is to fill. */
export const panNowOf = (lot: LotView, now: string): PanNow | null =>
  orNone(() => panInHand(lot, settingOf(lot), now));

/** 14 to 19 min; about 3 h; where its time is over by reckoning, that it is to be read. */
export function leftSaid(left: { low: number; high: number | null }): {
  from: string;
  to: string;
  unit: string;
} {
  const minutes = (s: number) => Math.max(0, Math.round(s / 60));
  const [least, most] = [Math.max(0, left.low), left.high === null ? null : Math.max(0, left.high)];
  if (most === 0) return { from: '', to: 'Now', unit: 'it should be there: read it' };
  if (most === null || most > 6 * 3600)
    return least > 5400
      ? { from: '', to: (least / 3600).toFixed(1), unit: 'h or more' }
      : { from: '', to: String(minutes(least)), unit: 'min or more' };
  if (most > 5400) return { from: (least / 3600).toFixed(1), to: (most / 3600).toFixed(1), unit: 'h left' };
  const [low, high] = [minutes(least), Math.max(1, minutes(most))];
  return low === high
    ? { from: '', to: String(high), unit: 'min left' }
    : { from: String(low), to: String(high), unit: 'min left' };
}
