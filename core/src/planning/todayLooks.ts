import { addDays, type Day, dayOf, instantOf, spokenDay } from '../calendar/index.ts';
import { type LotStanding, stillAsked } from '../lot/index.ts';
import { plural } from '../quantity/index.ts';
import type { DueItem } from './due.ts';

/** Days before a look is due at which Today begins to name it. */
const AHEAD = 7;

/**
 * Looks at bottles kept back that are due, or will be within a week.
 * @example lookItems([], T(0), 'UTC') // []
 */
export function lookItems(lots: readonly LotStanding[], now: string, timeZone: string): DueItem[] {
  const today: Day = dayOf(now, timeZone);
  return lots.flatMap((lot) =>
    stillAsked(lot.nextLooks, today)
      .filter((next) => next.on <= addDays(today, AHEAD))
      .map((next) => {
        const due = next.on <= today;
        return {
          id: `look ${lot.code}${next.opened ? ' opened' : ''}`,
          when: due ? ('now' as const) : ('later' as const),
          at: instantOf(`${next.on} 09:00`, timeZone),
          lot: { code: lot.code, name: lot.name, colour: lot.colour },
          title: next.opened ? 'Look at the bottle that is open' : 'Look at a bottle kept back',
          detail: `${lot.name} · ${plural(lot.retained, 'bottle')} kept back, ${due ? `due since ${spokenDay(next.on)}` : `due on ${spokenDay(next.on)}`}`,
          action: { label: 'Look', place: 'shelf' as const, part: `${lot.code}/looks` },
        };
      }),
  );
}
