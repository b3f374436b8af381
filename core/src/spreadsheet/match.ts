import { type SpreadsheetColumn, type SpreadsheetKind, spreadsheetKinds } from './kinds.ts';

/** Where the columns of a kind stand in a spreadsheet, by field: 0 for its first column, null where it has none. */
export type Matched = Record<string, number | null>;

/** A heading as it is compared: lower case, without accents, signs and what stands in brackets. */
const plain = (heading: string): string =>
  heading
    .toLowerCase()
    .normalize('NFD')
    .replace(/\([^)]*\)|\[[^\]]*\]/g, ' ')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

const namesOf = ({ name, field, also }: SpreadsheetColumn): string[] => [name, field, ...also].map(plain);

/** How well a heading names a column: 2 as it is called, 1 by a word of it, 0 not at all. */
function fit(heading: string, column: SpreadsheetColumn): number {
  const said = plain(heading);
  if (said === '') return 0;
  const names = namesOf(column);
  if (names.includes(said)) return 2;
  return names.some((name) => name.length > 2 && ` ${said} `.includes(` ${name} `)) ? 1 : 0;
}

/**
 * Finds the columns of a kind by what stands over them; each heading names one column at most.
 * @param header headings in the order of the columns
 * @example matchColumns('contacts', ['Customer', 'Mobile']).phone // 1
 */
export function matchColumns(kind: SpreadsheetKind, header: readonly string[]): Matched {
  const columns: readonly SpreadsheetColumn[] = spreadsheetKinds[kind].columns;
  const matched: Matched = Object.fromEntries(columns.map(({ field }) => [field, null]));
  const taken = new Set<number>();
  for (const wanted of [2, 1])
    for (const column of columns) {
      if (matched[column.field] !== null) continue;
      const at = header.findIndex((heading, i) => !taken.has(i) && fit(heading, column) >= wanted);
      if (at < 0) continue;
      matched[column.field] = at;
      taken.add(at);
    }
  return matched;
}
