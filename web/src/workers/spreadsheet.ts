import { CsvError, parse } from 'csv-parse/browser/esm/sync';
import readWorkbook from 'read-excel-file/web-worker';
import { delimiterOf } from '../data/delimiter.ts';
import { textOf } from '../data/textOf.ts';
import { withFormulas } from './formulas.ts';

/** A sheet of a file: every cell as text, rows as the file counts them. */
export interface SheetOfFile {
  name: string;
  rows: string[][];
  /** The sign between its cells, of a CSV. */
  sign?: string;
}

/** A cell as text: days as ISO 8601, as a spreadsheet knows no hour of the day zone. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return String(cell);
}

function csvRows(text: string, sign: string): string[][] {
  try {
    return parse(text, {
      bom: true,
      delimiter: sign,
      relax_column_count: true,
      // A cell that begins like a formula went out behind an apostrophe.
      cast: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    throw new Error(`Line ${Number(error.lines) || '?'} of the file cannot be read as CSV: ${error.message}`);
  }
}

/**
 * The sheets of an XLSX or CSV file.
 * @param sign between the cells of a CSV, where it was chosen
 * @throws Error that says what is wrong with the file
 */
export async function sheetsOf(file: File, sign?: string): Promise<SheetOfFile[]> {
  const bytes = await file.arrayBuffer();
  const isZip = new Uint8Array(bytes.slice(0, 2)).join() === '80,75';
  if (!isZip) {
    const text = textOf(bytes);
    const by = sign ?? delimiterOf(text);
    return [{ name: '', rows: csvRows(text, by), sign: by }];
  }
  try {
    const sheets = await readWorkbook(new Blob([bytes]));
    const named = sheets.map(({ sheet, data }) => ({
      name: sheet,
      rows: data.map((row) => row.map(cellText)),
    }));
    return withFormulas(named, new Uint8Array(bytes));
  } catch (error) {
    throw new Error(
      `This is not a spreadsheet that can be read (${(error as Error).message}). Save it as XLSX or CSV.`,
    );
  }
}
