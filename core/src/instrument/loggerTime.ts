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

/** Which comes first in a date such as 03/11/2026 or 24/11/26. */
export type DayOrder = 'day-first' | 'month-first' | 'year-first';

const DATE = /^(\d{4}|\d{1,2})([-/.])(\d{1,2})\2(\d{4}|\d{1,2})(?!\d)/;
const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?(?:\s*([ap])\.?m\.?)?(?:Z|[+-]\d{2}:?\d{2})?$/i;
/** "08.00": a point stands between hours and minutes only behind a date, or in a column of times. */
const POINTED = /(?:^|[\sT])(\d{1,2})\.(\d{2})(?:\.(\d{2}))?(?:\s*([ap])\.?m\.?)?$/i;
const OFFSET = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}.*(?:Z|[+-]\d{2}:?\d{2})$/;

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const MONTH = `(${MONTHS.join('|')})[a-z]*\\.?`;
const DAY_MONTH = new RegExp(`^(\\d{1,2})[-\\s/.]+${MONTH}[-\\s/.,]+(\\d{4}|\\d{2})(?!\\d)`, 'i');
const MONTH_DAY = new RegExp(`^${MONTH}[-\\s]+(\\d{1,2})(?:st|nd|rd|th)?[,\\s]+(\\d{4})(?!\\d)`, 'i');

const two = (n: number | string): string => String(n).padStart(2, '0');
const fullYear = (year: string): string => (year.length === 2 ? `20${year}` : year);
const monthOf = (name: string): string => two(MONTHS.indexOf(name.slice(0, 3).toLowerCase()) + 1);

/** A cell with the month of its date in figures: "24-Nov-2026 08:00" begins with 2026-11-24. */
function inFigures(text: string | undefined): string {
  const words = (text ?? '').trim();
  const day = DAY_MONTH.exec(words);
  if (day) return `${fullYear(day[3]!)}-${monthOf(day[2]!)}-${two(day[1]!)}${words.slice(day[0].length)}`;
  const month = MONTH_DAY.exec(words);
  return month ? `${month[3]}-${monthOf(month[1]!)}-${two(month[2]!)}${words.slice(month[0].length)}` : words;
}

/** Whether a cell begins with a date. */
export const hasDate = (text: string | undefined): boolean => DATE.test(inFigures(text));

/** Whether a cell ends with a time of day; one with a point between hours and minutes only behind a date. */
export const hasClock = (text: string | undefined): boolean => {
  const words = inFigures(text);
  return CLOCK.test(words) || (DATE.test(words) && POINTED.test(words.replace(DATE, ' ')));
};

/** Whether a cell of a column of times is a time of day with a point in it. */
export const hasPointedClock = (text: string | undefined): boolean => POINTED.test((text ?? '').trim());

/** A date with the year where its four figures say; else each order that it may be in. */
function ordersIn(words: string): readonly DayOrder[] {
  const match = DATE.exec(words);
  if (!match) return [];
  const [, first, sign, , last] = match;
  if (first!.length === 4) return ['year-first'];
  if (sign === '.') return ['day-first'];
  return last!.length === 4 ? ['day-first', 'month-first'] : ['day-first', 'month-first', 'year-first'];
}

function partsIn(words: string, order: DayOrder): { year: string; month: number; date: number } | null {
  const match = DATE.exec(words);
  if (!match) return null;
  const [, first, , second, third] = match;
  const [year, month, date] =
    order === 'year-first'
      ? [first, second, third]
      : order === 'month-first'
        ? [third, first, second]
        : [third, second, first];
  return { year: fullYear(year!), month: Number(month), date: Number(date) };
}

const canBe = (words: string, order: DayOrder): boolean => {
  const parts = partsIn(words, order);
  return parts !== null && parts.month >= 1 && parts.month <= 12 && parts.date >= 1 && parts.date <= 31;
};

/** How the dates of a column may be read: in one order, or in several that the file leaves open, with a date that shows it. */
export interface DayOrders {
  orders: readonly DayOrder[];
  shown: string;
}

/**
 * Which orders of day, month and year every date of a column can be in: a date beyond the 12th shows it; with points the day comes first.
 * @throws RangeError where there is no order that all of them can be in
 */
export function dayOrdersOf(rows: readonly (readonly string[])[], time: number): DayOrders {
  let orders: readonly DayOrder[] | null = null;
  let shown = '';
  for (const row of rows) {
    const words = inFigures(row[time]);
    const own = ordersIn(words);
    if (own.length === 0) continue;
    const fit = own.filter((order) => canBe(words, order));
    orders = orders === null ? fit : orders.filter((order) => fit.includes(order));
    if (orders.length === 0) throw new RangeError(`“${row[time]}” is not a date that there is`);
    shown ||= DATE.exec(words)![0];
    if (orders.length === 1) break;
  }
  return { orders: orders ?? [], shown };
}

function dayIn(words: string, order: DayOrder): string | null {
  // Four figures are the year wherever they stand first.
  const parts = partsIn(words, /^\d{4}/.test(words) ? 'year-first' : order);
  if (!parts) return null;
  const day = `${parts.year}-${two(parts.month)}-${two(parts.date)}`;
  const read = new Date(`${day}T00:00:00Z`);
  if (Number.isNaN(read.getTime()) || read.toISOString().slice(0, 10) !== day)
    throw new RangeError(`“${words}” is not a date that there is`);
  return day;
}

/** A time of day out of a cell; null where it has none. @throws RangeError on one that cannot be */
export function clockIn(words: string): Pick<Wall, 'hour' | 'minute' | 'second'> | null {
  const match = CLOCK.exec(words) ?? POINTED.exec(words.replace(DATE, ' '));
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
  const words = inFigures(row[time]);
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

/** First and last instant that a logger can have kept, s since 1970. */
const [FIRST, LAST] = [946_684_800, 4_102_444_800];

/** Seconds since 1970 that a cell counts, in seconds or thousandths; null where it is no such count. */
export function epochIn(text: string | undefined): number | null {
  const words = (text ?? '').trim();
  if (!/^\d{10}(?:[.,]\d+)?$|^\d{13}$/.test(words)) return null;
  const count = Number(words.replace(',', '.'));
  const seconds = words.length === 13 ? count / 1000 : count;
  return seconds >= FIRST && seconds <= LAST ? seconds : null;
}
