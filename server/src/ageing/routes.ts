import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { type AgeingView, ageingRoutes } from '@inch/contract/making/ageing';
import { agedFigures, ageingEvidence, DRIFTING, type Drifting } from '@inch/core/ageing';
import { nextLooks, whyThisDate } from '@inch/core/lot';
import type { Pool } from 'mysql2/promise';
import { type AppContext, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { evidenceFor } from '../lot/evidence.ts';
import { siblingsOf } from '../lot/siblings.ts';
import { requireLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { momentIn, type Sheet } from '../release/paper.ts';
import { recordTemperature, storesOf, temperaturesOf } from './temperatures.ts';

async function ageingOf(pool: Pool, kitchen: Kitchen, idOrCode: string): Promise<AgeingView> {
  const lot = await requireLot(pool, kitchen, idOrCode);
  const { keeping } = judgeLot(lot, kitchen);
  const lots = lot.aged ?? [];
  const asked = evidenceFor(lot, keeping);
  const evidence = ageingEvidence(lots, asked);
  const stores = await storesOf(pool, kitchen, lot, lot.storage, asked.ph);
  return {
    lot: { code: lot.code, name: lot.product.name, colour: lot.product.colour, state: lot.state },
    evidence,
    points: Object.fromEntries(DRIFTING.map((of) => [of, agedFigures(lots, of)])) as Record<
      Drifting,
      ReturnType<typeof agedFigures>
    >,
    why: whyThisDate(lot, keeping, evidence, stores),
    siblings: (await siblingsOf(pool, kitchen, lot)).siblings,
    nextLooks: nextLooks(lot, keeping),
  };
}

const whySheet = (view: AgeingView, kitchen: Kitchen, now: string): Sheet => ({
  title: `Why this date: ${view.lot.name}`,
  verdict: `Lot ${view.lot.code}: ${view.why[0]!.heading}`,
  released: view.lot.state === 'released',
  head: [`${kitchen.name}, ${kitchen.place}`, `Written ${momentIn(now, kitchen.timeZone)}.`],
  parts: view.why,
  at: now,
  toSign: false,
  foot: 'Calculated from the lot’s own record by the keeping table of this program. Local rules and process authorities come first.',
});

export function ageingRouter(app: AppContext): void {
  serve(app, ageingRoutes.read, ({ pool, kitchen, params }) => ageingOf(pool, kitchen, params.id));
  serve(app, ageingRoutes.sheet, async (call) => {
    const view = await ageingOf(call.pool, call.kitchen, call.params.id);
    const { sheetPdf } = await import('../release/pdf.ts');
    const bytes = await sheetPdf(whySheet(view, call.kitchen, new Date().toISOString()));
    const lot = await requireLot(call.pool, call.kitchen, call.params.id);
    await journalExport(call, lot.id, 'why this date');
    call.res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="why-this-date-${lot.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
  serve(app, ageingRoutes.siblings, async ({ pool, kitchen, params, query }) =>
    siblingsOf(pool, kitchen, await requireLot(pool, kitchen, params.id), query),
  );
  serve(app, ageingRoutes.temperatures, ({ pool, kitchen, query }) =>
    temperaturesOf(pool, kitchen.id, query.place),
  );
  serve(app, ageingRoutes.addTemperature, (call) =>
    call.write((w) => recordTemperature(w, call.params.id, call.body)),
  );
}
