import {
  basisWords,
  type FormulaLine,
  lineKey,
  type ReadListLine,
  readIngredientList,
} from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { CsvError, parse } from 'csv-parse/browser/esm/sync';
import { stringify } from 'csv-stringify/browser/esm/sync';
import { delimiterOf } from '../../data/delimiter.ts';
import type { Draft } from '../draft.ts';
import { formulaLineOf, type Incoming } from './incoming.ts';
import { FileProblem } from './problem.ts';

const COLUMNS = ['amount', 'told by', 'ingredient', 'ingredient id', 'grams', 'goes in at', 'basis'] as const;

/** A basis as its column says it: of which line, counted from 1, or of what, and by what. */
function basisCode(line: FormulaLine, lines: readonly FormulaLine[]): string {
  const { basis } = line;
  if (!basis) return '';
  const each = 'each' in basis && basis.each !== undefined ? ` for ${basis.each}` : '';
  if (basis.per === 'line')
    return `line ${lines.findIndex((l) => l.id === basis.lineId) + 1} by ${basis.by}${each}`;
  if (basis.per === 'yield') return `yield by ${basis.by}${each}`;
  if (basis.per === 'bottle' && basis.fills) return 'bottle to the headspace';
  return basis.per === 'bottle' && basis.ml ? `bottle of ${basis.ml} mL` : basis.per;
}

/** A basis out of its column; undefined where it says nothing that is known. */
function basisFrom(code: string, idOf: (number: number) => string): FormulaLine['basis'] {
  const told = / by (weight|volume)(?: for (.+))?$/.exec(code);
  const by = told?.[1] as 'weight' | 'volume' | undefined;
  const each = told?.[2] === undefined ? {} : { each: told[2] };
  const line = /^line (\d+) by /.exec(code);
  if (line && by) return { per: 'line', lineId: idOf(Number(line[1])), by, ...each };
  if (code.startsWith('yield by ') && by) return { per: 'yield', by, ...each };
  const bottle = /^bottle of (\d+(?:\.\d+)?) mL$/.exec(code);
  if (bottle) return { per: 'bottle', ml: Number(bottle[1]) };
  if (code === 'bottle to the headspace') return { per: 'bottle', fills: true };
  return code === 'bottle' || code === 'batch' || code === 'cover' ? { per: code } : undefined;
}

interface Row {
  record: Record<string, string>;
  info: { lines: number };
}

/** What columns are called elsewhere. */
const CALLED: Record<string, string> = {
  quantity: 'amount',
  qty: 'amount',
  menge: 'amount',
  'ingredient name': 'ingredient',
  name: 'ingredient',
  item: 'ingredient',
  food: 'ingredient',
  zutat: 'ingredient',
  units: 'unit',
  einheit: 'unit',
  measure: 'unit',
};

/** The heading of a column by the name that is read. */
const columnOf = (heading: string): string => {
  const name = heading.trim().toLowerCase();
  return CALLED[name] ?? name;
};

function rowsOf(text: string): Row[] {
  try {
    return parse(text, {
      bom: true,
      delimiter: delimiterOf(text),
      // A cell that begins like a formula went out behind an apostrophe.
      cast: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
      columns: (header: string[]) => header.map(columnOf),
      info: true,
      skip_empty_lines: true,
      trim: true,
    }) as unknown as Row[];
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    throw new FileProblem(Number(error.lines) || null, 'this line has not as many columns as the first.');
  }
}

function lineFrom({ record, info }: Row, catalogue: KitchenCatalogue): ReadListLine {
  const { amount: figure = '', unit = '', ingredient = '', 'told by': toldBy = '' } = record;
  const amount = [figure, unit].filter(Boolean).join(' ');
  const id = record['ingredient id'] ?? '';
  if (ingredient === '' && id === '') throw new FileProblem(info.lines, 'it names no ingredient.');
  const words = `${amount} ${ingredient || id}${toldBy ? ` ${toldBy}` : ''}`.trim();
  const [read] = readIngredientList(words, catalogue);
  if (!read) throw new FileProblem(info.lines, `"${words}" cannot be read.`);
  const known = catalogue.find(id);
  const line: ReadListLine = { ...read, number: info.lines, said: amount || read.said, text: words };
  if (!known) return line;
  const { query: _, ...understood } = line;
  return amount === '' ? { ...line, ingredientId: known.id } : { ...understood, ingredientId: known.id };
}

/**
 * The lines of a formula out of a CSV file with a header: amount and ingredient, and if they are there told by and ingredient id.
 * @throws FileProblem naming the line of the file
 */
export function incomingCsv(text: string, catalogue: KitchenCatalogue): Incoming {
  const rows = rowsOf(text);
  const [first] = rows;
  if (!first) throw new FileProblem(null, 'There is no line under the header.');
  if (!('amount' in first.record) || !('ingredient' in first.record || 'ingredient id' in first.record))
    throw new FileProblem(1, 'the header needs the columns "amount" and "ingredient".');
  const lines = rows.map((row) => lineFrom(row, catalogue));
  const ids = lines.map(lineKey);
  const formulaLines = lines.map((line, i) => {
    // The column says it to the letter; where there is none, the words are read.
    const code = rows[i]!.record.basis;
    if (code === undefined) return formulaLineOf(line);
    const { basis: _, ...plain } = formulaLineOf(line);
    const basis = basisFrom(code, (number) => ids[number - 1] ?? '');
    return basis ? { ...plain, basis } : plain;
  });
  return { lines, formulaLines };
}

/** The lines of a formula as CSV (RFC 4180), with the grams they come to. */
export function asCsv(draft: Draft, catalogue: KitchenCatalogue, grams: readonly (number | null)[]): string {
  const { lines, steps } = draft.content;
  const nameOf = (line: FormulaLine | undefined) => catalogue.find(line?.ingredientId ?? '')?.name ?? '';
  const records = lines.map((line, i) => [
    line.said,
    basisWords(line.basis, (id) => nameOf(lines.find((l) => l.id === id)).toLowerCase()).trim(),
    nameOf(line),
    line.ingredientId,
    grams[i] === null || grams[i] === undefined ? '' : grams[i].toFixed(1),
    steps.find((step) => step.id === line.stepId)?.title ?? steps[0]?.title ?? '',
    basisCode(line, lines),
  ]);
  return stringify([[...COLUMNS], ...records], {
    record_delimiter: 'windows',
    bom: true,
    escape_formulas: true,
  });
}
