import { tagRoutes } from '@inch/contract/route/tag';
import { dayOf, spokenDay } from '@inch/core/calendar';
import { standing } from '@inch/core/lot';
import { rows } from '../database/pool.ts';
import { type AppContext, type SignedCall, serve } from '../http/serve.ts';
import { requireLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { notFound } from '../problem/problem.ts';
import { stockOf } from '../stock/store.ts';
import { modulesOf } from './code.ts';
import type { Tag } from './tag.ts';

type Asking = Pick<SignedCall<unknown, unknown, unknown>, 'pool' | 'kitchen'>;

async function tagOfLot({ pool, kitchen }: Asking, code: string, of: 'retained' | 'pan'): Promise<Tag> {
  const lot = await requireLot(pool, kitchen, code);
  const { keeping } = judgeLot(lot, kitchen);
  const filled = standing(lot.bottlings).at(-1);
  const vessel = lot.placings.at(-1)?.vessel;
  const date = keeping.bestBy
    ? `${keeping.dateWord === 'use-by' ? 'Use by' : 'Best by'} ${spokenDay(keeping.bestBy)}`
    : '';
  return {
    code: lot.code,
    title: lot.product.name,
    lines:
      of === 'retained'
        ? [
            'Kept back: not for sale',
            filled ? `Filled ${spokenDay(dayOf(filled.at, lot.timeZone))}` : 'Not filled yet',
            date,
          ].filter(Boolean)
        : [
            `Begun ${spokenDay(dayOf(lot.begunAt, lot.timeZone))}`,
            vessel ? `In ${vessel}` : '',
            lot.state,
          ].filter(Boolean),
  };
}

async function tagOfStock({ pool, kitchen }: Asking, code: string): Promise<Tag> {
  const number = Number(/^S(\d+)$/i.exec(code)?.[1] ?? 0);
  const [found] = await rows<{ id: string }>(
    pool,
    'SELECT id FROM stock_lot WHERE kitchen_id = ? AND number = ?',
    [kitchen.id, number],
  );
  if (!found) throw notFound('stock lot');
  const day = dayOf(new Date().toISOString(), kitchen.timeZone);
  const [stock] = await stockOf(pool, kitchen.id, day, { ids: [found.id] });
  return {
    code: stock!.code,
    title: stock!.name,
    lines: [
      `Came ${spokenDay(stock!.gotOn)}${stock!.supplier ? `, ${stock!.supplier}` : ''}`,
      stock!.bestBy ? `Best by ${spokenDay(stock!.bestBy)}` : '',
    ].filter(Boolean),
  };
}

export function tagRouter(app: AppContext): void {
  serve(app, tagRoutes.print, async (call) => {
    const { of, code, copies } = call.query;
    const tag = of === 'stock' ? await tagOfStock(call, code) : await tagOfLot(call, code, of);
    const { tagPdf } = await import('./tagPdf.ts');
    const bytes = await tagPdf(tag, copies, modulesOf(tag.code), new Date().toISOString());
    call.res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="tag-${tag.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
}
