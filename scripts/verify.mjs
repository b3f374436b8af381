import { resolve } from 'node:path';
import { admin, databaseOf, verifyDatabase } from './src/database.mjs';
import { readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { DEMO_FOLDER } from './src/machine/root.mjs';

/**
 * Walks the journal of a data folder, or of DATABASE_URL, and holds the record against it. The folder's MariaDB is started for it where it is
 * not running. With --rebuild, what lists show is derived anew from the record first.
 */
const { values } = readArgs('npm run verify -- [--data DIR] [--rebuild]', {
  data: { type: 'string', default: DEMO_FOLDER },
  rebuild: { type: 'boolean', default: false },
});
await ensurePackages();
await ensureBuilt(['server']);
const db = await databaseOf(resolve(values.data));
try {
  if (values.rebuild) await admin(db, ['rebuild'], { show: true });
  if (!(await verifyDatabase(db))) process.exitCode = 1;
} finally {
  await db.stop();
}
