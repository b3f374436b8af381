import { resolve } from 'node:path';
import { makeBackup } from './src/backup.mjs';
import { databaseOf } from './src/database.mjs';
import { newFile, readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { DEMO_FOLDER } from './src/machine/root.mjs';
import { say } from './src/machine/say.mjs';

const USAGE = 'npm run backup -- FILE [--data DIR]';

/** Writes the whole database of a data folder, or of DATABASE_URL, into one file. People may go on writing meanwhile. */
const { values, files } = readArgs(USAGE, { data: { type: 'string', default: DEMO_FOLDER } }, 1);
const file = newFile(files[0]);
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
