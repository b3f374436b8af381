import type { Kitchen } from '@inch/contract/kitchen';
import { type LabelView, lotRoutes } from '@inch/contract/lot';
import type { NewPrint } from '@inch/contract/lotEntry';
import { netContentsHeight } from '@inch/core/label';
import { standing } from '@inch/core/lot';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { type Database, insert, toSql } from '../database/pool.ts';
import { isReplay } from '../database/transaction.ts';
import { Problem } from '../http/problem.ts';
import { type House, serve } from '../http/serve.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lockedLot } from '../lot/change.ts';
import { requireLot } from '../lot/deciding.ts';
import type { StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { takeLabels } from '../stock/draw.ts';

/** Why a label is not printed at all; null where it may be. */
function refusalOf(lot: StoredLot, label: Pick<LabelView, 'checks'>): string | null {
  if (['held', 'discarded', 'recalled'].includes(lot.state))
    return `Lot ${lot.code} is ${lot.state}: its label is not printed.`;
  const stops = label.checks.filter((c) => c.state === 'stops');
  return stops.length > 0 ? stops.map((c) => c.sentence).join(' ') : null;
}

export async function labelOf(db: Database, lot: StoredLot, kitchen: Kitchen): Promise<LabelView> {
  const { label } = judgeLot(lot, kitchen);
  const bottle = standing(lot.bottlings).at(-1);
  const container = (await containersOf(db, kitchen.id)).find((c) => c.id === bottle?.containerId);
  const netHeightMm = container ? netContentsHeight(kitchen.rulePack, container) : 3.2;
  const refusal = refusalOf(lot, label);
  return { ...label, netHeightMm, printable: refusal === null, refusal };
}

export async function printLabel(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewPrint>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  const label = await labelOf(w.tx, lot, w.kitchen);
  if (label.refusal) throw new Problem(409, label.refusal);
  if (label.differences.length > 0 && !body.differencesSeen)
    throw new Problem(
      409,
      `What went in differs from the formula. ${label.differences.join(' ')} Look at it, then print.`,
    );
  const at = happenedAt(w, body.at, lot.begunAt);
  await insert(w.tx, 'label_print', {
    id: body.id,
    lot_id: lot.id,
    copies: body.copies,
    statement: label.content.statement,
    label: JSON.stringify(label.content),
    at: toSql(at),
    account_id: w.account.id,
  });
  await takeLabels(w, body.copies, { kind: 'printed', lotId: lot.id, entryId: body.id, at });
  await journal(w, 'label', body.id, 'print', { copies: body.copies, label: label.content, at }, lot.id);
  return { id: body.id };
}

export function labelRoom(house: House): void {
  serve(house, lotRoutes.label, async ({ pool, kitchen, params }) =>
    labelOf(pool, await requireLot(pool, kitchen, params.id), kitchen),
  );
  serve(house, lotRoutes.print, (call) =>
    call
      .write((w) => printLabel(w, call.params.id, call.body))
      .catch((error) => {
        if (isReplay(error)) return { id: call.body.id };
        throw error;
      }),
  );
  serve(house, lotRoutes.labelPdf, async ({ pool, kitchen, params, query, res }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    const label = await labelOf(pool, lot, kitchen);
    if (label.refusal) throw new Problem(409, label.refusal);
    // The drawing code is loaded when the first label is drawn: it is a third of the server's start.
    const { labelPdf } = await import('./pdf.ts');
    const bytes = await labelPdf(label.content, query.size, label.netHeightMm, query.copies);
    res
      .type('application/pdf')
      .set('content-disposition', `inline; filename="label-${lot.code}.pdf"`)
      .send(bytes);
    return undefined;
  });
}
