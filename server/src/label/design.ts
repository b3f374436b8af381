import { labelRoutes } from '@inch/contract/making/label';
import { type FacedContainer, type LabelDesign, usualDesign } from '@inch/core/label';
import { v7 as newId } from 'uuid';
import { type Database, insert, rows, update } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';

interface DesignRow {
  id: string;
  design: string;
  revision: number;
}

async function storedDesign(db: Database, kitchenId: string, formulaId: string): Promise<DesignRow | null> {
  const [row] = await rows<DesignRow>(
    db,
    'SELECT id, design, revision FROM label_design WHERE kitchen_id = ? AND formula_id = ?',
    [kitchenId, formulaId],
  );
  return row ?? null;
}

/** The design of a product's label as it is saved, or the usual one at the size of its container. */
export async function designOf(
  db: Database,
  kitchenId: string,
  formulaId: string,
  container: FacedContainer | null,
): Promise<{ design: LabelDesign; revision: number }> {
  const row = await storedDesign(db, kitchenId, formulaId);
  return row
    ? { design: JSON.parse(row.design), revision: row.revision }
    : { design: usualDesign(container), revision: 0 };
}

/** Saves how a product's label is drawn, where the caller has seen the newest. */
export async function saveDesign(
  w: Writing,
  formulaId: string,
  { design, revision }: { design: LabelDesign; revision: number },
): Promise<{ revision: number }> {
  const [formula] = await rows<{ id: string }>(
    w.tx,
    'SELECT id FROM formula WHERE id = ? AND kitchen_id = ?',
    [formulaId, w.kitchen.id],
  );
  if (!formula) throw notFound('formula');
  if (design.pictureId !== null) {
    const [picture] = await rows<{ id: string }>(
      w.tx,
      'SELECT id FROM label_picture WHERE id = ? AND kitchen_id = ?',
      [design.pictureId, w.kitchen.id],
    );
    if (!picture) throw invalid('pictureId', 'That picture is not one of this kitchen. Choose another.');
  }
  if (design.look === 'lid' && design.widthMm !== design.heightMm)
    throw invalid('heightMm', 'A round label is as high as it is wide.');
  const before = await storedDesign(w.tx, w.kitchen.id, formulaId);
  if ((before?.revision ?? 0) !== revision)
    throw new Problem(409, 'Somebody drew this label meanwhile. Look at it again, then save.');
  const row = { design: JSON.stringify(design), picture_id: design.pictureId, revision: revision + 1 };
  const id = before?.id ?? newId();
  if (before) await update(w.tx, 'label_design', id, row);
  else await insert(w.tx, 'label_design', { id, kitchen_id: w.kitchen.id, formula_id: formulaId, ...row });
  await journal(w, 'label-design', id, 'change', { formulaId, design });
  return { revision: revision + 1 };
}

export function labelDesignRouter(app: AppContext): void {
  serve(app, labelRoutes.design, (call) => call.write((w) => saveDesign(w, call.params.id, call.body)));
}
