import { heatProcessRoutes, type NewProcess, OwnProcess } from '@inch/contract/heatProcess';
import { type HeatProcess, heatProcesses } from '@inch/core/heat';
import type { z } from 'zod';
import { type Database, insert, rows, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';

/** The kitchen's own processes, newest first. */
export async function ownProcesses(db: Database, kitchenId: string): Promise<OwnProcess[]> {
  const found = await rows<{ id: string; content: string }>(
    db,
    'SELECT id, content FROM own_process WHERE kitchen_id = ? ORDER BY at DESC, id DESC',
    [kitchenId],
  );
  return found.map((r) => OwnProcess.parse({ ...JSON.parse(r.content), id: r.id }));
}

/** A process that ships or is the kitchen's own; null where there is none of that id. */
export async function processOf(db: Database, kitchenId: string, id: string): Promise<HeatProcess | null> {
  const known = [...(await ownProcesses(db, kitchenId)), ...heatProcesses];
  return known.find((p) => p.id === id) ?? null;
}

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
