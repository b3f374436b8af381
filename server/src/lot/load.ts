import type { LotRecord, StockWithdrawal } from '@inch/core/lot';
import { type EntryKind, entries, type Noun } from '@inch/core/record';
import { stockCode } from '@inch/core/stock';
import { type Database, marks, rows } from '../database/pool.ts';
import { entriesOf, type Found } from '../entry/read.ts';
import { loadReadings, thermometersOf } from './loadReadings.ts';

type Lots = Map<string, LotRecord>;

/** Lists of a record that hold entries just as they are read, by noun. */
const PLAIN = {
  placing: 'placings',
  photograph: 'photographs',
  tick: 'ticks',
  fault: 'faults',
  tally: 'tallies',
  weighing: 'weighings',
  cooling: 'coolings',
  'heat-process': 'heatProcesses',
  curve: 'curves',
  'seal-check': 'sealChecks',
  fate: 'fates',
  movement: 'movements',
  telling: 'tellings',
  'storage-change': 'storageChanges',
  decision: 'decisions',
  settling: 'settlings',
  print: 'prints',
  'spoilt-label': 'spoiltLabels',
  look: 'looks',
  dating: 'datings',
} as const satisfies Partial<Record<Noun, keyof LotRecord>>;

type PlainNoun = keyof typeof PLAIN;

/** Reads all entries of one kind of the lots that are being loaded. */
type Read = <N extends Noun>(noun: N) => Promise<Found<N>[]>;

const TABLES_OF_LOTS = [
  ...new Set(
    Object.values<EntryKind>(entries)
      .filter((kind) => kind.of === 'lot')
      .map((kind) => kind.table),
  ),
];

/** Asks in which tables a lot has anything: by its id, once for each of them. */
const WHERE_IT_HAS = TABLES_OF_LOTS.map(
  (table) => `SELECT '${table}' AS has FROM DUAL WHERE EXISTS (SELECT 1 FROM ${table} WHERE lot_id = ?)`,
).join(' UNION ALL ');

async function tablesWith(db: Database, id: string): Promise<Set<string>> {
  const of = TABLES_OF_LOTS.map(() => id);
  return new Set((await rows<{ has: string }>(db, WHERE_IT_HAS, of)).map((row) => row.has));
}

/** Of one lot it is asked first where it has anything: most lots have entries of few kinds, and each other one is a question less. */
async function readerOf(db: Database, ids: string[]): Promise<Read> {
  if (ids.length > 1) return (noun) => entriesOf(db, noun, ids);
  const has = await tablesWith(db, ids[0]!);
  return async (noun) => (has.has(entries[noun].table) ? entriesOf(db, noun, ids) : []);
}

async function loadPlain(lots: Lots, read: Read, noun: PlainNoun): Promise<void> {
  for (const { parentId, entry } of await read(noun))
    (lots.get(parentId)![PLAIN[noun]] as unknown[]).push(entry);
}

const markOf = <T>({ entry }: { entry: { mark: T; at: string; recordedAt: string; by: string } }) => ({
  kind: entry.mark,
  at: entry.at,
  recordedAt: entry.recordedAt,
  by: entry.by,
});

interface StepRow {
  id: string;
  lot_id: string;
  position: number;
  kind: LotRecord['steps'][number]['kind'];
  title: string;
  minutes: number | null;
  kill_step: number;
  formula_step_id: string;
}

async function loadSteps(db: Database, lots: Lots, ids: string[], read: Read): Promise<void> {
  const steps = await rows<StepRow>(
    db,
    `SELECT * FROM lot_step WHERE lot_id IN (${marks(ids)}) ORDER BY position`,
    ids,
  );
  const found = await read('mark');
  for (const s of steps)
    lots.get(s.lot_id)!.steps.push({
      id: s.id,
      position: s.position,
      kind: s.kind,
      title: s.title,
      minutes: s.minutes,
      killStep: s.kill_step === 1,
      formulaStepId: s.formula_step_id,
      marks: found.filter((m) => m.entry.stepId === s.id).map(markOf),
    });
}

async function withdrawalsOf(db: Database, ids: string[]): Promise<Map<string, StockWithdrawal[]>> {
  const found = await rows<{ entry_id: string; stock_id: string; number: number; amount: number }>(
    db,
    `SELECT STRAIGHT_JOIN COALESCE(t.addition_id, t.bottling_id) AS entry_id, t.stock_id, s.number, t.amount
     FROM stock_taking t JOIN stock_lot s ON s.id = t.stock_id WHERE t.lot_id IN (${marks(ids)}) AND t.print_id IS NULL ORDER BY t.at, t.id`,
    ids,
  );
  const withdrawals = new Map<string, StockWithdrawal[]>();
  for (const r of found) {
    const one = { stockId: r.stock_id, code: stockCode(r.number), amount: r.amount };
    withdrawals.set(r.entry_id, [...(withdrawals.get(r.entry_id) ?? []), one]);
  }
  return withdrawals;
}

/** What went in and what was filled, with what each took from stock and where it came from. */
async function loadTaking(db: Database, lots: Lots, ids: string[], read: Read): Promise<void> {
  const [origins, additions, bottlings] = await Promise.all([
    read('origin'),
    read('addition'),
    read('bottling'),
  ]);
  const took = additions.length > 0 || bottlings.length > 0;
  const withdrawals = took ? await withdrawalsOf(db, ids) : new Map<string, StockWithdrawal[]>();
  for (const { parentId, entry } of additions) {
    const from = entry.from ?? origins.findLast((o) => o.entry.additionId === entry.id)?.entry.words ?? null;
    lots.get(parentId)!.additions.push({ ...entry, from, withdrawals: withdrawals.get(entry.id) ?? [] });
  }
  const counts = await thermometersOf(db, bottlings);
  for (const { parentId, entry, row } of bottlings) {
    const lot = lots.get(parentId)!;
    lot.bottlings.push({
      ...entry,
      rated: String(row.made_for ?? '')
        .split('|')
        .filter(Boolean),
      counts: counts(entry.instrumentId, entry.at, lot.timeZone),
      withdrawals: withdrawals.get(entry.id) ?? [],
    });
  }
}

async function loadLoads(lots: Lots, read: Read): Promise<void> {
  const [loads, loadMarks] = await Promise.all([read('load'), read('load-mark')]);
  const marksOf = (id: string) =>
    loadMarks.filter((m) => m.entry.loadId === id).map((m) => ({ id: m.entry.id, ...markOf(m) }));
  for (const { parentId, entry } of loads)
    lots.get(parentId)!.loads.push({ ...entry, marks: marksOf(entry.id) });
}

async function loadDeviations(lots: Lots, read: Read): Promise<void> {
  const [deviations, closings] = await Promise.all([read('deviation'), read('closing')]);
  const closedBy = (id: string) => {
    const closing = closings.find((c) => c.entry.deviationId === id)?.entry;
    return closing
      ? {
          cause: closing.cause,
          done: closing.done,
          at: closing.at,
          recordedAt: closing.recordedAt,
          by: closing.by,
        }
      : null;
  };
  for (const { parentId, entry } of deviations)
    lots.get(parentId)!.deviations.push({ ...entry, closed: closedBy(entry.id) });
}

/** Ids made up to a power of two with the last of them, so that one more lot does not make every statement a new one to prepare. */
function padded(ids: readonly string[]): string[] {
  const length = 2 ** Math.ceil(Math.log2(Math.max(1, ids.length)));
  return [...ids, ...Array.from({ length: length - ids.length }, () => ids.at(-1)!)];
}

/** Fills lots with all that is recorded of them, a table at a time. */
export async function loadRecords(db: Database, lots: Lots): Promise<void> {
  const ids = padded([...lots.keys()]);
  const read = await readerOf(db, ids);
  await Promise.all([
    loadSteps(db, lots, ids, read),
    read('reading').then((found) => loadReadings(db, lots, found)),
    loadTaking(db, lots, ids, read),
    loadLoads(lots, read),
    loadDeviations(lots, read),
    ...(Object.keys(PLAIN) as PlainNoun[]).map((noun) => loadPlain(lots, read, noun)),
  ]);
  // What was decided holds from when it was written down, whatever its hour.
  for (const lot of lots.values())
    lot.decisions.sort((a, b) => a.recordedAt.localeCompare(b.recordedAt) || a.at.localeCompare(b.at));
}
