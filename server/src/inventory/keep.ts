import type {
  NewCount,
  NewDivision,
  NewLoss,
  NewReceipt,
  NewStock,
  StockView,
  StruckTaking,
} from '@inch/contract/kitchen/stock';
import { dangersIn } from '@inch/core/ageing';
import { dayOf } from '@inch/core/calendar';
import type { Allergen } from '@inch/core/ingredient';
import { catalogueOf, ingredientsAsMade } from '@inch/core/lot';
import { asDrawn, costOfPart, packagingOf, stockCode } from '@inch/core/stock';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { insert, rows, run, toSql, update } from '../database/pool.ts';
import { catalogueNow } from '../ingredient/store.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { leftByOf } from '../lot/leftBy.ts';
import { readLot } from '../lot/store.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';
import { holdSource, isHeld } from '../sourceHold/hold.ts';
import { stockOf } from '../stock/store.ts';
import { amountSaid } from '../stock/withdraw.ts';

async function nextNumber(w: Writing): Promise<number> {
  const [row] = await rows<{ stock_serial: number }>(
    w.tx,
    'SELECT stock_serial FROM kitchen WHERE id = ? FOR UPDATE',
    [w.kitchen.id],
  );
  await update(w.tx, 'kitchen', w.kitchen.id, { stock_serial: row!.stock_serial + 1 });
  return row!.stock_serial + 1;
}

/** Refuses what is neither in the catalogue nor a kind of packaging of this kitchen, and measurements that its kind cannot have. */
export async function checkThing(
  w: Writing,
  body: Pick<z.output<typeof NewStock>, 'kind' | 'thing' | 'measured' | 'gotOn'>,
): Promise<void> {
  if (body.kind === 'packaging') {
    const known = packagingOf(await containersOf(w.tx, w.kitchen.id));
    if (!known.some((p) => p.thing === body.thing))
      throw invalid(
        'thing',
        'Choose a bottle, lid or label of this kitchen. Bottles are added under Bottling.',
      );
    return;
  }
  const entry = (await catalogueNow(w.tx, w.kitchen.id)).find(body.thing);
  if (!entry)
    throw invalid('thing', 'Choose an ingredient of the catalogue, or enter it from its label first.');
  try {
    asDrawn(entry, { allergens: [], measured: body.measured, gotOn: body.gotOn });
  } catch (error) {
    throw invalid('measured', `${(error as Error).message}.`);
  }
}

/** The lot a by-product was left by, with the allergens that it carries on; null where it is none. */
async function leftByLot(
  w: Writing,
  id: string | null,
): Promise<{ id: string; allergens: Allergen[] } | null> {
  if (id === null) return null;
  const lot = await readLot(w.tx, w.kitchen, id);
  if (!lot) throw invalid('leftBy', 'That lot is not one of this kitchen.');
  const catalogue = catalogueOf(lot);
  const allergens = ingredientsAsMade(lot).flatMap((m) => [...catalogue.get(m.ingredientId).allergens]);
  return { id: lot.id, allergens: [...new Set(allergens)] };
}

/** What comes in; only what a person takes in by hand says its supplier's batch. */
type Arriving = Omit<z.output<typeof NewStock>, 'batch'> & { batch?: string };
type Arrived = Omit<Arriving, 'leftBy'>;

async function write(
  w: Writing,
  body: Arrived,
  origin: {
    leftBy?: string | null;
    allergens?: readonly Allergen[];
    dividedFrom?: string;
    spreadsheet?: string;
  },
): Promise<{ id: string; code: string }> {
  const number = await nextNumber(w);
  await insert(w.tx, 'stock_lot', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    number,
    kind: body.kind,
    thing: body.thing,
    quantity: body.quantity,
    said: body.said,
    words: body.words,
    supplier: body.supplier,
    cost_minor: body.costMinor,
    batch: body.batch || null,
    got_on: body.gotOn,
    best_by: body.bestBy,
    measured: body.measured && JSON.stringify(body.measured),
    allergens: JSON.stringify(origin.allergens ?? []),
    left_by: origin.leftBy ?? null,
    divided_from: origin.dividedFrom ?? null,
    spreadsheet_id: origin.spreadsheet ?? null,
    at: toSql(w.now),
    account_id: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(
    w,
    'stock',
    body.id,
    'take in',
    { code: stockCode(number), ...said, ...origin },
    origin.leftBy ?? null,
  );
  return { id: body.id, code: stockCode(number) };
}

/** Takes in a purchase, a picking, or what a lot left behind. @param spreadsheet the one that it was brought in with */
export async function takeIn(
  w: Writing,
  body: Arriving,
  spreadsheet?: string,
): Promise<{ id: string; code: string }> {
  const today = dayOf(w.now, w.kitchen.timeZone);
  if (body.gotOn > today) throw invalid('gotOn', 'It is written down once it is here: today or earlier.');
  if (body.bestBy !== null && body.bestBy < body.gotOn)
    throw invalid('bestBy', 'It was past its date on the day it came. Look at the date again.');
  await checkThing(w, body);
  const left = await leftByLot(w, body.leftBy);
  return write(w, body, {
    leftBy: left?.id ?? null,
    allergens: left?.allergens ?? [],
    ...(spreadsheet === undefined ? {} : { spreadsheet }),
  });
}

/** A stock lot, locked until the transaction ends. */
export async function lockedStock(w: Writing, id: string): Promise<StockView> {
  const today = dayOf(w.now, w.kitchen.timeZone);
  const [stock] = await stockOf(w.tx, w.kitchen.id, today, { ids: [id], lock: true });
  if (!stock) throw notFound('stock lot');
  return stock;
}

export function refuseMore(stock: StockView, amount: number): void {
  if (amount > stock.left + 1e-6)
    throw invalid(
      'amount',
      `Only ${amountSaid(stock, Math.max(0, stock.left))} of ${stock.code} are left. Count it anew if there is more.`,
    );
}

async function record(
  w: Writing,
  stock: StockView,
  taking: { id: string; kind: string; amount: number; why: string | null; at: string; into?: string },
): Promise<{ id: string }> {
  await insert(w.tx, 'stock_taking', {
    id: taking.id,
    stock_id: stock.id,
    kind: taking.kind,
    amount: taking.amount,
    into_stock_id: taking.into ?? null,
    why: taking.why,
    at: toSql(taking.at),
    account_id: w.account.id,
  });
  const { id: _, ...said } = taking;
  await journal(w, 'stock', stock.id, taking.kind, { code: stock.code, ...said });
  return { id: taking.id };
}

/** What makes a whole batch dangerous holds it, and all that was made with it: germs, glass, a recall. */
async function holdWhereDangerous(w: Writing, stock: StockView, why: string | null): Promise<void> {
  const found = dangersIn(why ?? '');
  const source = { noun: 'stock', subjectId: stock.id } as const;
  if (found.length === 0 || (await isHeld(w, source))) return;
  const recalled = found.some((word) => /recall|called? ?back|withdrawn/.test(word));
  await holdSource(w, { ...source, name: `${stock.code} ${stock.name}`, recalled, why: why! });
}

/** Records what was thrown away or spoiled. */
export async function lose(w: Writing, id: string, body: z.output<typeof NewLoss>): Promise<{ id: string }> {
  const stock = await lockedStock(w, id);
  refuseMore(stock, body.amount);
  const lost = await record(w, stock, { ...body, at: happenedAt(w, body.at) });
  await holdWhereDangerous(w, stock, body.why);
  return lost;
}

/** Says what is really there: more or less than thought is recorded as what a count found. */
export async function count(
  w: Writing,
  id: string,
  body: z.output<typeof NewCount>,
): Promise<{ id: string }> {
  const stock = await lockedStock(w, id);
  const amount = stock.left - body.found;
  const share = Math.abs(amount) / Math.max(stock.left, body.found, 1e-9);
  if (share > 0.1 && !body.why)
    throw invalid('why', `${amountSaid(stock, stock.left)} were thought to be there. Write why it differs.`);
  const counted = await record(w, stock, {
    id: body.id,
    kind: 'counted',
    amount,
    why: body.why,
    at: happenedAt(w, body.at),
  });
  await holdWhereDangerous(w, stock, body.why);
  return counted;
}

/** What may be struck by itself; the rest goes with the entry that took it. */
const BY_ITSELF: ReadonlySet<string> = new Set(['counted', 'wasted', 'spoiled']);

/** Undoes a count or a loss: what it took is there again, or what it found is not. */
export async function strikeTaking(
  w: Writing,
  id: string,
  { takingId, why }: z.output<typeof StruckTaking>,
): Promise<{ id: string }> {
  const stock = await lockedStock(w, id);
  const [taking] = await rows<{ kind: string; amount: number; struck_at: string | null }>(
    w.tx,
    'SELECT kind, amount, struck_at FROM stock_taking WHERE id = ? AND stock_id = ?',
    [takingId, stock.id],
  );
  if (!taking) throw notFound('entry of this stock lot');
  if (taking.struck_at !== null) return { id: takingId };
  if (!BY_ITSELF.has(taking.kind))
    throw invalid('takingId', 'It belongs to an entry of a lot: undo that entry, in the lot’s record.');
  const left = stock.left + taking.amount;
  if (left < -1e-6)
    throw new Problem(
      409,
      `${amountSaid(stock, -left)} more were taken since than would be there without that count. Count ${stock.code} anew instead.`,
    );
  await update(w.tx, 'stock_taking', takingId, {
    struck_at: toSql(w.now),
    struck_by: w.account.id,
    struck_why: why,
  });
  await journal(w, 'stock', stock.id, 'undo', { code: stock.code, takingId, kind: taking.kind, why });
  return { id: takingId };
}

/** Puts a part apart as a stock lot of its own, which keeps where it came from, its cost in proportion and its measurements. */
export async function divide(
  w: Writing,
  id: string,
  body: z.output<typeof NewDivision>,
): Promise<{ id: string }> {
  const stock = await lockedStock(w, id);
  refuseMore(stock, body.amount);
  const at = happenedAt(w, body.at);
  const gotOn = dayOf(at, w.kitchen.timeZone);
  if (stock.held) throw new Problem(409, `${stock.code} is not divided: ${stock.held}.`);
  const from = await leftByOf(w, stock.id);
  await checkThing(w, { kind: stock.kind, thing: body.thing, measured: stock.measured, gotOn });
  await write(
    w,
    {
      id: body.stockId,
      kind: stock.kind,
      thing: body.thing,
      quantity: body.amount,
      said: '',
      words: body.words,
      supplier: stock.supplier,
      costMinor: costOfPart(stock, body.amount),
      gotOn,
      bestBy: body.bestBy,
      batch: stock.batch,
      measured: stock.measured,
    },
    { allergens: stock.allergens, dividedFrom: stock.id, leftBy: from?.lot.id ?? null },
  );
  return record(w, stock, {
    id: body.id,
    kind: 'divided',
    amount: body.amount,
    why: null,
    at,
    into: body.stockId,
  });
}

/** Turns a receipt into stock lots, and empties the basket of what is on it. */
export async function receive(
  w: Writing,
  body: z.output<typeof NewReceipt>,
): Promise<{ stock: { id: string; code: string }[] }> {
  const stock: { id: string; code: string }[] = [];
  for (const [i, line] of body.lines.entries()) {
    const { paidMinor, amount, ...rest } = line;
    const arrived = {
      ...rest,
      quantity: amount,
      supplier: body.supplier,
      costMinor: paidMinor,
      gotOn: body.gotOn,
      measured: null,
    };
    stock.push(
      await takeIn(w, { ...arrived, leftBy: null }).catch((error: unknown) => {
        throw error instanceof Problem && error.status === 422
          ? invalid(`lines.${i}`, (error as Problem).message)
          : error;
      }),
    );
    await run(w.tx, 'DELETE FROM basket WHERE kitchen_id = ? AND thing = ?', [w.kitchen.id, line.thing]);
  }
  await journal(w, 'receipt', stock[0]!.id, 'receive', {
    supplier: body.supplier,
    gotOn: body.gotOn,
    stock: stock.map((s) => s.code),
  });
  return { stock };
}
