import { type Day, type DayOrder, dayOrderOf, readDay } from '../calendar/index.ts';
import { type KitchenCatalogue, namedIn } from '../ingredient/index.ts';
import { type CupSchool, parseQuantity, readFigure, readPrice, toGrams } from '../quantity/index.ts';
import {
  type SpreadsheetColumn,
  type SpreadsheetKind,
  type SpreadsheetRow,
  spreadsheetKinds,
} from './kinds.ts';
import type { Matched } from './match.ts';

/** What a spreadsheet is read by. */
export interface SpreadsheetSetting {
  /** The day in the kitchen. */
  today: Day;
  currency: string;
  cup?: CupSchool | undefined;
  catalogue: KitchenCatalogue;
  /** Which comes first in "3/4/2026", where it was said. */
  order?: DayOrder | undefined;
  /** Number of the first row under the heading, as the spreadsheet counts; 2 unless it is said. */
  firstRow?: number | undefined;
}

/** A cell that cannot be taken: its row as the spreadsheet counts them, its column, and what to do. */
export interface SpreadsheetFault {
  row: number;
  field: string;
  says: string;
}

/** What was read of a spreadsheet. */
export interface SpreadsheetRead<K extends SpreadsheetKind> {
  /** Rows without a fault, each with its number in the spreadsheet. */
  rows: (SpreadsheetRow<K> & { row: number })[];
  faults: SpreadsheetFault[];
  /** Which comes first in its days; 'either' or 'both' where somebody has to say. */
  order: DayOrder | 'either' | 'both' | undefined;
}

type Cell = string | number | null;
type Outcome = { value: Cell; problem?: undefined } | { value?: undefined; problem: string };

const asText = (said: string, most: number): Outcome =>
  said.length > most ? { problem: `At most ${most} characters.` } : { value: said };

function asDay(said: string, past: boolean, { today, order }: SpreadsheetSetting): Outcome {
  // A spreadsheet's own days have a time of day behind them.
  const read = readDay(said.replace(/^(\d{4}-\d{2}-\d{2})[T ].*$/, '$1'), today, order);
  if (read.problem !== undefined) return { problem: read.problem };
  const day = read.value ?? null;
  if (past && day !== null && day > today) return { problem: `${said} is still to come.` };
  return { value: day };
}

function asIngredient(said: string, { catalogue }: SpreadsheetSetting): Outcome {
  const { entry, others } = namedIn(said, catalogue);
  if (entry) return { value: entry.id };
  const meant = others.slice(0, 3).map((other) => other.name);
  return {
    problem:
      meant.length > 0
        ? `“${said}” may be ${meant.join(', ')}. Write which.`
        : `“${said}” is no ingredient of this kitchen. Enter it under Ingredients and measures first.`,
  };
}

/** g of an amount with its unit, of the ingredient that stands in the same row. */
function asAmount(said: string, unit: string, thing: Cell, setting: SpreadsheetSetting): Outcome {
  const entry = typeof thing === 'string' ? setting.catalogue.find(thing) : undefined;
  if (!entry) return { value: null };
  const whole = unit === '' ? said : `${said} ${unit}`;
  if (/^[\d.,\s]+$/.test(whole)) return { problem: `“${said}” of what? Write its unit, such as ${said} kg.` };
  try {
    const { cup, catalogue } = setting;
    const { grams } = toGrams(parseQuantity(whole, { cup }), entry, { cup, measures: catalogue.measures });
    return grams > 0 && grams <= 1_000_000 ? { value: grams } : { problem: 'Over 0 g, and at most a tonne.' };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { problem: `${error.message}.` };
  }
}

/** mL of the size of a bottle; a bare number is in mL. */
function asVolume(said: string, { cup }: SpreadsheetSetting): Outcome {
  const bounds = { unit: 'ml', min: 1, max: 20_000 } as const;
  if (/^[\d.,\s]+$/.test(said)) return figureOf(readFigure(said, bounds));
  try {
    const { millilitres } = parseQuantity(said, { cup });
    if (millilitres !== undefined) return figureOf(readFigure(`${millilitres}`, bounds));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { problem: `${error.message}.` };
  }
  return { problem: `“${said}” is no size of a bottle. Write it such as 250 ml or 0.5 l.` };
}

const figureOf = (read: { value?: number | null; problem?: string | undefined }): Outcome =>
  read.problem === undefined ? { value: read.value ?? null } : { problem: read.problem };

function readCell(column: SpreadsheetColumn, said: string, setting: SpreadsheetSetting): Outcome {
  switch (column.as) {
    case 'text':
      return asText(said, column.most);
    case 'day':
      return asDay(said, column.past, setting);
    case 'figure':
      return figureOf(
        readFigure(said, { unit: '', min: column.low, max: column.high, whole: column.whole ?? false }),
      );
    case 'volume':
      return asVolume(said, setting);
    case 'price': {
      const { minor, problem } = readPrice(said, setting.currency);
      return problem === undefined ? { value: minor } : { problem };
    }
    case 'ingredient':
      return asIngredient(said, setting);
    case 'amount':
      return { value: null };
  }
}

const cellAt = (cells: readonly string[], at: number | null | undefined): string =>
  at === null || at === undefined ? '' : (cells[at] ?? '').trim();

const hasColumn = (field: string, matched: Matched): boolean => typeof matched[field] === 'number';

/** A formula whose value was not kept; among words, only what names cells or a function is one. */
const isFormula = (said: string, { as }: SpreadsheetColumn): boolean =>
  as === 'text' ? /^=(?:[A-Z]+\(|\$?[A-Z]{1,3}\$?\d)/.test(said) : /^=[^=\s]/.test(said);

function readRow(
  columns: readonly SpreadsheetColumn[],
  matched: Matched,
  cells: readonly string[],
  setting: SpreadsheetSetting,
): { values: Record<string, Cell>; faults: Omit<SpreadsheetFault, 'row'>[] } {
  const values: Record<string, Cell> = {};
  const faults: Omit<SpreadsheetFault, 'row'>[] = [];
  const saidOf = (field: string) => cellAt(cells, matched[field]);
  for (const column of columns) {
    const { field, required } = column;
    const said = saidOf(field);
    values[field] = null;
    if (said === '') {
      if (required && hasColumn(field, matched)) faults.push({ field, says: `${column.name} is missing.` });
      continue;
    }
    if (isFormula(said, column)) {
      faults.push({
        field,
        says: `“${said}” is a formula, and the file keeps no value of it. Open it in the program that made it, save it again, or write the value here.`,
      });
      continue;
    }
    const read =
      column.as === 'amount'
        ? asAmount(said, saidOf('unit'), values.thing ?? null, setting)
        : readCell(column, said, setting);
    if (read.problem !== undefined) faults.push({ field, says: read.problem });
    else values[field] = read.value;
  }
  return { values, faults };
}

/** Dates that lie before those they follow, and what names nothing. */
function faultsBetween(kind: SpreadsheetKind, values: Record<string, Cell>): Omit<SpreadsheetFault, 'row'>[] {
  const { bestBy, madeOn, gotOn } = values;
  const from = madeOn ?? gotOn;
  if (typeof bestBy === 'string' && typeof from === 'string' && bestBy < from)
    return [{ field: 'bestBy', says: `Best by ${bestBy} is before ${from}.` }];
  if (kind === 'sales' && values.code === null && values.name === null)
    return [{ field: 'name', says: 'Which product was it? Write its lot or its name.' }];
  return [];
}

/** Rows that name a lot a second time. */
function twice(rows: readonly { row: number; code?: unknown }[]): SpreadsheetFault[] {
  const first = new Map<string, number>();
  return rows.flatMap(({ row, code }) => {
    const key = String(code).toLowerCase();
    const before = first.get(key);
    if (before === undefined) {
      first.set(key, row);
      return [];
    }
    return [{ row, field: 'code', says: `Lot ${code} stands in row ${before} as well.` }];
  });
}

/** Cells of the columns that have days. */
const dayCells = (
  columns: readonly SpreadsheetColumn[],
  matched: Matched,
  rows: readonly (readonly string[])[],
) =>
  columns
    .filter((column) => column.as === 'day')
    .flatMap(({ field }) => rows.map((cells) => cellAt(cells, matched[field])));

/**
 * Reads the rows of a spreadsheet under its heading, every cell by the reader that its field in a form has; rows that are empty are passed over.
 * @param matched where its columns stand, as `matchColumns` finds them; @param rows cells as text
 * @returns rows without a fault, and every fault by row and column; nothing is guessed: a day that could be two asks
 * @example readSpreadsheet('contacts', { name: 0 }, [['Marl Farm']], { today: '2026-11-28', currency: 'GBP', catalogue }).rows[0].name // 'Marl Farm'
 */
export function readSpreadsheet<K extends SpreadsheetKind>(
  kind: K,
  matched: Matched,
  rows: readonly (readonly string[])[],
  setting: SpreadsheetSetting,
): SpreadsheetRead<K> {
  const columns: readonly SpreadsheetColumn[] = spreadsheetKinds[kind].columns;
  const seen = dayOrderOf(dayCells(columns, matched, rows));
  const order = setting.order ?? (seen === 'either' || seen === 'both' ? undefined : seen);
  const firstRow = setting.firstRow ?? 2;
  const missing = columns
    .filter(({ field, required }) => required && !hasColumn(field, matched))
    .map(({ field, name }) => ({ row: firstRow - 1, field, says: `Choose the column that has ${name}.` }));
  const read: SpreadsheetRead<K> = { rows: [], faults: [...missing], order: setting.order ?? seen };
  rows.forEach((cells, i) => {
    const row = firstRow + i;
    if (cells.every((cell) => cell.trim() === '')) return;
    const { values, faults } = readRow(columns, matched, cells, { ...setting, order });
    const all = faults.length > 0 ? faults : faultsBetween(kind, values);
    read.faults.push(...all.map((fault) => ({ row, ...fault })));
    // Without a column that every row needs, none can be taken.
    if (all.length === 0 && missing.length === 0)
      read.rows.push({ ...values, row } as SpreadsheetRow<K> & { row: number });
  });
  if (kind === 'lots') read.faults.push(...twice(read.rows as { row: number; code?: unknown }[]));
  read.faults.sort((a, b) => a.row - b.row);
  return read;
}
