import { SPREADSHEET_KINDS } from '@inch/core/spreadsheet';
import { Id, Why } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day } from '../route/values.ts';

const SpreadsheetKind = z.enum(SPREADSHEET_KINDS);
const Order = z.enum(['date-first', 'month-first']);
const Columns = z.record(
  z.string().max(40),
  z.number().int().min(0, 'Columns are counted from 0.').max(99, 'At most 100 columns.').nullable(),
);

/** What a spreadsheet says under its heading, every cell as text. */
const said = {
  kind: SpreadsheetKind,
  /** Which comes first in "3/4/2026", where that was said. */
  order: Order.optional(),
  /** Number of the first row under the heading, as the spreadsheet counts. */
  firstRow: z.number().int().min(1).max(10_000).default(2),
  rows: z
    .array(
      z.array(z.string().max(2000, 'At most 2,000 characters in a cell.')).max(100, 'At most 100 columns.'),
    )
    .min(1, 'There is no row under the heading.')
    .max(5000, 'At most 5,000 rows at a time. Part the spreadsheet.'),
};

export const NewSpreadsheet = z.strictObject({
  id: Id,
  fileName: z.string().trim().min(1, 'What is the file called?').max(200),
  columns: Columns,
  ...said,
});

const Preview = z.strictObject({
  /** What stands over the columns. */
  header: z.array(z.string().max(2000)).max(100),
  /** Where the columns stand, where that was chosen; matched by their headings otherwise. */
  columns: Columns.optional(),
  ...said,
});

const Fault = z.object({
  /** Row as the spreadsheet counts. */
  row: z.number().int(),
  field: z.string(),
  says: z.string(),
});

/** How a spreadsheet would be read. */
export const SpreadsheetPreview = z.object({
  columns: Columns,
  /** Which comes first in its days; `either` and `both` where somebody has to say, null where no day needs it. */
  order: z.enum(['date-first', 'month-first', 'either', 'both']).nullable(),
  /** Rows that can be taken. */
  taken: z.number().int(),
  /** The first faults, and how many there are. */
  faults: z.array(Fault),
  faultCount: z.number().int(),
  /** Every row that can be taken, as it was read, by field. */
  sample: z.array(z.record(z.string(), z.union([z.string(), z.number(), z.null()]))),
});
export type SpreadsheetPreview = z.infer<typeof SpreadsheetPreview>;

/** A spreadsheet that was brought in. */
export const Spreadsheet = z.object({
  id: z.string(),
  kind: SpreadsheetKind,
  fileName: z.string(),
  rows: z.number().int(),
  at: z.string(),
  by: z.string(),
  withdrawn: z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable(),
});
export type Spreadsheet = z.infer<typeof Spreadsheet>;

/** Where something came from that was not recorded here. */
export const BroughtIn = z.object({ fileName: z.string(), row: z.number().int(), at: z.string() });

/** A lot that was made and written down elsewhere: nothing here measured it. */
export const EarlierLot = z.object({
  id: z.string(),
  code: z.string(),
  name: z.string(),
  madeOn: Day,
  bottles: z.number().int().nullable(),
  bottleMl: z.number().nullable(),
  bestBy: Day.nullable(),
  ph: z.number().nullable(),
  brix: z.number().nullable(),
  note: z.string().nullable(),
  /** Bottles of it that spreadsheets of sales name. */
  sold: z.number().int(),
  broughtIn: BroughtIn,
});
export type EarlierLot = z.infer<typeof EarlierLot>;

/** Which of a list that is read a page after another. */
export const PageQuery = z.object({
  /** Words that each have to stand somewhere in it. */
  q: z.string().max(200).optional(),
  /** Id of the last one of the page before. */
  before: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(100),
});

export const spreadsheetRoutes = {
  preview: route({
    method: 'POST',
    status: 200,
    path: '/api/spreadsheets/preview',
    access: 'owner',
    summary:
      'How a spreadsheet of lots, sales, stock or contacts would be read: its columns, and every fault by row',
    body: Preview,
    response: SpreadsheetPreview,
  }),
  bringIn: route({
    method: 'POST',
    path: '/api/spreadsheets',
    access: 'owner',
    summary: 'Bring in a spreadsheet, all its rows or none; what comes with it is marked as brought in',
    body: NewSpreadsheet,
    response: z.object({ id: Id, rows: z.number().int() }),
  }),
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/spreadsheets',
    access: 'reader',
    summary: 'Spreadsheets that were brought in, the newest first',
    response: z.array(Spreadsheet),
  }),
  withdraw: route({
    method: 'POST',
    status: 200,
    path: '/api/spreadsheets/:id/withdrawal',
    access: 'owner',
    summary: 'Withdraw a spreadsheet: what came with it is no longer shown, and stays in the journal',
    params: z.object({ id: z.string().max(40) }),
    body: z.strictObject({ why: Why }),
    response: z.object({ id: z.string() }),
  }),
  lots: route({
    method: 'GET',
    revalidated: true,
    path: '/api/earlier-lots',
    access: 'reader',
    summary: 'Lots from before this program, as spreadsheets name them, the last made first',
    query: PageQuery,
    response: z.object({ lots: z.array(EarlierLot), next: z.string().nullable() }),
  }),
};
