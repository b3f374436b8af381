import {
  entries,
  lateBy,
  MOVED_BY_HAND,
  type Noun,
  type StrikeableNoun,
  strikeable,
} from '../record/index.ts';
import type { LotRecord } from './record.ts';

/** An entry that was written down later than it happened. */
export interface DatedBack {
  noun: string;
  id: string;
  at: string;
  by: string;
  /** By so many minutes. */
  minutes: number;
}

type Kept = { id?: string; at: string; recordedAt?: string | undefined; by: string; struck?: unknown };

/** Lists of a record by the noun of what stands in them: whatever a person writes down of a lot, with an hour. */
const LISTS = {
  addition: 'additions',
  placing: 'placings',
  reading: 'readings',
  photograph: 'photographs',
  bottling: 'bottlings',
  tick: 'ticks',
  fault: 'faults',
  tally: 'tallies',
  weighing: 'weighings',
  cooling: 'coolings',
  'heat-process': 'heatProcesses',
  load: 'loads',
  curve: 'curves',
  'seal-check': 'sealChecks',
  fate: 'fates',
  deviation: 'deviations',
  movement: 'movements',
  'storage-change': 'storageChanges',
  decision: 'decisions',
  settling: 'settlings',
  print: 'prints',
  'spoilt-label': 'spoiltLabels',
  look: 'looks',
  dating: 'datings',
} as const satisfies Partial<Record<Noun, keyof LotRecord>>;

/**
 * Which entries of a lot can be undone where they are read, by their ids: what a person entered and did not undo yet.
 * @example undoable(lot).get('a1') // 'addition'
 */
export function undoable(lot: LotRecord): Map<string, StrikeableNoun> {
  const found = new Map<string, StrikeableNoun>();
  for (const noun of strikeable) {
    const field = LISTS[noun as keyof typeof LISTS];
    for (const entry of lot[field] as unknown as (Kept & { kind?: string })[]) {
      const byHand = noun !== 'movement' || (MOVED_BY_HAND as readonly string[]).includes(entry.kind ?? '');
      if (entry.id && !entry.struck && byHand) found.set(entry.id, noun);
    }
  }
  return found;
}

/** Every entry of a lot with its noun; what belongs to another entry, as marks and closings, by its own. */
function allEntries(lot: LotRecord): [string, Kept][] {
  const listed = Object.entries(LISTS).flatMap(([noun, field]) =>
    (lot[field] as unknown as Kept[]).map((entry): [string, Kept] => [noun, entry]),
  );
  const marks = lot.steps.flatMap((step) =>
    step.marks.map((m): [string, Kept] => [entries.mark.noun, { ...m, id: step.id }]),
  );
  const loadMarks = lot.loads.flatMap((load) =>
    load.marks.map((m): [string, Kept] => [entries['load-mark'].noun, m]),
  );
  const closings = lot.deviations.flatMap((d) =>
    d.closed ? [[entries.closing.noun, { ...d.closed, id: d.id }] as [string, Kept]] : [],
  );
  return [...listed, ...marks, ...loadMarks, ...closings];
}

/**
 * Entries of a lot that were written down later than they happened, of every kind, oldest first.
 * @example datedBack(lot) // []
 */
export function datedBack(lot: LotRecord): DatedBack[] {
  const found = allEntries(lot).flatMap(([noun, { id = '', at, recordedAt = at, by, struck }]) => {
    const minutes = lateBy({ at, recordedAt }, lot.broughtInAt);
    return minutes === null || struck ? [] : [{ noun, id, at, by, minutes }];
  });
  return found.sort((a, b) => a.at.localeCompare(b.at));
}
