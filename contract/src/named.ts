import { z } from 'zod';
import * as account from './account.ts';
import * as backup from './backup.ts';
import * as calendar from './calendar.ts';
import * as contact from './contact.ts';
import * as container from './container.ts';
import { bodyOf, postedNouns } from './entry.ts';
import * as exportOf from './export.ts';
import * as formula from './formula.ts';
import * as formulaFile from './formulaFile.ts';
import * as heatProcess from './heatProcess.ts';
import * as ingredient from './ingredient.ts';
import * as instrument from './instrument.ts';
import * as journal from './journal.ts';
import * as kitchen from './kitchen.ts';
import * as kitchenFile from './kitchenFile.ts';
import * as live from './live.ts';
import * as lot from './lot.ts';
import * as lotRecord from './lotRecord.ts';
import * as photograph from './photograph.ts';
import * as plan from './plan.ts';
import * as sale from './sale.ts';
import * as spreadsheet from './spreadsheet.ts';
import * as stock from './stock.ts';
import * as today from './today.ts';
import * as values from './values.ts';
import * as vessel from './vessel.ts';

const MODULES = [
  ...[
    account,
    exportOf,
    backup,
    calendar,
    contact,
    container,
    formula,
    formulaFile,
    heatProcess,
    ingredient,
    instrument,
    kitchen,
    kitchenFile,
  ],
  ...[live, journal, lot, lotRecord, photograph, plan, sale, spreadsheet, stock, today, values, vessel],
];

const pascal = (noun: string): string => noun.replace(/(?:^|-)([a-z])/g, (_, c: string) => c.toUpperCase());

/** Every schema of the contract that has a name of its own: the types that a client of the API reads and writes. */
export function namedSchemas(): Map<string, z.ZodType> {
  const named = new Map<string, z.ZodType>();
  for (const module of MODULES)
    for (const [name, value] of Object.entries(module))
      if (value instanceof z.ZodType && /^[A-Z]/.test(name)) named.set(name, value);
  for (const noun of postedNouns) named.set(`New${pascal(noun)}`, bodyOf(noun));
  return named;
}
