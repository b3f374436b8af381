import { stockRoutes } from '@inch/contract/stock';
import { dayOf } from '@inch/core/calendar';
import { type AppContext, serve } from '../http/serve.ts';
import { cover } from './cover.ts';
import { count, divide, lose, receive, takeIn } from './keep.ts';
import { basketOf, keepPack, packsOf, tick } from './packs.ts';
import { stockOf } from './store.ts';

export function stockRouter(app: AppContext): void {
  serve(app, stockRoutes.list, async ({ pool, kitchen }) => {
    const now = new Date().toISOString();
    const lastYear = new Date(Date.parse(now) - 365 * 86_400_000).toISOString();
    const stock = await stockOf(pool, kitchen.id, dayOf(now, kitchen.timeZone));
    return stock.filter((s) => s.left > 1e-6 || (s.takings.at(-1)?.at ?? now) > lastYear);
  });
  serve(app, stockRoutes.add, (call) => call.write((w) => takeIn(w, call.body)));
  serve(app, stockRoutes.lose, (call) => call.write((w) => lose(w, call.params.id, call.body)));
  serve(app, stockRoutes.count, (call) => call.write((w) => count(w, call.params.id, call.body)));
  serve(app, stockRoutes.divide, (call) => call.write((w) => divide(w, call.params.id, call.body)));
  serve(app, stockRoutes.cover, (call) => call.write((w) => cover(w, call.body)));
  serve(app, stockRoutes.packs, ({ pool, kitchen }) => packsOf(pool, kitchen.id));
  serve(app, stockRoutes.addPack, (call) => call.write((w) => keepPack(w, call.body)));
  serve(app, stockRoutes.basket, ({ pool, kitchen }) => basketOf(pool, kitchen.id));
  serve(app, stockRoutes.tick, (call) => call.write((w) => tick(w, call.body)));
  serve(app, stockRoutes.receive, (call) => call.write((w) => receive(w, call.body)));
}
