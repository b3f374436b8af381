import { lotRoutes } from '@inch/contract/lot';
import type { Response } from 'express';
import { type AppContext, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { journalOfLot } from '../journal/ofLot.ts';
import { requireLot } from '../lot/deciding.ts';
import { lotView } from '../lot/view.ts';
import type { Sheet } from './paper.ts';
import { recordSheet } from './recordSheet.ts';
import { releaseSheet } from './sheet.ts';

/** Sends a sheet as PDF. The drawing code is loaded when the first one is drawn: it is a third of the server's start. */
async function send(res: Response, sheet: Sheet, name: string): Promise<undefined> {
  const { sheetPdf } = await import('./pdf.ts');
  const bytes = await sheetPdf(sheet);
  res.type('application/pdf').set('content-disposition', `inline; filename="${name}.pdf"`).send(bytes);
}

export function releaseRouter(app: AppContext): void {
  serve(app, lotRoutes.releaseSheet, async (call) => {
    const { pool, kitchen, params, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const sheet = releaseSheet(lotView(lot, kitchen, null), kitchen, new Date().toISOString());
    await journalExport(call, lot.id, 'release sheet');
    return send(res, sheet, `release-${lot.code}`);
  });
  serve(app, lotRoutes.recordSheet, async (call) => {
    const { pool, kitchen, params, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const rows = await journalOfLot(pool, lot.id);
    const sheet = recordSheet(lotView(lot, kitchen, null), kitchen, {
      now: new Date().toISOString(),
      journal: { rows: rows.length, hash: rows.at(-1)?.hash ?? '' },
    });
    await journalExport(call, lot.id, 'record');
    return send(res, sheet, `record-${lot.code}`);
  });
}
