import { resolve } from 'node:path';
import { admin, databaseOf } from './src/database.mjs';
import { newFile, readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { DEMO_FOLDER } from './src/machine/root.mjs';

const USAGE = 'npm run export -- FILE [--data DIR]';

/** Writes the whole kitchen of a data folder, or of DATABASE_URL, into one zip that anybody can read. People may go on writing meanwhile. */
const { values, files } = readArgs(USAGE, { data: { type: 'string', default: DEMO_FOLDER } }, 1);
const file = newFile(files[0]);
await ensurePackages();
await ensureBuilt(['server']);
const db = await databaseOf(resolve(values.data));
try {
  await admin(db, ['export', file], { show: true });
} catch {
  process.stderr.write('Nothing was exported.\n');
  process.exitCode = 1;
} finally {
  await db.stop();
}
