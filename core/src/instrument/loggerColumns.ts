import { epochIn, hasClock, hasDate, hasPointedClock } from './loggerTime.ts';

export type LoggerRows = readonly (readonly string[])[];

/** Where a row says its time: as the clock on the wall, as a count since 1970, as a count since a start that nobody names, or as a time of day alone. */
export type LoggerTimes =
  | { by: 'wall'; time: number; clock: number | null }
  | { by: 'epoch'; time: number }
  | { by: 'elapsed'; time: number; seconds: number }
  | { by: 'clock'; time: number };

/** A column that may be the temperature. */
export interface LoggerColumn {
  column: number;
  /** Its heading; '' where it has none. */
  name: string;
  /** Its first figure. */
  first: number;
}

export interface LoggerColumns {
  times: LoggerTimes;
  /** Columns of temperatures: where there are several, somebody has to say which. */
  warm: LoggerColumn[];
  /** What stands over the table. */
  above: LoggerRows;
  body: LoggerRows;
}

const TIMED = /time|date|when|stamp|zeit|datum|heure|fecha|hora|elapsed|epoch|unix|seconds?\b|minutes?\b/i;
/** What is a temperature by its heading. */
const WARM =
  /temp|[°º˚℃℉]|celsius|centigrade|fahrenheit|\bdeg|\bprobe|\bt\d*\b|set\s*-?point|\bset\b|ambient|\broom\b|\bair\b|\binside\b|\boutside\b|\bcore\b|\bbath\b|\bsensor|\bch(?:annel)?[\s_-]*\d|\btc\s*\d|thermocouple|\bjunction|\bprod/i;
/** What is none, though its column has figures. */
const OTHER =
  /hum|\brh\b|%|batt|volt|\bmv\b|press|hpa|bar\b|serial|\bid\b|^(?:no|nr|#|n|row|index|record|rec|sample|line)\.?$|power|watt|lux|light|co2|co₂|flow|level|alarm|state|status|weight|\bph\b|brix/i;
const HEADINGS_WITHIN = 20;
/** Rows that a column is judged by. */
const SEEN = 50;

/** A figure of a cell, with or without its unit; null where it is none. */
export function figureOf(text: string | undefined): number | null {
  const match = /^([-+−]?\d+(?:[.,]\d+)?)\s*(?:deg(?:rees?)?\.?|[°º˚])?\s*(?:[cf]|℃|℉)?$/i.exec(
    (text ?? '').trim(),
  );
  return match ? Number(match[1]!.replace('−', '-').replace(',', '.')) : null;
}

const timedRow = (row: readonly string[]): boolean =>
  row.some(hasDate) && (row.some(hasClock) || row.some(hasPointedClock));

const firstFigure = (body: LoggerRows, column: number): number | null =>
  figureOf(body.find((row) => figureOf(row[column]) !== null)?.[column]);

/** Whether the figures of a column only count its rows. */
function countsRows(body: LoggerRows, column: number): boolean {
  const figures = body.slice(0, SEEN).map((row) => figureOf(row[column]));
  return figures.length > 1 && figures.every((n, i) => n !== null && (i === 0 || n === figures[i - 1]! + 1));
}

/** Columns of figures beside the times that are temperatures by their headings, or that nothing says are none. */
function warmColumns(names: readonly string[], body: LoggerRows, taken: ReadonlySet<number>): LoggerColumn[] {
  const width = Math.max(names.length, ...body.slice(0, SEEN).map((row) => row.length));
  const columns: LoggerColumn[] = [];
  for (let column = 0; column < width; column++) {
    const name = (names[column] ?? '').trim();
    const first = taken.has(column) ? null : firstFigure(body, column);
    if (first === null || (OTHER.test(name) && !/temp/i.test(name))) continue;
    columns.push({ column, name, first });
  }
  const named = columns.filter(({ name }) => WARM.test(name));
  if (named.length > 0) return named;
  // The number of the row is no temperature, where there is another column that may be.
  const others = columns.filter(({ column }) => !countsRows(body, column));
  return others.length > 0 ? others : columns;
}

/** Seconds of what a heading counts in. @throws RangeError where it does not say */
function countedIn(name: string): number {
  if (/\bms\b|millisec/i.test(name)) return 0.001;
  if (/\bs\b|\bsec/i.test(name)) return 1;
  if (/\bmin/i.test(name)) return 60;
  if (/\bh\b|hour/i.test(name)) return 3600;
  throw new RangeError(
    `The column “${name}” counts the time and does not say in what. Name it “Elapsed s” or “Elapsed min”`,
  );
}

/** Times of a table: dates with their clock, else a count, else times of day. */
function timesOf(names: readonly string[], body: LoggerRows): LoggerTimes {
  const dated = body.find(timedRow);
  if (dated) {
    const time = dated.findIndex(hasDate);
    if (hasClock(dated[time])) return { by: 'wall', time, clock: null };
    const clock = dated.findIndex(hasClock);
    return { by: 'wall', time, clock: clock >= 0 ? clock : dated.findIndex(hasPointedClock) };
  }
  const rows = body.slice(0, SEEN);
  const counted = rows.find((row) => row.some((cell) => epochIn(cell) !== null));
  if (counted) return { by: 'epoch', time: counted.findIndex((cell) => epochIn(cell) !== null) };
  const of = rows.find((row) => row.some(hasClock));
  if (of) return { by: 'clock', time: of.findIndex(hasClock) };
  const time = names.findIndex((name, i) => TIMED.test(name) && firstFigure(body, i) !== null);
  if (time < 0) throw new RangeError('No column of times was found. Write them as 2026-11-25 09:10:00');
  return { by: 'elapsed', time, seconds: countedIn(names[time]!) };
}

/** Row of the headings: of the first rows the one that names a time and a temperature, else one of words that names a time; −1 where there is none. */
function headingOf(rows: LoggerRows): number {
  const first = rows.slice(0, HEADINGS_WITHIN);
  const isTimed = (row: readonly string[]) => !timedRow(row) && row.some((cell) => TIMED.test(cell));
  const whole = first.findIndex((row) => isTimed(row) && row.some((cell) => WARM.test(cell)));
  if (whole >= 0) return whole;
  const wordy = (row: readonly string[]) =>
    row.filter((cell) => cell !== '' && figureOf(cell) === null).length > 1;
  return first.findIndex((row) => isTimed(row) && wordy(row));
}

/**
 * Which columns of a logger's table hold the times, and which may hold the temperatures.
 * @throws RangeError where they are not found, or where its rows have more cells than its headings
 */
export function columnsOf(rows: LoggerRows): LoggerColumns {
  const head = headingOf(rows);
  const names = head >= 0 ? rows[head]! : [];
  const body = rows.slice(head + 1);
  const times = timesOf(names, body);
  const clock = times.by === 'wall' ? times.clock : null;
  const taken = new Set(clock === null ? [times.time] : [times.time, clock]);
  const warm = warmColumns(names, body, taken);
  if (warm.length === 0) throw new RangeError('No column of temperatures was found beside the times');
  const widest = Math.max(0, ...body.slice(0, SEEN).map((row) => row.filter((c) => c !== '').length));
  if (names.length > 0 && widest > names.length)
    throw new RangeError(
      'Its rows have more columns than its headings: is the comma both the decimal sign and what parts the columns? Save it with semicolons between the columns',
    );
  return { times, warm, above: rows.slice(0, Math.max(0, head)), body };
}

const said = (unit: 'c' | 'f', words: string): RegExp =>
  new RegExp(
    `${words}|[°º˚]\\s*${unit}(?![a-z])|deg(?:rees?)?[.\\s]*${unit}(?![a-z])|(?<![a-z])${unit}(?![a-z])`,
    'i',
  );
const FAHRENHEIT = said('f', 'fahr|℉');
const CELSIUS = said('c', 'celsius|centigrade|℃');
const KELVIN = /kelvin|\(k\)|\[k\]/i;

function unitsIn(text: string): Set<'C' | 'F'> {
  const found = new Set<'C' | 'F'>();
  if (FAHRENHEIT.test(text) || /[a-z]F(?![A-Za-z])/.test(text)) found.add('F');
  if (CELSIUS.test(text) || /[a-z]C(?![A-Za-z])/.test(text)) found.add('C');
  return found;
}

/**
 * The unit that the file names: in the temperature's heading, in the row under it, in its cells, or in a line over the table.
 * @returns null where nothing names it
 * @throws RangeError where two units are named, or kelvin
 */
export function unitNamed({ body, above }: LoggerColumns, { column, name }: LoggerColumn): 'C' | 'F' | null {
  if (KELVIN.test(name))
    throw new RangeError('Temperatures in kelvin are not read. Save the file in °C or °F');
  const cells = body.slice(0, SEEN).flatMap((row) => [...unitsIn(row[column] ?? '')]);
  const found = new Set([...unitsIn(name), ...cells]);
  if (found.size === 2)
    throw new RangeError('The file names both °C and °F for one temperature. Save it again in one of them');
  if (found.size === 1) return [...found][0]!;
  const over = new Set(
    above.filter((row) => /unit|temp/i.test(row.join(' '))).flatMap((row) => [...unitsIn(row.join(' '))]),
  );
  return over.size === 1 ? [...over][0]! : null;
}

/**
 * The sign between the columns of a table, from its heading, or its first row where it has none: tabs and semicolons go before commas,
 * which may be decimal signs beside them.
 * @example delimiterOf('Zeit;Temp °C\n08:00;85,5') // ';'
 */
export function delimiterOf(text: string): '\t' | ';' | '|' | ',' {
  const lines = text.split(/\r?\n/, 200).slice(0, HEADINGS_WITHIN * 2);
  const heading =
    lines.find((line) => TIMED.test(line) && WARM.test(line)) ??
    lines.find((line) => /\d:\d\d/.test(line)) ??
    lines.find((line) => TIMED.test(line)) ??
    '';
  return (['\t', ';', '|'] as const).find((sign) => heading.includes(sign)) ?? ',';
}
