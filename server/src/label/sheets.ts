import { LabelSheet, labelSheetRoutes, type NewLabelSheet } from '@inch/contract/making/labelSheet';
import { type SheetMeasures, whyNoSheet } from '@inch/core/label';
import type { z } from 'zod';
import { type Database, insert, update } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';

export const sheetsOf = (db: Database, kitchenId: string): Promise<LabelSheet[]> =>
  read(
    db,
    LabelSheet.shape,
    'SELECT id, name, measures, revision, retired_at IS NOT NULL AS retired FROM label_sheet WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, name, id',
    [kitchenId],
  );

/** A sheet of this kitchen by its id. */
export async function requireSheet(db: Database, kitchenId: string, id: string): Promise<LabelSheet> {
  const sheet = (await sheetsOf(db, kitchenId)).find((s) => s.id === id);
  if (!sheet) throw notFound('label sheet');
  return sheet;
}

function refuseNoSheet(measures: SheetMeasures): void {
  const wrong = whyNoSheet(measures);
  if (wrong) throw invalid('measures', wrong);
}

export async function addSheet(w: Writing, { id, name, measures }: z.output<typeof NewLabelSheet>) {
  refuseNoSheet(measures);
  await insert(w.tx, 'label_sheet', {
    id,
    kitchen_id: w.kitchen.id,
    name,
    revision: 1,
    retired_at: null,
    measures: JSON.stringify(measures),
  });
  await journal(w, 'label-sheet', id, 'add', { name, measures });
  return { id };
}

async function changeSheet(
  w: Writing,
  id: string,
  { name, measures, revision }: { name: string; measures: SheetMeasures; revision: number },
) {
  const before = await requireSheet(w.tx, w.kitchen.id, id);
  if (before.revision !== revision)
    throw new Problem(409, 'Somebody changed this sheet meanwhile. Look at it again, then save.');
  refuseNoSheet(measures);
  await update(w.tx, 'label_sheet', id, {
    name,
    measures: JSON.stringify(measures),
    revision: revision + 1,
  });
  await journal(w, 'label-sheet', id, 'change', { name, measures });
  return { id, revision: revision + 1 };
}

export function labelSheetRouter(app: AppContext): void {
  serve(app, labelSheetRoutes.list, ({ pool, kitchen }) => sheetsOf(pool, kitchen.id));
  serve(app, labelSheetRoutes.add, (call) => call.write((w) => addSheet(w, call.body)));
  serve(app, labelSheetRoutes.change, (call) => call.write((w) => changeSheet(w, call.params.id, call.body)));
  serve(app, labelSheetRoutes.retire, (call) =>
    call.write((w) => retire(w, 'label_sheet', call.params.id, call.body.retired)),
  );
  serve(app, labelSheetRoutes.calibrationPage, async ({ pool, kitchen, params, res }) => {
    const sheet = await requireSheet(pool, kitchen.id, params.id);
    const { calibrationPdf } = await import('./calibration.ts');
    const bytes = await calibrationPdf(sheet, new Date().toISOString());
    res.type('application/pdf').set('content-disposition', 'inline; filename="calibration.pdf"').send(bytes);
    return undefined;
  });
}
