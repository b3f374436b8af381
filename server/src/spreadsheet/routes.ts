import { spreadsheetRoutes } from '@inch/contract/kitchen/spreadsheet';
import { matchColumns } from '@inch/core/spreadsheet';
import { rows, toSql, update } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { notFound, Problem } from '../problem/problem.ts';
import { bringIn } from './bringIn.ts';
import { checkSpreadsheet } from './check.ts';
import { listEarlierLots, spreadsheetsOf } from './list.ts';

const FAULTS_SHOWN = 200;

/** Withdraws a spreadsheet: what came with it is shown no longer. What something else rests on is not withdrawn. */
async function withdraw(w: Writing, id: string, why: string): Promise<{ id: string }> {
  const sheet = (await spreadsheetsOf(w.tx, w.kitchen.id)).find((known) => known.id === id);
  if (!sheet) throw notFound('spreadsheet');
  if (sheet.withdrawn) throw new Problem(409, 'It was withdrawn already.');
  if (sheet.kind === 'stock')
    throw new Problem(409, 'Stock may have been used since. Write its lots off one by one under Stock.');
  const [named] = await rows<{ file_name: string }>(
    w.tx,
    `SELECT STRAIGHT_JOIN t.file_name FROM earlier_lot l JOIN earlier_sale e ON e.earlier_lot_id = l.id JOIN spreadsheet t ON t.id = e.spreadsheet_id
     WHERE l.spreadsheet_id = ? AND t.withdrawn_at IS NULL LIMIT 1`,
    [id],
  );
  if (named) throw new Problem(409, `Sales of its lots came with ${named.file_name}. Withdraw that first.`);
  await update(w.tx, 'spreadsheet', id, {
    withdrawn_at: toSql(w.now),
    withdrawn_by: w.account.id,
    withdrawn_why: why,
  });
  await journal(w, 'spreadsheet', id, 'withdraw', { why });
  return { id };
}

export function spreadsheetRouter(app: AppContext): void {
  serve(app, spreadsheetRoutes.preview, async ({ pool, kitchen, body }) => {
    const columns = body.columns ?? matchColumns(body.kind, body.header);
    const read = await checkSpreadsheet(pool, kitchen, { ...body, columns });
    return {
      columns,
      order: read.order ?? null,
      taken: read.rows.length,
      faults: read.faults.slice(0, FAULTS_SHOWN),
      faultCount: read.faults.length,
      sample: read.rows,
    };
  });
  serve(app, spreadsheetRoutes.bringIn, (call) => call.write((w) => bringIn(w, call.body)));
  serve(app, spreadsheetRoutes.list, ({ pool, kitchen }) => spreadsheetsOf(pool, kitchen.id));
  serve(app, spreadsheetRoutes.withdraw, (call) =>
    call.write((w) => withdraw(w, call.params.id, call.body.why)),
  );
  serve(app, spreadsheetRoutes.lots, ({ pool, kitchen, query }) => listEarlierLots(pool, kitchen.id, query));
}
