import type { LotRecord, StockDraw } from '@inch/core/lot';
import { type Database, fromSql } from '../database/pool.ts';
import { entriesOf, entry } from './entryRows.ts';

type Lots = Map<string, LotRecord>;
type Of<K extends keyof LotRecord> = LotRecord[K] extends readonly (infer E)[] ? E : never;

async function loadFilled(
  db: Database,
  lots: Lots,
  ids: string[],
  draws: Map<string, StockDraw[]>,
): Promise<void> {
  const bottlings = await entriesOf<{
    container_id: string;
    container: string;
    nominal_ml: number;
    closure: string;
    count: number;
    fill_celsius: number | null;
    middle_celsius: number | null;
    last_celsius: number | null;
    glass_celsius: number | null;
    headspace_inches: number | null;
    checked: number;
    closing: 'hot' | 'cooled';
    hours_to_21: number | null;
    hours_to_cold: number | null;
  }>(
    db,
    'bottling',
    ids,
    ', c.name AS container, c.nominal_ml, c.closure',
    'JOIN container c ON c.id = t.container_id',
  );
  for (const r of bottlings)
    lots.get(r.lot_id)!.bottlings.push({
      ...entry(r),
      containerId: r.container_id,
      container: r.container,
      nominalMl: r.nominal_ml,
      closure: r.closure,
      count: r.count,
      fillCelsius: r.fill_celsius,
      middleCelsius: r.middle_celsius,
      lastCelsius: r.last_celsius,
      glassCelsius: r.glass_celsius,
      headspaceInches: r.headspace_inches,
      checked: r.checked === 1,
      closing: r.closing,
      hoursTo21: r.hours_to_21,
      hoursToCold: r.hours_to_cold,
      draws: draws.get(r.id) ?? [],
    });
  for (const r of await entriesOf<{ line_id: string; bottle: number }>(db, 'bottle_tick', ids))
    lots.get(r.lot_id)!.ticks.push({ ...entry(r), lineId: r.line_id, bottle: r.bottle });
  for (const r of await entriesOf<{
    container_id: string;
    container: string;
    fault: Of<'faults'>['fault'];
    count: number;
  }>(db, 'glass_fault', ids, ', c.name AS container', 'JOIN container c ON c.id = t.container_id'))
    lots.get(r.lot_id)!.faults.push({
      ...entry(r),
      containerId: r.container_id,
      container: r.container,
      fault: r.fault,
      count: r.count,
    });
}

async function loadMeasured(db: Database, lots: Lots, ids: string[]): Promise<void> {
  for (const r of await entriesOf<{
    in_pan_ml: number;
    how: string;
    parts: string;
    filled_ml: number;
    gap_ml: number;
    asks: number;
    why: string | null;
  }>(db, 'tally', ids))
    lots.get(r.lot_id)!.tallies.push({
      ...entry(r),
      inPanMl: r.in_pan_ml,
      how: r.how,
      parts: JSON.parse(r.parts),
      filledMl: r.filled_ml,
      gapMl: r.gap_ml,
      asks: r.asks === 1,
      why: r.why,
    });
  for (const r of await entriesOf<{
    bottling_id: string;
    gross_grams: number;
    tare_grams: number;
    net_ml: number;
  }>(db, 'weighing', ids))
    lots.get(r.lot_id)!.weighings.push({
      ...entry(r),
      bottlingId: r.bottling_id,
      grossGrams: r.gross_grams,
      tareGrams: r.tare_grams,
      netMl: r.net_ml,
    });
  for (const r of await entriesOf<{ bottling_id: string; celsius: number }>(db, 'cooling', ids))
    lots.get(r.lot_id)!.coolings.push({ ...entry(r), bottlingId: r.bottling_id, celsius: r.celsius });
}

async function loadHeat(db: Database, lots: Lots, ids: string[]): Promise<void> {
  for (const r of await entriesOf<{
    process_id: string | null;
    name: string;
    source: string;
    method: Of<'heatProcesses'>['method'];
    required_minutes: number;
    minutes: number;
    inverted_seconds: number | null;
    elevation_metres: number | null;
    mismatches: string;
    limits: string | null;
    bottles: number | null;
    load_id: string | null;
  }>(db, 'heat_process', ids))
    lots.get(r.lot_id)!.heatProcesses.push({
      ...entry(r),
      processId: r.process_id,
      name: r.name,
      source: r.source,
      method: r.method,
      requiredMinutes: r.required_minutes,
      minutes: r.minutes,
      invertedSeconds: r.inverted_seconds,
      elevationMetres: r.elevation_metres,
      mismatches: JSON.parse(r.mismatches),
      limits: r.limits ? JSON.parse(r.limits) : { brix: null, highestPh: null },
      bottles: r.bottles,
      loadId: r.load_id,
    });
  const marks = await entriesOf<{ load_id: string; kind: Of<'loads'>['marks'][number]['kind'] }>(
    db,
    'load_mark',
    ids,
  );
  for (const r of await entriesOf<{
    number: number;
    process_id: string | null;
    name: string;
    source: string;
    required_minutes: number;
    rest_minutes: number;
    mismatches: string;
    limits: string | null;
    bottles: number;
  }>(db, 'canner_load', ids))
    lots.get(r.lot_id)!.loads.push({
      ...entry(r),
      number: r.number,
      processId: r.process_id,
      name: r.name,
      source: r.source,
      requiredMinutes: r.required_minutes,
      restMinutes: r.rest_minutes,
      mismatches: JSON.parse(r.mismatches),
      limits: r.limits ? JSON.parse(r.limits) : { brix: null, highestPh: null },
      bottles: r.bottles,
      marks: marks
        .filter((m) => m.load_id === r.id)
        .map((m) => ({ id: m.id, kind: m.kind, at: fromSql(m.at), by: m.by })),
    });
  for (const r of await entriesOf<{
    load_id: string | null;
    name: string;
    samples: string;
    minutes: number;
  }>(db, 'curve', ids))
    lots.get(r.lot_id)!.curves.push({
      ...entry(r),
      loadId: r.load_id,
      name: r.name,
      samples: JSON.parse(r.samples),
      minutes: r.minutes,
    });
}

async function loadChecked(db: Database, lots: Lots, ids: string[]): Promise<void> {
  for (const r of await entriesOf<{
    checked: number;
    failed: number;
    failed_bottles: string | null;
    signs: string;
  }>(db, 'seal_check', ids))
    lots.get(r.lot_id)!.sealChecks.push({
      ...entry(r),
      checked: r.checked,
      failed: r.failed,
      failedBottles: JSON.parse(r.failed_bottles ?? '[]'),
      signs: r.signs === '' ? [] : r.signs.split('|'),
    });
  for (const r of await entriesOf<{ check_id: string; fate: Of<'fates'>['fate']; count: number }>(
    db,
    'fate',
    ids,
  ))
    lots.get(r.lot_id)!.fates.push({
      id: r.id,
      checkId: r.check_id,
      fate: r.fate,
      count: r.count,
      at: fromSql(r.at),
      by: r.by,
    });
  const closings = await entriesOf<{ deviation_id: string; cause: string; done: string }>(
    db,
    'deviation_closing',
    ids,
  );
  for (const r of await entriesOf<{ kind: string; what: string; entry_id: string | null }>(
    db,
    'deviation',
    ids,
  )) {
    const closing = closings.find((c) => c.deviation_id === r.id);
    lots.get(r.lot_id)!.deviations.push({
      id: r.id,
      kind: r.kind,
      what: r.what,
      entryId: r.entry_id,
      at: fromSql(r.at),
      by: r.by,
      closed: closing
        ? { cause: closing.cause, done: closing.done, at: fromSql(closing.at), by: closing.by }
        : null,
    });
  }
}

/** All that is recorded of a lot from its filling on. */
export async function loadBottling(
  db: Database,
  lots: Lots,
  ids: string[],
  draws: Map<string, StockDraw[]>,
): Promise<void> {
  await Promise.all([
    loadFilled(db, lots, ids, draws),
    loadMeasured(db, lots, ids),
    loadHeat(db, lots, ids),
    loadChecked(db, lots, ids),
  ]);
}
