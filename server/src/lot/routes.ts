import { lotRoutes } from '@inch/contract/lot';
import { fromSql, rows } from '../database/pool.ts';
import { once } from '../database/transaction.ts';
import { type Attempt, type House, serve } from '../http/serve.ts';
import type { Writing } from '../journal/writing.ts';
import { vesselOf } from '../vessel/learned.ts';
import { beginLot } from './begin.ts';
import { checkSignature, decide, journalRefusal, requireLot, strike } from './deciding.ts';
import { closeDeviation, deviate } from './deviations.ts';
import { addToLot, markStep, measureLot, placeLot, tellOrigin } from './entries.ts';
import { bottleLot, coolBottles, retireGlass, tallyLot, tickBottle, weighBottle } from './filling.ts';
import { keepCurve, loadCanner, markLoad, processLot } from './heat.ts';
import { moveBottles } from './moving.ts';
import { checkSeals, tellFate } from './seals.ts';
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

type Body = Record<string, unknown>;
const DECIDED = ['release', 'hold', 'close', 'resume', 'discard', 'recall'];
const eventOf = (body: Body) => DECIDED.find((event) => event === body.event) ?? null;

/** What is refused of a lot's decisions and sales is journaled too. */
const refusedAs =
  (named: (body: Body) => string | null) =>
  async ({ writing, req, why }: Attempt) => {
    const event = named((req.body ?? {}) as Body);
    if (event) await journalRefusal(writing, String(req.params.id), event, why);
  };

/** What is written into a lot's record: each entry once, by its own id. */
function entryRoutes(house: House): void {
  const entry = <B extends { id: string }>(
    route: { path: string } & Parameters<typeof serve>[1],
    table: string,
    work: (w: Writing, lotId: string, body: B) => Promise<{ id: string }>,
  ) =>
    serve(house, route, (call) => {
      const { params, body } = call as unknown as { params: { id: string }; body: B };
      return once(call.pool, table, body.id, () => call.write((w) => work(w, params.id, body)));
    });
  entry(lotRoutes.mark, 'step_mark', markStep);
  entry(lotRoutes.add, 'addition', addToLot);
  entry(lotRoutes.origin, 'origin', tellOrigin);
  entry(lotRoutes.place, 'placing', placeLot);
  entry(lotRoutes.measure, 'reading', measureLot);
  entry(lotRoutes.bottle, 'bottling', bottleLot);
  entry(lotRoutes.tick, 'bottle_tick', tickBottle);
  entry(lotRoutes.fault, 'glass_fault', retireGlass);
  entry(lotRoutes.tally, 'tally', tallyLot);
  entry(lotRoutes.weigh, 'weighing', weighBottle);
  entry(lotRoutes.cool, 'cooling', coolBottles);
  entry(lotRoutes.process, 'heat_process', processLot);
  entry(lotRoutes.load, 'canner_load', loadCanner);
  entry(lotRoutes.markLoad, 'load_mark', markLoad);
  entry(lotRoutes.curve, 'curve', keepCurve);
  entry(lotRoutes.checkSeals, 'seal_check', checkSeals);
  entry(lotRoutes.fate, 'fate', tellFate);
  entry(lotRoutes.deviate, 'deviation', deviate);
  entry(lotRoutes.closeDeviation, 'deviation_closing', closeDeviation);
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
  entryRoutes(house);
  serve(
    house,
    lotRoutes.move,
    (call) => call.write((w) => moveBottles(w, call.params.id, call.body)),
    refusedAs((body) => (['sold', 'given'].includes(String(body.kind)) ? String(body.kind) : null)),
  );
  serve(house, lotRoutes.strike, (call) => call.write((w) => strike(w, call.params.id, call.body)));
  serve(
    house,
    lotRoutes.decide,
    (call) =>
      once(call.pool, 'decision', call.body.id, async () => {
        if (call.body.event === 'release') await checkSignature(call.pool, call.account, call.body.password);
        return call.write((w) => decide(w, call.params.id, call.body));
      }),
    refusedAs(eventOf),
  );
  serve(
    house,
    lotRoutes.rule,
    (call) =>
      once(call.pool, 'decision', call.body.id, () =>
        call.write((w) => decide(w, call.params.id, call.body)),
      ),
    refusedAs(eventOf),
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
