import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuilt } from './src/build.mjs';
import { admin, databaseOf } from './src/database.mjs';
import { ensurePackages } from './src/packages.mjs';
import { DEMO_FOLDER } from './src/root.mjs';
import { giveUp } from './src/say.mjs';

const USAGE = 'npm run export -- FILE [--data DIR]';

/** Writes the whole kitchen of a data folder, or of DATABASE_URL, into one zip that anybody can read. People may go on writing meanwhile. */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { data: { type: 'string', default: DEMO_FOLDER } },
});
if (positionals.length !== 1) giveUp(USAGE);
const file = resolve(positionals[0]);
if (existsSync(file)) giveUp(`${file} is there already. Name a file that is not.`);
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
