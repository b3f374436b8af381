import {
  instrumentRoutes,
  type NewCalibration,
  type NewCheck,
  type NewInstrument,
} from '@inch/contract/instrument';
import { calibrateMeter } from '@inch/core/acid';
import { CHECKS, type CheckedKind, judgeCheck } from '@inch/core/instrument';
import type { z } from 'zod';
import { type Database, insert, rows, toSql } from '../database/pool.ts';
import { isReplay } from '../database/transaction.ts';
import { invalid, notFound } from '../http/problem.ts';
import { type House, serve } from '../http/serve.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { instrumentsOf } from './store.ts';

export async function addInstrument(
  w: Writing,
  body: z.output<typeof NewInstrument>,
): Promise<{ id: string }> {
  await insert(w.tx, 'instrument', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    kind: body.kind,
    name: body.name,
    compensated: body.compensated,
    created_at: toSql(w.now),
  });
  await journal(w, 'instrument', body.id, 'add', body);
  return { id: body.id };
}

/** Calibrates a pH meter; a refused calibration is kept as well, since it voids readings. */
export async function calibrate(w: Writing, instrumentId: string, body: z.output<typeof NewCalibration>) {
  const [instrument] = await rows<{ kind: string }>(
    w.tx,
    'SELECT kind FROM instrument WHERE id = ? AND kitchen_id = ?',
    [instrumentId, w.kitchen.id],
  );
  if (!instrument) throw notFound('instrument');
  if (instrument.kind !== 'ph-meter')
    throw invalid('points', 'Buffers calibrate a pH meter, and this is not one.');
  const at = happenedAt(w, body.at);
  const { slopePercent, offsetMv, low, accepted, reason } = calibrateMeter(body.points);
  if (!Number.isFinite(slopePercent))
    throw invalid('points', 'The two buffers read the same. Rinse the electrode and read them again.');
  await insert(w.tx, 'calibration', {
    id: body.id,
    instrument_id: instrumentId,
    points: JSON.stringify(body.points),
    slope_percent: slopePercent,
    offset_mv: offsetMv,
    low,
    accepted,
    reason,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'calibration', body.id, 'calibrate', {
    instrumentId,
    points: body.points,
    slopePercent,
    offsetMv,
    low,
    accepted,
    at,
  });
  return { id: body.id, accepted, reason };
}

const isChecked = (kind: string): kind is CheckedKind => kind in CHECKS;

/** Checks an instrument that has no buffers; a refused check is kept as well. */
export async function checkInstrument(w: Writing, instrumentId: string, body: z.output<typeof NewCheck>) {
  const [instrument] = await rows<{ kind: string }>(
    w.tx,
    'SELECT kind FROM instrument WHERE id = ? AND kitchen_id = ?',
    [instrumentId, w.kitchen.id],
  );
  if (!instrument) throw notFound('instrument');
  if (!isChecked(instrument.kind)) throw invalid('kind', 'A pH meter is calibrated on its buffers.');
  if (!CHECKS[instrument.kind].checks.includes(body.kind))
    throw invalid('kind', 'That check is not for this instrument.');
  if (body.kind === 'weight' && body.weightGrams === null)
    throw invalid('weightGrams', 'Say how heavy the known weight is.');
  const at = happenedAt(w, body.at);
  const judged = judgeCheck({
    kind: body.kind,
    read: body.read,
    weightGrams: body.weightGrams,
    elevationMetres: w.kitchen.elevationMetres,
  });
  await insert(w.tx, 'instrument_check', {
    id: body.id,
    instrument_id: instrumentId,
    kind: body.kind,
    weight_grams: body.weightGrams,
    figure: body.read,
    expected: judged.expected,
    accepted: judged.accepted,
    reason: judged.reason,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'check', body.id, 'check', {
    instrumentId,
    kind: body.kind,
    read: body.read,
    weightGrams: body.weightGrams,
    expected: judged.expected,
    accepted: judged.accepted,
    at,
  });
  return { id: body.id, accepted: judged.accepted, reason: judged.reason };
}

/** The answer of a retry: as the first was judged. */
async function keptVerdict(pool: Database, table: 'calibration' | 'instrument_check', id: string) {
  const [kept] = await rows<{ accepted: number; reason: string }>(
    pool,
    `SELECT accepted, reason FROM ${table} WHERE id = ?`,
    [id],
  );
  return { id, accepted: kept!.accepted === 1, reason: kept!.reason };
}

export function instrumentRoom(house: House): void {
  serve(house, instrumentRoutes.list, ({ pool, kitchen }) =>
    instrumentsOf(pool, kitchen, new Date().toISOString()),
  );
  serve(house, instrumentRoutes.add, (call) =>
    call
      .write((w) => addInstrument(w, call.body))
      .catch((error) => {
        if (isReplay(error)) return { id: call.body.id };
        throw error;
      }),
  );
  serve(house, instrumentRoutes.calibrate, (call) =>
    call
      .write((w) => calibrate(w, call.params.id, call.body))
      .catch(async (error) => {
        if (!isReplay(error)) throw error;
        return keptVerdict(call.pool, 'calibration', call.body.id);
      }),
  );
  serve(house, instrumentRoutes.check, (call) =>
    call
      .write((w) => checkInstrument(w, call.params.id, call.body))
      .catch(async (error) => {
        if (!isReplay(error)) throw error;
        return keptVerdict(call.pool, 'instrument_check', call.body.id);
      }),
  );
}
