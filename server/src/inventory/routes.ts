import { stockRoutes } from '@inch/contract/kitchen/stock';
import { type AppContext, serve } from '../http/serve.ts';
import { notFound } from '../problem/problem.ts';
import { listStock, readStock } from '../stock/store.ts';
import { cover } from './cover.ts';
import { count, divide, lose, receive, strikeTaking, takeIn } from './keep.ts';
import { basketOf, keepPack, packsOf, tick } from './packs.ts';

export function stockRouter(app: AppContext): void {
  serve(app, stockRoutes.list, ({ pool, kitchen, query }) => listStock(pool, kitchen, query));
  serve(app, stockRoutes.read, async ({ pool, kitchen, params }) => {
    const stock = await readStock(pool, kitchen, params.id);
    if (!stock) throw notFound('stock lot');
    return stock;
  });
  serve(app, stockRoutes.add, (call) => call.write((w) => takeIn(w, call.body)));
  serve(app, stockRoutes.lose, (call) => call.write((w) => lose(w, call.params.id, call.body)));
  serve(app, stockRoutes.count, (call) => call.write((w) => count(w, call.params.id, call.body)));
  serve(app, stockRoutes.strike, (call) => call.write((w) => strikeTaking(w, call.params.id, call.body)));
  serve(app, stockRoutes.divide, (call) => call.write((w) => divide(w, call.params.id, call.body)));
  serve(app, stockRoutes.cover, (call) => call.write((w) => cover(w, call.body)));
  serve(app, stockRoutes.packs, ({ pool, kitchen }) => packsOf(pool, kitchen.id));
  serve(app, stockRoutes.addPack, (call) => call.write((w) => keepPack(w, call.body)));
  serve(app, stockRoutes.basket, ({ pool, kitchen }) => basketOf(pool, kitchen.id));
  serve(app, stockRoutes.tick, (call) => call.write((w) => tick(w, call.body)));
  serve(app, stockRoutes.receive, (call) => call.write((w) => receive(w, call.body)));
}
