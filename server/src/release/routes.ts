import { formulaRoutes } from '@inch/contract/making/formula';
import { lotRoutes } from '@inch/contract/making/lot';
import { type FormulaContent, forecast } from '@inch/core/formula';
import { kitchenCatalogue, shippedCatalogue } from '@inch/core/ingredient';
import { lotMeasured } from '@inch/core/lot';
import type { Response } from 'express';
import { journalOfLot } from '../audit/ofLot.ts';
import { readFormula } from '../formula/store.ts';
import { ownProcesses } from '../heatProcess/store.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { lotsOfFormula, requireLot } from '../lot/store.ts';
import { BY_ITSELF, lotView } from '../lot/view.ts';
import { notFound } from '../problem/problem.ts';
import { inquirySheet } from './inquirySheet.ts';
import type { Sheet } from './paper.ts';
import { recordSheet } from './recordSheet.ts';
import { releaseSheet } from './sheet.ts';

/** Sends a sheet as PDF. The drawing code is loaded when the first one is drawn: it is a third of the server's start. */
async function send(res: Response, sheet: Sheet, name: string): Promise<undefined> {
  const { sheetPdf } = await import('./pdf.ts');
  const bytes = await sheetPdf(sheet);
  res.type('application/pdf').set('content-disposition', `inline; filename="${name}.pdf"`).send(bytes);
}

/** Last lots of a formula whose measurements go into an inquiry. */
const LOTS = 8;

export function releaseRouter(app: AppContext): void {
  serve(app, formulaRoutes.inquiry, async ({ pool, kitchen, params, res }) => {
    const formula = await readFormula(pool, kitchen.id, params.id);
    if (!formula) throw notFound('formula');
    const content = formula.content as FormulaContent;
    const made = forecast(content, {
      cup: kitchen.cupSchool ?? undefined,
      catalogue: content.own ? kitchenCatalogue(content.own) : shippedCatalogue,
      elevationMetres: kitchen.elevationMetres,
      criticalPh: kitchen.criticalPh,
      processes: await ownProcesses(pool, kitchen.id),
      kind: formula.kind,
    });
    const lots = (await lotsOfFormula(pool, kitchen, formula.id, LOTS)).flatMap(
      (lot) => lotMeasured(lot) ?? [],
    );
    const { elevationMetres } = kitchen;
    const inquiry = { product: formula, content, forecast: made, lots, elevationMetres };
    return send(res, inquirySheet(inquiry, kitchen, new Date().toISOString()), `inquiry-${formula.id}`);
  });
  serve(app, lotRoutes.releaseSheet, async (call) => {
    const { pool, kitchen, params, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const sheet = releaseSheet(lotView(lot, kitchen, BY_ITSELF), kitchen, new Date().toISOString());
    await journalExport(call, lot.id, 'release sheet');
    return send(res, sheet, `release-${lot.code}`);
  });
  serve(app, lotRoutes.recordSheet, async (call) => {
    const { pool, kitchen, params, res } = call;
    const lot = await requireLot(pool, kitchen, params.id);
    const rows = await journalOfLot(pool, lot.id);
    const sheet = recordSheet(lotView(lot, kitchen, BY_ITSELF), kitchen, {
      now: new Date().toISOString(),
      journal: { rows: rows.length, hash: rows.at(-1)?.hash ?? '' },
    });
    await journalExport(call, lot.id, 'record');
    return send(res, sheet, `record-${lot.code}`);
  });
}
