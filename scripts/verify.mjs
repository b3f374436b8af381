import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuilt } from './src/build.mjs';
import { databaseOf, verifyDatabase } from './src/database.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';

/** Walks the journal of a data folder, or of DATABASE_URL. The folder's MariaDB is started for it where it is not running. */
const { values } = parseArgs({ options: { data: { type: 'string', default: join(ROOT, 'var', 'demo') } } });
await ensurePackages();
await ensureBuilt(['server']);
const db = await databaseOf(resolve(values.data));
try {
  if (!(await verifyDatabase(db))) process.exitCode = 1;
} finally {
  await db.stop();
}
