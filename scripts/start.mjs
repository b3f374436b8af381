import { mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import QRCode from 'qrcode';
import { dailyBackup } from './src/backup.mjs';
import { certificateIn, lanAddresses } from './src/cluster/lan.mjs';
import { existingDatabase } from './src/database.mjs';
import { DEMO_OWNER, loadDemo } from './src/demo.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { giveUp, say } from './src/machine/say.mjs';
import { freePort, refuseRunning, startMariadb } from './src/mariadb.mjs';
import { prepareDatabase, startServer } from './src/server.mjs';

const USAGE = 'npm start -- [--port 4870] [--host 127.0.0.1] [--lan] [--empty] [--data DIR] [--backups DIR]';

function options() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: '4870' },
        host: { type: 'string', default: '127.0.0.1' },
        lan: { type: 'boolean', default: false },
        empty: { type: 'boolean', default: false },
        data: { type: 'string' },
        backups: { type: 'string' },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      giveUp(`"${values.port}" is not a port.\n${USAGE}`);
    const data = resolve(values.data ?? join(ROOT, 'var', values.empty ? 'kitchen' : 'demo'));
    const host = values.lan ? '0.0.0.0' : values.host;
    return { ...values, host, port, data, backups: resolve(values.backups ?? join(data, 'backups')) };
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

/** What new rules make of lots that were released before them: nothing is taken off sale by a start but what its record shows to be wrong. */
function sayRules({ lots, asked, held }) {
  const of = (n) => `${n} released ${n === 1 ? 'lot' : 'lots'}`;
  if (held.length > 0) say(`New rules: held, as their records show: ${held.join(', ')}. Today says why.`);
  if (asked > 0)
    say(
      `New rules: they ask for more of ${asked} of ${of(lots)}, which stay on sale. Settle them on Today, under Released under earlier rules.`,
    );
}

/** Migrations and rights. Where the given user may not make another, the app runs as that user, and this is said. */
async function prepare(db) {
  let ownUser = true;
  await prepareDatabase(db, (line) => {
    if (line === 'no user of its own') ownUser = false;
    else if (line.startsWith('rules ')) sayRules(JSON.parse(line.slice('rules '.length)));
    else say(`Database: ${line}`);
  });
  if (ownUser) return db.appUrl;
  say(
    'This database user may not make another, so the app runs as it, and the record is not protected from that user.',
  );
  return db.adminUrl;
}

/** The demo kitchen is brought in over plain HTTP on loopback, whatever the kitchen is served by then. */
async function loadDemoInto(served) {
  const server = await startServer({ ...served, port: await freePort() });
  try {
    await loadDemo(server.url);
  } finally {
    await server.stop();
  }
}

/** Where a tablet finds the kitchen, as text and as a code to point its camera at, and how it comes to trust it. */
async function sayLan(port) {
  for (const address of lanAddresses()) {
    const url = `https://${address}:${port}`;
    const code = await QRCode.toString(url, { type: 'utf8', errorCorrectionLevel: 'L' });
    process.stdout.write(`\n  On a tablet of this network: ${url}\n${code.replace(/^/gm, '  ')}\n`);
    process.stdout.write(
      `  It warns once, since the certificate is the kitchen’s own. To trust it, open ${url}/authority.crt on the tablet\n  and install it (docs/tablets.md).\n`,
    );
  }
}

/** Whether something listens there already: said before anything else is done. */
function refuseTaken(port, host, folder) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) => {
      try {
        refuseRunning(folder);
      } catch (running) {
        return reject(running);
      }
      giveUp(
        error.code === 'EADDRINUSE'
          ? `Port ${port} is taken. Choose another: npm start -- --port ${port + 1}`
          : `Nothing can be served at ${host}:${port}: ${error.message}`,
      );
    });
    probe.listen(port, host, () => probe.close(resolve));
  });
}

/** A server that ended by itself is started again so often in so long; then something is wrong that no start mends. */
const MOST_STARTS = 5;
const IN_MS = 10 * MINUTE;

/** Starts the server again where it ends by itself, on its port. */
function watchServer(server, again, holder, isStopping, starts = []) {
  server.child.on('exit', async (code, signal) => {
    if (isStopping()) return;
    const recent = [...starts, Date.now()].filter((at) => at > Date.now() - IN_MS);
    if (recent.length > MOST_STARTS) {
      say(
        `The server ended ${recent.length} times in ten minutes and is not started again. Its log says why.`,
      );
      process.exitCode = 1;
      process.kill(process.pid, 'SIGTERM');
      return;
    }
    say(`The server ended by itself (${signal ?? code}) and is started again …`);
    try {
      const next = await again();
      holder.stop = () => next.stop();
      watchServer(next, again, holder, isStopping, recent);
    } catch (error) {
      say(`The server does not start again: ${error.message}`);
      process.exitCode = 1;
      process.kill(process.pid, 'SIGTERM');
    }
  });
}

async function main() {
  const { port, host, lan, empty, data, backups } = options();
  await refuseTaken(port, host, data).catch((running) => giveUp(running.message));
  await ensurePackages();
  await ensureBuilt();
  const running = [];
  let stopping = false;
  // Set before anything ends, or MariaDB would be started again as one that ended by itself.
  const stopAll = async () => {
    stopping = true;
    for (const part of running.splice(0).reverse()) await part.stop();
  };
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, async () => {
      if (stopping) return;
      say('Stopping …');
      await stopAll();
      process.exit();
    });
  try {
    const db = await database(data);
    const mariadb = { stop: () => db.stop() };
    running.push(mariadb);
    watchMariadb(data, db, mariadb, () => stopping);
    const appUrl = await prepare(db);
    const served = { appUrl, journalKey: db.journalKey, logFile: join(data, 'logs', 'server') };
    // A certificate of the kitchen's own is not trusted here: what is brought in comes over loopback.
    if (!empty && lan) await loadDemoInto(served);
    const tls = lan ? await certificateIn(data) : undefined;
    const start = () => startServer({ ...served, host, port, tls });
    const server = await start();
    const holder = { stop: () => server.stop() };
    running.push(holder);
    backUpDaily(db, data, backups);
    watchServer(server, start, holder, () => stopping);
    if (!empty && !lan) await loadDemo(server.url);
    process.stdout.write(`\n  Inch Pantry is at ${server.url}\n`);
    if (lan) await sayLan(port);
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
