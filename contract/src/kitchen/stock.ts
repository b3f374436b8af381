import { Allergen } from '@inch/core/ingredient';
import { LotState } from '@inch/core/lot';
import { StockKind, StockLot, Taking } from '@inch/core/stock';
import { Id, Why } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day, happened, Written } from '../route/values.ts';

const Thing = z.string().min(1, 'What is it?').max(60);
const Amount = z.number().gt(0, 'A number over 0.').max(1_000_000, 'At most a million.');
const Minor = z.number().int().min(0, 'Not under 0.').max(100_000_000);
const Words = z.string().trim().max(120, 'At most 120 characters.');
const figure = (low: number, high: number, what: string) =>
  z
    .number(`${what} is a number.`)
    .min(low, `${what} is not under ${low}.`)
    .max(high, `${what} is not over ${high}.`)
    .nullable();

/** What was measured of this stock lot itself. */
export const StockMeasured = z.object({
  brix: figure(0, 85, 'Sugar in °Bx'),
  ph: figure(1, 9, 'pH'),
  taPer100g: figure(0.01, 60, 'Acid in g per 100 g'),
});

const TakingEntry = Taking.extend({
  id: z.string(),
  by: z.string(),
  why: z.string().nullable(),
  /** The lot it went into, or the stock lot it was divided into. */
  into: z.string().nullable(),
  /** By whom a count or a loss was undone, and why; null where it stands, or went with the entry of a lot. */
  undone: z.object({ by: z.string(), why: z.string() }).nullable(),
});

/** A stock lot as it is shown, with the sums of what went of it. */
export const StockView = StockLot.extend({
  gotOn: Day,
  bestBy: Day.nullable(),
  name: z.string(),
  left: z.number(),
  said: z.string(),
  words: z.string(),
  supplier: z.string(),
  costMinor: z.number().nullable(),
  measured: StockMeasured.nullable(),
  /** Allergens that come with it from the lot it was left by. */
  allergens: z.array(Allergen),
  leftBy: z.object({ code: z.string(), name: z.string(), state: LotState }).nullable(),
  /** The supplier's own batch, as it stands on the bag. */
  batch: z.string(),
  held: z.string().nullable(),
  dividedFrom: z.string().nullable(),
  /** The spreadsheet that it was brought in with; null where it was entered here. */
  broughtIn: z.string().nullable(),
  by: z.string(),
  takings: z.array(Taking),
  /** Why it is not used today; null where it is fit. */
  whyUnfit: z.string().nullable(),
});
export type StockView = z.infer<typeof StockView>;

/** A stock lot with everything that ever went of it. */
export const StockHistory = StockView.extend({ takings: z.array(TakingEntry) });
export type StockHistory = z.infer<typeof StockHistory>;

/** Which stock lots a list shows: those with something left, or those used up, a page after another. */
export const StockListQuery = z.object({
  used: z.enum(['no', 'up']).default('no'),
  before: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(500),
});

export const NewStock = z.object({
  id: Id,
  kind: StockKind,
  thing: Thing,
  quantity: Amount,
  /** As it was said: "2 sacks of 25 kg". */
  said: Words.default(''),
  /** What it is called on the bag, where its own name is not enough. */
  words: Words.default(''),
  supplier: Words.default(''),
  costMinor: Minor.nullable().default(null),
  gotOn: Day,
  bestBy: Day.nullable().default(null),
  /** The supplier's own batch, as it stands on the bag. */
  batch: z.string().trim().max(60, 'At most 60 characters.').default(''),
  measured: StockMeasured.nullable().default(null),
  /** The lot that left it: what stays in the cloth is stock as well. */
  leftBy: Id.nullable().default(null),
});

/** Some of a stock lot that is no more: thrown away, spoiled; or put apart as a stock lot of its own, in the freezer for one. */
export const NewLoss = z.object({
  id: Id,
  kind: z.enum(['wasted', 'spoiled']),
  amount: Amount,
  why: Why,
  ...happened,
});
export const StruckTaking = z.object({ id: Id, takingId: Id, why: Why });
export const NewCount = z.object({
  id: Id,
  /** What is really there, g or pieces. */
  found: z.number().min(0, '0 or more.').max(1_000_000, 'At most a million.'),
  why: Why.nullable().default(null),
  ...happened,
});
export const NewDivision = z.object({
  id: Id,
  /** The stock lot it becomes. */
  stockId: Id,
  thing: Thing,
  amount: Amount,
  words: Words.default(''),
  bestBy: Day.nullable().default(null),
  ...happened,
});
/** Which stock lot something came from, said afterwards where nothing covered it. */
export const NewCovering = z.object({
  id: Id,
  noun: z.enum(['addition', 'bottling']),
  entryId: Id,
  stockId: Id,
  amount: Amount,
  ...happened,
});

/** A pack as a thing is sold. A newer price of the same pack takes the older one's place. */
export const StockPack = z.object({
  id: z.string(),
  kind: StockKind,
  thing: z.string(),
  said: z.string(),
  size: z.number(),
  priceMinor: z.number(),
  supplier: z.string(),
});
export type StockPack = z.infer<typeof StockPack>;
export const NewPack = z.object({
  id: Id,
  kind: StockKind,
  thing: Thing,
  said: z.string().trim().min(1, 'What is it called: "bag of 1 kg"?').max(60, 'At most 60 characters.'),
  size: Amount,
  priceMinor: Minor,
  supplier: Words.default(''),
  /** Not sold any more. */
  retired: z.boolean().default(false),
});

/** A thing in the basket: how much of it was taken, for how much. */
export const BasketItem = z.object({
  kind: StockKind,
  thing: Thing,
  said: Words.default(''),
  amount: Amount,
  paidMinor: Minor.nullable(),
});
export const Basket = z.array(BasketItem.extend({ by: z.string(), at: z.string() }));
export type Basket = z.infer<typeof Basket>;
export const BasketChange = z.object({ id: Id.optional(), item: BasketItem, taken: z.boolean() });

/** What was bought in one go, each line a stock lot. */
export const NewReceipt = z.object({
  id: Id,
  supplier: Words.default(''),
  gotOn: Day,
  lines: z
    .array(
      BasketItem.extend({
        id: Id,
        bestBy: Day.nullable().default(null),
        words: Words.default(''),
      }),
    )
    .min(1, 'Nothing is on it yet.')
    .max(200, 'At most 200 lines.'),
});

const byId = z.object({ id: z.string().max(40) });
const post = <B extends z.ZodType>(path: string, summary: string, body: B) =>
  route({
    method: 'POST',
    path: `/api/stock/:id/${path}`,
    access: 'maker',
    summary,
    params: byId,
    body,
    response: Written,
  });

export const stockRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/stock',
    access: 'reader',
    summary: 'Stock lots with something left, or those used up, the newest first',
    query: StockListQuery,
    response: z.array(StockView),
  }),
  read: route({
    method: 'GET',
    path: '/api/stock/:id',
    access: 'reader',
    summary: 'One stock lot by id or code, with everything that went of it',
    params: byId,
    response: StockHistory,
  }),
  add: route({
    method: 'POST',
    path: '/api/stock',
    access: 'maker',
    summary: 'Take in a purchase, a picking or a by-product',
    body: NewStock,
    response: z.object({ id: Id, code: z.string() }),
  }),
  lose: post('losses', 'Record what was thrown away or spoiled', NewLoss),
  count: post('counts', 'Say what is really there', NewCount),
  strike: post(
    'strikes',
    'Undo a count, or what was said to be lost: it stays in the history, struck',
    StruckTaking,
  ),
  divide: post('divisions', 'Put a part of it apart as a stock lot of its own', NewDivision),
  cover: route({
    method: 'POST',
    path: '/api/stock-coverings',
    access: 'maker',
    summary: 'Say which stock lot something came from, where nothing covers it yet',
    body: NewCovering,
    response: Written,
  }),
  packs: route({
    method: 'GET',
    path: '/api/packs',
    access: 'reader',
    summary: 'Packs as things are sold, with their newest price',
    response: z.array(StockPack),
  }),
  addPack: route({
    method: 'POST',
    path: '/api/packs',
    access: 'maker',
    summary: 'Say how a thing is sold and for how much',
    body: NewPack,
    response: Written,
  }),
  basket: route({
    method: 'GET',
    path: '/api/basket',
    access: 'reader',
    summary: 'What is ticked off while shopping',
    response: Basket,
  }),
  tick: route({
    method: 'POST',
    path: '/api/basket',
    access: 'maker',
    summary: 'Put a thing into the basket, or back; the last word counts',
    body: BasketChange,
    response: z.object({ thing: z.string(), taken: z.boolean() }),
    status: 200,
  }),
  receive: route({
    method: 'POST',
    path: '/api/receipts',
    access: 'maker',
    summary: 'Turn a receipt into stock lots, all of it or nothing; what was in the basket is out of it',
    body: NewReceipt,
    response: z.object({ stock: z.array(z.object({ id: Id, code: z.string() })) }),
  }),
};
