import { stockRoutes } from '@inch/contract/stock';
import { dayOf } from '@inch/core/calendar';
import { once } from '../database/transaction.ts';
import { type House, serve } from '../http/serve.ts';
import { cover } from './cover.ts';
import { count, divide, lose, receive, takeIn } from './keep.ts';
import { basketOf, keepPack, packsOf, tick } from './packs.ts';
import { stockOf } from './store.ts';

export function stockRoom(house: House): void {
  serve(house, stockRoutes.list, async ({ pool, kitchen }) => {
    const now = new Date().toISOString();
    const lastYear = new Date(Date.parse(now) - 365 * 86_400_000).toISOString();
    const stock = await stockOf(pool, kitchen.id, dayOf(now, kitchen.timeZone));
    return stock.filter((s) => s.left > 1e-6 || (s.takings.at(-1)?.at ?? now) > lastYear);
  });
  serve(house, stockRoutes.add, (call) => call.write((w) => takeIn(w, call.body)));
  serve(house, stockRoutes.lose, (call) =>
    once(call.pool, 'stock_taking', call.body.id, () =>
      call.write((w) => lose(w, call.params.id, call.body)),
    ),
  );
  serve(house, stockRoutes.count, (call) =>
    once(call.pool, 'stock_taking', call.body.id, () =>
      call.write((w) => count(w, call.params.id, call.body)),
    ),
  );
  serve(house, stockRoutes.divide, (call) =>
    once(call.pool, 'stock_taking', call.body.id, () =>
      call.write((w) => divide(w, call.params.id, call.body)),
    ),
  );
  serve(house, stockRoutes.cover, (call) =>
    once(call.pool, 'stock_taking', call.body.id, () => call.write((w) => cover(w, call.body))),
  );
  serve(house, stockRoutes.packs, ({ pool, kitchen }) => packsOf(pool, kitchen.id));
  serve(house, stockRoutes.addPack, (call) =>
    once(call.pool, 'pack', call.body.id, () => call.write((w) => keepPack(w, call.body))),
  );
  serve(house, stockRoutes.basket, ({ pool, kitchen }) => basketOf(pool, kitchen.id));
  serve(house, stockRoutes.tick, (call) => call.write((w) => tick(w, call.body)));
  serve(house, stockRoutes.receive, (call) => call.write((w) => receive(w, call.body)));
}
