import { rmSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { newKitchenAt, toWriteIn } from './src/kitchenClient.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { say } from './src/machine/say.mjs';
import { throwAwayFolder } from './src/machine/throwAwayFolder.mjs';
import { freePort, startMariadb } from './src/mariadb.mjs';
import { prepareDatabase, startServer } from './src/server.mjs';
import { counted, reckon, WRITERS, writeAll } from './src/writes.mjs';

const ended = (child) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((resolve) => child.once('exit', resolve));

/** A MariaDB and a server that can be killed and started again on the same folder and ports. */
async function startHouse(folder) {
  const house = { port: await freePort(), kills: 0 };
  house.db = await startMariadb(folder, { endsWithStarter: true });
  await prepareDatabase(house.db);
  const serve = () => startServer({ ...house.db, port: house.port, log: 'error' });
  house.server = await serve();
  house.url = house.server.url;
  house.killServer = async () => {
    house.server.kill();
    await ended(house.server.child);
    house.server = await serve();
    house.kills += 1;
  };
  house.killDatabase = async () => {
    house.db.kill();
    await ended(house.db.child);
    house.db = await startMariadb(folder, { endsWithStarter: true, port: house.db.port });
    house.kills += 1;
  };
  return house;
}

async function withHouse(work) {
  const folder = throwAwayFolder('crash');
  const house = await startHouse(folder);
  try {
    const client = await newKitchenAt(house.url, { demo: true });
    return await work(house, client, await toWriteIn(client));
  } finally {
    await house.server.stop();
    await house.db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * So many writes of all kinds while the server and MariaDB are killed with SIGKILL in turns.
 * @returns what was acknowledged, lost and doubled, the 5xx but for "the database is away", and whether journal and record agree
 */
export function crashRun(writes = 500) {
  return withHouse(async (house, client, kitchen) => {
    const before = await counted(house.db);
    const killing = [];
    let nextKill = 60;
    const more = (next) => {
      if (next >= nextKill && nextKill < writes) {
        const kill = killing.length % 2 === 0 ? house.killServer : house.killDatabase;
        const last = killing.at(-1) ?? Promise.resolve();
        killing.push(last.then(kill).catch((error) => error));
        nextKill += Math.max(100, Math.round(writes / 8));
      }
      return next < writes;
    };
    const { kept, retried, fiveHundreds } = await writeAll(house, client, kitchen, more);
    for (const outcome of await Promise.all(killing)) if (outcome instanceof Error) throw outcome;
    await house.killDatabase();
    await house.killServer();
    return {
      acknowledged: kept.length,
      retried,
      fiveHundreds,
      kills: house.kills,
      ...(await reckon(house.db, kept, before)),
    };
  });
}

/** Sends so many writes from eight writers at once, and kills nobody. */
export function parallelRun(writes) {
  return withHouse(async (house, client, kitchen) => {
    const before = await counted(house.db);
    const { kept, fiveHundreds } = await writeAll(house, client, kitchen, (next) => next < writes);
    return { acknowledged: kept.length, fiveHundreds, ...(await reckon(house.db, kept, before)) };
  });
}

const SHAPE = `SELECT table_name, column_name, column_type, is_nullable FROM information_schema.columns
  WHERE table_schema = DATABASE() AND table_name NOT LIKE 'migration%' ORDER BY table_name, ordinal_position`;

/** Kills the migrations, and MariaDB under them, at moments of their way, until they come through. @returns whether the tables are as without a kill */
export async function migrationRun(kills = 6) {
  const folder = throwAwayFolder('migrate');
  let db = await startMariadb(folder, { endsWithStarter: true });
  const { openPool } = await import('../server/dist/database/pool.js');
  const { databaseFromUrl } = await import('../server/dist/config.js');
  const shapeOf = async (adminUrl) => {
    const pool = openPool(databaseFromUrl(adminUrl), 1);
    const [columns] = await pool.query(SHAPE);
    await pool.end();
    return JSON.stringify(columns);
  };
  try {
    for (let i = 0; i < kills; i++) {
      const going = prepareDatabase(db).catch(() => 'killed');
      await sleep(400 + i * 350);
      db.kill();
      await ended(db.child);
      await going;
      db = await startMariadb(folder, { endsWithStarter: true, port: db.port });
    }
    await prepareDatabase(db);
    const clean = {
      ...db,
      adminUrl: db.adminUrl.replace(/[^/]+$/, 'clean'),
      appUrl: db.appUrl.replace(/[^/]+$/, 'clean'),
    };
    await prepareDatabase(clean);
    return { kills, same: (await shapeOf(db.adminUrl)) === (await shapeOf(clean.adminUrl)) };
  } finally {
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1] === import.meta.filename) {
  const { values } = parseArgs({ options: { writes: { type: 'string', default: '1000' } } });
  await ensurePackages();
  await ensureBuilt(['server']);
  const killed = await crashRun(Number(values.writes));
  say(
    `${killed.acknowledged} writes acknowledged through ${killed.kills} kills, ${killed.retried} of them after trying again`,
  );
  say(`lost ${killed.lost}, doubled ${killed.doubled}, 5xx ${killed.fiveHundreds}; ${killed.chain}`);
  const parallel = await parallelRun(Number(values.writes));
  say(`${parallel.acknowledged} writes of ${WRITERS} at once`);
  say(`lost ${parallel.lost}, doubled ${parallel.doubled}, 5xx ${parallel.fiveHundreds}; ${parallel.chain}`);
  const migrated = await migrationRun();
  say(
    `migrations through ${migrated.kills} kills: the tables are ${migrated.same ? 'as without' : 'others than without'}`,
  );
  const well = (run) => run.lost + run.doubled + run.fiveHundreds === 0 && /is whole/.test(run.chain);
  process.exit(well(killed) && well(parallel) && migrated.same ? 0 : 1);
}
