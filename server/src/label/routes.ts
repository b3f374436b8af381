import { lotRoutes } from '@inch/contract/lot';
import { Problem } from '../http/problem.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { requireLot } from '../lot/deciding.ts';
import { labelOf } from './label.ts';
import { refuseUnseen } from './print.ts';

export function labelRouter(app: AppContext): void {
  serve(app, lotRoutes.label, async ({ pool, kitchen, params }) =>
    labelOf(pool, await requireLot(pool, kitchen, params.id), kitchen),
  );
  serve(app, lotRoutes.labelPdf, async (call) => {
    const { pool, kitchen, params, query, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const label = await labelOf(pool, lot, kitchen);
    if (label.refusal) throw new Problem(409, label.refusal);
    // The file asks what the print asks: what differs from the formula is looked at first.
    const printed = lot.prints.some((p) => p.statement === label.content.statement);
    if (query.differencesSeen !== 'true' && !printed) refuseUnseen(label);
    // The drawing code is loaded when the first label is drawn: it is a third of the server's start.
    const { labelPdf } = await import('./pdf.ts');
    const bytes = await labelPdf(
      label.content,
      query.size,
      label.netHeightMm,
      query.copies,
      new Date().toISOString(),
    );
    await journalExport(call, lot.id, `label, ${query.copies} times`);
    res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="label-${lot.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
}
