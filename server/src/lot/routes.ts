import { lotRoutes } from '@inch/contract/lot';
import { fromSql, rows } from '../database/pool.ts';
import { once } from '../database/transaction.ts';
import { type House, serve } from '../http/serve.ts';
import { vesselOf } from '../vessel/learned.ts';
import { beginLot } from './begin.ts';
import { addToLot, markStep, measureLot, placeLot } from './entries.ts';
import { bottleLot, checkSeals, decide, processLot, requireLot, strike } from './filling.ts';
import { moveBottles } from './moving.ts';
import { lotsPage } from './store.ts';
import { lotHead, lotView } from './view.ts';

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
  serve(house, lotRoutes.read, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    return lotView(lot, kitchen, await vesselOf(pool, kitchen, lot));
  });
  serve(house, lotRoutes.begin, (call) => call.write((w) => beginLot(w, call.body)));
  serve(house, lotRoutes.mark, (call) =>
    once(call.pool, 'step_mark', call.body.id, () =>
      call.write((w) => markStep(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.add, (call) =>
    once(call.pool, 'addition', call.body.id, () =>
      call.write((w) => addToLot(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.place, (call) =>
    once(call.pool, 'placing', call.body.id, () => call.write((w) => placeLot(w, call.params.id, call.body))),
  );
  serve(house, lotRoutes.measure, (call) =>
    once(call.pool, 'reading', call.body.id, () =>
      call.write((w) => measureLot(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.bottle, (call) =>
    once(call.pool, 'bottling', call.body.id, () =>
      call.write((w) => bottleLot(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.process, (call) =>
    once(call.pool, 'heat_process', call.body.id, () =>
      call.write((w) => processLot(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.checkSeals, (call) =>
    once(call.pool, 'seal_check', call.body.id, () =>
      call.write((w) => checkSeals(w, call.params.id, call.body)),
    ),
  );
  serve(house, lotRoutes.move, (call) => call.write((w) => moveBottles(w, call.params.id, call.body)));
  serve(house, lotRoutes.strike, (call) => call.write((w) => strike(w, call.params.id, call.body)));
  serve(house, lotRoutes.decide, (call) =>
    once(call.pool, 'decision', call.body.id, () => call.write((w) => decide(w, call.params.id, call.body))),
  );
  serve(house, lotRoutes.rule, (call) =>
    once(call.pool, 'decision', call.body.id, () => call.write((w) => decide(w, call.params.id, call.body))),
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
