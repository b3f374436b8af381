import type { NewCovering } from '@inch/contract/kitchen/stock';
import { dayOf } from '@inch/core/calendar';
import { packagingFor, whyUnfit } from '@inch/core/stock';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { rows } from '../database/pool.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { leftByOf } from '../lot/leftBy.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';
import { withdraw } from '../stock/withdraw.ts';
import { lockedStock, refuseMore } from './keep.ts';

async function openEntry(w: Writing, body: z.output<typeof NewCovering>) {
  const table = body.noun === 'addition' ? 'addition' : 'bottling';
  const amount = body.noun === 'addition' ? 'COALESCE(e.before_trimming, e.grams)' : 'e.count';
  const thing = body.noun === 'addition' ? 'e.ingredient_id' : 'e.container_id';
  const [entry] = await rows<{ lot_id: string; amount: number; thing: string; struck_at: string | null }>(
    w.tx,
    `SELECT e.lot_id, ${amount} AS amount, ${thing} AS thing, e.struck_at FROM ${table} e JOIN lot l ON l.id = e.lot_id WHERE e.id = ? AND l.kitchen_id = ?`,
    [body.entryId, w.kitchen.id],
  );
  if (!entry || entry.struck_at) throw notFound(body.noun);
  return entry;
}

/** The things an entry may have come from: its ingredient, or what a bottle of its kind takes. */
async function takes(w: Writing, noun: 'addition' | 'bottling', thing: string): Promise<string[]> {
  if (noun === 'addition') return [thing];
  const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === thing);
  return container ? packagingFor(container).map((p) => p.thing) : [];
}

/** Says which stock lot something came from, where nothing covers it yet. */
export async function cover(w: Writing, body: z.output<typeof NewCovering>): Promise<{ id: string }> {
  const entry = await openEntry(w, body);
  const stock = await lockedStock(w, body.stockId);
  const column = body.noun === 'addition' ? 'addition_id' : 'bottling_id';
  const [covered] = await rows<{ amount: number | null }>(
    w.tx,
    `SELECT SUM(t.amount) AS amount FROM stock_taking t JOIN stock_lot s ON s.id = t.stock_id WHERE t.${column} = ? AND s.thing = ?`,
    [body.entryId, stock.thing],
  );
  if (!(await takes(w, body.noun, entry.thing)).includes(stock.thing))
    throw invalid('stockId', `${stock.code} is ${stock.name.toLowerCase()}: choose one of the same thing.`);
  if (body.amount > entry.amount - Number(covered?.amount ?? 0) + 1e-6)
    throw new Problem(409, 'So much of it is not open any more: the rest has its stock lot.');
  const at = happenedAt(w, body.at);
  const unfit = whyUnfit(stock, dayOf(at, w.kitchen.timeZone));
  if (unfit) throw invalid('stockId', `${stock.code} is not used: ${unfit}.`);
  if (body.noun === 'addition' && (await leftByOf(w, stock.id)))
    throw invalid(
      'stockId',
      `${stock.code} is a by-product of a lot, and what that was goes with it: undo the addition, and record it from ${stock.code}.`,
    );
  refuseMore(stock, body.amount);
  const cause = {
    kind: body.noun === 'addition' ? 'used' : 'filled',
    lotId: entry.lot_id,
    entryId: body.entryId,
    at,
  } as const;
  await withdraw(w, { stockId: stock.id, amount: body.amount }, cause, body.id);
  await journal(
    w,
    'stock',
    stock.id,
    'cover',
    { code: stock.code, noun: body.noun, entryId: body.entryId, amount: body.amount, at },
    entry.lot_id,
  );
  return { id: body.id };
}
