import { delimiterOf, type LoggerAnswers, type LoggerReading, readLogger } from '@inch/core/instrument';
import { parse } from 'csv-parse/browser/esm/sync';

/** A temperature logger's file, whatever parts its columns; throws with what is wrong where it holds none. */
export function readLoggerText(text: string, timeZone: string, answers: LoggerAnswers = {}): LoggerReading {
  const rows = parse(text, {
    bom: true,
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: true,
    trim: true,
    delimiter: delimiterOf(text),
  });
  return readLogger(rows as string[][], timeZone, answers);
}
