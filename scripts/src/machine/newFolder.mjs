import { existsSync, mkdirSync, readdirSync, renameSync, rmdirSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { existingDatabase } from '../database.mjs';
import { startMariadb } from '../mariadb.mjs';
import { giveUp } from './say.mjs';

/** A data folder that holds nothing yet, by its name. */
export function newFolder(name) {
  const folder = resolve(name);
  if (existsSync(folder) && readdirSync(folder).length > 0)
    giveUp(`${folder} is not empty, and nothing is written over. Name a new folder with --data.`);
  return folder;
}

/**
 * Makes a kitchen in a folder beside a new data folder, which it becomes once it is whole; where something fails, nothing is left.
 * @param before lays into the folder what its database needs; @param work is given the database, of DATABASE_URL or of the folder
 */
export async function inNewFolder(folder, before, work) {
  const part = `${folder}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true, mode: 0o700 });
  try {
    await before(part);
    const db = process.env.DATABASE_URL ? existingDatabase(part) : await startMariadb(part);
    let result;
    try {
      result = await work(db);
    } finally {
      await db.stop();
    }
    rmSync(join(part, 'running.json'), { force: true });
    if (existsSync(folder)) rmdirSync(folder);
    renameSync(part, folder);
    return result;
  } catch (error) {
    rmSync(part, { recursive: true, force: true });
    throw error;
  }
}
