import { FormulaContent, FormulaKind } from '@inch/core/formula';
import { LabelDesign } from '@inch/core/label';
import { Want } from '@inch/core/planning';
import { type EntryKind, entries, type Fields, mayBeNull, type Noun, referenceOf } from '@inch/core/record';
import { StockKind } from '@inch/core/stock';
import { Colour, Name, Why, Words } from '@inch/core/value';
import { z } from 'zod';
import { FileContainer } from '../making/container.ts';
import { FileProcess } from '../making/heatProcess.ts';
import { OwnFigures } from '../making/ingredient.ts';
import { NewInstrument } from '../making/instrument.ts';
import { NewLabelSheet } from '../making/labelSheet.ts';
import { NewVessel } from '../making/vessel.ts';
import { postedNouns } from '../route/entry.ts';
import { route } from '../route/route.ts';
import { Day } from '../route/values.ts';
import { Role } from './account.ts';
import { KitchenChange } from './kitchen.ts';
import { NewLoss, NewPack, NewStock, StockMeasured } from './stock.ts';

const key = z.string().min(1).max(60);

/** A time in a kitchen file: day and wall clock of the kitchen, "2026-11-03 09:10". */
const Wall = z.string().regex(/^\d{4}-\d{2}-\d{2} \d{2}:\d{2}$/, 'A time is written 2026-11-03 09:10.');

/** Nouns of what a file tells of a lot: what a person posts to one, and checks of the instruments it was measured with. */
const TOLD = [...postedNouns, 'calibration', 'check', 'place-temperature'] as const;
export type ToldNoun = (typeof TOLD)[number];

/** Tables of a lot's own entries: an event names one by its key, or, where it says none, means the last. */
export const OWN_TABLES: Readonly<Record<string, Noun>> = Object.fromEntries(
  (Object.keys(entries) as Noun[]).filter((n) => entries[n].of === 'lot').map((n) => [entries[n].table, n]),
);

/** Fields as a file has them: a row is named by a key of the file, never by an id. */
function inFile(fields: Fields): Record<string, z.ZodType> {
  return Object.fromEntries(
    Object.entries(fields).map(([name, f]) => {
      const reference = referenceOf(f);
      if (!reference) return [name, f];
      const { ask, table } = reference;
      const named = z.string(ask).min(1, ask).max(60, ask);
      return [name, mayBeNull(f) || table in OWN_TABLES ? named.nullable().default(null) : named];
    }),
  );
}

/** One thing that happened to a lot: what an entry of that kind says, with the file's own keys. */
const eventOf = (noun: ToldNoun) => {
  const kind: EntryKind = entries[noun];
  return z.strictObject({
    do: z.literal(noun),
    at: Wall,
    /** By which other events name it. */
    key: key.optional(),
    ...(kind.of === 'instrument' ? { instrument: key } : {}),
    ...inFile({ ...kind.said, ...kind.asked }),
    /** Why it was struck, where it was. */
    ...(kind.strikeable ? { struck: Why.optional() } : {}),
  });
};

/** What stays behind and is stock: taken in as a by-product of the lot. */
const ByProduct = z.strictObject({
  do: z.literal('by-product'),
  at: Wall,
  ingredientId: key,
  grams: z.number('How many grams?').gt(0, 'How many grams? A number over 0.'),
  words: z.string('What is it called?').max(120),
  bestBy: Day.nullable().default(null),
});

const FileEvent = z.discriminatedUnion(
  'do',
  [ByProduct, ...TOLD.map(eventOf)] as unknown as [typeof ByProduct],
  'What happened? "do" names an entry that this program knows.',
);
/** An event as it is told; what it says beside its head is read by the schema of its own kind. */
export type FileEvent =
  | z.output<typeof ByProduct>
  | ({ do: ToldNoun; at: string; key?: string; struck?: string; instrument?: string } & Record<
      string,
      unknown
    >);

export const FileLot = z.object({
  formula: key,
  scale: z.number().gt(0, 'How many times the formula?').max(1000).default(1),
  begun: Wall,
  /** In the making when the file was written: its times move with the hour of the import as well. */
  live: z.boolean().default(false),
  by: key.optional(),
  events: z.array(FileEvent as unknown as z.ZodType<FileEvent>).max(500),
});

/** A whole kitchen as one open file: settings, accounts without passwords, formulas, instruments, containers and lots as they happened. */
export const KitchenFile = z.object({
  format: z.literal('inch-pantry kitchen'),
  version: z.literal(1),
  /** When the file was written: days are moved so that this falls on `today` where that is given. */
  writtenAt: Wall,
  kitchen: KitchenChange.omit({ revision: true }),
  accounts: z
    .array(z.object({ key, name: Name, role: Role, password: z.string().min(10).max(200) }))
    .default([]),
  firstLot: z.number().int().min(0).default(0),
  containers: z.array(FileContainer),
  /** Sheets of blank labels by their measures. */
  labelSheets: z
    .array(NewLabelSheet.omit({ id: true }).extend({ key }))
    .max(50)
    .default([]),
  /** How labels of products are drawn. */
  labelDesigns: z
    .array(z.strictObject({ formula: key, design: LabelDesign }))
    .max(500)
    .default([]),
  /** Heat processes of the kitchen's own, with their sources. */
  processes: z.array(FileProcess).max(100).default([]),
  instruments: z.array(NewInstrument.omit({ id: true }).extend({ key })),
  vessels: z.array(NewVessel.omit({ id: true }).extend({ key })).default([]),
  own: z
    .array(OwnFigures.omit({ id: true }))
    .max(500)
    .default([]),
  /** Stock lots as they came; what lots used of them follows from the lots. */
  stock: z
    .array(
      z.object({
        key,
        kind: StockKind,
        thing: key,
        ...NewStock.pick({
          quantity: true,
          said: true,
          words: true,
          supplier: true,
          batch: true,
          costMinor: true,
        }).shape,
        gotOn: Day,
        bestBy: Day.nullable().default(null),
        measured: StockMeasured.nullable().default(null),
        losses: z
          .array(NewLoss.pick({ kind: true, amount: true, why: true }).extend({ at: Wall }))
          .max(100)
          .default([]),
      }),
    )
    .max(500)
    .default([]),
  packs: z
    .array(NewPack.omit({ id: true }))
    .max(500)
    .default([]),
  plans: z
    .array(
      z.object({
        name: Name,
        /** Days from the day the file is brought in. */
        dueInDays: z.number().int().min(-3650).max(3650).nullable(),
        items: z.array(
          z.object({
            formula: key,
            container: key.optional(),
            want: Want,
            /** Size of each of its lots, as a multiple of the formula. */
            scales: z.array(z.number().gt(0).max(1000)).min(1).max(50),
            priceMinor: z.number().int().min(0).max(10_000_000).optional(),
          }),
        ),
      }),
    )
    .max(50)
    .default([]),
  measures: z
    .array(
      z.object({
        name: key,
        ingredientId: key.nullable().default(null),
        grams: z.number().gt(0).max(100_000).nullable().default(null),
        millilitres: z.number().gt(0).max(100_000).nullable().default(null),
      }),
    )
    .max(200)
    .default([]),
  formulas: z.array(
    z.object({
      key,
      name: Name,
      kind: FormulaKind,
      colour: Colour,
      versions: z.array(z.object({ savedOn: Wall, note: Words.default(''), content: FormulaContent })).min(1),
    }),
  ),
  lots: z.array(FileLot),
});
export type KitchenFile = z.infer<typeof KitchenFile>;

export const kitchenFileRoutes = {
  import: route({
    method: 'POST',
    path: '/api/kitchen/import',
    access: 'owner',
    summary: 'Bring a kitchen file into an empty kitchen; all of it or nothing',
    body: z.object({ file: KitchenFile, today: Day.optional() }),
    response: z.object({ formulas: z.number().int(), lots: z.number().int() }),
  }),
};
