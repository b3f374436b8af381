import { type NewSourceHold, SourceHold, sourceHoldRoutes } from '@inch/contract/kitchen/sourceHold';
import { heatProcesses } from '@inch/core/heat';
import { Instant } from '@inch/core/value';
import type { Pool } from 'mysql2/promise';
import { z } from 'zod';
import { rows, toSql, update } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { processesById } from '../heatProcess/store.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';
import { stockOf } from '../stock/store.ts';
import { codesOf, reachOf, type Source } from '../trace/reach.ts';
import { holdSource, isHeld } from './hold.ts';

const { lots: _, lifted: __, ...SAID } = SourceHold.shape;
const KEPT = {
  ...SAID,
  at: Instant,
  liftedAt: Instant.nullable(),
  liftedBy: z.string().nullable(),
  liftedWhy: z.string().nullable(),
};

async function listHolds(pool: Pool, kitchenId: string): Promise<SourceHold[]> {
  const found = await read(
    pool,
    KEPT,
    `SELECT h.id, h.noun, h.subject_id, h.name, h.recalled, h.why, h.at, a.name AS \`by\`, h.lifted_at, l.name AS lifted_by, h.lifted_why
     FROM source_hold h JOIN account a ON a.id = h.account_id LEFT JOIN account l ON l.id = h.lifted_by
     WHERE h.kitchen_id = ? ORDER BY h.at DESC, h.id DESC LIMIT 200`,
    [kitchenId],
  );
  const holds: SourceHold[] = [];
  for (const { liftedAt, liftedBy, liftedWhy, ...hold } of found)
    holds.push({
      ...hold,
      lifted: liftedAt === null ? null : { at: liftedAt, by: liftedBy ?? '', why: liftedWhy ?? '' },
      lots: await codesOf(pool, await reachOf(pool, kitchenId, hold)),
    });
  return holds;
}

/** What a source is called. @throws Problem where the kitchen has none */
async function nameOf(w: Writing, { noun, subjectId }: Source): Promise<string> {
  if (noun === 'stock') {
    const [stock] = await stockOf(w.tx, w.kitchen.id, '2000-01-01', { ids: [subjectId] });
    if (stock) return `${stock.code} ${stock.name}`;
  } else if (noun === 'process') {
    const shipped = heatProcesses.find((process) => process.id === subjectId);
    const own = shipped ?? (await processesById(w.tx, [subjectId]))[0];
    if (own) return own.name;
  } else {
    const [row] = await rows<{ name: string }>(
      w.tx,
      `SELECT name FROM ${noun} WHERE id = ? AND kitchen_id = ?`,
      [subjectId, w.kitchen.id],
    );
    if (row) return row.name;
  }
  throw invalid('subjectId', 'That is not one of this kitchen. Choose another.');
}

async function hold(w: Writing, body: z.output<typeof NewSourceHold>): Promise<{ id: string }> {
  const name = await nameOf(w, body);
  if (await isHeld(w, body)) throw new Problem(409, `${name} is held already.`);
  return { id: await holdSource(w, { ...body, name }) };
}

/** Lifts a hold; what it held stays held until each lot is resumed. */
async function lift(w: Writing, id: string, { why }: { why: string }): Promise<{ id: string }> {
  const [found] = await rows<{ lifted_at: string | null }>(
    w.tx,
    'SELECT lifted_at FROM source_hold WHERE id = ? AND kitchen_id = ?',
    [id, w.kitchen.id],
  );
  if (!found) throw notFound('hold');
  if (found.lifted_at !== null) throw new Problem(409, 'That hold is lifted already.');
  await update(w.tx, 'source_hold', id, {
    lifted_at: toSql(w.now),
    lifted_by: w.account.id,
    lifted_why: why,
  });
  await journal(w, 'source-hold', id, 'lift', { why });
  return { id };
}

export function sourceHoldRouter(app: AppContext): void {
  serve(app, sourceHoldRoutes.list, ({ pool, kitchen }) => listHolds(pool, kitchen.id));
  serve(app, sourceHoldRoutes.hold, (call) => call.write((w) => hold(w, call.body)));
  serve(app, sourceHoldRoutes.lift, (call) => call.write((w) => lift(w, call.params.id, call.body)));
}
