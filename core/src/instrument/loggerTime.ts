/** A time as a logger's clock showed it, or the instant where it names its own offset. */
export interface Wall {
  /** YYYY-MM-DD. */
  day: string;
  hour: number;
  minute: number;
  second: number;
  /** ms since 1970, where the text says its offset from UTC. */
  instant?: number;
}

export type DayOrder = 'day-first' | 'month-first' | null;

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/;
const YEAR_LAST = /^(\d{1,2})([-/.])(\d{1,2})\2(\d{4})/;
const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?(?:\s*([ap])\.?m\.?)?(?:Z|[+-]\d{2}:?\d{2})?$/i;
const OFFSET = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}.*(?:Z|[+-]\d{2}:?\d{2})$/;

const two = (n: number): string => String(n).padStart(2, '0');

/** Whether a cell begins with a date. */
export const hasDate = (text: string | undefined): boolean => {
  const words = (text ?? '').trim();
  return YEAR_FIRST.test(words) || YEAR_LAST.test(words);
};

/** Whether a cell ends with a time of day. */
export const hasClock = (text: string | undefined): boolean => CLOCK.test((text ?? '').trim());

/**
 * Whether dates such as 03/11/2026 have the day or the month first: as a date beyond the 12th shows; with points the day comes first.
 * @throws RangeError where no row of the file shows which it is
 */
export function dayOrderOf(rows: readonly (readonly string[])[], time: number): DayOrder {
  let open: string | null = null;
  for (const row of rows) {
    const match = YEAR_LAST.exec((row[time] ?? '').trim());
    if (!match) continue;
    if (match[2] === '.' || Number(match[1]) > 12) return 'day-first';
    if (Number(match[3]) > 12) return 'month-first';
    open ??= match[0];
  }
  if (open !== null)
    throw new RangeError(
      `${open} may have the day or the month first. Write the times as 2026-11-25 09:10:00`,
    );
  return null;
}

function dayIn(words: string, order: DayOrder): string | null {
  const first = YEAR_FIRST.exec(words);
  const last = YEAR_LAST.exec(words);
  if (!first && !last) return null;
  const [year, month, date] = first
    ? [first[1], first[2], first[3]]
    : order === 'month-first'
      ? [last![4], last![1], last![3]]
      : [last![4], last![3], last![1]];
  const day = `${year}-${two(Number(month))}-${two(Number(date))}`;
  const read = new Date(`${day}T00:00:00Z`);
  if (Number.isNaN(read.getTime()) || read.toISOString().slice(0, 10) !== day)
    throw new RangeError(`“${words}” is not a date that there is`);
  return day;
}

function clockIn(words: string): Pick<Wall, 'hour' | 'minute' | 'second'> | null {
  const match = CLOCK.exec(words);
  if (!match) return null;
  const half = match[4]?.toLowerCase();
  const said = Number(match[1]);
  const hour = half ? (said % 12) + (half === 'p' ? 12 : 0) : said;
  const [minute, second] = [Number(match[2]), Number(match[3] ?? 0)];
  if (hour > 23 || minute > 59 || second > 59 || (half && (said < 1 || said > 12)))
    throw new RangeError(`“${words}” is not a time of day that there is`);
  return { hour, minute, second };
}

/**
 * The time of a row, from one cell or from a cell of the date and one of the clock.
 * @returns null where the row has none
 * @throws RangeError on a date or a time of day that cannot be
 */
export function wallOf(
  row: readonly string[],
  time: number,
  clock: number | null,
  order: DayOrder,
): Wall | null {
  const words = (row[time] ?? '').trim();
  const day = dayIn(words, order);
  if (day === null) return null;
  if (clock === null && OFFSET.test(words)) {
    const instant = Date.parse(words.replace(' ', 'T'));
    if (Number.isNaN(instant)) throw new RangeError(`“${words}” is not a time that there is`);
    return { day, hour: 0, minute: 0, second: 0, instant };
  }
  const read = clockIn(clock === null ? words : (row[clock] ?? '').trim());
  return read && { day, ...read };
}
