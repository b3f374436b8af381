import type { Day } from './day.ts';

const HALF_DAY = 43_200_000;
const WALL = /^\d{4}-\d{2}-\d{2} \d{2}:\d{2}$/;

const formats = new Map<string, Intl.DateTimeFormat>();

/** One format a zone: making one costs more than a hundred uses. @throws RangeError on an unknown zone */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
  formats.set(timeZone, made);
  return made;
}

/**
 * What the clock on the kitchen's wall shows at an instant.
 * @param instant ISO 8601, UTC, or ms since 1970; @param timeZone IANA name
 * @returns "2026-11-25 09:10"
 * @throws RangeError on an unknown zone or on what is not an instant
 * @example wallOf('2026-11-25T00:30:00.000Z', 'America/Denver') // '2026-11-24 17:30'
 */
export function wallOf(instant: string | number, timeZone: string): string {
  const at = new Date(instant);
  if (Number.isNaN(at.getTime())) throw new RangeError(`"${instant}" is not an instant`);
  const parts: Record<string, string> = {};
  for (const { type, value } of formatOf(timeZone).formatToParts(at)) parts[type] = value;
  return `${parts.year!.padStart(4, '0')}-${parts.month}-${parts.day} ${parts.hour}:${parts.minute}`;
}

/**
 * The calendar day of an instant in the kitchen's zone: the one function that says which day it is there.
 * @param instant ISO 8601, UTC, or ms since 1970; @param timeZone IANA name
 * @throws RangeError on an unknown zone or on what is not an instant
 * @example dayOf('2026-11-25T00:30:00.000Z', 'America/Denver') // '2026-11-24'
 */
export const dayOf = (instant: string | number, timeZone: string): Day =>
  wallOf(instant, timeZone).slice(0, 10);

const asIfUtc = (wall: string): number => Date.parse(`${wall.replace(' ', 'T')}:00Z`);

/**
 * The UTC instant of a wall-clock time in a zone. An hour that comes twice is taken the second time; one that is skipped is
 * moved on by as much as the clocks are.
 * @param wall "2026-11-03 09:10"; @param timeZone IANA name; @param shiftDays days to move it by
 * @throws RangeError on an unknown zone or on what is not such a time
 * @example instantOf('2026-11-24 17:30', 'America/Denver') // '2026-11-25T00:30:00.000Z'
 */
export function instantOf(wall: string, timeZone: string, shiftDays = 0): string {
  const read = asIfUtc(wall) + shiftDays * 2 * HALF_DAY;
  if (!WALL.test(wall) || Number.isNaN(read))
    throw new RangeError(`"${wall}" is not a time such as 2026-11-03 09:10`);
  const offsetAt = (ms: number) => asIfUtc(wallOf(ms, timeZone)) - Math.floor(ms / 60_000) * 60_000;
  // A zone is at most 14 hours off UTC, so a day on either side lies surely before and after the change, if there is one.
  const [before, after] = [offsetAt(read - 2 * HALF_DAY), offsetAt(read + 2 * HALF_DAY)];
  const shows = (ms: number) => asIfUtc(wallOf(ms, timeZone)) === read;
  const candidates = [read - before, read - after].filter(shows);
  return new Date(candidates.length > 0 ? Math.max(...candidates) : read - before).toISOString();
}

/**
 * The instant at which a day begins in a zone.
 * @throws RangeError on an unknown zone or on what is not a date
 * @example startOfDay('2026-07-01', 'Europe/London') // '2026-06-30T23:00:00.000Z'
 */
export const startOfDay = (day: Day, timeZone: string): string => instantOf(`${day} 00:00`, timeZone);
