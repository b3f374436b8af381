import type { GlassFault, LoadMarkKind, TallyPart } from '../bottling/index.ts';
import type { FormulaContent, FormulaKind, StepKind } from '../formula/index.ts';
import type { HeatProcess, HeatSample, MeasuredLimits } from '../heat/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import type { Storage } from '../keeping/index.ts';
import type { LotState } from './state.ts';

/** What every entry of a lot record has: it is never changed, only struck. */
export interface Entry {
  id: string;
  /** ISO 8601, UTC. */
  at: string;
  by: string;
  struck: { at: string; by: string; why: string } | null;
}

/** `answer` says that the recurring prompt of the step was done: it does not move the clock. */
export type MarkKind = 'start' | 'pause' | 'done' | 'reopen' | 'answer';

export interface LotStep {
  id: string;
  position: number;
  kind: StepKind;
  title: string;
  minutes: number | null;
  killStep: boolean;
  /** Id of the formula's step. */
  formulaStepId: string;
  marks: { kind: MarkKind; at: string; by: string }[];
}

/** So much out of one stock lot: g, or pieces. */
export interface StockDraw {
  stockId: string;
  code: string;
  amount: number;
}

export interface Addition extends Entry {
  stepId: string | null;
  /** The formula's line; null for an extra. */
  lineId: string | null;
  ingredientId: string;
  /** The kitchen's own entry as it stood when it went in; absent for one that ships. */
  entry?: Ingredient | undefined;
  /** 0 where the line was left out. */
  grams: number;
  why: string | null;
  /** From which bag, picking or bottle it came, in words. */
  from: string | null;
  /** g of it before trimming, where that was weighed too. */
  beforeTrimming: number | null;
  /** Stock lots it was taken from, each with how much. */
  draws: StockDraw[];
}

export type ReadingKind = 'brix' | 'ph' | 'ta' | 'temperature' | 'mass' | 'depth' | 'note';
export type Sample = 'pan' | 'finished';
/** How a finished sample was taken: as it is, blended with its solids, or out of a jar opened for it. */
export type Taken = 'as it is' | 'blended' | 'opened jar';

export interface Reading extends Entry {
  stepId: string | null;
  kind: ReadingKind;
  sample: Sample;
  taken: Taken;
  said: string;
  raw: number | null;
  celsius: number | null;
  /** Corrected value: °Bx at 20 °C, pH, °C or g. */
  value: number | null;
  instrument: string | null;
  /** Whether it counts for a gate, and where not, why. */
  counts: boolean;
  whyNot: string | null;
  note: string | null;
}

export interface BottlingEntry extends Entry {
  containerId: string;
  container: string;
  nominalMl: number;
  closure: string;
  count: number;
  /** °C of the first bottle, one from the middle, and the last. */
  fillCelsius: number | null;
  middleCelsius: number | null;
  lastCelsius: number | null;
  /** °C of the glass before it was filled. */
  glassCelsius: number | null;
  headspaceInches: number | null;
  /** Whether every rim was felt, rings were straight and clean, lids new. */
  checked: boolean;
  closing: 'hot' | 'cooled';
  /** Hours from the fill to 21 °C and to 5 °C, for bottles cooled open, where they were told and not read off. */
  hoursTo21: number | null;
  hoursToCold: number | null;
  /** Stock lots of glass and lids it took. */
  draws: StockDraw[];
}

export interface HeatProcessEntry extends Entry {
  processId: string | null;
  name: string;
  source: string;
  method: HeatProcess['method'];
  requiredMinutes: number;
  minutes: number;
  /** Hot fill: seconds held lid down. */
  invertedSeconds: number | null;
  /** Of the kitchen when it was done. */
  elevationMetres: number | null;
  /** Why it does not match, line by line; empty where it does. What is measured is held against its limits as it stands. */
  mismatches: string[];
  limits: MeasuredLimits;
  /** Bottles that were in it; null where all filled till then were. */
  bottles: number | null;
  loadId: string | null;
}

/** One load of the canner, with the process as its source and the elevation had it that day. */
export interface LoadEntry extends Entry {
  number: number;
  processId: string | null;
  name: string;
  source: string;
  requiredMinutes: number;
  restMinutes: number;
  mismatches: string[];
  limits: MeasuredLimits;
  bottles: number;
  marks: { id: string; kind: LoadMarkKind; at: string; by: string }[];
}

/** A temperature curve of a logger in a bottle or bath. */
export interface Curve extends Entry {
  loadId: string | null;
  name: string;
  samples: HeatSample[];
  /** Equivalent minutes at 93.3 °C, z 8.9 °C. */
  minutes: number;
}

export interface SealCheckEntry extends Entry {
  checked: number;
  failed: number;
  /** Which bottles failed, by the number they were pressed under. */
  failedBottles: number[];
  /** Ids of signs that were seen. */
  signs: string[];
}

/** What became of bottles whose seal failed. */
export type SealFate = 'chilled' | 'processed again' | 'discarded';
export interface Fate {
  id: string;
  checkId: string;
  fate: SealFate;
  count: number;
  at: string;
  by: string;
}

/** Something of a line that goes in bottle by bottle was put into one bottle. */
export interface BottleTick extends Entry {
  lineId: string;
  bottle: number;
}

export interface GlassFaultEntry extends Entry {
  containerId: string;
  container: string;
  fault: GlassFault;
  count: number;
}

export interface TallyEntry extends Entry {
  inPanMl: number;
  /** How that was found. */
  how: string;
  parts: { part: TallyPart; ml: number }[];
  /** What was in bottles when it was told, mL, and what it left open. */
  filledMl: number;
  gapMl: number;
  /** Whether the gap is over the kitchen's tolerance of that day. */
  asks: boolean;
  why: string | null;
}

export interface Weighing extends Entry {
  bottlingId: string;
  grossGrams: number;
  tareGrams: number;
  netMl: number;
}

/** A thermometer in bottles that are cooled open. */
export interface CoolingEntry extends Entry {
  bottlingId: string;
  celsius: number;
}

/** Something out of its limits: open until its cause and what was done are recorded. */
export interface Deviation {
  id: string;
  kind: string;
  what: string;
  /** The entry it is of, where it is of one. */
  entryId: string | null;
  at: string;
  by: string;
  closed: { cause: string; done: string; at: string; by: string } | null;
}

export interface Movement {
  id: string;
  bottlingId: string;
  kind: 'stored' | 'moved' | 'sold' | 'given' | 'broken' | 'retained' | 'failed seal' | 'processed again';
  from: string | null;
  to: string | null;
  count: number;
  priceMinor: number | null;
  note: string | null;
  at: string;
  by: string;
}

export interface Decision {
  id: string;
  event: string;
  from: LotState;
  to: LotState;
  why: string | null;
  /** Whether the account's password was asked for it again. */
  signed: boolean;
  at: string;
  by: string;
}

export interface LabelPrint {
  id: string;
  copies: number;
  statement: string;
  at: string;
  by: string;
}

/** The vessel a lot was put into: the newest counts. */
export interface Placing {
  id: string;
  stepId: string | null;
  vesselId: string;
  vessel: string;
  at: string;
  by: string;
}

export interface Photograph extends Entry {
  stepId: string | null;
  readingId: string | null;
  words: string;
}

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
  storage: Storage;
  criticalPh: number;
  /** Of the kitchen when the lot was begun; moving the kitchen later does not rewrite it. */
  elevationMetres: number;
  /** ISO instant at which the lot was begun. */
  begunAt: string;
  /** Multiple of the formula made. */
  scale: number;
  steps: LotStep[];
  additions: Addition[];
  readings: Reading[];
  bottlings: BottlingEntry[];
  heatProcesses: HeatProcessEntry[];
  sealChecks: SealCheckEntry[];
  movements: Movement[];
  decisions: Decision[];
  prints: LabelPrint[];
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
}

/** Entries that still stand, oldest first. */
export const standing = <T extends Entry>(entries: readonly T[]): T[] =>
  entries.filter((entry) => entry.struck === null).sort((a, b) => a.at.localeCompare(b.at));
