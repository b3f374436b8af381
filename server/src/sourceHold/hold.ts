import { v7 as newId } from 'uuid';
import { insert, rows, toSql } from '../database/pool.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { holdMadeWith } from '../record/change.ts';
import { reachOf, type Source } from '../trace/reach.ts';

/** Holds a source, and with it all that was made with it. */
export async function holdSource(
  w: Writing,
  source: Source & { id?: string; name: string; recalled: boolean; why: string },
): Promise<string> {
  const { id = newId(), noun, subjectId, name, recalled, why } = source;
  await insert(w.tx, 'source_hold', {
    id,
    kitchen_id: w.kitchen.id,
    noun,
    subject_id: subjectId,
    name: name.slice(0, 120),
    recalled: recalled ? 1 : 0,
    why,
    at: toSql(w.now),
    account_id: w.account.id,
    lifted_at: null,
    lifted_by: null,
    lifted_why: null,
  });
  await journal(w, 'source-hold', id, recalled ? 'recall' : 'hold', { noun, subjectId, name, why });
  const reached = await reachOf(w.tx, w.kitchen.id, source);
  await holdMadeWith(
    w,
    reached,
    `${name}, which it was made with, is ${recalled ? 'called back' : 'held'}: ${why}`,
  );
  return id;
}

/** Whether a source is held and the hold is not lifted. */
export async function isHeld(w: Writing, { noun, subjectId }: Source): Promise<boolean> {
  const found = await rows(
    w.tx,
    'SELECT id FROM source_hold WHERE kitchen_id = ? AND noun = ? AND subject_id = ? AND lifted_at IS NULL',
    [w.kitchen.id, noun, subjectId],
  );
  return found.length > 0;
}
