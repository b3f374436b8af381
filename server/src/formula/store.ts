import type { Formula, FormulaHead } from '@inch/contract/formula';
import { type Database, fromSql, marks, rows } from '../database/pool.ts';
import { plansOf } from '../plan/store.ts';

interface VersionRow {
  formula_id: string;
  version_id: string;
  number: number;
  name: string;
  kind: FormulaHead['kind'];
  colour: string;
  note: string;
  content: string;
  saved_at: string;
  saved_by: string;
  lots: number;
  archived_at: string | null;
}

const VERSIONS = `SELECT f.id AS formula_id, v.id AS version_id, v.number, v.name, v.kind, v.colour, v.note, v.content, v.saved_at, a.name AS saved_by, f.archived_at,
  COALESCE((SELECT lots FROM formula_made WHERE formula_id = f.id), 0) AS lots
  FROM formula f JOIN formula_version v ON v.formula_id = f.id JOIN account a ON a.id = v.saved_by`;

const headFrom = (row: VersionRow): FormulaHead => ({
  id: row.formula_id,
  name: row.name,
  kind: row.kind,
  colour: row.colour,
  version: row.number,
  versionId: row.version_id,
  savedAt: fromSql(row.saved_at),
  savedBy: row.saved_by,
  content: JSON.parse(row.content),
  lots: Number(row.lots),
  archived: row.archived_at !== null,
});

/** How many plans still show what they were made of. */
const PLANS = 20;

/** Formulas in use by their names: those that are not archived, and those that an open plan or one of the last is of. */
export async function formulasInUse(db: Database, kitchenId: string): Promise<FormulaHead[]> {
  const plans = await plansOf(db, kitchenId, { limit: PLANS });
  const planned = [...new Set(plans.flatMap((plan) => plan.items.map((item) => item.formulaId)))];
  const found = await rows<VersionRow>(
    db,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.archived_at IS NULL AND v.number = f.current_version
     ${planned.length > 0 ? `UNION ${VERSIONS} WHERE f.kitchen_id = ? AND f.id IN (${marks(planned)}) AND v.number = f.current_version` : ''}
     ORDER BY name, formula_id`,
    [kitchenId, ...(planned.length > 0 ? [kitchenId, ...planned] : [])],
  );
  return found.map(headFrom);
}

/** A page of the archived formulas, the last begun first. */
export async function archivedFormulas(
  db: Database,
  kitchenId: string,
  { before, limit }: { before?: string | undefined; limit: number },
): Promise<FormulaHead[]> {
  const found = await rows<VersionRow>(
    db,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.archived_at IS NOT NULL ${before === undefined ? '' : 'AND f.id < ?'} AND v.number = f.current_version
     ORDER BY f.id DESC LIMIT ${limit}`,
    [kitchenId, ...(before === undefined ? [] : [before])],
  );
  return found.map(headFrom);
}

export async function readFormula(db: Database, kitchenId: string, id: string): Promise<Formula | null> {
  const found = await rows<VersionRow>(
    db,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.id = ? ORDER BY v.number DESC`,
    [kitchenId, id],
  );
  if (!found[0]) return null;
  const versions = found.map((row) => ({
    id: row.version_id,
    number: row.number,
    savedAt: fromSql(row.saved_at),
    savedBy: row.saved_by,
    note: row.note,
    content: JSON.parse(row.content),
  }));
  return { ...headFrom(found[0]), versions };
}
