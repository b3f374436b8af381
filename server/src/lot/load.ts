import type { LotRecord, StockDraw } from '@inch/core/lot';
import { type Database, fromSql, marks, rows } from '../database/pool.ts';
import { stockCode } from '../stock/code.ts';
import { type EntryRow, entriesOf, entry } from './entryRows.ts';
import { loadBottling } from './loadBottling.ts';
import { loadReadings } from './loadReadings.ts';

type Lots = Map<string, LotRecord>;

async function loadSteps(db: Database, lots: Lots, ids: string[]): Promise<void> {
  type Row = {
    id: string;
    lot_id: string;
    position: number;
    kind: LotRecord['steps'][number]['kind'];
    title: string;
    minutes: number | null;
    kill_step: number;
    formula_step_id: string;
  };
  const steps = await rows<Row>(
    db,
    `SELECT * FROM lot_step WHERE lot_id IN (${marks(ids)}) ORDER BY position`,
    ids,
  );
  const found = await entriesOf<{
    step_id: string;
    kind: LotRecord['steps'][number]['marks'][number]['kind'];
  }>(db, 'step_mark', ids);
  for (const s of steps) {
    const own = found
      .filter((m) => m.step_id === s.id)
      .map((m) => ({ kind: m.kind, at: fromSql(m.at), by: m.by }));
    lots.get(s.lot_id)!.steps.push({
      id: s.id,
      position: s.position,
      kind: s.kind,
      title: s.title,
      minutes: s.minutes,
      killStep: s.kill_step === 1,
      formulaStepId: s.formula_step_id,
      marks: own,
    });
  }
}

/** What the entries of some lots took out of stock, by entry. */
async function drawsOf(db: Database, ids: string[]): Promise<Map<string, StockDraw[]>> {
  const found = await rows<{ entry_id: string; stock_id: string; number: number; amount: number }>(
    db,
    `SELECT COALESCE(t.addition_id, t.bottling_id) AS entry_id, t.stock_id, s.number, t.amount
     FROM stock_taking t JOIN stock_lot s ON s.id = t.stock_id WHERE t.lot_id IN (${marks(ids)}) AND t.print_id IS NULL ORDER BY t.at, t.id`,
    ids,
  );
  const draws = new Map<string, StockDraw[]>();
  for (const r of found) {
    const draw = { stockId: r.stock_id, code: stockCode(r.number), amount: r.amount };
    draws.set(r.entry_id, [...(draws.get(r.entry_id) ?? []), draw]);
  }
  return draws;
}

async function loadMade(db: Database, lots: Lots, ids: string[]): Promise<void> {
  const draws = await drawsOf(db, ids);
  const origins = await entriesOf<{ addition_id: string; words: string }>(db, 'origin', ids);
  for (const r of await entriesOf<{
    step_id: string | null;
    line_id: string | null;
    ingredient_id: string;
    entry: string | null;
    grams: number;
    why: string | null;
    before_grams: number | null;
    taken_from: string | null;
  }>(db, 'addition', ids))
    lots.get(r.lot_id)!.additions.push({
      ...entry(r),
      stepId: r.step_id,
      lineId: r.line_id,
      ingredientId: r.ingredient_id,
      ...(r.entry ? { entry: JSON.parse(r.entry) } : {}),
      grams: r.grams,
      why: r.why,
      from: r.taken_from ?? origins.findLast((o) => o.addition_id === r.id)?.words ?? null,
      beforeTrimming: r.before_grams,
      draws: draws.get(r.id) ?? [],
    });
  await loadBottling(db, lots, ids, draws);
}

/** What is known of photographs, without the pictures themselves. */
const photographsOf = (db: Database, ids: readonly string[]) =>
  rows<EntryRow & { step_id: string | null; reading_id: string | null; words: string }>(
    db,
    `SELECT t.id, t.lot_id, t.step_id, t.reading_id, t.words, t.at, a.name AS \`by\`, t.struck_at, t.struck_why,
     (SELECT name FROM account WHERE id = t.struck_by) AS struck_by
     FROM photograph t JOIN account a ON a.id = t.account_id WHERE t.lot_id IN (${marks(ids)}) ORDER BY t.at, t.id`,
    [...ids],
  );

async function loadAfterwards(db: Database, lots: Lots, ids: string[]): Promise<void> {
  for (const r of await entriesOf<{
    bottling_id: string;
    kind: LotRecord['movements'][number]['kind'];
    from_place: string | null;
    to_place: string | null;
    count: number;
    price_minor: number | null;
    note: string | null;
  }>(db, 'movement', ids))
    lots.get(r.lot_id)!.movements.push({
      id: r.id,
      bottlingId: r.bottling_id,
      kind: r.kind,
      from: r.from_place,
      to: r.to_place,
      count: r.count,
      priceMinor: r.price_minor,
      note: r.note,
      at: fromSql(r.at),
      by: r.by,
    });
  for (const r of await entriesOf<{
    event: string;
    from_state: LotRecord['state'];
    to_state: LotRecord['state'];
    why: string | null;
    signed: number;
  }>(db, 'decision', ids))
    lots.get(r.lot_id)!.decisions.push({
      id: r.id,
      event: r.event,
      from: r.from_state,
      to: r.to_state,
      why: r.why,
      signed: r.signed === 1,
      at: fromSql(r.at),
      by: r.by,
    });
  for (const r of await entriesOf<{ step_id: string | null; vessel_id: string; vessel: string }>(
    db,
    'placing',
    ids,
    ', v.name AS vessel',
    'JOIN vessel v ON v.id = t.vessel_id',
  ))
    lots.get(r.lot_id)!.placings.push({
      id: r.id,
      stepId: r.step_id,
      vesselId: r.vessel_id,
      vessel: r.vessel,
      at: fromSql(r.at),
      by: r.by,
    });
  for (const r of await photographsOf(db, ids))
    lots.get(r.lot_id)!.photographs.push({
      ...entry(r),
      stepId: r.step_id,
      readingId: r.reading_id,
      words: r.words,
    });
  for (const r of await entriesOf<{ copies: number; statement: string }>(db, 'label_print', ids))
    lots
      .get(r.lot_id)!
      .prints.push({ id: r.id, copies: r.copies, statement: r.statement, at: fromSql(r.at), by: r.by });
}

/** Ids made up to a power of two with the last of them, so that one more lot does not make every statement a new one to prepare. */
function padded(ids: readonly string[]): string[] {
  const length = 2 ** Math.ceil(Math.log2(Math.max(1, ids.length)));
  return [...ids, ...Array.from({ length: length - ids.length }, () => ids.at(-1)!)];
}

/** Fills lots with all that is recorded of them, a table at a time. */
export async function loadRecords(db: Database, lots: Lots, timeZone: string): Promise<void> {
  const ids = padded([...lots.keys()]);
  await Promise.all([
    loadSteps(db, lots, ids),
    loadReadings(db, lots, ids, timeZone),
    loadMade(db, lots, ids),
    loadAfterwards(db, lots, ids),
  ]);
}
