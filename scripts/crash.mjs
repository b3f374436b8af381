import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ensureBuilt } from './src/build.mjs';
import { beginLot, newKitchenAt, reading } from './src/kitchenClient.mjs';
import { freePort, startMariadb } from './src/mariadb.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { runCommand } from './src/run.mjs';
import { say } from './src/say.mjs';
import { prepareDatabase, startServer } from './src/server.mjs';

const READINGS = 500;
const SENDERS = 4;

const ended = (child) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((resolve) => child.once('exit', resolve));

/** A MariaDB and a server that can be killed and started again on the same folder and ports. */
async function startHouse(folder) {
  const house = { port: await freePort(), kills: 0 };
  house.db = await startMariadb(folder);
  await prepareDatabase(house.db);
  house.server = await startServer({ ...house.db, port: house.port, log: 'error' });
  house.url = house.server.url;
  house.killServer = async () => {
    house.server.kill();
    await ended(house.server.child);
    house.server = await startServer({ ...house.db, port: house.port, log: 'error' });
    house.kills += 1;
  };
  house.killDatabase = async () => {
    house.db.kill();
    await ended(house.db.child);
    house.db = await startMariadb(folder, { port: house.db.port });
    house.kills += 1;
  };
  return house;
}

/** Sends one reading until it is acknowledged, the same id each time, as a device with a queue does. */
async function sendUntilKept(url, client, path, body) {
  for (let attempt = 0; attempt < 200; attempt++) {
    try {
      const response = await fetch(`${url}${path}`, {
        method: 'POST',
        headers: client.headers(),
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(5000),
      });
      await response.text();
      if (response.status === 201) return attempt;
      if (response.status < 500)
        throw Object.assign(new Error(`refused with ${response.status}`), { final: true });
    } catch (error) {
      if (error.final) throw error;
    }
    await sleep(50);
  }
  throw new Error('a reading was not acknowledged in 200 attempts');
}

async function sendAll(house, client, lot, killAt) {
  const acknowledged = [];
  let [next, retried] = [0, 0];
  const sender = async () => {
    while (next < READINGS) {
      const body = reading(next++);
      const kill = killAt.get(next);
      if (kill) kill();
      retried += (await sendUntilKept(house.url, client, `/api/lots/${lot}/readings`, body)) > 0 ? 1 : 0;
      acknowledged.push(body.id);
    }
  };
  await Promise.all(Array.from({ length: SENDERS }, sender));
  return { acknowledged, retried };
}

/**
 * 500 readings while the server and MariaDB are killed with SIGKILL, twice each.
 * @returns what was acknowledged, what is there after restart, and whether the chain is whole
 */
export async function crashRun() {
  const folder = mkdtempSync(join(tmpdir(), 'inch-crash-'));
  const house = await startHouse(folder);
  try {
    const client = await newKitchenAt(house.url);
    const lot = await beginLot(client);
    const killing = [];
    const later = (kill) => () => killing.push(kill().catch((error) => error));
    const killAt = new Map([
      [90, later(house.killServer)],
      [190, later(house.killDatabase)],
      [300, later(house.killServer)],
      [410, later(house.killDatabase)],
    ]);
    const { acknowledged, retried } = await sendAll(house, client, lot, killAt);
    for (const outcome of await Promise.all(killing)) if (outcome instanceof Error) throw outcome;
    await house.killDatabase();
    await house.killServer();
    const kept = (await client.send('GET', `/api/lots/${lot}`)).readings.map((r) => r.id);
    const chain = await runCommand(process.execPath, [join(ROOT, 'server/dist/admin.js'), 'verify'], {
      env: { INCH_DATABASE: house.db.appUrl, INCH_JOURNAL_KEY: house.db.journalKey },
    });
    const there = new Set(kept);
    return {
      acknowledged: acknowledged.length,
      missing: acknowledged.filter((id) => !there.has(id)).length,
      twice: kept.length - there.size,
      unasked: kept.length - acknowledged.length,
      retried,
      kills: house.kills,
      chain: chain.trim(),
    };
  } finally {
    await house.server.stop();
    await house.db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1] === import.meta.filename) {
  await ensurePackages();
  await ensureBuilt(['server']);
  const result = await crashRun();
  say(
    `${result.acknowledged} readings acknowledged through ${result.kills} kills, ${result.retried} of them after trying again`,
  );
  say(`${result.missing} missing, ${result.twice} twice; ${result.chain}`);
  process.exit(result.missing + result.twice + result.unasked === 0 && /whole/.test(result.chain) ? 0 : 1);
}
