import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day } from '../route/values.ts';
import { BroughtIn, PageQuery } from './spreadsheet.ts';

/** Bottles that were sold at one time: recorded here, or brought in from a spreadsheet. */
export const Sale = z.object({
  id: z.string(),
  /** Day in the kitchen. */
  day: Day,
  /** Code of the lot; null where a spreadsheet named none. */
  code: z.string().nullable(),
  name: z.string(),
  bottles: z.number().int(),
  /** In all, in minor units of the kitchen's currency. */
  priceMinor: z.number().int().nullable(),
  buyer: z.string().nullable(),
  place: z.string().nullable(),
  note: z.string().nullable(),
  /** Null where it was recorded here. */
  broughtIn: BroughtIn.nullable(),
});
export type Sale = z.infer<typeof Sale>;

export const SaleQuery = PageQuery.extend({
  /** Days of the kitchen, both inclusive. */
  from: Day.optional(),
  until: Day.optional(),
});
export type SaleQuery = z.infer<typeof SaleQuery>;

export const saleRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/sales',
    access: 'reader',
    summary: 'Sales, the newest first, a page after another',
    query: SaleQuery,
    response: z.object({ sales: z.array(Sale), next: z.string().nullable() }),
  }),
};
