import type { LabelView } from '@inch/contract/making/label';
import { labelRoutes } from '@inch/contract/making/label';
import type { Pool } from 'mysql2/promise';
import { type AppContext, type SignedCall, serve } from '../http/serve.ts';
import { journalExport } from '../journal/exported.ts';
import { requireLot } from '../lot/store.ts';
import { Problem } from '../problem/problem.ts';
import { artworkOf, labelOf } from './label.ts';
import { pictureOf } from './pictures.ts';
import type { Printing } from './printing.ts';
import { refuseUnseen, wereSeen } from './seen.ts';
import { requireSheet } from './sheets.ts';

interface Asked {
  copies?: number;
  sheet?: string | undefined;
  first?: number;
  face?: Printing['face'];
  cutMarks?: string;
  firstBottle?: number | undefined;
  differencesSeen: string;
}

const pictureFor = (
  pool: Pool,
  kitchenId: string,
  { design }: Pick<LabelView, 'design'>,
): Promise<Buffer | null> =>
  design.pictureId === null ? Promise.resolve(null) : pictureOf(pool, kitchenId, design.pictureId);

/** What a file of a label asks is what its print asks: nothing that may not be printed, and what differs from the formula is looked at first. */
async function printingOf(
  {
    pool,
    kitchen,
    params,
  }: Pick<SignedCall<{ id: string }, unknown, unknown>, 'pool' | 'kitchen' | 'params'>,
  asked: Asked,
): Promise<{ printing: Printing; lot: { id: string; code: string } }> {
  const lot = await requireLot(pool, kitchen, params.id);
  const label = await labelOf(pool, lot, kitchen);
  if (label.refusal) throw new Problem(409, label.refusal);
  if (asked.differencesSeen !== 'true' && !wereSeen(label, lot.prints)) refuseUnseen(label);
  const sheet =
    asked.sheet === undefined ? null : (await requireSheet(pool, kitchen.id, asked.sheet)).measures;
  const first = asked.first ?? 1;
  if (sheet && first > sheet.rows * sheet.columns)
    throw new Problem(422, `That sheet has ${sheet.rows * sheet.columns} labels: begin at one of them.`);
  return {
    lot,
    printing: {
      of: artworkOf(label, label.design),
      lotCode: lot.code,
      copies: asked.copies ?? 1,
      sheet,
      first,
      face: asked.face ?? 'both',
      firstBottle: label.design.numbered ? (asked.firstBottle ?? 1) : null,
      cutMarks: asked.cutMarks === 'true',
      picture: await pictureFor(pool, kitchen.id, label),
      at: new Date().toISOString(),
    },
  };
}

export function labelRouter(app: AppContext): void {
  serve(app, labelRoutes.read, async ({ pool, kitchen, params }) =>
    labelOf(pool, await requireLot(pool, kitchen, params.id), kitchen),
  );
  serve(app, labelRoutes.pdf, async (call) => {
    const { lot, printing } = await printingOf(call, call.query);
    // The drawing code is loaded when the first label is drawn: it is a third of the server's start.
    const { labelPdf } = await import('./printing.ts');
    const bytes = await labelPdf(printing);
    await journalExport(call, lot.id, `label, ${printing.copies} times`);
    call.res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="label-${lot.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
  serve(app, labelRoutes.svg, async (call) => {
    const { lot, printing } = await printingOf(call, call.query);
    const { labelSvg } = await import('./printing.ts');
    const svg = labelSvg(printing, call.query.face);
    await journalExport(call, lot.id, 'label as SVG');
    call.res
      .type('image/svg+xml')
      .set('content-disposition', `attachment; filename="label-${lot.code}.svg"`)
      .send(svg);
    return undefined;
  });
  serve(app, labelRoutes.png, async (call) => {
    const { lot, printing } = await printingOf(call, {
      ...call.query,
      face: call.query.sheet ? 'both' : call.query.face,
    });
    const { labelPng } = await import('./printing.ts');
    const png = await labelPng(printing, call.query.face, call.query.dpi);
    await journalExport(call, lot.id, 'label as PNG');
    call.res
      .type('image/png')
      .set('content-disposition', `attachment; filename="label-${lot.code}.png"`)
      .send(png);
    return undefined;
  });
}
