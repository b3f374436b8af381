import type { Basket, BasketChange, NewPack, StockPack } from '@inch/contract/kitchen/stock';
import type { z } from 'zod';
import { type Database, fromSql, insert, rows, run, toSql } from '../database/pool.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { checkThing } from './keep.ts';

/** Packs as things are sold: of each the newest price, without those no longer sold. */
export async function packsOf(db: Database, kitchenId: string): Promise<StockPack[]> {
  const all = await rows<StockPack & { retired: number }>(
    db,
    'SELECT id, kind, thing, said, size, price_minor AS priceMinor, supplier, retired FROM pack WHERE kitchen_id = ? ORDER BY number DESC',
    [kitchenId],
  );
  const seen = new Set<string>();
  return all.flatMap(({ retired, ...pack }) => {
    const key = `${pack.thing} ${pack.size} ${pack.supplier}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return retired ? [] : [{ ...pack, priceMinor: Number(pack.priceMinor) }];
  });
}

/** Says how a thing is sold; nothing that was said before is changed. */
export async function keepPack(w: Writing, body: z.output<typeof NewPack>): Promise<{ id: string }> {
  await checkThing(w, { ...body, measured: null, gotOn: '' });
  const [last] = await rows<{ number: number | null }>(
    w.tx,
    'SELECT MAX(number) AS number FROM pack WHERE kitchen_id = ? FOR UPDATE',
    [w.kitchen.id],
  );
  await insert(w.tx, 'pack', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    number: Number(last?.number ?? 0) + 1,
    kind: body.kind,
    thing: body.thing,
    said: body.said,
    size: body.size,
    price_minor: body.priceMinor,
    supplier: body.supplier,
    retired: body.retired,
    saved_at: toSql(w.now),
    saved_by: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(w, 'pack', body.id, body.retired ? 'retire' : 'keep', said);
  return { id: body.id };
}

interface BasketRow {
  thing: string;
  kind: StockPack['kind'];
  said: string;
  amount: number;
  paid_minor: number | null;
  at: string;
  by: string;
}

export async function basketOf(db: Database, kitchenId: string): Promise<Basket> {
  const found = await rows<BasketRow>(
    db,
    'SELECT b.thing, b.kind, b.said, b.amount, b.paid_minor, b.at, a.name AS `by` FROM basket b JOIN account a ON a.id = b.account_id WHERE b.kitchen_id = ? ORDER BY b.at',
    [kitchenId],
  );
  return found.map(({ paid_minor, ...item }) => ({
    ...item,
    paidMinor: paid_minor === null ? null : Number(paid_minor),
    at: fromSql(item.at),
  }));
}

/** Puts a thing into the basket or back; two phones in one shop see each other's ticks. */
export async function tick(
  w: Writing,
  { item, taken }: z.output<typeof BasketChange>,
): Promise<{ thing: string; taken: boolean }> {
  await run(w.tx, 'DELETE FROM basket WHERE kitchen_id = ? AND thing = ?', [w.kitchen.id, item.thing]);
  if (taken)
    await insert(w.tx, 'basket', {
      kitchen_id: w.kitchen.id,
      thing: item.thing,
      kind: item.kind,
      said: item.said,
      amount: item.amount,
      paid_minor: item.paidMinor,
      at: toSql(w.now),
      account_id: w.account.id,
    });
  await journal(w, 'basket', w.kitchen.id, taken ? 'take' : 'put back', item);
  return { thing: item.thing, taken };
}
