import { addDays, type Day, daysBetween } from './day.ts';

/** What was read of a field: its value, null where it is empty, or the sentence that asks for another. */
export interface ReadTime {
  value?: string | null;
  problem?: string;
}

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
const DAY_ASKED = 'Write a day such as 27 Nov 2026.';
const CLOCK_ASKED = 'Write a time such as 17:30 or 5:30 pm.';

const two = (n: number) => String(n).padStart(2, '0');

/** A day of the calendar; undefined where there is none such, or it lies outside 2000 to 2100. */
function dayOfParts(year: number, month: number, date: number): Day | undefined {
  const found = new Date(Date.UTC(year, month - 1, date));
  const real = found.getUTCMonth() === month - 1 && found.getUTCDate() === date;
  return real && year >= 2000 && year <= 2100 ? `${year}-${two(month)}-${two(date)}` : undefined;
}

const yearOf = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

/** The month that a word begins, 1–12; 0 where it is none or could be two. */
function monthOf(word: string): number {
  const found = MONTHS.filter((name) => name.startsWith(word.toLowerCase()));
  return word.length >= 3 && found.length === 1 ? MONTHS.indexOf(found[0]!) + 1 : 0;
}

/** A day without its year is the one that lies nearest to today. */
function nearest(month: number, date: number, today: Day): Day | undefined {
  const year = Number(today.slice(0, 4));
  return [year - 1, year, year + 1]
    .map((y) => dayOfParts(y, month, date))
    .filter((day) => day !== undefined)
    .sort((a, b) => Math.abs(daysBetween(today, a)) - Math.abs(daysBetween(today, b)))[0];
}

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/;
const DATE_FIRST = /^(\d{1,2})(?:st|nd|rd|th)?\.?\s*([a-z]+)\.?(?:,?\s*(\d{4}|\d{2}))?$/i;
const MONTH_FIRST = /^([a-z]+)\.?\s*(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?$/i;
const DIGITS = /^(\d{1,2})([./])(\d{1,2})[./](\d{4}|\d{2})$/;
const WORDS: Record<string, number> = { yesterday: -1, today: 0, tomorrow: 1 };

/** Which comes first where a day is written in digits with strokes. */
export type DayOrder = 'date-first' | 'month-first';

/** A day written in digits: with points its date comes first; with strokes only where that can be told or was said. */
function fromDigits(
  [, a, sign, b, year]: RegExpExecArray,
  order: DayOrder | undefined,
): Day | undefined | 'either' {
  const [first, second] = [Number(a), Number(b)];
  if (sign === '.' || order === 'date-first') return dayOfParts(yearOf(year!), second, first);
  if (order === 'month-first') return dayOfParts(yearOf(year!), first, second);
  if (first > 12) return dayOfParts(yearOf(year!), second, first);
  if (second > 12 || first === second) return dayOfParts(yearOf(year!), first, second);
  return 'either';
}

/**
 * Which of date and month comes first in days written with strokes, as the days of a column show together: "13/04/2024" tells of all.
 * @param texts cells of one column
 * @returns undefined where none is so written or needs telling; 'either' where they leave it open; 'both' where they contradict each other
 * @example dayOrderOf(['03/04/2024', '13/04/2024']) // 'date-first'
 */
export function dayOrderOf(texts: readonly string[]): DayOrder | 'either' | 'both' | undefined {
  const pairs = texts.flatMap((text) => {
    const [, a, sign, b] = DIGITS.exec(text.trim()) ?? [];
    return sign === '/' && a !== b ? [[Number(a), Number(b)] as const] : [];
  });
  const dateFirst = pairs.some(([a]) => a > 12);
  const monthFirst = pairs.some(([, b]) => b > 12);
  if (dateFirst && monthFirst) return 'both';
  if (dateFirst || monthFirst) return dateFirst ? 'date-first' : 'month-first';
  return pairs.length > 0 ? 'either' : undefined;
}

/**
 * Reads a calendar day as it is typed: ISO 8601, with the month as a word, with points, or a word such as "tomorrow".
 * @param text as typed; @param today the day now, by which a day without a year is understood; @param order which comes first in "3/4/2026", where it is known
 * @returns YYYY-MM-DD between 2000 and 2100, null for an empty field, or the sentence that asks for another
 * @example readDay('27 Nov', '2026-11-25') // { value: '2026-11-27' }
 */
export function readDay(text: string, today: Day, order?: DayOrder): ReadTime {
  const said = text.trim().replace(/\s+/g, ' ');
  if (said === '') return { value: null };
  const word = Object.hasOwn(WORDS, said.toLowerCase()) ? WORDS[said.toLowerCase()] : undefined;
  if (word !== undefined) return { value: addDays(today, word) };
  const iso = ISO.exec(said);
  const digits = DIGITS.exec(said);
  if (digits) {
    const day = fromDigits(digits, order);
    if (day === 'either') return { problem: `${said} could be two days. Write it such as 27 Nov 2026.` };
    return day ? { value: day } : { problem: DAY_ASKED };
  }
  const [, date, name, year] =
    DATE_FIRST.exec(said) ?? (([all, m, d, y]) => [all, d, m, y])(MONTH_FIRST.exec(said) ?? []);
  const month = monthOf(name ?? '');
  const day = iso
    ? dayOfParts(Number(iso[1]), Number(iso[2]), Number(iso[3]))
    : month === 0
      ? undefined
      : year
        ? dayOfParts(yearOf(year), month, Number(date))
        : nearest(month, Number(date), today);
  return day ? { value: day } : { problem: DAY_ASKED };
}

const CLOCK = /^(\d{1,2})(?:[:.h]?(\d{2}))?(?::\d{2}(?:\.\d+)?)?\s*(am|pm|a\.m\.|p\.m\.)?$/i;

/**
 * Reads a time of day as it is typed, by 24 hours or with am and pm.
 * @param text as typed, such as "17:30", "17.30", "5:30 pm"
 * @returns HH:MM, null for an empty field, or the sentence that asks for another
 * @example readClock('5:30 pm') // { value: '17:30' }
 */
export function readClock(text: string): ReadTime {
  const said = text.trim();
  if (said === '') return { value: null };
  const [, h, m, half] = CLOCK.exec(said) ?? [];
  const [hour, minute] = [Number(h), Number(m ?? '0')];
  if (h === undefined || minute > 59 || (m === undefined && !half)) return { problem: CLOCK_ASKED };
  if (!half) return hour < 24 ? { value: `${two(hour)}:${two(minute)}` } : { problem: CLOCK_ASKED };
  if (hour < 1 || hour > 12) return { problem: CLOCK_ASKED };
  const past = half.toLowerCase().startsWith('p') ? 12 : 0;
  return { value: `${two((hour % 12) + past)}:${two(minute)}` };
}

/** A day and a time, or a time alone; they are parted by a comma, blanks or the T of ISO 8601. */
const MOMENT =
  /^(?:(.*?)(?:,\s*|\s+|T))?(\d{1,2}(?:[:.]\d{2}(?::\d{2})?\s*(?:[ap]\.?m\.?)?|\s*[ap]\.?m\.?))$/i;

/**
 * Reads a day and a time of day as they are typed; a time alone is of today.
 * @param text as typed, such as "27 Nov 2026, 17:30" or "9:10"; @param today the day now
 * @returns wall clock YYYY-MM-DDTHH:MM, null for an empty field, or the sentence that asks for another
 * @example readMoment('27 Nov 2026, 5:30 pm', '2026-11-25') // { value: '2026-11-27T17:30' }
 */
export function readMoment(text: string, today: Day): ReadTime {
  const said = text.trim();
  if (said === '') return { value: null };
  const [, dayText = '', clockText] = MOMENT.exec(said) ?? [];
  if (clockText === undefined) return { problem: 'Write a day and a time, such as 27 Nov 2026, 17:30.' };
  const day = dayText === '' ? { value: today } : readDay(dayText, today);
  const clock = readClock(clockText);
  if (!day.value || !clock.value) return { problem: day.problem ?? clock.problem ?? DAY_ASKED };
  return { value: `${day.value}T${clock.value}` };
}
