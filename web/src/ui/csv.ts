import { stringify } from 'csv-stringify/browser/esm/sync';

/** Rows as CSV that any spreadsheet reads: lines as RFC 4180 ends them, a mark that says UTF-8, and no cell that is taken for a formula. */
export const asCsv = (rows: readonly Record<string, string | number>[]): string =>
  stringify([...rows], { header: true, bom: true, record_delimiter: 'windows', escape_formulas: true });
