import { heatProcessRoutes, type NewProcess } from '@inch/contract/heatProcess';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { ownProcesses } from './store.ts';

/** Enters a process with its source; it stays as it is. */
export async function enterProcess(
  w: Writing,
  { id, ...content }: z.output<typeof NewProcess>,
): Promise<{ id: string }> {
  await insert(w.tx, 'own_process', {
    id,
    kitchen_id: w.kitchen.id,
    content: JSON.stringify(content),
    at: toSql(w.now),
    account_id: w.account.id,
  });
  await journal(w, 'process', id, 'enter', content);
  return { id };
}

export function heatProcessRouter(app: AppContext): void {
  serve(app, heatProcessRoutes.list, ({ pool, kitchen }) => ownProcesses(pool, kitchen.id));
  serve(app, heatProcessRoutes.add, (call) => call.write((w) => enterProcess(w, call.body)));
}
