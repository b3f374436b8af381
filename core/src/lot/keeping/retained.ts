import { addDays, type Day, dayOf } from '../../calendar/index.ts';
import { type KeepingTime, lookDays, openedLookDays } from '../../keeping/index.ts';
import { type LotRecord, movesOf, standing } from '../record.ts';
import { type BottleGroup, lotBottles } from './bottles.ts';
import { bottleLives } from './life.ts';
import { placesOf } from './stand.ts';

/**
 * Bottles of a lot that are kept back, wherever they stand now.
 * @example retainedGroups(lot) // []
 */
export function retainedGroups(lot: LotRecord): BottleGroup[] {
  if (!movesOf(lot).some((m) => m.kind === 'retained')) return [];
  const { groups } = lotBottles(lot);
  const of = placesOf(lot);
  return bottleLives(lot, lot.begunAt).flatMap((life) => {
    if (life.keptBack <= 0) return [];
    const group = groups.find((g) => g.bottlingId === life.bottlingId && of(g.place) === of(life.place));
    return group ? [{ ...group, count: life.keptBack }] : [];
  });
}

/** A look that is due of a lot: on a day, at a closed bottle or at one that is open. */
export interface NextLook {
  on: Day;
  opened: boolean;
  /** Day after which it is no longer asked: an opened bottle's last; null of one that is closed. */
  until: Day | null;
}

/** Days by which a look may come early and still be that day's. */
const EARLY = 3;

/** The next look at a bottle that was opened, until its last day. */
function nextOpened(lot: LotRecord, openedDays: number | null): NextLook | null {
  const looks = standing(lot.looks);
  const opening = looks.filter((l) => l.opened === 'opened').at(-1);
  if (!opening) return null;
  const last = looks.filter((l) => l.opened === 'open-already').at(-1) ?? opening;
  const seen = dayOf(last.at, lot.timeZone);
  const from = dayOf(opening.at, lot.timeZone);
  const on = openedLookDays(from, openedDays).find((day) => day > seen);
  return on ? { on, opened: true, until: addDays(from, openedDays ?? 0) } : null;
}

/** The next look at a bottle that stays closed, or is opened for it. */
function nextClosed(lot: LotRecord, keeping: Pick<KeepingTime, 'time'>): NextLook | null {
  const filled = standing(lot.bottlings)[0];
  if (!filled || retainedGroups(lot).length === 0) return null;
  const last = standing(lot.looks)
    .filter((l) => l.opened !== 'open-already')
    .at(-1);
  const seen = last ? addDays(dayOf(last.at, lot.timeZone), EARLY) : '';
  const on = lookDays(dayOf(filled.at, lot.timeZone), keeping).find((day) => day > seen);
  return on ? { on, opened: false, until: null } : null;
}

/**
 * The next looks at what is kept back of a lot, whatever the clock says: at closed ones, and at one that is open.
 * @param keeping its time and days after opening
 * @example nextLooks(lot, { time: { count: 12, unit: 'month' }, openedDays: 28 }) // []
 */
export const nextLooks = (lot: LotRecord, keeping: Pick<KeepingTime, 'time' | 'openedDays'>): NextLook[] =>
  [nextOpened(lot, keeping.openedDays), nextClosed(lot, keeping)].filter((look) => look !== null);

/**
 * Looks that are still asked on a day: what asks of an opened bottle is over with its last day.
 * @example stillAsked([{ on: '2026-11-02', opened: true, until: '2026-11-15' }], '2026-12-01') // []
 */
export const stillAsked = (looks: readonly NextLook[], today: Day): NextLook[] =>
  looks.filter((look) => look.until === null || look.until >= today);
