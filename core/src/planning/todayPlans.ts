import { dayOf, spokenDay } from '../calendar/index.ts';
import { unitsNow, weight } from '../quantity/index.ts';
import { leftOf, type StockLot, whyUnfit } from '../stock/index.ts';
import type { DueItem } from './due.ts';

/** Kilograms to a tenth, or pounds and ounces where the kitchen weighs in them. */
const leftWords = (grams: number): string =>
  unitsNow().weight === 'us' ? weight(grams) : `${(grams / 1000).toFixed(1)} kg`;

/** A lot of a plan that is not begun yet, with when its first step is laid. */
export interface PlannedStart {
  planId: string;
  plan: string;
  partId: string;
  product: string;
  /** ISO instant. */
  at: string;
}

const HOUR = 3_600_000;
/** What is laid further ahead is not told on Today. */
const AHEAD = 36 * HOUR;

/**
 * Lots that a plan has begin by tomorrow, or that ought to be begun. @param now ISO 8601 UTC
 * @example plannedStarts([{ planId: 'p', plan: 'The fair', partId: 'a', product: 'Damson shrub', at: T(1), colour: '#4A2860' }], T(0)).length // 1
 */
export function plannedStarts(starts: readonly PlannedStart[], now: string): DueItem[] {
  const late = Date.parse(now);
  return starts
    .filter((s) => Date.parse(s.at) - late < AHEAD)
    .map((s) => ({
      id: `start ${s.planId} ${s.partId}`,
      when:
        s.at <= now
          ? ('now' as const)
          : Date.parse(s.at) - late < 12 * HOUR
            ? ('next' as const)
            : ('later' as const),
      at: s.at,
      lot: null,
      title: `Start ${s.product}`,
      detail: `scheduled for ${s.plan}`,
      action: { label: 'Open the plan', place: 'plan' as const, part: s.planId },
    }));
}

/** Days before a date at which what is left of a stock lot is told. */
const SOON = 5;

/**
 * Stock that will not wait: best by within five days, with some of it left. @param now ISO 8601 UTC; @param timeZone of the kitchen
 * @example stockThatWillNotWait([{ ...sack, name: 'Sugar', bestBy: null }], T(0), 'UTC') // []
 */
export function stockThatWillNotWait(
  stock: readonly (StockLot & { name: string })[],
  now: string,
  timeZone: string,
): DueItem[] {
  const today = dayOf(now, timeZone);
  return stock
    .filter((s) => s.bestBy !== null && leftOf(s) > 1e-6 && whyUnfit(s, today) === null)
    .filter((s) => (Date.parse(s.bestBy!) - Date.parse(today)) / (24 * HOUR) <= SOON)
    .map((s) => ({
      id: `stock ${s.id}`,
      when: 'later' as const,
      at: null,
      lot: null,
      title: `${s.name} will not wait`,
      detail: `${s.code}, ${s.kind === 'ingredient' ? leftWords(leftOf(s)) : Math.round(leftOf(s))} left, best by ${spokenDay(s.bestBy!)}`,
      action: { label: 'Divide it', place: 'plan' as const, part: 'picking' },
    }));
}
