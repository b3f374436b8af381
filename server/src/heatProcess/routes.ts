import { heatProcessRoutes, type NewProcess } from '@inch/contract/making/heatProcess';
import { implausible } from '@inch/core/bottling';
import { bottleSize } from '@inch/core/quantity';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { asked, invalid } from '../problem/problem.ts';
import { ownProcesses } from './store.ts';

/** What heat cannot do in that time in that jar is a slip, or no process. */
function refuseImplausible(content: Parameters<typeof implausible>[0]): void {
  const [short] = asked('bands', () => implausible(content));
  if (!short) return;
  throw invalid(
    content.method === 'hot-fill' ? 'hotFill' : 'bands',
    `In a jar of ${bottleSize(content.largestMl)} the slowest point comes to ${short.minutes.toFixed(2)} min at 93.3 °C up to ${Math.round(short.toFeet).toLocaleString('en')} ft, where canning tables ask for ${short.asked}. Read the minutes, the jar and the pack in its source again.`,
  );
}

/** Enters a process with its source; it stays as it is. */
export async function enterProcess(
  w: Writing,
  { id, ...content }: z.output<typeof NewProcess>,
): Promise<{ id: string }> {
  refuseImplausible(content);
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
