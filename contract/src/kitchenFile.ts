import { z } from 'zod';
import { Role } from './account.ts';
import { FileContainer } from './container.ts';
import { FormulaContent, FormulaKind } from './formula.ts';
import { FileProcess } from './heatProcess.ts';
import { OwnFigures } from './ingredient.ts';
import { CheckKind, NewInstrument } from './instrument.ts';
import { KitchenChange } from './kitchen.ts';
import { GlassFault, SealFate, Taken, TallyPart } from './lotEntry.ts';
import { Want } from './plan.ts';
import { route } from './route.ts';
import { NewPack, StockKind, StockMeasured } from './stock.ts';
import { Colour, Day, Name, Words } from './values.ts';
import { NewVessel } from './vessel.ts';

const key = z.string().min(1).max(60);

/** A time in a kitchen file: day and wall clock of the kitchen, "2026-11-03 09:10". */
const Wall = z.string().regex(/^\d{4}-\d{2}-\d{2} \d{2}:\d{2}$/, 'A time is written 2026-11-03 09:10.');

/** One thing that happened to a lot, as it was said; references are the file's own keys. */
const FileEvent = z.discriminatedUnion('do', [
  z.object({ do: z.literal('start'), at: Wall, step: key }),
  z.object({ do: z.literal('done'), at: Wall, step: key }),
  z.object({ do: z.literal('answer'), at: Wall, step: key }),
  z.object({ do: z.literal('place'), at: Wall, vessel: key, step: key.optional() }),
  z.object({
    do: z.literal('check'),
    at: Wall,
    instrument: key,
    check: CheckKind,
    read: z.number(),
    weightGrams: z.number().optional(),
  }),
  z.object({
    do: z.literal('add'),
    at: Wall,
    line: key.optional(),
    ingredient: key,
    grams: z.number(),
    why: z.string().optional(),
    from: z.string().optional(),
    before: z.number().optional(),
    step: key.optional(),
  }),
  z.object({
    do: z.literal('read'),
    at: Wall,
    jot: z.string(),
    taken: Taken.optional(),
    instrument: key.optional(),
    finished: z.boolean().optional(),
    step: key.optional(),
    because: z.string().optional(),
    struck: z.string().optional(),
  }),
  z.object({
    do: z.literal('calibrate'),
    at: Wall,
    instrument: key,
    points: z.array(z.tuple([z.number(), z.number(), z.number()])),
  }),
  z.object({
    do: z.literal('bottle'),
    at: Wall,
    container: key,
    count: z.number(),
    fillCelsius: z.number().optional(),
    middleCelsius: z.number().optional(),
    lastCelsius: z.number().optional(),
    glassCelsius: z.number().optional(),
    headspaceInches: z.number().optional(),
    checked: z.boolean().default(false),
    closing: z.enum(['hot', 'cooled']),
    hoursTo21: z.number().optional(),
    hoursToCold: z.number().optional(),
    place: z.string(),
  }),
  z.object({
    do: z.literal('process'),
    at: Wall,
    process: key.optional(),
    name: z.string().optional(),
    source: z.string().optional(),
    requiredMinutes: z.number().optional(),
    minutes: z.number(),
  }),
  z.object({
    do: z.literal('seals'),
    at: Wall,
    checked: z.number(),
    failed: z.number(),
    failedBottles: z.array(z.number()).default([]),
    signs: z.array(z.string()).default([]),
  }),
  z.object({ do: z.literal('fate'), at: Wall, fate: SealFate, count: z.number() }),
  z.object({ do: z.literal('retire'), at: Wall, container: key, fault: GlassFault, count: z.number() }),
  z.object({
    do: z.literal('tally'),
    at: Wall,
    inPanMl: z.number(),
    how: z.string().default(''),
    parts: z.array(z.object({ part: TallyPart, ml: z.number() })).default([]),
    why: z.string().optional(),
  }),
  z.object({ do: z.literal('weigh'), at: Wall, grossGrams: z.number() }),
  z.object({ do: z.literal('deviate'), at: Wall, what: z.string() }),
  z.object({ do: z.literal('settle'), at: Wall, cause: z.string(), done: z.string() }),
  z.object({
    do: z.literal('leave'),
    at: Wall,
    ingredient: key,
    grams: z.number(),
    words: z.string(),
    bestBy: Day.nullable().default(null),
  }),
  z.object({ do: z.literal('print'), at: Wall, copies: z.number() }),
  z.object({
    do: z.literal('move'),
    at: Wall,
    kind: z.enum(['moved', 'sold', 'given', 'broken', 'retained']),
    from: z.string(),
    to: z.string().optional(),
    count: z.number(),
    priceMinor: z.number().optional(),
    note: z.string().optional(),
  }),
  z.object({
    do: z.literal('decide'),
    at: Wall,
    event: z.enum(['release', 'hold', 'resume', 'discard', 'recall', 'close']),
    why: z.string().optional(),
    done: z.string().optional(),
  }),
]);
export type FileEvent = z.infer<typeof FileEvent>;

export const FileLot = z.object({
  formula: key,
  scale: z.number().default(1),
  begun: Wall,
  /** In the making when the file was written: its times move with the hour of the import as well. */
  live: z.boolean().default(false),
  by: key.optional(),
  events: z.array(FileEvent).max(500),
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
        quantity: z.number(),
        said: z.string().default(''),
        words: z.string().default(''),
        supplier: z.string().default(''),
        costMinor: z.number().int().nullable().default(null),
        gotOn: Day,
        bestBy: Day.nullable().default(null),
        measured: StockMeasured.nullable().default(null),
        losses: z
          .array(
            z.object({ at: Wall, kind: z.enum(['wasted', 'spoiled']), amount: z.number(), why: z.string() }),
          )
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
        dueInDays: z.number().int().nullable(),
        items: z.array(
          z.object({
            formula: key,
            container: key.optional(),
            want: Want,
            /** Size of each of its lots, as a multiple of the formula. */
            scales: z.array(z.number()).min(1),
            priceMinor: z.number().int().optional(),
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
        grams: z.number().nullable().default(null),
        millilitres: z.number().nullable().default(null),
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
