import { z } from 'zod';
import type { AgedLot } from '../ageing/index.ts';
import { FormulaContent, FormulaKind, StepKind } from '../formula/index.ts';
import type { HeatProcess } from '../heat/index.ts';
import { Storage } from '../keeping/index.ts';
import type { PlaceSaid, StoreReading } from '../place/index.ts';
import { type Entries, type Entry, LOAD_MARKS, MARKS, type Recorded, recordedOf } from '../record/index.ts';
import { LotState } from './state.ts';

export type { Entry } from '../record/index.ts';

/** Label rules, by what a kitchen chooses. */
export const RulePackId = z.enum(['us', 'eu']);
export type RulePackId = z.infer<typeof RulePackId>;

const by = { at: z.string(), recordedAt: z.string().optional(), by: z.string() };

export type MarkKind = (typeof MARKS)[number];

export const LotStep = z.object({
  id: z.string(),
  position: z.number().int(),
  kind: StepKind,
  title: z.string(),
  minutes: z.number().nullable(),
  killStep: z.boolean(),
  /** Id of the formula's step. */
  formulaStepId: z.string(),
  marks: z.array(z.object({ kind: z.enum(MARKS), ...by })),
});
export type LotStep = z.infer<typeof LotStep>;

const LoadMark = z.object({ id: z.string(), kind: z.enum(LOAD_MARKS), ...by });
const Closed = z.object({ cause: z.string(), done: z.string(), ...by });

export type Addition = Recorded<Entries['addition']>;
export type StockWithdrawal = Addition['withdrawals'][number];
export type Reading = Recorded<Entries['reading']>;
export type ReadingKind = Reading['kind'];
export type Sample = Reading['sample'];
export type Taken = Reading['taken'];
export type BottlingEntry = Recorded<Entries['bottling']>;
export type HeatProcessEntry = Recorded<Entries['heat-process']>;
export type LoadEntry = LotRecord['loads'][number];
export type Curve = Recorded<Entries['curve']>;
export type SealCheckEntry = Recorded<Entries['seal-check']>;
export type Fate = Recorded<Entries['fate']>;
export type SealFate = Fate['fate'];
export type BottleTick = Recorded<Entries['tick']>;
export type GlassFaultEntry = Recorded<Entries['fault']>;
export type TallyEntry = Recorded<Entries['tally']>;
export type Weighing = Recorded<Entries['weighing']>;
export type CoolingEntry = Recorded<Entries['cooling']>;
export type Deviation = LotRecord['deviations'][number];
export type Movement = Recorded<Entries['movement']>;
export type Decision = Recorded<Entries['decision']>;
export type LabelPrint = Recorded<Entries['print']>;
export type Look = Recorded<Entries['look']>;
export type Placing = Recorded<Entries['placing']>;
export type Photograph = Recorded<Entries['photograph']>;

/** One lot as made: all that its gates, keeping and label are decided from. */
export const LotRecord = z.object({
  id: z.string(),
  code: z.string(),
  state: LotState,
  heldFrom: LotState.nullable(),
  product: z.object({
    formulaId: z.string(),
    name: z.string(),
    kind: FormulaKind,
    colour: z.string(),
    version: z.number().int(),
    content: FormulaContent,
  }),
  /** How it is kept: as it was begun for, or as it was changed to last. */
  storage: Storage,
  criticalPh: z.number(),
  /** Of the kitchen when the lot was begun; moving the kitchen later does not rewrite it. */
  elevationMetres: z.number(),
  /** Of the kitchen when the lot was begun: its days are counted in it, whatever the kitchen is set to later. */
  timeZone: z.string(),
  /** Label rules it was begun under. */
  rulePack: RulePackId,
  /** ISO instant at which the lot was begun. */
  begunAt: z.string(),
  /** When it came in with a kitchen file; null where it was made here. */
  broughtInAt: z.string().nullable(),
  /** Multiple of the formula made. */
  scale: z.number(),
  steps: z.array(LotStep),
  additions: z.array(recordedOf('addition')),
  readings: z.array(recordedOf('reading')),
  bottlings: z.array(recordedOf('bottling')),
  heatProcesses: z.array(recordedOf('heat-process')),
  sealChecks: z.array(recordedOf('seal-check')),
  movements: z.array(recordedOf('movement')),
  tellings: z.array(recordedOf('telling')),
  decisions: z.array(recordedOf('decision')),
  settlings: z.array(recordedOf('settling')),
  prints: z.array(recordedOf('print')),
  placings: z.array(recordedOf('placing')),
  photographs: z.array(recordedOf('photograph')),
  ticks: z.array(recordedOf('tick')),
  faults: z.array(recordedOf('fault')),
  tallies: z.array(recordedOf('tally')),
  weighings: z.array(recordedOf('weighing')),
  /** Loads with what was marked of them, in the order it happened. */
  loads: z.array(recordedOf('load', { marks: z.array(LoadMark) })),
  curves: z.array(recordedOf('curve')),
  coolings: z.array(recordedOf('cooling')),
  fates: z.array(recordedOf('fate')),
  storageChanges: z.array(recordedOf('storage-change')),
  spoiltLabels: z.array(recordedOf('spoilt-label')),
  looks: z.array(recordedOf('look')),
  datings: z.array(recordedOf('dating')),
  /** Deviations with how each was closed; null while it is open. */
  deviations: z.array(recordedOf('deviation', { closed: Closed.nullable() })),
});

/** A lot's record with what its kitchen, its siblings and its stores say beside it: looked up for a judgement, never shown with it. */
export type LotRecord = z.infer<typeof LotRecord> & {
  /** Of the kitchen as it was put right since, where it was wrong; absent or null where it was not. */
  correctedElevation?: number | null;
  /** Heat processes of the kitchen's own. */
  processes?: readonly HeatProcess[];
  /** Jars that the kitchen's largest canner holds in a load; absent or null where nobody said. */
  cannerHolds?: number | null;
  /** Looks at bottles kept back of its formula's lots, its own among them; absent where none was looked at. */
  aged?: readonly AgedLot[];
  /** How warm it was where its bottles stood; absent where nothing was read. */
  stores?: readonly StoreReading[];
  /** When something that was asked of the lot was refused: a sale, a release. What is written down after that wins nothing for the time before. */
  refused?: readonly string[];
  /** What the kitchen says of its places; absent where it said nothing. */
  places?: readonly PlaceSaid[];
  /** When its beginning was written down; absent or null where that is not known. */
  writtenAt?: string | null;
};

/**
 * Movements of bottles that stand, in the order in which they were written.
 * @example movesOf(lot).length // 1
 */
export const movesOf = (lot: Pick<LotRecord, 'movements'>): Movement[] =>
  lot.movements.filter((m) => !m.struck);

/**
 * Prints of the label that stand.
 * @example printsOf({ ...lot, prints: [] }) // []
 */
export const printsOf = (lot: Pick<LotRecord, 'prints'>): LotRecord['prints'] =>
  lot.prints.filter((p) => !p.struck);

/**
 * Entries that still stand, oldest first.
 * @example standing([{ id: 'a', struck: null }, { id: 'b', struck: { at: T(1), by: 'Wren', why: 'a slip' } }]).map((entry) => entry.id) // ['a']
 */
export const standing = <T extends Pick<Entry, 'at' | 'struck'>>(entries: readonly T[]): T[] =>
  entries.filter((entry) => entry.struck === null).sort((a, b) => a.at.localeCompare(b.at));
