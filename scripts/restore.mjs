import { existsSync, mkdirSync, readdirSync, renameSync, rmdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { KEPT_FILES, loadBackup, readBackup } from './src/backup.mjs';
import { ensureBuilt } from './src/build.mjs';
import { existingDatabase, verifyDatabase } from './src/database.mjs';
import { startMariadb } from './src/mariadb.mjs';
import { ensurePackages } from './src/packages.mjs';
import { giveUp, say } from './src/say.mjs';
import { prepareDatabase } from './src/server.mjs';

const USAGE = 'npm run restore -- FILE --data NEW-FOLDER';

/** Makes a kitchen of a backup in a folder that holds none, or in the empty database that DATABASE_URL names, and verifies it. */
const { values, positionals } = parseArgs({ allowPositionals: true, options: { data: { type: 'string' } } });
if (positionals.length !== 1 || !values.data) giveUp(USAGE);
const folder = resolve(values.data);
if (existsSync(folder) && readdirSync(folder).length > 0)
  giveUp(`${folder} is not empty, and nothing is written over. Name a new folder with --data.`);

async function restoreInto(part, backup) {
  for (const name of KEPT_FILES)
    if (backup.zip.names.includes(name))
      writeFileSync(join(part, name), await backup.zip.text(name), { mode: 0o600 });
  const db = process.env.DATABASE_URL ? existingDatabase(part) : await startMariadb(part);
  try {
    say('Loading the copy …');
    await loadBackup(backup, db.adminUrl);
    await prepareDatabase(db);
    say('Walking its journal …');
    return await verifyDatabase(db);
  } finally {
    await db.stop();
  }
}

/** What was laid into a folder beside it becomes the data folder once it is whole. */
async function restore() {
  const part = `${folder}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true, mode: 0o700 });
  try {
    const backup = await readBackup(resolve(positionals[0]));
    const whole = await restoreInto(part, backup);
    backup.zip.close();
    rmSync(join(part, 'running.json'), { force: true });
    if (existsSync(folder)) rmdirSync(folder);
    renameSync(part, folder);
    say(`The kitchen of ${backup.manifest.at} is in ${folder}. Start it with: npm start -- --data ${folder}`);
    if (!whole) process.exitCode = 1;
  } catch (error) {
    rmSync(part, { recursive: true, force: true });
    process.stderr.write(`Nothing was restored. ${error.message}\n`);
    process.exitCode = 1;
  }
}
await ensurePackages();
await ensureBuilt(['server']);
await restore();
