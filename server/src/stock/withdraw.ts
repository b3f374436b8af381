import type { StockView } from '@inch/contract/kitchen/stock';
import { dayOf } from '@inch/core/calendar';
import { coverFrom, LABELS, type PackedIn, packagingFor, type Withdrawal, whyUnfit } from '@inch/core/stock';
import { v7 as newId } from 'uuid';
import { insert, toSql, wroteTo } from '../database/pool.ts';
import type { Writing } from '../journal/writing.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { stockOf } from './store.ts';

/** What a taking belongs to: the lot, and the entry of its record. */
export interface Cause {
  kind: 'used' | 'filled' | 'printed';
  lotId: string;
  entryId: string;
  at: string;
}

const COLUMN = { used: 'addition_id', filled: 'bottling_id', printed: 'print_id' } as const;

/** g or pieces as they are told. */
export const amountSaid = (stock: Pick<StockView, 'kind'>, amount: number): string =>
  stock.kind === 'ingredient' ? `${Math.round(amount * 10) / 10} g` : `${Math.round(amount)}`;

/** Refuses a stock lot chosen by hand that is not of this thing, not fit, or has less left than is taken from it. */
function checkChosen(
  stock: readonly StockView[],
  chosen: readonly Withdrawal[],
  thing: string,
  day: string,
  why: string | null,
): void {
  for (const withdrawal of chosen) {
    const lot = stock.find((s) => s.id === withdrawal.stockId);
    if (!lot) throw invalid('stock', 'That stock lot is not one of this kitchen.');
    if (lot.thing !== thing)
      throw invalid('stock', `${lot.code} is ${lot.name.toLowerCase()}: choose one of the same thing.`);
    const unfit = whyUnfit(lot, day);
    const overDate = lot.bestBy !== null && lot.bestBy < day;
    if (unfit && (lot.held || lot.leftBy !== null || !(overDate && why)))
      throw invalid(
        'stock',
        `${lot.code} is not used: ${unfit}.${overDate ? ' Take another, or say why all the same.' : ''}`,
      );
    if (withdrawal.amount > lot.left + 1e-6)
      throw new Problem(
        409,
        `${lot.code} has only ${amountSaid(lot, Math.max(0, lot.left))} left. Take the rest from another stock lot, or count ${lot.code} anew.`,
        {
          errors: [
            { path: 'stock', message: `Only ${amountSaid(lot, Math.max(0, lot.left))} left in ${lot.code}.` },
          ],
        },
      );
  }
}

function merged(chosen: readonly Withdrawal[]): Withdrawal[] {
  const sums = new Map<string, number>();
  for (const { stockId, amount } of chosen) sums.set(stockId, (sums.get(stockId) ?? 0) + amount);
  return [...sums].map(([stockId, amount]) => ({ stockId, amount }));
}

/** A stock lot with what is taken of it. */
export interface Withdrawn {
  stock: StockView;
  amount: number;
}

/**
 * From which stock lots an amount of one thing comes: from what was chosen by hand first, the rest from the oldest fit lots. Never more
 * than is there: what no stock lot covers stays uncovered, and the record shows it. The lots stay locked until the transaction ends.
 */
export async function chooseStock(
  w: Writing,
  want: { thing: string; amount: number; chosen?: readonly Withdrawal[] | null; why?: string | null },
  at: string,
): Promise<Withdrawn[]> {
  if (want.amount <= 0) return [];
  const day = dayOf(at, w.kitchen.timeZone);
  const chosen = merged(want.chosen ?? []);
  const stock = await stockOf(w.tx, w.kitchen.id, day, {
    things: [want.thing],
    lock: true,
    // What this write itself took in or drew is not counted yet.
    inStock: !wroteTo(w.tx, 'stock_lot') && !wroteTo(w.tx, 'stock_taking'),
  });
  const others = await stockOf(w.tx, w.kitchen.id, day, {
    ids: chosen.map((d) => d.stockId).filter((id) => !stock.some((s) => s.id === id)),
  });
  checkChosen([...stock, ...others], chosen, want.thing, day, want.why ?? null);
  const byHand = chosen.reduce((sum, d) => sum + d.amount, 0);
  if (byHand > want.amount + 0.5)
    throw invalid('stock', 'More is taken from stock than went in. Weigh again, or take less.');
  const rest = coverFrom(
    stock.filter((s) => !chosen.some((d) => d.stockId === s.id)),
    want.thing,
    Math.max(0, want.amount - byHand),
    day,
  );
  return [...chosen, ...rest.withdrawals].map((withdrawal) => ({
    stock: stock.find((s) => s.id === withdrawal.stockId)!,
    amount: withdrawal.amount,
  }));
}

/** Writes what was taken of one stock lot for an entry of a lot. */
export const withdraw = (
  w: Writing,
  withdrawn: { stockId: string; amount: number },
  cause: Cause,
  id: string = newId(),
): Promise<void> =>
  insert(w.tx, 'stock_taking', {
    id,
    stock_id: withdrawn.stockId,
    kind: cause.kind,
    amount: withdrawn.amount,
    lot_id: cause.lotId,
    [COLUMN[cause.kind]]: cause.entryId,
    why: null,
    at: toSql(cause.at),
    account_id: w.account.id,
  });

/** Takes so many of one kind of packaging, the oldest first. */
async function takePieces(w: Writing, thing: string, count: number, cause: Cause): Promise<void> {
  for (const { stock, amount } of await chooseStock(w, { thing, amount: count }, cause.at))
    await withdraw(w, { stockId: stock.id, amount }, cause);
}

/** Glass and what closes it for bottles that were filled; what comes back is not used up. */
export async function takePackaging(
  w: Writing,
  container: PackedIn,
  count: number,
  cause: Cause,
): Promise<void> {
  for (const { thing, comesBack } of packagingFor(container))
    if (!comesBack) await takePieces(w, thing, count, cause);
}

/** New lids alone: what closes bottles that go through the heat once more. */
export async function takeLids(w: Writing, container: PackedIn, count: number, cause: Cause): Promise<void> {
  for (const { thing, comesBack } of packagingFor(container))
    if (!comesBack && thing.startsWith('lid:')) await takePieces(w, thing, count, cause);
}

/** Glass, a ring or a lid that is retired leaves the stock as wasted, the oldest first. */
export async function wastePieces(
  w: Writing,
  thing: string,
  count: number,
  cause: { lotId: string; why: string; at: string },
): Promise<void> {
  for (const { stock, amount } of await chooseStock(w, { thing, amount: count }, cause.at))
    await insert(w.tx, 'stock_taking', {
      id: newId(),
      stock_id: stock.id,
      kind: 'wasted',
      amount,
      lot_id: cause.lotId,
      why: cause.why,
      at: toSql(cause.at),
      account_id: w.account.id,
    });
}

export const takeLabels = (w: Writing, copies: number, cause: Cause): Promise<void> =>
  takePieces(w, LABELS.thing, copies, cause);
