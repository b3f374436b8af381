import type { Instrument } from '@inch/contract/instrument';
import { addDays, dayOf } from '@inch/core/calendar';
import { checkDue, checkStanding } from '@inch/core/instrument';
import { meterStanding } from '@inch/core/lot';
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

type Checks = Instrument['checks'];

/** Checks of instruments that have no buffers, newest first. */
export async function checksOf(db: Database, instrumentIds: readonly string[]): Promise<Map<string, Checks>> {
  const byInstrument = new Map<string, Checks>(instrumentIds.map((id) => [id, []]));
  if (instrumentIds.length === 0) return byInstrument;
  const found = await rows<{
    id: string;
    instrument_id: string;
    kind: Checks[number]['kind'];
    weight_grams: number | null;
    figure: number;
    expected: number;
    accepted: number;
    reason: string;
    at: string;
    by: string;
  }>(
    db,
    `SELECT c.*, a.name AS \`by\` FROM instrument_check c JOIN account a ON a.id = c.account_id WHERE c.instrument_id IN (${marks(instrumentIds)}) ORDER BY c.at DESC, c.id DESC`,
    [...instrumentIds],
  );
  for (const row of found)
    byInstrument.get(row.instrument_id)!.push({
      id: row.id,
      kind: row.kind,
      weightGrams: row.weight_grams,
      read: row.figure,
      expected: row.expected,
      accepted: row.accepted === 1,
      reason: row.reason,
      at: fromSql(row.at),
      by: row.by,
    });
  return byInstrument;
}

/** Whether a reading taken now would count, and from when on it no longer does. */
function standingNow(
  kind: Instrument['kind'],
  kept: Pick<Instrument, 'calibrations' | 'checks'>,
  now: string,
  timeZone: string,
): Pick<Instrument, 'counts' | 'whyNot' | 'dueOn'> {
  if (kind !== 'ph-meter')
    return {
      ...checkStanding(kind, now, kept.checks, timeZone),
      dueOn: checkDue(kind, kept.checks, timeZone),
    };
  const last = kept.calibrations[0];
  const standing = meterStanding({ value: 7, at: now }, kept.calibrations, timeZone);
  return { ...standing, dueOn: last?.accepted ? addDays(dayOf(last.at, timeZone), 1) : null };
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
  const checks = await checksOf(
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
      checks: checks.get(i.id)!.slice(0, 20),
      ...standingNow(i.kind, { calibrations: own, checks: checks.get(i.id)! }, now, kitchen.timeZone),
    };
  });
}
