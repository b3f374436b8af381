import { type Formula, FormulaHead, FormulaVersion } from '@inch/contract/making/formula';
import { Instant } from '@inch/core/value';
import type { z } from 'zod';
import { type Database, marks } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { plansOf } from '../plan/store.ts';

const KEPT = {
  ...FormulaHead.shape,
  ...FormulaVersion.pick({ number: true, note: true }).shape,
  savedAt: Instant,
};

const VERSIONS = `SELECT f.id, v.id AS version_id, v.number, v.number AS version, v.name, v.kind, v.colour, v.note, v.content, v.saved_at, a.name AS saved_by, f.archived_at IS NOT NULL AS archived,
  COALESCE((SELECT lots FROM formula_made WHERE formula_id = f.id), 0) AS lots
  FROM formula f JOIN formula_version v ON v.formula_id = f.id JOIN account a ON a.id = v.saved_by`;

type Kept = z.output<z.ZodObject<typeof KEPT>>;

const headFrom = ({ number: _, note: __, ...head }: Kept): FormulaHead => head;

/** How many plans still show what they were made of. */
const PLANS = 20;

/** Formulas in use by their names: those that are not archived, and those that an open plan or one of the last is of. */
export async function formulasInUse(db: Database, kitchenId: string): Promise<FormulaHead[]> {
  const plans = await plansOf(db, kitchenId, { limit: PLANS });
  const planned = [...new Set(plans.flatMap((plan) => plan.items.map((item) => item.formulaId)))];
  const found = await read(
    db,
    KEPT,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.archived_at IS NULL AND v.number = f.current_version
     ${planned.length > 0 ? `UNION ${VERSIONS} WHERE f.kitchen_id = ? AND f.id IN (${marks(planned)}) AND v.number = f.current_version` : ''}
     ORDER BY name, id`,
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
  const found = await read(
    db,
    KEPT,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.archived_at IS NOT NULL ${before === undefined ? '' : 'AND f.id < ?'} AND v.number = f.current_version
     ORDER BY f.id DESC LIMIT ${limit}`,
    [kitchenId, ...(before === undefined ? [] : [before])],
  );
  return found.map(headFrom);
}

export async function readFormula(db: Database, kitchenId: string, id: string): Promise<Formula | null> {
  const found = await read(
    db,
    KEPT,
    `${VERSIONS} WHERE f.kitchen_id = ? AND f.id = ? ORDER BY v.number DESC`,
    [kitchenId, id],
  );
  if (!found[0]) return null;
  const versions = found.map(({ versionId, number, savedAt, savedBy, note, content }) => ({
    id: versionId,
    number,
    savedAt,
    savedBy,
    note,
    content,
  }));
  return { ...headFrom(found[0]), versions };
}
