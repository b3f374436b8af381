import { instrumentRoutes, type NewInstrument } from '@inch/contract/making/instrument';
import type { EntrySaid } from '@inch/contract/route/entry';
import { calibrateMeter } from '@inch/core/acid';
import { CHECKS, type CheckedKind, judgeCheck } from '@inch/core/instrument';
import type { z } from 'zod';
import { insert, rows, toSql } from '../database/pool.ts';
import { writeEntry } from '../entry/write.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { happenedAt } from '../journal/happened.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { asked, invalid, notFound } from '../problem/problem.ts';
import { holdWhereMeasuredBy } from '../record/change.ts';
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
    made_for_celsius: body.kind === 'hydrometer' ? (body.madeForCelsius ?? 20) : null,
    created_at: toSql(w.now),
  });
  await journal(w, 'instrument', body.id, 'add', body);
  return { id: body.id };
}

type Said<N extends 'calibration' | 'check'> = EntrySaid<N>;

async function instrumentOf(w: Writing, id: string): Promise<{ kind: string }> {
  const [instrument] = await rows<{ kind: string }>(
    w.tx,
    'SELECT kind FROM instrument WHERE id = ? AND kitchen_id = ?',
    [id, w.kitchen.id],
  );
  if (!instrument) throw notFound('instrument');
  return instrument;
}

/**
 * A good check dated back over readings that were taken since would make them count after the fact: it is refused. A failed one may be
 * dated back; it only shuts.
 */
async function refuseOverReadings(w: Writing, instrumentId: string, at: string): Promise<void> {
  const [read] = await rows<{ at: string }>(
    w.tx,
    'SELECT at FROM reading WHERE instrument_id = ? AND at >= ? AND struck_at IS NULL LIMIT 1',
    [instrumentId, toSql(at)],
  );
  if (read && at < w.now)
    throw invalid(
      'at',
      'Readings of this instrument were taken since. A check cannot be dated back over them: write it down as of now, and read again.',
    );
}

/** Calibrates a pH meter; a refused calibration is kept as well, since it voids readings. */
export async function calibrate(
  w: Writing,
  instrumentId: string,
  { at: saidAt, ...said }: Said<'calibration'>,
) {
  const { kind } = await instrumentOf(w, instrumentId);
  if (kind !== 'ph-meter') throw invalid('points', 'Buffers calibrate a pH meter, and this is not one.');
  const at = happenedAt(w, saidAt);
  const judged = asked('points', () => calibrateMeter(said.points));
  const { slopePercent, offsetMv, low, accepted, reason } = judged;
  if (!Number.isFinite(slopePercent))
    throw invalid('points', 'The two buffers read the same. Rinse the electrode and read them again.');
  if (accepted) await refuseOverReadings(w, instrumentId, at);
  await writeEntry(w, 'calibration', instrumentId, {
    id: said.id,
    at,
    values: { ...said, slopePercent, offsetMv, low, accepted, reason },
  });
  await holdWhereMeasuredBy(w, 'calibration', said.id);
  return { id: said.id, accepted, reason };
}

const isChecked = (kind: string): kind is CheckedKind => kind in CHECKS;

/** Checks an instrument that has no buffers; a refused check is kept as well. */
export async function checkInstrument(
  w: Writing,
  instrumentId: string,
  { at: saidAt, ...said }: Said<'check'>,
) {
  const { kind } = await instrumentOf(w, instrumentId);
  if (!isChecked(kind)) throw invalid('kind', 'A pH meter is calibrated on its buffers.');
  if (!CHECKS[kind].checks.includes(said.kind))
    throw invalid('kind', 'That check is not for this instrument.');
  if (said.kind === 'weight' && said.weightGrams === null)
    throw invalid('weightGrams', 'Say how heavy the known weight is.');
  const at = happenedAt(w, saidAt);
  const { elevationMetres } = w.kitchen;
  const { expected, accepted, reason } = asked('read', () => judgeCheck({ ...said, elevationMetres }));
  if (accepted) await refuseOverReadings(w, instrumentId, at);
  await writeEntry(w, 'check', instrumentId, {
    id: said.id,
    at,
    values: { ...said, expected, accepted, reason },
  });
  await holdWhereMeasuredBy(w, 'check', said.id);
  return { id: said.id, accepted, reason };
}

export function instrumentRouter(app: AppContext): void {
  serve(app, instrumentRoutes.list, ({ pool, kitchen }) =>
    instrumentsOf(pool, kitchen, new Date().toISOString()),
  );
  serve(app, instrumentRoutes.retire, (call) =>
    call.write((w) => retire(w, 'instrument', call.params.id, call.body.retired)),
  );
  serve(app, instrumentRoutes.add, (call) => call.write((w) => addInstrument(w, call.body)));
  serve(app, instrumentRoutes.calibrate, (call) =>
    call.write((w) => calibrate(w, call.params.id, call.body)),
  );
  serve(app, instrumentRoutes.check, (call) =>
    call.write((w) => checkInstrument(w, call.params.id, call.body)),
  );
}
