import { instantOf } from '../calendar/index.ts';
import { temperature } from '../quantity/index.ts';
import { columnsOf, figureOf, type LoggerRows, unitNamed } from './loggerColumns.ts';
import { type DayOrder, dayOrderOf, type Wall, wallOf } from './loggerTime.ts';

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

/** What was read of a logger's file, or the unit that has to be asked because nothing in it names one. */
export type LoggerReading = ({ asks?: undefined } & LoggerFile) | { asks: 'unit'; first: number };

/** Coldest and hottest figure, °C, that a probe in fruit or water can have read. */
const [COLDEST, HOTTEST] = [-40, 200];
const HALF_HOUR = 30;

/** Turns wall-clock times into instants; a zone's offset is looked up once for each half hour. */
function instants(timeZone: string): (wall: Wall) => number {
  const starts = new Map<string, number>();
  return (wall) => {
    if (wall.instant !== undefined) return wall.instant;
    const half = Math.floor(wall.minute / HALF_HOUR) * HALF_HOUR;
    const key = `${wall.day} ${String(wall.hour).padStart(2, '0')}:${String(half).padStart(2, '0')}`;
    const known = starts.get(key) ?? Date.parse(instantOf(key, timeZone));
    starts.set(key, known);
    return known + ((wall.minute - half) * 60 + wall.second) * 1000;
  };
}

interface Timed {
  ms: number;
  celsius: number;
}

function timedOf(
  rows: LoggerRows,
  { time, clock, warm }: { time: number; clock: number | null; warm: number },
  unit: LoggerUnit,
  { order, timeZone }: { order: DayOrder; timeZone: string },
): Timed[] {
  const instant = instants(timeZone);
  const timed: Timed[] = [];
  for (const row of rows) {
    const wall = wallOf(row, time, clock, order);
    const read = figureOf(row[warm]);
    if (!wall || read === null) continue;
    const celsius = unit === 'F' ? ((read - 32) * 5) / 9 : read;
    if (celsius >= COLDEST && celsius <= HOTTEST) timed.push({ ms: instant(wall), celsius });
  }
  return timed.sort((a, b) => a.ms - b.ms);
}

/**
 * Reads a temperature logger's table: which column is the time, which the temperature, °C or °F as its heading or its cells say.
 * @param rows cells of the file, headings among the first twenty rows where it has them
 * @param timeZone IANA name of the zone that the logger's clock shows, where its times name none
 * @param said the unit, where nothing in the file names it
 * @returns samples in order of time, °C, or the question for the unit
 * @throws RangeError where no column of times or temperatures is found, where a date cannot be, or where two units are named
 * @example readLogger([['Time', 'Temp (C)'], ['2026-11-24 08:00', '85.5']], 'UTC').samples // [{ at: '2026-11-24T08:00:00.000Z', celsius: 85.5 }]
 */
export function readLogger(rows: LoggerRows, timeZone: string, said?: LoggerUnit): LoggerReading {
  const columns = columnsOf(rows);
  const named = unitNamed(columns);
  const first = figureOf(columns.body.find((r) => figureOf(r[columns.warm]) !== null)?.[columns.warm]) ?? 0;
  const unit = named ?? said;
  if (!unit) return { asks: 'unit', first };
  const order = dayOrderOf(columns.body, columns.time);
  const timed = timedOf(columns.body, columns, unit, { order, timeZone });
  if (timed.length === 0) throw new RangeError('The file has no row with both a time and a temperature');
  const hottest = timed.reduce((most, s) => Math.max(most, s.celsius), COLDEST);
  const from = columns.name ? ` from the column “${columns.name}”` : '';
  return {
    samples: timed.map(({ ms, celsius }) => ({ at: new Date(ms).toISOString(), celsius })),
    skipped: columns.body.length - timed.length,
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
