import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import concurrently from 'concurrently';
import { loadDemo } from './src/demo.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { TSC } from './src/machine/tsc.mjs';
import { startMariadb } from './src/mariadb.mjs';
import { prepareDatabase } from './src/server.mjs';

/** For developers: the compiler watching, the server restarted on change, the pages hot. */
const PORT = 4871;
await ensurePackages();
await ensureBuilt(['server']);
const folder = join(ROOT, 'var', 'dev');
mkdirSync(folder, { recursive: true });
const db = await startMariadb(folder);
await prepareDatabase(db);
const url = `http://127.0.0.1:${PORT}`;
const { result, commands } = concurrently(
  [
    { name: 'types', command: `node ${TSC} -b core contract server --watch --preserveWatchOutput` },
    {
      name: 'server',
      command: 'node --watch --enable-source-maps server/dist/main.js',
      env: { INCH_DATABASE: db.appUrl, INCH_JOURNAL_KEY: db.journalKey, INCH_PORT: String(PORT) },
    },
    { name: 'pages', command: 'npm run dev --workspace @inch/web', env: { INCH_API: url } },
  ],
  { cwd: ROOT, killOthers: ['failure'] },
);
const demo = setInterval(
  () =>
    void loadDemo(url).then(
      () => clearInterval(demo),
      () => undefined,
    ),
  1000,
);
process.on('SIGINT', () => {
  for (const command of commands) command.kill('SIGTERM');
});
await result.catch(() => undefined);
clearInterval(demo);
await db.stop();
