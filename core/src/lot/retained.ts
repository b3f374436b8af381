import { addDays, type Day, dayOf } from '../calendar/index.ts';
import { type KeepingTime, lookDays, openedLookDays } from '../keeping/index.ts';
import { type BottleGroup, lotBottles } from './bottles.ts';
import { type LotRecord, standing } from './record.ts';

/**
 * Bottles of a lot that are kept back: they stand where bottles were retained to.
 * @example retainedGroups(lot) // []
 */
export function retainedGroups(lot: Pick<LotRecord, 'bottlings' | 'movements'>): BottleGroup[] {
  const places = new Set(lot.movements.filter((m) => m.kind === 'retained').map((m) => m.to));
  return lotBottles(lot).groups.filter((g) => places.has(g.place) && g.count > 0);
}

/** A look that is due of a lot: on a day, at a closed bottle or at one that is open. */
export interface NextLook {
  on: Day;
  opened: boolean;
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
  const on = openedLookDays(dayOf(opening.at, lot.timeZone), openedDays).find((day) => day > seen);
  return on ? { on, opened: true } : null;
}

/**
 * The next look at what is kept back of a lot, whatever the clock says; null where nothing is kept back or every look was taken.
 * @param keeping its time and days after opening
 * @example nextLook(lot, { time: { count: 12, unit: 'month' }, openedDays: 28 }) // null
 */
export function nextLook(lot: LotRecord, keeping: Pick<KeepingTime, 'time' | 'openedDays'>): NextLook | null {
  const opened = nextOpened(lot, keeping.openedDays);
  const filled = standing(lot.bottlings)[0];
  if (!filled || retainedGroups(lot).length === 0) return opened;
  const closed = standing(lot.looks).filter((l) => l.opened !== 'open-already');
  const seen = closed.length > 0 ? addDays(dayOf(closed.at(-1)!.at, lot.timeZone), EARLY) : '';
  const on = lookDays(dayOf(filled.at, lot.timeZone), keeping).find((day) => day > seen);
  if (!on) return opened;
  return opened && opened.on < on ? opened : { on, opened: false };
}
