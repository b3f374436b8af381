import { CsvError, parse } from 'csv-parse/browser/esm/sync';
import readWorkbook from 'read-excel-file/web-worker';
import { textOf } from '../data/textOf.ts';

/** A sheet of a file: every cell as text, rows as the file counts them. */
export interface SheetOfFile {
  name: string;
  rows: string[][];
}

/** A cell as text: days as ISO 8601, as a spreadsheet knows no hour of the day zone. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return String(cell);
}

/** The sign that parts the cells of a CSV: the one of these that stands most often in its first lines. */
function delimiterOf(text: string): string {
  const first = text.split(/\r\n?|\n/, 20).join('\n');
  const count = (sign: string) => first.split(sign).length;
  return [',', ';', '\t'].sort((a, b) => count(b) - count(a))[0]!;
}

function csvRows(text: string): string[][] {
  try {
    return parse(text, {
      bom: true,
      delimiter: delimiterOf(text),
      relax_column_count: true,
      // A cell that begins like a formula went out behind an apostrophe.
      cast: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    throw new Error(`Line ${Number(error.lines) || '?'} of the file cannot be read as CSV: ${error.message}`);
  }
}

/** The sheets of an XLSX or CSV file. @throws Error that says what is wrong with the file */
export async function sheetsOf(file: File): Promise<SheetOfFile[]> {
  const bytes = await file.arrayBuffer();
  const isZip = new Uint8Array(bytes.slice(0, 2)).join() === '80,75';
  if (!isZip) return [{ name: '', rows: csvRows(textOf(bytes)) }];
  try {
    const sheets = await readWorkbook(new Blob([bytes]));
    return sheets.map(({ sheet, data }) => ({ name: sheet, rows: data.map((row) => row.map(cellText)) }));
  } catch (error) {
    throw new Error(
      `This is not a spreadsheet that can be read (${(error as Error).message}). Save it as XLSX or CSV.`,
    );
  }
}
