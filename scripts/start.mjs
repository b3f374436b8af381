import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { dailyBackup } from './src/backup.mjs';
import { ensureBuilt } from './src/build.mjs';
import { existingDatabase } from './src/database.mjs';
import { DEMO_OWNER, loadDemo } from './src/demo.mjs';
import { startMariadb } from './src/mariadb.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { giveUp, say } from './src/say.mjs';
import { prepareDatabase, startServer } from './src/server.mjs';

const USAGE = 'npm start -- [--port 4870] [--host 127.0.0.1] [--empty] [--data DIR] [--backups DIR]';

function options() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: '4870' },
        host: { type: 'string', default: '127.0.0.1' },
        empty: { type: 'boolean', default: false },
        data: { type: 'string' },
        backups: { type: 'string' },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      giveUp(`"${values.port}" is not a port.\n${USAGE}`);
    const data = resolve(values.data ?? join(ROOT, 'var', values.empty ? 'kitchen' : 'demo'));
    return { ...values, port, data, backups: resolve(values.backups ?? join(data, 'backups')) };
  } catch (error) {
    return giveUp(`${error.message}\n${USAGE}`);
  }
}

/** Our own MariaDB, or an existing one. */
async function database(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (process.env.DATABASE_URL) return existingDatabase(folder);
  say(`Starting MariaDB in ${folder} …`);
  return startMariadb(folder);
}

/** Starts MariaDB again on its port where it ends by itself; the server finds it by its pool. */
function watchMariadb(folder, db, holder, isStopping) {
  db.child?.on('exit', async () => {
    if (isStopping()) return;
    say('MariaDB ended by itself and is started again …');
    try {
      const again = await startMariadb(folder, { port: db.port });
      holder.stop = () => again.stop();
      watchMariadb(folder, again, holder, isStopping);
    } catch (error) {
      say(`MariaDB does not start again: ${error.message}`);
      process.kill(process.pid, 'SIGTERM');
    }
  });
}

const MINUTE = 60_000;

/** Makes a copy of the database once a day while it runs, the first a minute after the start. */
function backUpDaily(db, folder, copies) {
  const copy = () =>
    dailyBackup(db, folder, copies)
      .then((warning) => warning && say(warning))
      .catch((error) => say(`No backup was made today. ${error.message}`));
  setTimeout(copy, MINUTE).unref();
  setInterval(copy, 60 * MINUTE).unref();
}

/** Migrations and rights. Where the given user may not make another, the app runs as that user, and this is said. */
async function prepare(db) {
  const lines = (await prepareDatabase(db)).trim().split('\n').filter(Boolean);
  for (const line of lines) if (line !== 'no user of its own') say(`Database: ${line}`);
  if (!lines.includes('no user of its own')) return db.appUrl;
  say(
    'This database user may not make another, so the app runs as it, and the record is not protected from that user.',
  );
  return db.adminUrl;
}

async function main() {
  const { port, host, empty, data, backups } = options();
  await ensurePackages();
  await ensureBuilt();
  const running = [];
  const stopAll = async () => {
    for (const part of running.splice(0).reverse()) await part.stop();
  };
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, async () => {
      if (stopping) return;
      stopping = true;
      say('Stopping …');
      await stopAll();
      process.exit(0);
    });
  try {
    const db = await database(data);
    const mariadb = { stop: () => db.stop() };
    running.push(mariadb);
    watchMariadb(data, db, mariadb, () => stopping);
    const appUrl = await prepare(db);
    const server = await startServer({
      appUrl,
      journalKey: db.journalKey,
      host,
      port,
      webRoot: join(ROOT, 'web/dist'),
    });
    running.push(server);
    backUpDaily(db, data, backups);
    server.child.on('exit', () => stopping || process.kill(process.pid, 'SIGTERM'));
    if (!empty) await loadDemo(server.url);
    process.stdout.write(`\n  Inch Pantry is at ${server.url}\n`);
    process.stdout.write(
      empty
        ? '  The first page asks for the owner’s name and password.\n'
        : `  Demo kitchen: sign in as ${DEMO_OWNER.name} with ${DEMO_OWNER.password}\n`,
    );
    process.stdout.write('  Ctrl-C stops everything that was started.\n\n');
  } catch (error) {
    await stopAll();
    giveUp(error.message);
  }
}

await main();
