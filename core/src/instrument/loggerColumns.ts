import { hasClock, hasDate } from './loggerTime.ts';

export type LoggerRows = readonly (readonly string[])[];

export interface LoggerColumns {
  /** Column of the date, or of date and time together. */
  time: number;
  /** Column of the time of day, where the date stands alone. */
  clock: number | null;
  /** Column of the temperature. */
  warm: number;
  /** Heading of the temperature. */
  name: string;
  /** What stands over the table. */
  above: LoggerRows;
  body: LoggerRows;
}

const TIMED = /time|date|when|stamp|zeit|datum|heure|fecha|hora/i;
const WARM = /temp|[°º˚℃℉]|celsius|centigrade|fahrenheit|\bdeg|\bprobe\b|\bt\b/i;
const HEADINGS_WITHIN = 20;

/** A figure of a cell, with or without its unit; null where it is none. */
export function figureOf(text: string | undefined): number | null {
  const match = /^([-+−]?\d+(?:[.,]\d+)?)\s*(?:deg(?:rees?)?\.?|[°º˚])?\s*(?:[cf]|℃|℉)?$/i.exec(
    (text ?? '').trim(),
  );
  return match ? Number(match[1]!.replace('−', '-').replace(',', '.')) : null;
}

const timedRow = (row: readonly string[]): boolean => row.some(hasDate) && row.some(hasClock);

/** The temperature's column in a table without headings: the one column of figures behind the times. */
function unnamedColumn(row: readonly string[], time: number, clock: number | null): number {
  const figures = row.flatMap((cell, i) => (i !== time && i !== clock && figureOf(cell) !== null ? [i] : []));
  const behind = figures.filter((i) => i > time);
  if (behind.length > 1)
    throw new RangeError(
      'The file has several columns of figures and no headings. Name the one of the temperature, such as “Temp °C”',
    );
  return behind[0] ?? figures[0] ?? -1;
}

/**
 * Which columns of a logger's table hold the times and the temperatures.
 * @throws RangeError where they are not found, or where its rows have more cells than its headings
 */
export function columnsOf(rows: LoggerRows): LoggerColumns {
  const head = rows
    .slice(0, HEADINGS_WITHIN)
    .findIndex((row) => !timedRow(row) && row.some((c) => TIMED.test(c)) && row.some((c) => WARM.test(c)));
  const names = head >= 0 ? rows[head]! : [];
  const body = rows.slice(head + 1);
  const first = body.find(timedRow);
  if (!first) throw new RangeError('No column of times was found. Write them as 2026-11-25 09:10:00');
  const time = first.findIndex(hasDate);
  const clock = hasClock(first[time]) ? null : first.findIndex(hasClock);
  const named = names.findIndex((c, i) => i !== time && i !== clock && WARM.test(c));
  const warm = named >= 0 ? named : unnamedColumn(first, time, clock);
  if (warm < 0) throw new RangeError('No column of temperatures was found beside the times');
  if (names.length > 0 && first.filter((c) => c !== '').length > names.length)
    throw new RangeError(
      'Its rows have more columns than its headings: is the comma both the decimal sign and what parts the columns? Save it with semicolons between the columns',
    );
  return { time, clock, warm, name: names[warm] ?? '', above: rows.slice(0, Math.max(0, head)), body };
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
export function unitNamed(columns: LoggerColumns): 'C' | 'F' | null {
  const { warm, name, body, above } = columns;
  if (KELVIN.test(name))
    throw new RangeError('Temperatures in kelvin are not read. Save the file in °C or °F');
  const cells = body.slice(0, 50).flatMap((row) => [...unitsIn(row[warm] ?? '')]);
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
    '';
  return (['\t', ';', '|'] as const).find((sign) => heading.includes(sign)) ?? ',';
}
