import { Plan, PlanContent } from '@inch/contract/kitchen/plan';
import type { PlannedStart } from '@inch/core/planning';
import { Instant } from '@inch/core/value';
import type { z } from 'zod';
import { type Database, marks, rows } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { notFound } from '../problem/problem.ts';

const KEPT = {
  ...Plan.pick({ id: true, done: true, revision: true, savedBy: true }).shape,
  content: PlanContent,
  savedAt: Instant,
};

const PLANS =
  'SELECT p.id, p.content, p.done, p.revision, p.saved_at, a.name AS saved_by FROM plan p JOIN account a ON a.id = p.saved_by WHERE p.kitchen_id = ?';

const planFrom = ({ content, ...head }: z.output<z.ZodObject<typeof KEPT>>): Plan => ({
  ...content,
  ...head,
});

/** One plan, locked until the transaction ends where it is to be changed. */
export async function planOf(db: Database, kitchenId: string, id: string, lock = false): Promise<Plan> {
  const [row] = await read(db, KEPT, `${PLANS} AND p.id = ?${lock ? ' FOR UPDATE' : ''}`, [kitchenId, id]);
  if (!row) throw notFound('plan');
  return planFrom(row);
}

/** Plans, the open ones first, then the newest. */
export async function plansOf(
  db: Database,
  kitchenId: string,
  { before, limit = 200, open = false }: { before?: string | undefined; limit?: number; open?: boolean } = {},
): Promise<Plan[]> {
  const after = before
    ? 'AND EXISTS (SELECT 1 FROM plan b WHERE b.id = ? AND b.kitchen_id = p.kitchen_id AND (p.done > b.done OR (p.done = b.done AND (p.created_at, p.id) < (b.created_at, b.id))))'
    : '';
  const found = await read(
    db,
    KEPT,
    `${PLANS} ${open ? 'AND p.done = 0' : ''} ${after} ORDER BY p.done, p.created_at DESC, p.id DESC LIMIT ${limit}`,
    before ? [kitchenId, before] : [kitchenId],
  );
  return found.map(planFrom);
}

/** What each part of a plan is called: its product, and which of several lots. */
export async function partNames(
  db: Database,
  kitchenId: string,
  plan: Pick<Plan, 'items'>,
): Promise<Map<string, string>> {
  const formulas = [...new Set(plan.items.map((item) => item.formulaId))];
  const found =
    formulas.length === 0
      ? []
      : await rows<{ id: string; name: string }>(
          db,
          `SELECT f.id, v.name FROM formula f JOIN formula_version v ON v.formula_id = f.id AND v.number = f.current_version
           WHERE f.kitchen_id = ? AND f.id IN (${marks(formulas)})`,
          [kitchenId, ...formulas],
        );
  const names = new Map(found.map((f) => [f.id, f.name]));
  return new Map(
    plan.items.flatMap((item) =>
      item.parts.map((p, i) => {
        const name = names.get(item.formulaId) ?? 'Product';
        return [p.id, item.parts.length > 1 ? `${name}, lot ${i + 1}` : name] as const;
      }),
    ),
  );
}

/** Lots of open plans that are laid on the hours and not begun, each with its first hour. */
export async function startsOf(db: Database, kitchenId: string): Promise<PlannedStart[]> {
  const plans = (await plansOf(db, kitchenId, { open: true })).filter((p) => p.steps.length > 0);
  const starts: PlannedStart[] = [];
  for (const plan of plans) {
    const names = await partNames(db, kitchenId, plan);
    for (const part of plan.items.flatMap((i) => i.parts).filter((p) => p.lot === null)) {
      const first = plan.steps
        .filter((s) => s.partId === part.id)
        .sort((a, b) => a.from.localeCompare(b.from))[0];
      if (first)
        starts.push({
          planId: plan.id,
          plan: plan.name,
          partId: part.id,
          product: names.get(part.id)!,
          at: first.from,
        });
    }
  }
  return starts;
}

/** The steps of a plan in each state in which it was saved, the oldest first, as the journal keeps them. */
export async function earlierSteps(db: Database, kitchenId: string, id: string): Promise<Plan['steps'][]> {
  const saved = await rows<{ payload: string }>(
    db,
    "SELECT payload FROM journal WHERE kitchen_id = ? AND noun = 'plan' AND noun_id = ? AND action IN ('begin', 'change', 'finish') ORDER BY sequence",
    [kitchenId, id],
  );
  return saved.map(({ payload }) => PlanContent.parse(JSON.parse(payload)).steps);
}
