/** A temperature as a logger kept it. */
export interface LoggedSample {
  /** ISO instant. */
  at: string;
  celsius: number;
}

export interface LoggerFile {
  samples: LoggedSample[];
  /** How it was understood, for the cook to see before any of it is kept. */
  understood: string;
  /** Rows that held no time or no temperature. */
  skipped: number;
}

const TIMED = /time|date|when|stamp/i;
const WARM = /temp|°\s*[cf]|\bt\b|celsius|fahrenheit/i;
const FAHRENHEIT = /°\s*f|fahrenheit|\(f\)|_f\b/i;

/** An instant from a logger's words: ISO, or a day and a clock as the device wrote them, in the time zone of the device that reads the file. */
function instantOf(text: string): string | null {
  const words = text.trim();
  const local = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[ T](\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?$/.exec(
    words,
  );
  const ms = local
    ? new Date(
        Number(local[1]),
        Number(local[2]) - 1,
        Number(local[3]),
        Number(local[4]),
        Number(local[5]),
        Number(local[6] ?? 0),
      ).getTime()
    : /^\d{4}-\d{2}-\d{2}T.*(Z|[+-]\d{2}:?\d{2})$/.test(words)
      ? Date.parse(words)
      : Number.NaN;
  return Number.isNaN(ms) ? null : new Date(ms).toISOString();
}

const figureOf = (text: string | undefined): number | null => {
  const bare = (text ?? '')
    .trim()
    .replace(',', '.')
    .replace(/\s*°?\s*[cf]$/i, '');
  return bare === '' || Number.isNaN(Number(bare)) ? null : Number(bare);
};

/**
 * Reads a temperature logger's table: which column is the time, which the temperature, °C or °F by its heading.
 * @param rows cells of a CSV file, headings among the first ten rows where it has them
 * @returns samples in order of time, °C; @throws RangeError where no column of times and temperatures is found
 */
export function readLogger(rows: readonly (readonly string[])[]): LoggerFile {
  const head = rows
    .slice(0, 10)
    .findIndex((row) => row.some((c) => TIMED.test(c)) && row.some((c) => WARM.test(c)));
  const names = head >= 0 ? rows[head]! : [];
  const body = rows.slice(head + 1);
  const first = body.find((row) => row.some((c) => instantOf(c) !== null));
  if (!first) throw new RangeError('No column of times was found: write them as 2026-11-25 09:10:00');
  const timeColumn = first.findIndex((c) => instantOf(c) !== null);
  const named = names.findIndex((c, i) => i !== timeColumn && WARM.test(c));
  const warmColumn = named >= 0 ? named : first.findIndex((c, i) => i !== timeColumn && figureOf(c) !== null);
  if (warmColumn < 0) throw new RangeError('No column of temperatures was found beside the times');
  const fahrenheit = FAHRENHEIT.test(names[warmColumn] ?? '') || /°?\s*f$/i.test(first[warmColumn] ?? '');
  const samples: LoggedSample[] = [];
  let skipped = 0;
  for (const row of body) {
    const [at, read] = [instantOf(row[timeColumn] ?? ''), figureOf(row[warmColumn])];
    const celsius = read === null ? null : fahrenheit ? ((read - 32) * 5) / 9 : read;
    if (at === null || celsius === null || celsius < -40 || celsius > 200) skipped++;
    else samples.push({ at, celsius });
  }
  samples.sort((a, b) => a.at.localeCompare(b.at));
  if (samples.length === 0) throw new RangeError('The file has no row with both a time and a temperature');
  const hottest = Math.max(...samples.map((s) => s.celsius));
  return {
    samples,
    skipped,
    understood: `${samples.length} temperatures in ${fahrenheit ? '°F, turned into °C' : '°C'}, hottest ${hottest.toFixed(1)} °C`,
  };
}

/** The samples worth keeping in a record: the first of each so many seconds, and the hottest and the coldest of them all. */
export function thinned(samples: readonly LoggedSample[], everySeconds = 60): LoggedSample[] {
  if (samples.length === 0) return [];
  const by = (better: (a: number, b: number) => boolean) =>
    samples.reduce((best, s) => (better(s.celsius, best.celsius) ? s : best));
  const kept = new Set([by((a, b) => a > b), by((a, b) => a < b), samples.at(-1)!]);
  let next = Number.NEGATIVE_INFINITY;
  for (const sample of samples) {
    if (Date.parse(sample.at) < next) continue;
    kept.add(sample);
    next = Date.parse(sample.at) + everySeconds * 1000;
  }
  return samples.filter((s) => kept.has(s));
}
