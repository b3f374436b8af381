import { type Backup, backupRoutes } from '@inch/contract/kitchen/backup';
import { type Database, fromSql, rows } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';

/** The newest backup that was made and read back; null where there is none. */
export async function lastBackup(db: Database): Promise<Backup['last']> {
  const [found] = await rows<{ at: string; file: string; bytes: number }>(
    db,
    'SELECT at, file, bytes FROM backup ORDER BY at DESC LIMIT 1',
  );
  return found ? { at: fromSql(found.at), file: found.file, bytes: Number(found.bytes) } : null;
}

export function backupRouter(app: AppContext): void {
  serve(app, backupRoutes.last, async ({ pool }) => ({ last: await lastBackup(pool) }));
}
