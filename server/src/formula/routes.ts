import { formulaRoutes, type NewFormula, type NewVersion } from '@inch/contract/making/formula';
import { formulaFileRoutes, formulaFileSchema } from '@inch/contract/making/formulaFile';
import { type FormulaContent, lineAmounts } from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { lotPairs, measuredLot } from '@inch/core/lot';
import type { z } from 'zod';
import { insert, rows, toSql, update } from '../database/pool.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { catalogueNow, ownPartOf } from '../ingredient/store.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lotsOfFormula } from '../lot/store.ts';
import { notFound, Problem } from '../problem/problem.ts';
import { archivedFormulas, formulasInUse, readFormula } from './store.ts';

/** So many of a formula's last lots are looked at for what they measured. */
const LOOKED_AT = 6;
/** So many of them are held against their forecasts. */
const PAIRED_LOTS = 30;

type Saved = Pick<z.output<typeof NewFormula>, 'versionId' | 'name' | 'kind' | 'colour' | 'note' | 'content'>;

/** A version is kept only when every line can be weighed; each question left open is named by its line. */
function refuseOpenQuestions(w: Writing, content: FormulaContent, catalogue: KitchenCatalogue): void {
  const weighing = { cup: w.kitchen.cupSchool ?? undefined, catalogue };
  const amounts = lineAmounts(content, weighing, w.kitchen.elevationMetres);
  const errors = amounts.flatMap((a, i) => (a.asks ? [{ path: `content.lines.${i}`, message: a.asks }] : []));
  if (errors.length > 0) throw new Problem(422, errors[0]!.message, { errors });
}

/** The content as it is kept: with the kitchen's own entries and measures that it uses, as they stand now. */
async function keptContent(w: Writing, sent: Saved['content']): Promise<FormulaContent> {
  const { own: _, ...content } = sent as FormulaContent;
  const catalogue = await catalogueNow(w.tx, w.kitchen.id);
  refuseOpenQuestions(w, content, catalogue);
  const own = ownPartOf(content, catalogue);
  return own ? { ...content, own } : content;
}

async function insertVersion(w: Writing, formulaId: string, number: number, saved: Saved): Promise<void> {
  const { versionId, name, kind, colour, note } = saved;
  const content = await keptContent(w, saved.content);
  await insert(w.tx, 'formula_version', {
    id: versionId,
    formula_id: formulaId,
    number,
    name,
    kind,
    colour,
    note,
    content: JSON.stringify(content),
    saved_at: toSql(w.now),
    saved_by: w.account.id,
  });
  await journal(w, 'formula', formulaId, number === 1 ? 'create' : 'save version', {
    number,
    name,
    kind,
    colour,
    note,
    content,
  });
}

export async function createFormula(w: Writing, body: z.output<typeof NewFormula>): Promise<{ id: string }> {
  await insert(w.tx, 'formula', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    current_version: 1,
    created_at: toSql(w.now),
  });
  await insertVersion(w, body.id, 1, body);
  return { id: body.id };
}

export async function saveVersion(
  w: Writing,
  formulaId: string,
  body: z.output<typeof NewVersion>,
): Promise<{ id: string; number: number }> {
  const [row] = await rows<{ current_version: number }>(
    w.tx,
    'SELECT current_version FROM formula WHERE id = ? AND kitchen_id = ? FOR UPDATE',
    [formulaId, w.kitchen.id],
  );
  if (!row) throw notFound('formula');
  if (row.current_version !== body.after)
    throw new Problem(
      409,
      `Version ${row.current_version} was saved meanwhile, after the version ${body.after} you began from. Look at it, then save yours.`,
    );
  const number = body.after + 1;
  await insertVersion(w, formulaId, number, body);
  await update(w.tx, 'formula', formulaId, { current_version: number });
  return { id: body.versionId, number };
}

/** Archives a formula or restores it. Nothing of it is lost: its versions and lots stay. */
async function archiveFormula(
  w: Writing,
  id: string,
  archived: boolean,
): Promise<{ id: string; archived: boolean }> {
  const [row] = await rows<{ id: string; archived_at: string | null }>(
    w.tx,
    'SELECT id, archived_at FROM formula WHERE id = ? AND kitchen_id = ? FOR UPDATE',
    [id, w.kitchen.id],
  );
  if (!row) throw notFound('formula');
  if ((row.archived_at !== null) === archived) return { id, archived };
  await update(w.tx, 'formula', id, { archived_at: archived ? toSql(w.now) : null });
  await journal(w, 'formula', id, archived ? 'archive' : 'restore', {});
  return { id, archived };
}

export function formulaRouter(app: AppContext): void {
  serveAnyone(app, formulaFileRoutes.schema, async () => formulaFileSchema());
  serve(app, formulaRoutes.list, ({ pool, kitchen, query }) =>
    query.archived === 'true' ? archivedFormulas(pool, kitchen.id, query) : formulasInUse(pool, kitchen.id),
  );
  serve(app, formulaRoutes.read, async ({ pool, kitchen, params }) => {
    const formula = await readFormula(pool, kitchen.id, params.id);
    if (!formula) throw notFound('formula');
    return formula;
  });
  serve(app, formulaRoutes.measured, async ({ pool, kitchen, params }) => {
    if (!(await readFormula(pool, kitchen.id, params.id))) throw notFound('formula');
    const lots = await lotsOfFormula(pool, kitchen, params.id, LOOKED_AT);
    return lots.flatMap((lot) => measuredLot(lot, lot.cupSchool) ?? []);
  });
  serve(app, formulaRoutes.pairs, async ({ pool, kitchen, params }) => {
    if (!(await readFormula(pool, kitchen.id, params.id))) throw notFound('formula');
    const lots = await lotsOfFormula(pool, kitchen, params.id, PAIRED_LOTS);
    return lots.flatMap((lot) => lotPairs(lot, lot.cupSchool) ?? []);
  });
  serve(app, formulaRoutes.create, (call) => call.write((w) => createFormula(w, call.body)));
  serve(app, formulaRoutes.save, (call) => call.write((w) => saveVersion(w, call.params.id, call.body)));
  serve(app, formulaRoutes.archive, (call) =>
    call.write((w) => archiveFormula(w, call.params.id, call.body.archived)),
  );
}
