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
import * as account from './account.ts';
import * as ageing from './ageing.ts';
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
import * as label from './label.ts';
import * as labelSheet from './labelSheet.ts';
import * as live from './live.ts';
import * as lot from './lot.ts';
import * as photograph from './photograph.ts';
import * as place from './place.ts';
import * as plan from './plan.ts';
import * as sale from './sale.ts';
import * as spreadsheet from './spreadsheet.ts';
import * as stock from './stock.ts';
import * as today from './today.ts';
import * as values from './values.ts';
import * as vessel from './vessel.ts';

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
