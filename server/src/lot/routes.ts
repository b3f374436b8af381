import { lotRoutes } from '@inch/contract/lot';
import { fromSql, rows } from '../database/pool.ts';
import { isReplay } from '../database/transaction.ts';
import { type House, serve } from '../http/serve.ts';
import { beginLot } from './begin.ts';
import { addToLot, markStep, measureLot } from './entries.ts';
import { bottleLot, checkSeals, decide, processLot, requireLot, strike } from './filling.ts';
import { moveBottles } from './moving.ts';
import { lotsPage } from './store.ts';
import { lotHead, lotView } from './view.ts';

/** A retry of a write already kept answers as the first did. */
const once = <T extends { id: string }>(work: Promise<{ id: string }>, body: T): Promise<{ id: string }> =>
  work.catch((error) => {
    if (isReplay(error)) return { id: body.id };
    throw error;
  });

interface JournalRow {
  sequence: number;
  at: string;
  by: string;
  noun: string;
  noun_id: string;
  action: string;
  payload: string;
  hash: string;
}

export function lotRoom(house: House): void {
  serve(house, lotRoutes.list, async ({ pool, kitchen, query }) => {
    const lots = await lotsPage(pool, kitchen, query.before, query.limit);
    const now = new Date().toISOString();
    return {
      lots: lots.map((lot) => lotHead(lot, kitchen, now)),
      next: lots.length === query.limit ? lots.at(-1)!.id : null,
    };
  });
  serve(house, lotRoutes.read, async ({ pool, kitchen, params }) =>
    lotView(await requireLot(pool, kitchen, params.id), kitchen),
  );
  serve(house, lotRoutes.begin, (call) => call.write((w) => beginLot(w, call.body)));
  serve(house, lotRoutes.mark, (call) =>
    once(
      call.write((w) => markStep(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.add, (call) =>
    once(
      call.write((w) => addToLot(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.measure, (call) =>
    once(
      call.write((w) => measureLot(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.bottle, (call) =>
    once(
      call.write((w) => bottleLot(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.process, (call) =>
    once(
      call.write((w) => processLot(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.checkSeals, (call) =>
    once(
      call.write((w) => checkSeals(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.move, (call) => call.write((w) => moveBottles(w, call.params.id, call.body)));
  serve(house, lotRoutes.strike, (call) => call.write((w) => strike(w, call.params.id, call.body)));
  serve(house, lotRoutes.decide, (call) =>
    once(
      call.write((w) => decide(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.rule, (call) =>
    once(
      call.write((w) => decide(w, call.params.id, call.body)),
      call.body,
    ),
  );
  serve(house, lotRoutes.journal, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    const found = await rows<JournalRow>(
      pool,
      'SELECT j.*, a.name AS `by` FROM journal j JOIN account a ON a.id = j.account_id WHERE j.lot_id = ? ORDER BY j.sequence',
      [lot.id],
    );
    return found.map((r) => ({
      sequence: Number(r.sequence),
      at: fromSql(r.at),
      by: r.by,
      noun: r.noun,
      nounId: r.noun_id,
      action: r.action,
      payload: JSON.parse(r.payload),
      hash: r.hash,
    }));
  });
}
