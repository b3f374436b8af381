import { type Kitchen, type KitchenChange, kitchenRoutes } from '@inch/contract/kitchen';
import type { z } from 'zod';
import { Problem } from '../http/problem.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { readKitchen, writeKitchen } from './store.ts';

/** Changes settings where the caller has seen the newest ones. */
export async function changeKitchen(w: Writing, change: z.output<typeof KitchenChange>): Promise<Kitchen> {
  const before = await readKitchen(w.tx, w.kitchen.id, true);
  const { revision, ...fields } = change;
  if (revision !== before.revision)
    throw new Problem(
      409,
      'Somebody changed the kitchen’s settings meanwhile. Look at them again, then save.',
    );
  const said = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
  await writeKitchen(w.tx, { ...before, ...said });
  await journal(w, 'kitchen', w.kitchen.id, 'change', said);
  return readKitchen(w.tx, w.kitchen.id);
}

export function kitchenRouter(app: AppContext): void {
  serve(app, kitchenRoutes.read, async (call) => call.kitchen);
  serve(app, kitchenRoutes.change, (call) => call.write((w) => changeKitchen(w, call.body)));
}
