import type { StockView } from '@inch/contract/kitchen/stock';
import { namedIn } from '@inch/core/ingredient';
import { CsvError, parse } from 'csv-parse/browser/esm/sync';
import { newId } from '../data/api.ts';
import type { Planning } from '../data/planning.ts';
import { priceProblem } from '../ui/typed.ts';
import { amountTyped } from './amount.ts';
import { packagingNamed } from './shopping.ts';

/** A line of a receipt as it is being written. */
export interface ReceiptLine {
  /** Id of the stock lot it becomes. */
  key: string;
  kind: StockView['kind'];
  thing: string;
  name: string;
  amount: string;
  paid: string;
  bestBy: string;
  words: string;
}

/** A receipt's file that cannot be read: which line of it, and what to do. Nothing of it is taken. */
export class ReceiptProblem extends Error {}

function thingNamed(words: string, planning: Planning): Pick<ReceiptLine, 'kind' | 'thing' | 'name'> | null {
  const wanted = words.trim().toLowerCase();
  const packaging = packagingNamed(planning).find(
    (p) => p.name.toLowerCase() === wanted || p.thing === wanted,
  );
  if (packaging) return { kind: 'packaging', thing: packaging.thing, name: packaging.name };
  const { entry } = namedIn(words, planning.catalogue);
  return entry ? { kind: 'ingredient', thing: entry.id, name: entry.name } : null;
}

/** What parts the columns, by the header: where that is a semicolon, prices may have decimal commas. */
function delimiterOf(text: string): string {
  const [header = ''] = text.split(/\r?\n/, 1);
  return [';', '\t'].find((sign) => header.includes(sign)) ?? ',';
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/**
 * The lines of a receipt out of a CSV file with a header: what and amount, and if they are there paid, best by and words.
 * @throws ReceiptProblem naming the line of the file
 */
export function receiptFromCsv(text: string, planning: Planning): ReceiptLine[] {
  let rows: { record: Record<string, string>; info: { lines: number } }[];
  try {
    rows = parse(text, {
      bom: true,
      columns: (header: string[]) => header.map((name) => name.trim().toLowerCase()),
      info: true,
      skip_empty_lines: true,
      trim: true,
      delimiter: delimiterOf(text),
    }) as unknown as typeof rows;
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    throw new ReceiptProblem(`Line ${error.lines}: it has not as many columns as the first.`);
  }
  const [first] = rows;
  if (!first) throw new ReceiptProblem('There is no line under the header.');
  if (!('what' in first.record && 'amount' in first.record))
    throw new ReceiptProblem('Line 1: the header needs the columns "what" and "amount".');
  return rows.map(({ record, info }) => {
    const { what = '', amount = '', paid = '', words = '' } = record;
    const bestBy = record['best by'] ?? '';
    const thing = thingNamed(what, planning);
    if (!thing)
      throw new ReceiptProblem(
        `Line ${info.lines}: "${what}" is not in the catalogue. Write it as it is called there.`,
      );
    const read = amountTyped(amount, thing, planning.catalogue, planning.kitchen.cupSchool);
    if (typeof read === 'string') throw new ReceiptProblem(`Line ${info.lines}: ${read}`);
    const wrong = priceProblem(paid, planning.kitchen.currency);
    if (wrong) throw new ReceiptProblem(`Line ${info.lines}: ${wrong}`);
    if (bestBy !== '' && !DAY.test(bestBy))
      throw new ReceiptProblem(`Line ${info.lines}: write the date as 2027-04-30.`);
    return { key: newId(), ...thing, amount, paid, bestBy, words };
  });
}
