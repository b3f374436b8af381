import { addDays, instantOf, wallOf as wallShown } from '../calendar/index.ts';
import { temperature } from '../quantity/index.ts';
import {
  columnsOf,
  figureOf,
  type LoggerColumn,
  type LoggerColumns,
  type LoggerRows,
  type LoggerTimes,
  unitNamed,
} from './loggerColumns.ts';
import { clockIn, type DayOrder, dayOrdersOf, epochIn, type Wall, wallOf } from './loggerTime.ts';

/** A temperature as a logger kept it. */
export interface LoggedSample {
  /** ISO instant. */
  at: string;
  celsius: number;
}

export type LoggerUnit = 'C' | 'F';

export interface LoggerFile {
  samples: LoggedSample[];
  /** How it was understood, for the cook to see before any of it is kept. */
  understood: string;
  /** Rows that held no time or no temperature. */
  skipped: number;
}

/** What was answered of what a file leaves open. */
export interface LoggerAnswers {
  unit?: LoggerUnit;
  /** Place of the column of temperatures, from 0. */
  column?: number;
  order?: DayOrder;
  /** When a count begins, "2026-11-24 08:00" on the wall, or the day of times that name none. */
  start?: string;
}

/** What a logger's file leaves open, with a sentence that asks it. */
export type LoggerAsks =
  | { asks: 'unit'; first: number; says: string }
  | { asks: 'column'; columns: LoggerColumn[]; says: string }
  | { asks: 'order'; orders: readonly DayOrder[]; shown: string; says: string }
  | { asks: 'start'; by: 'elapsed' | 'clock'; says: string };

/** What was read of a logger's file, or what has to be asked because nothing in it says it. */
export type LoggerReading = ({ asks?: undefined } & LoggerFile) | LoggerAsks;

/** Coldest and hottest figure, °C, that a probe in fruit or water can have read. */
const [COLDEST, HOTTEST] = [-40, 200];
const HALF_HOUR = 30;
const HOUR_MS = 3_600_000;

/** Turns wall-clock times into instants; a zone's offset is looked up once for each half hour. An hour that comes twice is taken as the order of the file has it. */
function instants(timeZone: string, isDown: boolean): (wall: Wall) => number {
  const starts = new Map<string, { first: number; second: number }>();
  let before = isDown ? Number.POSITIVE_INFINITY : Number.NEGATIVE_INFINITY;
  const startsOf = (key: string) => {
    const known = starts.get(key);
    if (known) return known;
    const second = Date.parse(instantOf(key, timeZone));
    const back = Date.parse(instantOf(key, timeZone)) - HOUR_MS;
    const first = isSame(back, key, timeZone) ? back : second;
    starts.set(key, { first, second });
    return { first, second };
  };
  return (wall) => {
    if (wall.instant !== undefined) return wall.instant;
    const half = Math.floor(wall.minute / HALF_HOUR) * HALF_HOUR;
    const key = `${wall.day} ${String(wall.hour).padStart(2, '0')}:${String(half).padStart(2, '0')}`;
    const { first, second } = startsOf(key);
    const more = ((wall.minute - half) * 60 + wall.second) * 1000;
    // Forwards the first that does not go back; backwards the second that does not go on.
    const fits = isDown ? second + more <= before : first + more >= before;
    const taken = (isDown ? (fits ? second : first) : fits ? first : second) + more;
    before = taken;
    return taken;
  };
}

/** Whether the wall shows the same at an instant. */
const isSame = (ms: number, wall: string, timeZone: string): boolean => wallShown(ms, timeZone) === wall;

interface Timed {
  ms: number;
  celsius: number;
}

interface Way {
  warm: LoggerColumn;
  unit: LoggerUnit;
  order: DayOrder;
  timeZone: string;
  start: string | undefined;
}

/** The instant of each row, ms since 1970; null where it has none. */
function instantOfRow(
  times: LoggerTimes,
  rows: LoggerRows,
  way: Way,
): (row: readonly string[]) => number | null {
  const { timeZone, order, start } = way;
  if (times.by === 'epoch')
    return (row) => {
      const seconds = epochIn(row[times.time]);
      return seconds === null ? null : seconds * 1000;
    };
  if (times.by === 'elapsed') {
    const from = Date.parse(instantOf(start!, timeZone));
    return (row) => {
      const count = figureOf(row[times.time]);
      return count === null ? null : from + count * times.seconds * 1000;
    };
  }
  if (times.by === 'clock') return ofClock(times.time, start!.slice(0, 10), timeZone);
  const walls = (row: readonly string[]) => wallOf(row, times.time, times.clock, order);
  const instant = instants(timeZone, isDownward(rows, walls));
  return (row) => {
    const wall = walls(row);
    return wall ? instant(wall) : null;
  };
}

/** Times of day from a day on: one that goes back by hours is of the next day. */
function ofClock(time: number, from: string, timeZone: string): (row: readonly string[]) => number | null {
  const instant = instants(timeZone, false);
  let day = from;
  let before = Number.NEGATIVE_INFINITY;
  return (row) => {
    const read = clockIn((row[time] ?? '').trim());
    if (!read) return null;
    const seconds = (read.hour * 60 + read.minute) * 60 + read.second;
    if (seconds < before - 12 * 3600) day = addDays(day, 1);
    before = seconds;
    return instant({ day, ...read });
  };
}

const sortable = ({ day, hour, minute, second, instant }: Wall): string =>
  instant === undefined
    ? `${day} ${[hour, minute, second].map((n) => String(n).padStart(2, '0')).join(':')}`
    : new Date(instant).toISOString();

/** Whether a file goes from the newest to the oldest. */
function isDownward(rows: LoggerRows, walls: (row: readonly string[]) => Wall | null): boolean {
  const first = firstWall(rows, 0, 1, walls);
  const last = firstWall(rows, rows.length - 1, -1, walls);
  return first !== null && last !== null && sortable(first) > sortable(last);
}

function firstWall(
  rows: LoggerRows,
  from: number,
  by: 1 | -1,
  walls: (row: readonly string[]) => Wall | null,
): Wall | null {
  for (let i = from; i >= 0 && i < rows.length; i += by) {
    const wall = walls(rows[i]!);
    if (wall) return wall;
  }
  return null;
}

function timedOf({ times, body }: LoggerColumns, way: Way): Timed[] {
  const instant = instantOfRow(times, body, way);
  const timed: Timed[] = [];
  for (const row of body) {
    const ms = instant(row);
    const read = figureOf(row[way.warm.column]);
    if (ms === null || read === null) continue;
    const celsius = way.unit === 'F' ? ((read - 32) * 5) / 9 : read;
    if (celsius >= COLDEST && celsius <= HOTTEST) timed.push({ ms, celsius });
  }
  return timed.sort((a, b) => a.ms - b.ms);
}

const called = ({ name, column }: LoggerColumn): string => name || `column ${column + 1}`;

/** What a file leaves open and nobody answered yet; null where it can be read. */
function openIn(columns: LoggerColumns, answers: LoggerAnswers): LoggerAsks | null {
  const { times, warm, body } = columns;
  if (warm.length > 1 && !warm.some(({ column }) => column === answers.column))
    return {
      asks: 'column',
      columns: warm,
      says: `The file has ${warm.length} columns that may be the temperature: ${warm.map(called).join(', ')}. Which of them is meant?`,
    };
  if (times.by === 'wall' && answers.order === undefined) {
    const { orders, shown } = dayOrdersOf(body, times.time);
    if (orders.length > 1)
      return {
        asks: 'order',
        orders,
        shown,
        says: `${shown} may have the day, the month or the year first. Which?`,
      };
  }
  if ((times.by === 'elapsed' || times.by === 'clock') && answers.start === undefined)
    return {
      asks: 'start',
      by: times.by,
      says:
        times.by === 'elapsed'
          ? 'The file counts from when it was started, and does not say when that was.'
          : 'The file has times of day, and does not say of which day.',
    };
  return null;
}

/**
 * Reads a temperature logger's table: which column is the time, which the temperature, °C or °F as its heading or its cells say.
 * @param rows cells of the file, headings among the first twenty rows where it has them
 * @param timeZone IANA name of the zone that the logger's clock shows, where its times name none
 * @param said what was answered before: the unit alone, or each thing that the file leaves open
 * @returns samples in order of time, °C; or what has to be asked: which of several columns, which unit, which order of a date, when a count began
 * @throws RangeError where no column of times or temperatures is found, where a date cannot be, or where two units are named
 * @example readLogger([['Time', 'Temp (C)'], ['2026-11-24 08:00', '85.5']], 'UTC').samples // [{ at: '2026-11-24T08:00:00.000Z', celsius: 85.5 }]
 */
export function readLogger(
  rows: LoggerRows,
  timeZone: string,
  said: LoggerUnit | LoggerAnswers = {},
): LoggerReading {
  const answers: LoggerAnswers = typeof said === 'string' ? { unit: said } : said;
  const columns = columnsOf(rows);
  const open = openIn(columns, answers);
  if (open) return open;
  const { times, body } = columns;
  const warm = columns.warm.find(({ column }) => column === answers.column) ?? columns.warm[0]!;
  const unit = unitNamed(columns, warm) ?? answers.unit;
  if (!unit)
    return {
      asks: 'unit',
      first: warm.first,
      says: `The file does not name its unit. Its first temperature is ${warm.first}.`,
    };
  const order =
    answers.order ??
    (times.by === 'wall' ? dayOrdersOf(body, times.time).orders[0] : undefined) ??
    'day-first';
  const timed = timedOf(columns, { warm, unit, order, timeZone, start: answers.start });
  if (timed.length === 0) throw new RangeError('The file has no row with both a time and a temperature');
  const hottest = timed.reduce((most, s) => Math.max(most, s.celsius), COLDEST);
  const from = warm.name ? ` from the column “${warm.name}”` : '';
  return {
    samples: timed.map(({ ms, celsius }) => ({ at: new Date(ms).toISOString(), celsius })),
    skipped: body.length - timed.length,
    understood: `${timed.length} temperatures${from} in ${unit === 'F' ? '°F, turned into °C' : '°C'}, hottest ${temperature(hottest, 1)}`,
  };
}

/**
 * The samples worth keeping in a record: the first of each so many seconds, and the hottest, the coldest and the last of them all.
 * @param samples in order of time; @param everySeconds s
 * @example thinned([{ at: T(0), celsius: 80 }, { at: T(0.01), celsius: 79 }, { at: T(0.02), celsius: 78 }]).length // 2
 */
export function thinned(samples: readonly LoggedSample[], everySeconds = 60): LoggedSample[] {
  if (samples.length === 0) return [];
  const by = (better: (a: number, b: number) => boolean) =>
    samples.reduce((best, s) => (better(s.celsius, best.celsius) ? s : best));
  const kept = new Set([by((a, b) => a > b), by((a, b) => a < b), samples.at(-1)!]);
  let next = Number.NEGATIVE_INFINITY;
  for (const sample of samples) {
    const ms = Date.parse(sample.at);
    if (ms < next) continue;
    kept.add(sample);
    next = ms + everySeconds * 1000;
  }
  return samples.filter((s) => kept.has(s));
}

/**
 * The samples worth keeping where only so many can be: thinned to the shortest of the usual intervals that gives no more.
 * @param samples in order of time; @param most how many can be kept, at least 4; @param fromSeconds shortest interval, s
 * @example thinnedTo([{ at: T(0), celsius: 80 }, { at: T(1), celsius: 60 }], 600).everySeconds // 60
 */
export function thinnedTo(
  samples: readonly LoggedSample[],
  most: number,
  fromSeconds = 60,
): { samples: LoggedSample[]; everySeconds: number } {
  let everySeconds = fromSeconds;
  let kept = thinned(samples, everySeconds);
  while (kept.length > most) {
    everySeconds *= 2;
    kept = thinned(kept, everySeconds);
  }
  return { samples: kept, everySeconds };
}
