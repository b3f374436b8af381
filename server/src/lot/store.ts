import type { BrokenLot } from '@inch/contract/lot';
import type { LotRecord } from '@inch/core/lot';
import type { CupSchool } from '@inch/core/quantity';
import { type Database, fromSql, rows, toSql } from '../database/pool.ts';
import { UnreadableEntry } from '../entry/read.ts';
import { loadRecords } from './load.ts';

interface HeadRow {
  id: string;
  code: string;
  state: LotRecord['state'];
  held_from: LotRecord['heldFrom'];
  scale: number;
  cup_school: CupSchool | null;
  critical_ph: number;
  elevation_metres: number;
  storage: LotRecord['storage'];
  time_zone: string;
  rule_pack: LotRecord['rulePack'];
  brought_in_at: string | null;
  begun_at: string;
  formula_id: string;
  name: string;
  kind: LotRecord['product']['kind'];
  colour: string;
  number: number;
  content: string;
}

/** A lot with the school of cups it was begun under. */
export type StoredLot = LotRecord & { cupSchool: CupSchool | null };

const HEAD = `SELECT l.id, l.code, l.state, l.held_from, l.scale, l.cup_school, l.critical_ph, l.elevation_metres, l.storage, l.time_zone, l.rule_pack, l.brought_in_at, l.begun_at,
  v.formula_id, v.name, v.kind, v.colour, v.number, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id`;

function headFrom(row: HeadRow): StoredLot {
  return {
    id: row.id,
    code: row.code,
    state: row.state,
    heldFrom: row.held_from,
    product: {
      formulaId: row.formula_id,
      name: row.name,
      kind: row.kind,
      colour: row.colour,
      version: row.number,
      content: JSON.parse(row.content),
    },
    storage: row.storage,
    criticalPh: row.critical_ph,
    elevationMetres: row.elevation_metres,
    timeZone: row.time_zone,
    rulePack: row.rule_pack,
    begunAt: fromSql(row.begun_at),
    broughtInAt: row.brought_in_at && fromSql(row.brought_in_at),
    scale: row.scale,
    cupSchool: row.cup_school,
    steps: [],
    additions: [],
    readings: [],
    bottlings: [],
    heatProcesses: [],
    sealChecks: [],
    movements: [],
    decisions: [],
    prints: [],
    placings: [],
    photographs: [],
    ticks: [],
    faults: [],
    tallies: [],
    weighings: [],
    loads: [],
    curves: [],
    coolings: [],
    fates: [],
    deviations: [],
  };
}

async function withRecords(db: Database, heads: HeadRow[]): Promise<StoredLot[]> {
  if (heads.length === 0) return [];
  const lots = new Map(heads.map((row) => [row.id, headFrom(row)]));
  await loadRecords(db, lots);
  return [...lots.values()];
}

/** Lots that can be read, and those of which something cannot. */
export interface Readable {
  lots: StoredLot[];
  broken: BrokenLot[];
  /** The last of them in their order, whether it can be read or not. */
  lastId: string | null;
}

/** Lots with their records; where one cannot be read, the others without it. */
async function readable(db: Database, heads: HeadRow[]): Promise<Readable> {
  const lastId = heads.at(-1)?.id ?? null;
  try {
    return { lots: await withRecords(db, heads), broken: [], lastId };
  } catch (error) {
    if (!(error instanceof UnreadableEntry || error instanceof SyntaxError)) throw error;
  }
  const found: Readable = { lots: [], broken: [], lastId };
  for (const head of heads)
    try {
      found.lots.push(...(await withRecords(db, [head])));
    } catch (error) {
      const { id, code, name } = head;
      found.broken.push({ id, code, name, why: (error as Error).message });
    }
  return found;
}

type In = { id: string };

/** One lot by id or code; null where the kitchen has none. */
export async function readLot(db: Database, kitchen: In, idOrCode: string): Promise<StoredLot | null> {
  const heads = await rows<HeadRow>(db, `${HEAD} WHERE l.kitchen_id = ? AND (l.id = ? OR l.code = ?)`, [
    kitchen.id,
    idOrCode,
    idOrCode.toUpperCase(),
  ]);
  return (await withRecords(db, heads))[0] ?? null;
}

/** Lots of a kitchen, newest first; `before` is the id of the last lot of the page before. */
export async function lotsPage(
  db: Database,
  kitchen: In,
  before: string | undefined,
  limit: number,
): Promise<Readable> {
  const after = before ? 'AND (l.begun_at, l.id) < (SELECT begun_at, id FROM lot WHERE id = ?)' : '';
  const heads = await rows<HeadRow>(
    db,
    `${HEAD} WHERE l.kitchen_id = ? ${after} ORDER BY l.begun_at DESC, l.id DESC LIMIT ${limit}`,
    before ? [kitchen.id, before] : [kitchen.id],
  );
  return readable(db, heads);
}

/** Lots that may still need a hand: everything not ended, and what was released within the longest keeping time and a half year. */
export async function openLots(db: Database, kitchen: In): Promise<Readable> {
  const heads = await rows<HeadRow>(
    db,
    `${HEAD} WHERE l.kitchen_id = ? AND l.state IN ('planned', 'making', 'resting', 'bottled', 'held', 'released')
     AND (l.state <> 'released' OR l.begun_at > UTC_TIMESTAMP() - INTERVAL 2 YEAR) ORDER BY l.begun_at`,
    [kitchen.id],
  );
  return readable(db, heads);
}

/** The last lots that were put into a vessel and are out of it again. */
export async function lotsOutOf(
  db: Database,
  kitchen: In,
  vesselId: string,
  limit: number,
): Promise<StoredLot[]> {
  const heads = await rows<HeadRow>(
    db,
    `${HEAD} WHERE l.kitchen_id = ? AND l.state <> 'making' AND l.id IN (SELECT lot_id FROM placing WHERE vessel_id = ?)
     ORDER BY l.begun_at DESC LIMIT ${limit}`,
    [kitchen.id, vesselId],
  );
  return withRecords(db, heads);
}

/** The lot of the same formula begun last before another; null where that was the first. */
export async function lotBefore(db: Database, kitchen: In, lot: StoredLot): Promise<StoredLot | null> {
  const heads = await rows<HeadRow>(
    db,
    `${HEAD} WHERE l.kitchen_id = ? AND v.formula_id = ? AND l.begun_at < ? ORDER BY l.begun_at DESC LIMIT 1`,
    [kitchen.id, lot.product.formulaId, toSql(lot.begunAt)],
  );
  return (await withRecords(db, heads))[0] ?? null;
}
