import { rows, toSql, update } from '../database/pool.ts';
import { notFound } from '../problem/problem.ts';
import { journal, type Writing } from './writing.ts';

/** What can be taken out of use, and what it is called. */
const RETIRABLE = {
  vessel: 'vessel',
  instrument: 'instrument',
  container: 'kind of bottle',
  contact: 'contact',
  label_sheet: 'label sheet',
  label_picture: 'picture',
} as const;

/** Takes a thing of the kitchen out of use, or back into it; what was recorded with it keeps it. */
export async function retire(
  w: Writing,
  noun: keyof typeof RETIRABLE,
  id: string,
  retired: boolean,
): Promise<{ id: string }> {
  const [thing] = await rows<{ retired_at: string | null }>(
    w.tx,
    `SELECT retired_at FROM ${noun} WHERE id = ? AND kitchen_id = ?`,
    [id, w.kitchen.id],
  );
  if (!thing) throw notFound(RETIRABLE[noun]);
  if ((thing.retired_at !== null) === retired) return { id };
  await update(w.tx, noun, id, { retired_at: retired ? toSql(w.now) : null });
  await journal(w, noun.replace('_', '-') as never, id, retired ? 'retire' : 'restore', {});
  return { id };
}
