import { instrumentRoutes, type NewCalibration, type NewInstrument } from '@inch/contract/instrument';
import { calibrateMeter } from '@inch/core/acid';
import type { z } from 'zod';
import { insert, rows, toSql } from '../database/pool.ts';
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
        const [kept] = await rows<{ accepted: number; reason: string }>(
          call.pool,
          'SELECT accepted, reason FROM calibration WHERE id = ?',
          [call.body.id],
        );
        return { id: call.body.id, accepted: kept!.accepted === 1, reason: kept!.reason };
      }),
  );
}
