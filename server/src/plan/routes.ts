import {
  type NewStart,
  type Plan,
  type PlanChange,
  type PlanContent,
  planRoutes,
} from '@inch/contract/kitchen/plan';
import type { z } from 'zod';
import { insert, rows, toSql, update } from '../database/pool.ts';
import { sendCalendar } from '../http/sendCalendar.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';
import { beginLot } from '../record/begin.ts';
import { calendarOf } from './calendar.ts';
import { pastLots } from './past.ts';
import { earlierSteps, partNames, planOf, plansOf } from './store.ts';

type Content = z.output<typeof PlanContent>;

/** Refuses a plan of formulas that are not there, or with two parts of one name. */
async function checked(w: Writing, content: Content): Promise<void> {
  for (const [i, item] of content.items.entries()) {
    const [formula] = await rows(w.tx, 'SELECT id FROM formula WHERE id = ? AND kitchen_id = ?', [
      item.formulaId,
      w.kitchen.id,
    ]);
    if (!formula) throw invalid(`items.${i}.formulaId`, 'Choose a formula of this kitchen.');
  }
  const parts = content.items.flatMap((item) => item.parts.map((p) => p.id));
  if (new Set(parts).size < parts.length) throw invalid('items', 'Two lots of the plan have one name.');
}

/** The content with the lots that are begun kept as they are: only the server says which those are, and begun ones do not go. */
function withBegun(content: Content, before: Content | null): Content {
  const begun = new Map(before?.items.flatMap((item) => item.parts).map((p) => [p.id, p]) ?? []);
  const kept = new Set(content.items.flatMap((item) => item.parts.map((p) => p.id)));
  for (const part of begun.values())
    if (part.lot && !kept.has(part.id))
      throw new Problem(409, `Lot ${part.lot.code} is begun from this plan, so its part stays in it.`);
  return {
    ...content,
    items: content.items.map((item) => ({
      ...item,
      parts: item.parts.map((p) => {
        const was = begun.get(p.id);
        return was?.lot ? { ...p, scale: was.scale, lot: was.lot } : { ...p, lot: null };
      }),
    })),
  };
}

export async function createPlan(w: Writing, id: string, content: Content): Promise<{ id: string }> {
  await checked(w, content);
  const kept = withBegun(content, null);
  await insert(w.tx, 'plan', {
    id,
    kitchen_id: w.kitchen.id,
    content: JSON.stringify(kept),
    done: false,
    revision: 1,
    saved_at: toSql(w.now),
    saved_by: w.account.id,
    created_at: toSql(w.now),
  });
  await journal(w, 'plan', id, 'begin', kept);
  return { id };
}

async function save(w: Writing, plan: Plan, content: Content, done: boolean): Promise<void> {
  await update(w.tx, 'plan', plan.id, {
    content: JSON.stringify(content),
    done,
    revision: plan.revision + 1,
    saved_at: toSql(w.now),
    saved_by: w.account.id,
  });
}

const stale = () => new Problem(409, 'Somebody changed this plan meanwhile. Look at it again, then save.');

async function changePlan(w: Writing, id: string, body: z.output<typeof PlanChange>): Promise<Plan> {
  const plan = await planOf(w.tx, w.kitchen.id, id, true);
  if (plan.revision !== body.revision) throw stale();
  await checked(w, body.content);
  const content = withBegun(body.content, plan);
  await save(w, plan, content, body.done);
  await journal(w, 'plan', id, body.done ? 'finish' : 'change', content);
  return planOf(w.tx, w.kitchen.id, id, true);
}

/** Begins one lot of a plan at its planned size; what is weighed in it then leaves the stock. */
async function startPart(
  w: Writing,
  id: string,
  body: z.output<typeof NewStart>,
): Promise<{ id: string; code: string }> {
  const plan = await planOf(w.tx, w.kitchen.id, id, true);
  const item = plan.items.find((i) => i.parts.some((p) => p.id === body.partId));
  const part = item?.parts.find((p) => p.id === body.partId);
  if (!item || !part) throw notFound('part of that plan');
  if (part.lot) throw new Problem(409, `It is begun already, as lot ${part.lot.code}.`);
  if (plan.revision !== body.revision) throw stale();
  const lot = await beginLot(w, { id: body.id, formulaId: item.formulaId, scale: part.scale });
  const { id: _i, revision: _r, done, savedAt: _s, savedBy: _b, ...content } = plan;
  const items = content.items.map((i) => ({
    ...i,
    parts: i.parts.map((p) => (p.id === part.id ? { ...p, lot } : p)),
  }));
  await save(w, plan, { ...content, items }, done);
  await journal(w, 'plan', id, 'start', { partId: part.id, ...lot, scale: part.scale }, lot.id);
  return lot;
}

export function planRouter(app: AppContext): void {
  serve(app, planRoutes.list, ({ pool, kitchen, query }) => plansOf(pool, kitchen.id, query));
  serve(app, planRoutes.read, ({ pool, kitchen, params }) => planOf(pool, kitchen.id, params.id));
  serve(app, planRoutes.create, (call) => call.write((w) => createPlan(w, call.body.id, call.body.content)));
  serve(app, planRoutes.change, (call) => call.write((w) => changePlan(w, call.params.id, call.body)));
  serve(app, planRoutes.start, (call) => call.write((w) => startPart(w, call.params.id, call.body)));
  serve(app, planRoutes.past, ({ pool, kitchen }) => pastLots(pool, kitchen));
  serve(app, planRoutes.calendar, async ({ pool, kitchen, params, res }) => {
    const plan = await planOf(pool, kitchen.id, params.id);
    const names = await partNames(pool, kitchen.id, plan);
    const calendar = calendarOf(plan, names, await earlierSteps(pool, kitchen.id, plan.id));
    sendCalendar(res, calendar, 'plan.ics');
    return undefined;
  });
}
