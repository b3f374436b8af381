import { dayOf, instantOf, readClock, wallOf } from '../calendar/index.ts';

/** When a jotted line says that it happened: so many minutes ago, or by the clock. */
export type JotWhen = { minutesAgo: number } | { clock: string; yesterday: boolean };

const AGO = /(?:^|[\s,])(half an?|an?|\d+(?:[.,]\d+)?)\s*(minutes?|mins?|min|hours?|hrs?|hr|h)\s+ago\b[.,]?/i;
/** A time, and no temperature: with a colon, am or pm, or noon. */
const CLOCK =
  /(?:^|[\s,])(yesterday\s+)?(?:at\s+)?(\d{1,2}:\d{2}(?:\s*[ap]\.?m\.?)?|\d{1,2}(?:\.\d{2})?\s*[ap]\.?m\.?|noon)(?=$|[\s,.])[.,]?/i;

function minutesOf(count: string, unit: string): number {
  const [words, each] = [count.toLowerCase(), /^h/i.test(unit) ? 60 : 1];
  if (words.startsWith('half')) return each / 2;
  return words.startsWith('a') ? each : Number(words.replace(',', '.')) * each;
}

const without = (line: string, said: string): string => line.replace(said, ' ').replace(/\s+/g, ' ').trim();

/**
 * The time that a line says something happened at, and the line without it: "10 min ago", "an hour ago", "at 9:40", "yesterday at 5 pm".
 * A figure without a colon, am or pm is a reading and no time.
 * @example takeWhen('t 88 at 9:40').rest // 't 88'
 */
export function takeWhen(line: string): { when: JotWhen | null; rest: string } {
  const ago = AGO.exec(line);
  if (ago) return { when: { minutesAgo: minutesOf(ago[1]!, ago[2]!) }, rest: without(line, ago[0]) };
  const clock = CLOCK.exec(line);
  if (!clock) return { when: null, rest: line };
  const read = clock[2]!.toLowerCase() === 'noon' ? { value: '12:00' } : readClock(clock[2]!);
  if (!read.value) return { when: null, rest: line };
  return { when: { clock: read.value, yesterday: clock[1] !== undefined }, rest: without(line, clock[0]) };
}

/** A time as a line says it, to be read again. */
export const whenSaid = (when: JotWhen): string =>
  'minutesAgo' in when
    ? `${when.minutesAgo} min ago`
    : `${when.yesterday ? 'yesterday ' : ''}at ${when.clock}`;

const DAY_MS = 86_400_000;

/**
 * The instant that a jotted time is: a time of day is the last one that was, which may be yesterday's, and is then said so.
 * @param now ISO 8601; @param timeZone of the kitchen
 * @returns the instant, and the time in words
 * @example jottedAt({ minutesAgo: 10 }, '2026-11-24T08:10:00.000Z', 'UTC') // { at: '2026-11-24T08:00:00.000Z', words: 'at 08:00' }
 */
export function jottedAt(when: JotWhen, now: string, timeZone: string): { at: string; words: string } {
  const today = dayOf(now, timeZone);
  const told = (at: string) => {
    const time = wallOf(at, timeZone).slice(11, 16);
    return { at, words: dayOf(at, timeZone) === today ? `at ${time}` : `yesterday at ${time}` };
  };
  if ('minutesAgo' in when) return told(new Date(Date.parse(now) - when.minutesAgo * 60_000).toISOString());
  const atDay = (day: string) => instantOf(`${day} ${when.clock}`, timeZone);
  const here = atDay(today);
  const before = atDay(dayOf(Date.parse(here) - DAY_MS, timeZone));
  return told(when.yesterday || here > now ? before : here);
}
