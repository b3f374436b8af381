import { strFromU8, unzipSync } from 'fflate';

interface Named {
  name: string;
  rows: string[][];
}

/** Place of a cell by its name: "C7" is row 6, column 2. */
function placeOf(cell: string): { row: number; column: number } | null {
  const match = /^([A-Z]+)(\d+)$/.exec(cell);
  if (!match) return null;
  const column = [...match[1]!].reduce((n, letter) => n * 26 + letter.charCodeAt(0) - 64, 0) - 1;
  return { row: Number(match[2]) - 1, column };
}

const CELL = /<c\b([^>]*)>([\s\S]*?)<\/c>/g;

/** Formulas of a sheet whose value the file does not keep, with their places. */
function unvalued(xml: string): { row: number; column: number; formula: string }[] {
  return [...xml.matchAll(CELL)].flatMap(([, attributes, inner]) => {
    const place = placeOf(/\br="([^"]+)"/.exec(attributes!)?.[1] ?? '');
    const formula = /<f\b[^>]*>([\s\S]*?)<\/f>|<f\b[^>]*\/>/.exec(inner!);
    const valued = /<v>[\s\S]+?<\/v>|<is>/.test(inner!);
    return place && formula && !valued ? [{ ...place, formula: formula[1] ?? '' }] : [];
  });
}

/** The files of a workbook's sheets, in their order. */
function filesOf(files: Record<string, Uint8Array>): string[] {
  const textOf = (name: string) => (files[name] ? strFromU8(files[name]) : '');
  const targets = new Map(
    [...textOf('xl/_rels/workbook.xml.rels').matchAll(/<Relationship\b[^>]*>/g)].map(([tag]) => [
      /\bId="([^"]+)"/.exec(tag)?.[1] ?? '',
      (/\bTarget="([^"]+)"/.exec(tag)?.[1] ?? '').replace(/^\/?(?:xl\/)?/, 'xl/'),
    ]),
  );
  return [...textOf('xl/workbook.xml').matchAll(/<sheet\b[^>]*>/g)].map(
    ([tag]) => targets.get(/\br:id="([^"]+)"/.exec(tag)?.[1] ?? '') ?? '',
  );
}

/** Sheets with each formula that has no value kept as its words, "=B2*1.2": it is not empty, and nobody knows what it comes to. */
export function withFormulas<S extends Named>(sheets: S[], bytes: Uint8Array): S[] {
  const files = unzipSync(bytes, {
    filter: ({ name }) => /^xl\/(?:workbook\.xml|_rels\/|worksheets\/)/.test(name),
  });
  const names = filesOf(files);
  return sheets.map((sheet, i) => {
    const file = files[names[i] ?? ''];
    const formulas = file ? unvalued(strFromU8(file)) : [];
    if (formulas.length === 0) return sheet;
    const rows = sheet.rows.map((row) => [...row]);
    for (const { row, column, formula } of formulas) {
      while (rows.length <= row) rows.push([]);
      const cells = rows[row]!;
      while (cells.length <= column) cells.push('');
      if (cells[column] === '') cells[column] = `=${formula || 'a formula'}`;
    }
    return { ...sheet, rows };
  });
}
