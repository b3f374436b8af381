import { lotRoutes } from '@inch/contract/lot';
import { type AppContext, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { requireLot } from '../lot/deciding.ts';
import { lotView } from '../lot/view.ts';
import { releaseSheet } from './sheet.ts';

export function releaseRouter(app: AppContext): void {
  serve(app, lotRoutes.releaseSheet, async (call) => {
    const { pool, kitchen, params, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const sheet = releaseSheet(lotView(lot, kitchen, null), kitchen, new Date().toISOString());
    // The drawing code is loaded when the first sheet is drawn: it is a third of the server's start.
    const { releaseSheetPdf } = await import('./pdf.ts');
    const bytes = await releaseSheetPdf(sheet);
    await journalExport(call, lot.id, 'release sheet');
    res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="release-${lot.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
}
