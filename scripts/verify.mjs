import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuilt } from './src/build.mjs';
import { runningMariadb, startMariadb } from './src/mariadb.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { runCommand } from './src/run.mjs';
import { giveUp } from './src/say.mjs';

/** Walks the journal of a data folder, or of DATABASE_URL. The folder's MariaDB is started for it where it is not running. */
const { values } = parseArgs({ options: { data: { type: 'string', default: join(ROOT, 'var', 'demo') } } });
const folder = resolve(values.data);
await ensurePackages();
await ensureBuilt(['server']);

async function addressOf() {
  if (process.env.DATABASE_URL) return { appUrl: process.env.DATABASE_URL, stop: async () => {} };
  if (!existsSync(join(folder, 'secrets.json')))
    return giveUp(`There is no kitchen in ${folder}. Name its folder with --data.`);
  const running = runningMariadb(folder);
  return running ? { ...running, stop: async () => {} } : startMariadb(folder);
}

const db = await addressOf();
try {
  await runCommand(process.execPath, [join(ROOT, 'server/dist/admin.js'), 'verify'], {
    env: {
      INCH_DATABASE: db.appUrl,
      INCH_JOURNAL_KEY: db.journalKey ?? process.env.INCH_JOURNAL_KEY ?? '',
      INCH_ANCHORS: db.anchors ?? process.env.INCH_ANCHORS ?? '',
    },
    show: true,
  });
} catch {
  process.exitCode = 1;
} finally {
  await db.stop();
}
