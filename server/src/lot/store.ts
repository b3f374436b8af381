import { Workshop } from '@inch/contract/kitchen/kitchen';
import type { BrokenLot } from '@inch/contract/making/lot';
import { heatProcesses } from '@inch/core/heat';
import { LotRecord, storageNow } from '@inch/core/lot';
import { CupSchool } from '@inch/core/quantity';
import { Instant } from '@inch/core/value';
import { z } from 'zod';
import { type Database, marks, toSql } from '../database/pool.ts';
import { read, UnreadableEntry } from '../database/read.ts';
import { processesById } from '../heatProcess/store.ts';
import { loadStores } from '../place/store.ts';
import { notFound } from '../problem/problem.ts';
import { loadAged } from './aged.ts';
import { lotNamed } from './head.ts';
import { loadRecords } from './load.ts';

const { product } = LotRecord.shape;
const KEPT = {
  ...LotRecord.pick({
    id: true,
    code: true,
    state: true,
    heldFrom: true,
    scale: true,
    criticalPh: true,
    elevationMetres: true,
    storage: true,
    timeZone: true,
    rulePack: true,
  }).shape,
  kitchenId: z.string(),
  cupSchool: CupSchool.nullable(),
  kitchenElevation: z.number(),
  elevationSince: Instant.nullable(),
  workshop: Workshop.nullable(),
  writtenAt: Instant.nullable(),
  begunBy: z.string(),
  broughtInAt: Instant.nullable(),
  begunAt: Instant,
  ...product.shape,
  /** Read lot by lot, so that one that cannot be read hides no other. */
  content: z.string(),
};
type Kept = z.output<z.ZodObject<typeof KEPT>>;

/** A lot with the school of cups it was begun under. */
export type StoredLot = LotRecord & {
  cupSchool: CupSchool | null;
  /** Name of whoever began it. */
  begunBy: string;
};

const HEAD = `SELECT STRAIGHT_JOIN l.id, l.kitchen_id, l.code, l.state, l.held_from, l.scale, l.cup_school, l.critical_ph, l.elevation_metres, l.storage, l.time_zone, l.rule_pack, l.brought_in_at, l.begun_at, l.written_at,
  (SELECT name FROM account WHERE id = l.begun_by) AS begun_by,
  k.elevation_metres AS kitchen_elevation, k.elevation_since, k.workshop,
  v.formula_id, v.name, v.kind, v.colour, v.number AS version, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id JOIN kitchen k ON k.id = l.kitchen_id`;

/** An elevation of the kitchen that was put right holds for the lots that were begun where it is now. */
function correctedElevation(row: Kept): number | null {
  const here = row.elevationSince === null || row.begunAt >= row.elevationSince;
  return here && row.kitchenElevation !== row.elevationMetres ? row.kitchenElevation : null;
}

function headFrom(row: Kept): StoredLot {
  const { formulaId, name, kind, colour, version, content } = row;
  return {
    id: row.id,
    code: row.code,
    state: row.state,
    heldFrom: row.heldFrom,
    product: { formulaId, name, kind, colour, version, content: JSON.parse(content) },
    storage: row.storage,
    criticalPh: row.criticalPh,
    elevationMetres: row.elevationMetres,
    correctedElevation: correctedElevation(row),
    cannerHolds: row.workshop === null ? null : row.workshop.cannerHolds,
    writtenAt: row.writtenAt,
    timeZone: row.timeZone,
    rulePack: row.rulePack,
    begunAt: row.begunAt,
    broughtInAt: row.broughtInAt,
    scale: row.scale,
    cupSchool: row.cupSchool,
    begunBy: row.begunBy,
    steps: [],
    additions: [],
    readings: [],
    bottlings: [],
    heatProcesses: [],
    sealChecks: [],
    movements: [],
    tellings: [],
    decisions: [],
    settlings: [],
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
    storageChanges: [],
    spoiltLabels: [],
    looks: [],
    datings: [],
  };
}

async function withRecords(db: Database, heads: Kept[]): Promise<StoredLot[]> {
  if (heads.length === 0) return [];
  const lots = new Map(heads.map((row) => [row.id, headFrom(row)]));
  await loadRecords(db, lots);
  for (const lot of lots.values()) lot.storage = storageNow(lot);
  await loadProcesses(db, lots);
  await loadStores(db, heads[0]!.kitchenId, [...lots.values()]);
  await loadAged(db, heads[0]!.kitchenId, [...lots.values()]);
  return [...lots.values()];
}

const SHIPPED = new Set(heatProcesses.map((process) => process.id));

/** Gives lots the processes of the kitchen's own that they went through: each is judged by what it is known to be. */
async function loadProcesses(db: Database, lots: ReadonlyMap<string, StoredLot>): Promise<void> {
  const named = [...lots.values()].flatMap((lot) => lot.heatProcesses.flatMap((p) => p.processId ?? []));
  const ids = [...new Set(named)].filter((id) => !SHIPPED.has(id));
  if (ids.length === 0) return;
  const processes = await processesById(db, ids);
  for (const lot of lots.values()) lot.processes = processes;
}

/** Lots that can be read, and those of which something cannot. */
export interface Readable {
  lots: StoredLot[];
  broken: (BrokenLot & Pick<LotRecord, 'state' | 'begunAt'>)[];
}

/** Lots with their records; where one cannot be read, the others without it. */
async function readable(db: Database, heads: Kept[]): Promise<Readable> {
  try {
    return { lots: await withRecords(db, heads), broken: [] };
  } catch (error) {
    if (!(error instanceof UnreadableEntry || error instanceof SyntaxError)) throw error;
  }
  const found: Readable = { lots: [], broken: [] };
  for (const head of heads)
    try {
      found.lots.push(...(await withRecords(db, [head])));
    } catch (error) {
      const { id, code, name, state, begunAt } = head;
      const why = (error as Error).message;
      found.broken.push({ id, code, name, state, begunAt, why });
    }
  return found;
}

type In = { id: string };

/** One lot by id or code; null where the kitchen has none. */
export async function readLot(db: Database, kitchen: In, idOrCode: string): Promise<StoredLot | null> {
  const { column, value } = lotNamed(idOrCode);
  const heads = await read(db, KEPT, `${HEAD} WHERE l.kitchen_id = ? AND ${column} = ?`, [kitchen.id, value]);
  return (await withRecords(db, heads))[0] ?? null;
}

/** The lot as everyone may read it. @throws Problem where the kitchen has none */
export async function requireLot(db: Database, kitchen: In, idOrCode: string): Promise<StoredLot> {
  const lot = await readLot(db, kitchen, idOrCode);
  if (!lot) throw notFound('lot');
  return lot;
}

/** Some lots of a kitchen by their ids. */
export async function readableByIds(db: Database, kitchen: In, ids: readonly string[]): Promise<Readable> {
  if (ids.length === 0) return { lots: [], broken: [] };
  const heads = await read(db, KEPT, `${HEAD} WHERE l.kitchen_id = ? AND l.id IN (${marks(ids)})`, [
    kitchen.id,
    ...ids,
  ]);
  return readable(db, heads);
}

/** Lots between their beginning and their release: whatever may need a hand. */
export async function unreleasedLots(db: Database, kitchen: In): Promise<StoredLot[]> {
  const heads = await read(
    db,
    KEPT,
    `${HEAD} WHERE l.kitchen_id = ? AND l.state IN ('planned', 'making', 'resting', 'bottled', 'held') ORDER BY l.begun_at, l.id`,
    [kitchen.id],
  );
  return (await readable(db, heads)).lots;
}

/** The lots of a formula begun last, newest first. */
export async function lotsOfFormula(
  db: Database,
  kitchen: In,
  formulaId: string,
  limit: number,
): Promise<StoredLot[]> {
  const heads = await read(
    db,
    KEPT,
    `${HEAD} WHERE l.kitchen_id = ? AND v.formula_id = ? ORDER BY l.begun_at DESC, l.id DESC LIMIT ${limit}`,
    [kitchen.id, formulaId],
  );
  return (await readable(db, heads)).lots;
}

/** The lot of the same formula begun last before another; null where that was the first. */
export async function lotBefore(db: Database, kitchen: In, lot: StoredLot): Promise<StoredLot | null> {
  const heads = await read(
    db,
    KEPT,
    `${HEAD} WHERE l.kitchen_id = ? AND v.formula_id = ? AND l.begun_at < ? ORDER BY l.begun_at DESC LIMIT 1`,
    [kitchen.id, lot.product.formulaId, toSql(lot.begunAt)],
  );
  return (await withRecords(db, heads))[0] ?? null;
}
