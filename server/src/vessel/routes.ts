import { type NewVessel, vesselRoutes } from '@inch/contract/vessel';
import { vesselVolume } from '@inch/core/pan';
import type { z } from 'zod';
import { insert, run, toSql } from '../database/pool.ts';
import { invalid, notFound } from '../http/problem.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { withLearned } from './learned.ts';
import { vesselsOf } from './store.ts';

/** Adds a vessel whose measures make a vessel. */
export async function addVessel(w: Writing, body: z.output<typeof NewVessel>): Promise<{ id: string }> {
  try {
    vesselVolume(body.shape);
  } catch (error) {
    throw invalid('shape', (error as Error).message);
  }
  await insert(w.tx, 'vessel', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    name: body.name,
    material: body.material,
    shape: JSON.stringify(body.shape),
    used_as: body.use,
    retired_at: null,
    created_at: toSql(w.now),
  });
  await journal(w, 'vessel', body.id, 'add', body);
  return { id: body.id };
}

/** Retires a vessel, or takes it up again; lots that were in it keep it. */
async function retireVessel(w: Writing, id: string, retired: boolean): Promise<{ id: string }> {
  const vessel = (await vesselsOf(w.tx, w.kitchen.id)).find((v) => v.id === id);
  if (!vessel) throw notFound('vessel');
  if (vessel.retired === retired) return { id };
  await run(w.tx, 'UPDATE vessel SET retired_at = ? WHERE id = ?', [retired ? toSql(w.now) : null, id]);
  await journal(w, 'vessel', id, retired ? 'retire' : 'restore', {});
  return { id };
}

export function vesselRouter(app: AppContext): void {
  serve(app, vesselRoutes.list, async ({ pool, kitchen }) => {
    const found = await vesselsOf(pool, kitchen.id);
    return Promise.all(found.map((vessel) => withLearned(pool, kitchen, vessel)));
  });
  serve(app, vesselRoutes.add, (call) => call.write((w) => addVessel(w, call.body)));
  serve(app, vesselRoutes.retire, (call) =>
    call.write((w) => retireVessel(w, call.params.id, call.body.retired)),
  );
}
