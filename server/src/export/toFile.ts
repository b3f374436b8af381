import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import type { Pool } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import { readKitchen } from '../kitchen/store.ts';
import type { Told } from './read.ts';
import { contentsOf, writeExport } from './write.ts';

/** Writes the kitchen of this installation into a file, as of one moment; a file that is not whole is never there. */
export async function exportKitchen(
  pool: Pool,
  file: string,
  told: Told = () => {},
): Promise<{ kitchen: string; bytes: number }> {
  const part = `${file}.part`;
  const db = await pool.getConnection();
  try {
    await db.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    const [own] = await rows<{ id: string }>(db, 'SELECT kitchen_id AS id FROM installation');
    if (!own) throw new Error('There is no kitchen here yet, so there is nothing to export.');
    const kitchen = await readKitchen(db, own.id);
    await writeExport(
      await contentsOf(db, kitchen),
      createWriteStream(part, { mode: 0o600 }),
      new Date().toISOString(),
      (done, total) => told('Exporting', done, total),
    );
    const handle = await open(part, 'r');
    await handle.sync();
    const { size } = await handle.stat();
    await handle.close();
    await rename(part, file);
    return { kitchen: kitchen.name, bytes: size };
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  } finally {
    await db.query('ROLLBACK').catch(() => {});
    db.release();
  }
}
