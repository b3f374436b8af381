import { type NewVessel, vesselRoutes } from '@inch/contract/making/vessel';
import { vesselVolume } from '@inch/core/pan';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid } from '../problem/problem.ts';
import { bringUpToDate } from '../standing/derive.ts';
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

export function vesselRouter(app: AppContext): void {
  serve(app, vesselRoutes.list, async ({ pool, kitchen }) => {
    await bringUpToDate(pool, kitchen);
    const found = await vesselsOf(pool, kitchen.id);
    return Promise.all(found.map((vessel) => withLearned(pool, kitchen, vessel)));
  });
  serve(app, vesselRoutes.add, (call) => call.write((w) => addVessel(w, call.body)));
  serve(app, vesselRoutes.retire, (call) =>
    call.write((w) => retire(w, 'vessel', call.params.id, call.body.retired)),
  );
}
