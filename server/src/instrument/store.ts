import type { Instrument } from '@inch/contract/instrument';
import { dayOf } from '@inch/core/keeping';
import { type Database, fromSql, marks, rows } from '../database/pool.ts';

interface CalibrationRow {
  id: string;
  instrument_id: string;
  points: string;
  slope_percent: number;
  offset_mv: number;
  low: Instrument['calibrations'][number]['low'];
  accepted: number;
  reason: string;
  at: string;
  by: string;
}

const calibrationFrom = (row: CalibrationRow): Instrument['calibrations'][number] => ({
  id: row.id,
  at: fromSql(row.at),
  by: row.by,
  points: JSON.parse(row.points),
  slopePercent: row.slope_percent,
  offsetMv: row.offset_mv,
  low: row.low,
  accepted: row.accepted === 1,
  reason: row.reason,
});

/** Calibrations of instruments, newest first, at most `each` a piece where that is given. */
export async function calibrationsOf(
  db: Database,
  instrumentIds: readonly string[],
): Promise<Map<string, Instrument['calibrations']>> {
  const byInstrument = new Map<string, Instrument['calibrations']>(instrumentIds.map((id) => [id, []]));
  if (instrumentIds.length === 0) return byInstrument;
  const found = await rows<CalibrationRow>(
    db,
    `SELECT c.*, a.name AS \`by\` FROM calibration c JOIN account a ON a.id = c.account_id WHERE c.instrument_id IN (${marks(instrumentIds)}) ORDER BY c.at DESC`,
    [...instrumentIds],
  );
  for (const row of found) byInstrument.get(row.instrument_id)!.push(calibrationFrom(row));
  return byInstrument;
}

export async function instrumentsOf(
  db: Database,
  kitchen: { id: string; timeZone: string },
  now: string,
): Promise<Instrument[]> {
  const found = await rows<{ id: string; kind: Instrument['kind']; name: string; compensated: number }>(
    db,
    'SELECT id, kind, name, compensated FROM instrument WHERE kitchen_id = ? ORDER BY kind, name',
    [kitchen.id],
  );
  const calibrations = await calibrationsOf(
    db,
    found.map((i) => i.id),
  );
  const today = dayOf(now, kitchen.timeZone);
  return found.map((i) => {
    const own = calibrations.get(i.id)!;
    const last = own[0];
    return {
      ...i,
      compensated: i.compensated === 1,
      calibratedToday: last?.accepted === true && dayOf(last.at, kitchen.timeZone) === today,
      calibrations: own.slice(0, 20),
    };
  });
}
