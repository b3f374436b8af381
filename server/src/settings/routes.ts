import { type Kitchen, type KitchenChange, kitchenRoutes } from '@inch/contract/kitchen/kitchen';
import type { z } from 'zod';
import { rows } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { readKitchen, writeKitchen } from '../kitchen/store.ts';
import { Problem } from '../problem/problem.ts';
import { holdWhereShut } from '../record/change.ts';

/** Released lots that went through a heat process, by id. */
const releasedAfterHeat = async (w: Writing): Promise<string[]> =>
  (
    await rows<{ id: string }>(
      w.tx,
      "SELECT l.id FROM lot l WHERE l.kitchen_id = ? AND l.state = 'released' AND EXISTS (SELECT 1 FROM heat_process p WHERE p.lot_id = l.id)",
      [w.kitchen.id],
    )
  ).map((row) => row.id);

/** Changes settings where the caller has seen the newest ones. */
export async function changeKitchen(w: Writing, change: z.output<typeof KitchenChange>): Promise<Kitchen> {
  const before = await readKitchen(w.tx, w.kitchen.id, true);
  const { revision, movedHere, ...fields } = change;
  if (revision !== before.revision)
    throw new Problem(
      409,
      'Somebody changed the kitchen’s settings meanwhile. Look at them again, then save.',
    );
  const said = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
  await writeKitchen(
    w.tx,
    { ...before, ...said },
    { workshop: 'workshop' in said, movedAt: movedHere ? w.now : null },
  );
  await journal(w, 'kitchen', w.kitchen.id, 'change', said);
  const after = await readKitchen(w.tx, w.kitchen.id);
  // An elevation that is put right holds for what was made at it: lots whose process does not reach it are held.
  if (after.elevationMetres !== before.elevationMetres && !movedHere)
    for (const id of await releasedAfterHeat(w)) await holdWhereShut({ ...w, kitchen: after }, id, w.now);
  return after;
}

export function kitchenRouter(app: AppContext): void {
  serve(app, kitchenRoutes.read, async (call) => call.kitchen);
  serve(app, kitchenRoutes.change, (call) => call.write((w) => changeKitchen(w, call.body)));
}
