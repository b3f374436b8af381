import { z } from 'zod';
import type { AgedLot } from '../ageing/index.ts';
import type { FormulaContent, FormulaKind, StepKind } from '../formula/index.ts';
import type { HeatProcess } from '../heat/index.ts';
import type { Storage } from '../keeping/index.ts';
import type { PlaceSaid, StoreReading } from '../place/index.ts';
import type { Entries, Entry, Recorded } from '../record/index.ts';
import type { LotState } from './state.ts';

export type { Entry } from '../record/index.ts';

/** A mark of a step or a load as it stands in a record. */
type MarkOf<Kind> = { kind: Kind; at: string; recordedAt?: string | undefined; by: string };
export type MarkKind = Recorded<Entries['mark']>['mark'];

export interface LotStep {
  id: string;
  position: number;
  kind: StepKind;
  title: string;
  minutes: number | null;
  killStep: boolean;
  /** Id of the formula's step. */
  formulaStepId: string;
  marks: MarkOf<MarkKind>[];
}

export type Addition = Recorded<Entries['addition']>;
export type StockWithdrawal = Addition['withdrawals'][number];
export type Reading = Recorded<Entries['reading']>;
export type ReadingKind = Reading['kind'];
export type Sample = Reading['sample'];
export type Taken = Reading['taken'];
export type BottlingEntry = Recorded<Entries['bottling']>;
export type HeatProcessEntry = Recorded<Entries['heat-process']>;
export type LoadMarkKind = Recorded<Entries['load-mark']>['mark'];
/** A load with what was marked of it, in the order it happened. */
export type LoadEntry = Recorded<Entries['load']> & { marks: (MarkOf<LoadMarkKind> & { id: string })[] };
export type Curve = Recorded<Entries['curve']>;
export type SealCheckEntry = Recorded<Entries['seal-check']>;
export type Fate = Recorded<Entries['fate']>;
export type SealFate = Fate['fate'];
export type BottleTick = Recorded<Entries['tick']>;
export type GlassFaultEntry = Recorded<Entries['fault']>;
export type TallyEntry = Recorded<Entries['tally']>;
export type Weighing = Recorded<Entries['weighing']>;
export type CoolingEntry = Recorded<Entries['cooling']>;
/** A deviation with how it was closed; null while it is open. */
export type Deviation = Recorded<Entries['deviation']> & {
  closed:
    | (Pick<Recorded<Entries['closing']>, 'cause' | 'done' | 'at' | 'by'> & {
        recordedAt?: string | undefined;
      })
    | null;
};
export type Movement = Recorded<Entries['movement']>;
export type Decision = Recorded<Entries['decision']>;
export type Settling = Recorded<Entries['settling']>;
export type Telling = Recorded<Entries['telling']>;
export type LabelPrint = Recorded<Entries['print']>;
export type Look = Recorded<Entries['look']>;
export type Dating = Recorded<Entries['dating']>;
export type SpoiltLabels = Recorded<Entries['spoilt-label']>;
export type Placing = Recorded<Entries['placing']>;
export type StorageChange = Recorded<Entries['storage-change']>;
export type Photograph = Recorded<Entries['photograph']>;

/** Label rules, by what a kitchen chooses. */
export const RulePackId = z.enum(['us', 'eu']);
export type RulePackId = z.infer<typeof RulePackId>;

/** One lot as made: all that its gates, keeping and label are decided from. */
export interface LotRecord {
  id: string;
  code: string;
  state: LotState;
  heldFrom: LotState | null;
  product: {
    formulaId: string;
    name: string;
    kind: FormulaKind;
    colour: string;
    version: number;
    content: FormulaContent;
  };
  /** How it is kept: as it was begun for, or as it was changed to last. */
  storage: Storage;
  criticalPh: number;
  /** Of the kitchen when the lot was begun; moving the kitchen later does not rewrite it. */
  elevationMetres: number;
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
  /** Of the kitchen when the lot was begun: its days are counted in it, whatever the kitchen is set to later. */
  timeZone: string;
  /** Label rules it was begun under. */
  rulePack: RulePackId;
  /** ISO instant at which the lot was begun. */
  begunAt: string;
  /** When it came in with a kitchen file; null where it was made here. */
  broughtInAt: string | null;
  /** Multiple of the formula made. */
  scale: number;
  steps: LotStep[];
  additions: Addition[];
  readings: Reading[];
  bottlings: BottlingEntry[];
  heatProcesses: HeatProcessEntry[];
  sealChecks: SealCheckEntry[];
  movements: Movement[];
  tellings: Telling[];
  decisions: Decision[];
  settlings: Settling[];
  prints: LabelPrint[];
  spoiltLabels: SpoiltLabels[];
  looks: Look[];
  datings: Dating[];
  placings: Placing[];
  photographs: Photograph[];
  ticks: BottleTick[];
  faults: GlassFaultEntry[];
  tallies: TallyEntry[];
  weighings: Weighing[];
  loads: LoadEntry[];
  curves: Curve[];
  coolings: CoolingEntry[];
  fates: Fate[];
  deviations: Deviation[];
  storageChanges: StorageChange[];
}

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
