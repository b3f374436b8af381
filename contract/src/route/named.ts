import * as ageingOf from '@inch/core/ageing';
import * as formulaOf from '@inch/core/formula';
import * as heatOf from '@inch/core/heat';
import * as ingredientOf from '@inch/core/ingredient';
import * as keepingOf from '@inch/core/keeping';
import * as labelOf from '@inch/core/label';
import * as lotOf from '@inch/core/lot';
import * as panOf from '@inch/core/pan';
import * as placeOf from '@inch/core/place';
import * as planningOf from '@inch/core/planning';
import * as quantityOf from '@inch/core/quantity';
import * as stockOf from '@inch/core/stock';
import * as valueSchemas from '@inch/core/value';
import { z } from 'zod';
import * as account from '../kitchen/account.ts';
import * as backup from '../kitchen/backup.ts';
import * as calendar from '../kitchen/calendar.ts';
import * as contact from '../kitchen/contact.ts';
import * as exportOf from '../kitchen/export.ts';
import * as journal from '../kitchen/journal.ts';
import * as kitchen from '../kitchen/kitchen.ts';
import * as kitchenFile from '../kitchen/kitchenFile.ts';
import * as place from '../kitchen/place.ts';
import * as plan from '../kitchen/plan.ts';
import * as sale from '../kitchen/sale.ts';
import * as spreadsheet from '../kitchen/spreadsheet.ts';
import * as stock from '../kitchen/stock.ts';
import * as today from '../kitchen/today.ts';
import * as ageing from '../making/ageing.ts';
import * as container from '../making/container.ts';
import * as formula from '../making/formula.ts';
import * as formulaFile from '../making/formulaFile.ts';
import * as heatProcess from '../making/heatProcess.ts';
import * as ingredient from '../making/ingredient.ts';
import * as instrument from '../making/instrument.ts';
import * as label from '../making/label.ts';
import * as labelSheet from '../making/labelSheet.ts';
import * as lot from '../making/lot.ts';
import * as photograph from '../making/photograph.ts';
import * as vessel from '../making/vessel.ts';
import { bodyOf, postedNouns } from './entry.ts';
import * as live from './live.ts';
import * as values from './values.ts';

const MODULES = [
  ageingOf,
  formulaOf,
  heatOf,
  ingredientOf,
  keepingOf,
  labelOf,
  lotOf,
  panOf,
  placeOf,
  planningOf,
  quantityOf,
  stockOf,
  valueSchemas,
  account,
  ageing,
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
  label,
  labelSheet,
  live,
  journal,
  lot,
  photograph,
  place,
  plan,
  sale,
  spreadsheet,
  stock,
  today,
  values,
  vessel,
];

const pascal = (noun: string): string => noun.replace(/(?:^|-)([a-z])/g, (_, c: string) => c.toUpperCase());

/** Every schema of core and contract that has a name of its own: the types that a client of the API reads and writes. */
export function namedSchemas(): Map<string, z.ZodType> {
  const named = new Map<string, z.ZodType>();
  for (const module of MODULES)
    for (const [name, value] of Object.entries(module))
      if (value instanceof z.ZodType && /^[A-Z]/.test(name)) named.set(name, value);
  for (const noun of postedNouns) named.set(`New${pascal(noun)}`, bodyOf(noun));
  return named;
}
