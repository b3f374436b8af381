import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { makeBackup } from './src/backup.mjs';
import { ensureBuilt } from './src/build.mjs';
import { databaseOf } from './src/database.mjs';
import { ensurePackages } from './src/packages.mjs';
import { DEMO_FOLDER } from './src/root.mjs';
import { giveUp, say } from './src/say.mjs';

const USAGE = 'npm run backup -- FILE [--data DIR]';

/** Writes the whole database of a data folder, or of DATABASE_URL, into one file. People may go on writing meanwhile. */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { data: { type: 'string', default: DEMO_FOLDER } },
});
if (positionals.length !== 1) giveUp(USAGE);
const file = resolve(positionals[0]);
if (existsSync(file)) giveUp(`${file} is there already. Name a file that is not.`);
const folder = resolve(values.data);
await ensurePackages();
await ensureBuilt(['server']);
const db = await databaseOf(folder);
try {
  const { bytes, warning } = await makeBackup(db, folder, file);
  say(`${file}: ${(bytes / 1e6).toFixed(1)} MB, written and read back.`);
  if (warning) {
    process.stderr.write(`${warning}\n`);
    process.exitCode = 1;
  }
} catch (error) {
  process.stderr.write(`No backup was made. ${error.message}\n`);
  process.exitCode = 1;
} finally {
  await db.stop();
}
