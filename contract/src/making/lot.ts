import { FormulaKind } from '@inch/core/formula';
import { Hurdle, Storage } from '@inch/core/keeping';
import { Gate, LotRecord, LotState } from '@inch/core/lot';
import { CupSchool } from '@inch/core/quantity';
import { entries, type PostedNoun } from '@inch/core/record';
import { Id } from '@inch/core/value';
import { z } from 'zod';
import { JournalRow } from '../kitchen/journal.ts';
import { bodyOf, type EntryBody, NewStrike, postedNouns } from '../route/entry.ts';
import { type Route, route } from '../route/route.ts';
import { Day, happened, Written } from '../route/values.ts';
import { Vessel } from './vessel.ts';

const Keeping = z.object({
  row: z.string(),
  class: z.enum(['shelf', 'cold', 'frozen', 'none']),
  time: z.object({ count: z.number(), unit: z.enum(['day', 'month']) }).nullable(),
  openedDays: z.number().nullable(),
  reason: z.string(),
  missing: z.array(z.string()),
  madeOn: Day,
  readyOn: Day,
  bestBy: Day.nullable(),
  dateWord: z.enum(['use-by', 'best-by']),
  hurdles: z.array(Hurdle),
  carriedBy: z.string(),
});
const Group = z.object({
  bottlingId: z.string(),
  container: z.string(),
  nominalMl: z.number(),
  place: z.string(),
  count: z.number().int(),
});
const Bottles = z.object({
  filled: z.number().int(),
  millilitres: z.number(),
  left: z.number().int(),
  sold: z.number().int(),
  groups: z.array(Group),
});
const PlannedLine = z.object({
  lineId: z.string(),
  formulaStepId: z.string().nullable(),
  ingredientId: z.string(),
  name: z.string(),
  said: z.string(),
  /** As planned, g, after trimming. */
  grams: z.number().nullable(),
  /** As it comes to after what was really weighed, g. */
  now: z.number().nullable(),
  /** What it follows, in words; null for an amount of its own. */
  follows: z.string().nullable(),
  /** It goes in jar by jar, while they are filled. */
  byJar: z.boolean(),
});

export const LotView = LotRecord.extend({
  /** School of cups it was begun under. */
  cupSchool: CupSchool.nullable(),
  lines: z.array(PlannedLine),
  /** The vessel it is in now. */
  vessel: Vessel.nullable(),
  gates: z.array(Gate),
  keeping: Keeping,
  bottles: Bottles,
  /** Bottles of a frozen lot that were thawed, with their own last day. */
  thawed: z.array(
    z.object({ bottlingId: z.string(), place: z.string(), thawedOn: Day.nullable(), until: Day }),
  ),
  /** The life of its bottles by place: hours warm, cold and frozen. */
  lives: z.array(
    z.object({
      bottlingId: z.string(),
      place: z.string(),
      count: z.number().int(),
      keptBack: z.number().int(),
      cameBack: z.number().int(),
      hours: z.object({ warm: z.number(), cold: z.number(), frozen: z.number(), thawed: z.number() }),
      tooWarmAt: z.string().nullable(),
      frozenAt: z.string().nullable(),
      thawedAt: z.string().nullable(),
    }),
  ),
  /** Codes of the lots that its by-products went into, however far. */
  wentInto: z.array(z.string()),
  /** Why what it was made with stops it now, as the ends of sentences; empty where nothing does. */
  stopped: z.array(z.string()),
  /** Whether two hours over 5 °C discard it. */
  keepsShort: z.boolean(),
});
export type LotView = z.infer<typeof LotView>;

/** A lot as lists show it. */
export const LotHead = z.object({
  id: z.string(),
  code: z.string(),
  name: z.string(),
  colour: z.string(),
  kind: FormulaKind,
  state: LotState,
  begunAt: z.string(),
  madeOn: Day,
  readyOn: Day,
  bestBy: Day.nullable(),
  dateWord: z.enum(['use-by', 'best-by']),
  storage: Storage,
  keepingClass: z.enum(['shelf', 'cold', 'frozen', 'none']),
  step: z.string().nullable(),
  gatesOpen: z.number().int(),
  gatesAll: z.number().int(),
  bottles: Bottles,
  heldWhy: z.string().nullable(),
  /** Whether a label was ever printed of it. */
  printed: z.boolean(),
  /** Next looks at what is kept back of it. */
  nextLooks: z.array(z.object({ on: Day, opened: z.boolean(), until: Day.nullable() })),
  /** How many are kept back. */
  retained: z.number().int(),
  /** Bottles with somebody, and how many of them with somebody who was not told of the recall. */
  away: z.object({ count: z.number().int(), untold: z.number().int() }),
  /** Of what is kept cold or frozen: when its bottles are too warm, where they stand, and the last day of those that are not frozen. */
  stands: z.array(
    z.object({
      place: z.string(),
      count: z.number().int(),
      tooWarmAt: z.string().nullable(),
      until: Day.nullable(),
    }),
  ),
});
export type LotHead = z.infer<typeof LotHead>;

/** A lot of which something stored cannot be read, and why. */
export const BrokenLot = z.object({ id: z.string(), code: z.string(), name: z.string(), why: z.string() });
export type BrokenLot = z.infer<typeof BrokenLot>;

/** Which lots a list shows. */
export const LotListQuery = z.object({
  /** `on-hand`: not ended, or with bottles that stand somewhere. */
  scope: z.enum(['all', 'on-hand']).default('all'),
  state: LotState.optional(),
  /** Words that a lot is found by, each from its beginning: code, name, buyer, place, stock code, supplier, note, day. */
  q: z.string().max(200).optional(),
  sort: z.enum(['newest', 'oldest', 'name', 'best-by']).default('newest'),
  /** Id of the last lot of the page before. */
  before: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(100),
});
export type LotListQuery = z.infer<typeof LotListQuery>;
export const LotPage = z.object({
  lots: z.array(LotHead),
  /** Lots of which something stored cannot be read. */
  broken: z.array(BrokenLot),
  /** `before` of the next page; null where this is the last. */
  next: z.string().nullable(),
});
export type LotPage = z.infer<typeof LotPage>;

const byId = z.object({ id: z.string().max(40) });
type EntryRoutes = { [N in PostedNoun]: Route<typeof byId, z.ZodNever, EntryBody<N>, typeof Written> };

/** The schema of any kind: of all of them at once the compiler makes no one type. */
const bodyOfAny = bodyOf as (noun: PostedNoun) => z.ZodType;

/** What is posted to a lot's record: a route a kind of entry, by its noun. */
export const entryRoutes = Object.fromEntries(
  postedNouns.map((noun) => {
    const { path, summary, who } = entries[noun];
    return [
      noun,
      route({
        method: 'POST',
        path: `/api/lots/:id/${path}`,
        access: who,
        summary,
        params: byId,
        body: bodyOfAny(noun),
        response: Written,
      }),
    ];
  }),
) as EntryRoutes;

export const NewLot = z.strictObject({
  id: Id,
  formulaId: Id,
  scale: z
    .number('How many times the formula?')
    .gt(0, 'A number over 0.')
    .max(100, 'At most a hundredfold.')
    .default(1),
  ...happened,
});

export const lotRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/lots',
    access: 'reader',
    summary: 'Lots by their standings: all or those on hand, by words and state, a page after another',
    query: LotListQuery,
    response: LotPage,
  }),
  read: route({
    method: 'GET',
    path: '/api/lots/:id',
    access: 'reader',
    summary: 'One lot by id or code, with its release checks, keeping and bottles',
    params: byId,
    response: LotView,
  }),
  begin: route({
    method: 'POST',
    path: '/api/lots',
    access: 'maker',
    summary: 'Begin a lot of a formula’s newest version',
    body: NewLot,
    response: z.object({ id: z.string(), code: z.string() }),
  }),
  recordSheet: route({
    method: 'GET',
    path: '/api/lots/:id/record.pdf',
    access: 'reader',
    summary: 'The whole record of a lot on paper: release checks, and what happened, day by day',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  releaseSheet: route({
    method: 'GET',
    path: '/api/lots/:id/release.pdf',
    access: 'reader',
    summary: 'The release sheet: release checks, evidence, deviations and signature',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  strike: route({
    method: 'POST',
    path: '/api/lots/:id/strikes',
    access: 'maker',
    summary: 'Strike an entry: it stays, with who, when and why',
    params: byId,
    body: NewStrike,
    response: Written,
    status: 200,
  }),
  journal: route({
    method: 'GET',
    path: '/api/lots/:id/journal',
    access: 'reader',
    summary: 'Journal rows of the lot',
    params: byId,
    response: z.array(JournalRow),
  }),
};
