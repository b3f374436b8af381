/** How a cell of a column is read. */
export type CellRead =
  | { as: 'text'; most: number }
  | { as: 'day'; past: boolean }
  | { as: 'figure'; low: number; high: number; whole?: boolean }
  | { as: 'volume' }
  | { as: 'price' }
  | { as: 'ingredient' }
  | { as: 'amount' };

/** A column that a kind of spreadsheet may have. */
export type SpreadsheetColumn = CellRead & {
  /** Name in a row that was read. */
  field: string;
  /** As it is shown to whoever matches it. */
  name: string;
  /** Other words that stand over such a column, in lower case. */
  also: readonly string[];
  required?: boolean;
};

const note = {
  field: 'note',
  name: 'Note',
  also: ['notes', 'remark', 'remarks', 'comment', 'comments'],
  as: 'text',
  most: 500,
} as const;
const bottles = { as: 'figure', low: 1, high: 100_000, whole: true } as const;
const bottleWords = ['quantity', 'qty', 'count', 'number', 'units', 'bottles sold', 'bottles filled'];

/**
 * What a kitchen brings from before this program, each kind with its columns. Values that are checked against one another, as codes of
 * lots, are checked where they are kept.
 */
export const spreadsheetKinds = {
  lots: {
    name: 'Lots',
    columns: [
      {
        field: 'code',
        name: 'Lot code',
        also: ['lot', 'batch', 'batch code', 'batch number', 'lot number', 'lot no'],
        as: 'text',
        most: 40,
        required: true,
      },
      {
        field: 'name',
        name: 'Product',
        also: ['name', 'product name', 'syrup', 'item', 'what', 'flavour', 'flavor'],
        as: 'text',
        most: 120,
        required: true,
      },
      {
        field: 'madeOn',
        name: 'Made on',
        also: ['made', 'date made', 'made on', 'date', 'bottled', 'bottled on', 'production date'],
        as: 'day',
        past: true,
        required: true,
      },
      { field: 'bottles', name: 'Bottles', also: bottleWords, ...bottles },
      {
        field: 'bottleMl',
        name: 'Bottle size',
        also: ['size', 'volume', 'bottle', 'ml', 'bottle ml', 'size ml'],
        as: 'volume',
      },
      {
        field: 'bestBy',
        name: 'Best by',
        also: ['best before', 'bbe', 'use by', 'expiry', 'expires', 'expiry date'],
        as: 'day',
        past: false,
      },
      { field: 'ph', name: 'pH', also: ['ph value', 'acidity ph'], as: 'figure', low: 0, high: 14 },
      {
        field: 'brix',
        name: '°Bx',
        also: ['bx', 'brix', 'sugar', 'sugar bx'],
        as: 'figure',
        low: 0,
        high: 100,
      },
      note,
    ],
  },
  sales: {
    name: 'Sales',
    columns: [
      {
        field: 'soldOn',
        name: 'Sold on',
        also: ['date', 'sold', 'day', 'date sold', 'sale date', 'invoice date'],
        as: 'day',
        past: true,
        required: true,
      },
      {
        field: 'code',
        name: 'Lot code',
        also: ['lot', 'batch', 'batch code', 'batch number', 'lot number', 'lot no'],
        as: 'text',
        most: 40,
      },
      {
        field: 'name',
        name: 'Product',
        also: ['name', 'product name', 'syrup', 'item', 'what', 'flavour', 'flavor'],
        as: 'text',
        most: 120,
      },
      { field: 'bottles', name: 'Bottles', also: bottleWords, ...bottles, required: true },
      {
        field: 'buyer',
        name: 'Buyer',
        also: ['customer', 'sold to', 'to', 'client', 'shop'],
        as: 'text',
        most: 120,
      },
      {
        field: 'place',
        name: 'Place',
        also: ['market', 'where', 'stall', 'from', 'channel'],
        as: 'text',
        most: 120,
      },
      {
        field: 'priceMinor',
        name: 'Price in all',
        also: ['price', 'total', 'amount', 'takings', 'paid', 'revenue'],
        as: 'price',
      },
      note,
    ],
  },
  stock: {
    name: 'Stock',
    columns: [
      {
        field: 'thing',
        name: 'Ingredient',
        also: ['item', 'what', 'name', 'product', 'fruit', 'material'],
        as: 'ingredient',
        required: true,
      },
      {
        field: 'grams',
        name: 'Amount',
        also: ['quantity', 'qty', 'weight', 'how much', 'left'],
        as: 'amount',
        required: true,
      },
      { field: 'unit', name: 'Unit', also: ['units', 'measure', 'uom'], as: 'text', most: 20 },
      {
        field: 'gotOn',
        name: 'Got on',
        also: [
          'got',
          'date',
          'bought',
          'bought on',
          'received',
          'date received',
          'purchase date',
          'delivered',
        ],
        as: 'day',
        past: true,
        required: true,
      },
      {
        field: 'supplier',
        name: 'Supplier',
        also: ['from', 'shop', 'farm', 'grower', 'vendor', 'bought from'],
        as: 'text',
        most: 120,
      },
      {
        field: 'words',
        name: 'Written on it',
        also: ['supplier lot', 'lot', 'batch', 'lot code', 'description', 'label'],
        as: 'text',
        most: 120,
      },
      { field: 'costMinor', name: 'Cost in all', also: ['cost', 'price', 'total', 'paid'], as: 'price' },
      {
        field: 'bestBy',
        name: 'Best by',
        also: ['best before', 'bbe', 'use by', 'expiry', 'expires'],
        as: 'day',
        past: false,
      },
    ],
  },
  contacts: {
    name: 'Contacts',
    columns: [
      {
        field: 'name',
        name: 'Name',
        also: ['contact', 'customer', 'supplier', 'company', 'business', 'full name', 'shop'],
        as: 'text',
        most: 120,
        required: true,
      },
      { field: 'email', name: 'E-mail', also: ['email', 'mail', 'email address'], as: 'text', most: 200 },
      {
        field: 'phone',
        name: 'Telephone',
        also: ['phone', 'tel', 'mobile', 'phone number', 'cell'],
        as: 'text',
        most: 60,
      },
      {
        field: 'address',
        name: 'Address',
        also: ['street', 'postal address', 'town', 'city'],
        as: 'text',
        most: 300,
      },
      note,
    ],
  },
} as const satisfies Record<string, { name: string; columns: readonly SpreadsheetColumn[] }>;

export type SpreadsheetKind = keyof typeof spreadsheetKinds;

/** Kinds in the order in which they are brought in: sales name lots. */
export const SPREADSHEET_KINDS = Object.keys(spreadsheetKinds) as [SpreadsheetKind, ...SpreadsheetKind[]];

type ColumnOf<K extends SpreadsheetKind> = (typeof spreadsheetKinds)[K]['columns'][number];
type ValueOf<C> = C extends { as: 'text' | 'day' | 'ingredient' } ? string : number;
type OrNone<C> = C extends { required: true } ? ValueOf<C> : ValueOf<C> | null;

/** A row of a kind as it was read: text and days as strings, figures as numbers, mL of a volume, g of an amount, minor units of a price. */
export type SpreadsheetRow<K extends SpreadsheetKind> = {
  [C in ColumnOf<K> as C['field']]: OrNone<C>;
};
