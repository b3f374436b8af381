import { once } from 'node:events';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { createApp } from '../server/dist/app.js';
import { databaseFromUrl } from '../server/dist/config.js';
import { grantAppUser } from '../server/dist/database/grants.js';
import { openPool } from '../server/dist/database/pool.js';
import { keepAlive } from '../server/dist/http/keepAlive.js';
import { loggerTo } from '../server/dist/log.js';

/** For one kitchen: all of them, and the servers of their own, share what one MariaDB gives out. */
const CONNECTIONS = 4;

/** Serves one kitchen as the server's own main does. @returns its address */
async function serve({ adminUrl, appUrl }) {
  const user = databaseFromUrl(appUrl);
  await grantAppUser(databaseFromUrl(adminUrl), user);
  const webRoot = join(import.meta.dirname, '../web/dist');
  const pool = openPool(user, CONNECTIONS);
  const server = createServer(createApp({ pool, log: loggerTo('warn'), webRoot }));
  keepAlive(server);
  await once(server.listen(0, '127.0.0.1'), 'listening');
  return `http://127.0.0.1:${server.address().port}`;
}

process.once('message', async (databases) => {
  const urls = [];
  for (const database of databases) urls.push(await serve(database));
  process.send(urls);
});
process.once('disconnect', () => process.exit(0));
process.once('SIGTERM', () => process.exit(0));
