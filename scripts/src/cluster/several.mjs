import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { beginLot, newKitchenAt } from '../kitchenClient.mjs';
import { until } from '../machine/until.mjs';
import { freePort } from '../mariadb.mjs';
import { prepareDatabase, startServer } from '../server.mjs';
import { reckon, writeAll } from '../writes.mjs';
import { startCluster } from './cluster.mjs';
import { startProxy } from './haproxy.mjs';

const SERVERS = 2;

async function addProxyUser(adminUrl) {
  const db = await mysql.createConnection(adminUrl.replace(/\/[^/]*$/, '/'));
  await db.query("CREATE USER IF NOT EXISTS 'inch_proxy'@'127.0.0.1'");
  await db.end();
}

/** Waits until the proxy has seen that a server is ready. */
async function untilReady(url) {
  const ready = () =>
    fetch(`${url}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
  if (!(await until(ready))) throw new Error('HAProxy sees no server that is ready.');
}

/**
 * One kitchen on several machines, all of them here: three nodes of a database, two servers that keep nothing of their own, and HAProxy
 * before both.
 * @returns the address, the parts, and how to stop all of it
 */
export async function startSeveral(folder, { port } = {}) {
  const running = [];
  const stop = async () => {
    for (const part of running.splice(0).reverse()) await part.stop();
  };
  try {
    const cluster = await startCluster(folder);
    running.push(cluster);
    const first = cluster.at(cluster.nodes[0].port);
    await addProxyUser(first.adminUrl);
    await prepareDatabase(first);
    const databasePort = await freePort();
    const ports = [];
    for (let i = 0; i < SERVERS; i++) ports.push(await freePort());
    const own = port ?? (await freePort());
    running.push(await startProxy(folder, { databasePort, port: own, nodes: cluster.nodes, servers: ports }));
    const db = cluster.at(databasePort);
    const serve = (i) =>
      startServer({ ...db, port: ports[i], log: 'error', logFile: join(folder, `server-${i + 1}`, 'log') });
    const servers = [];
    for (let i = 0; i < SERVERS; i++) servers.push(await serve(i));
    running.push({ stop: () => Promise.all(servers.map((server) => server.stop())) });
    const url = `http://127.0.0.1:${own}`;
    await untilReady(url);
    return { url, cluster, db, servers, serve, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

async function kitchenAt(several) {
  if (several.written) return several.written;
  const client = await newKitchenAt(several.url);
  const lot = await beginLot(client);
  const [formula] = await client.send('GET', '/api/formulas');
  several.written = { client, kitchen: { lot, formulaId: formula.id }, kept: [] };
  return several.written;
}

/**
 * Eight clients write through the proxy; a database node is killed with SIGKILL on the way and comes back, and so is a server.
 * @returns what was acknowledged, the 5xx but for "away", and of each node what it lost and doubled, and whether journal and record agree
 */
export async function severalRun(several, writes) {
  const { cluster, servers, serve, url } = several;
  const { client, kitchen, kept } = await kitchenAt(several);
  const [writer] = cluster.nodes;
  const kills = [
    async () => {
      await cluster.kill(writer);
      await cluster.start(writer);
    },
    async () => {
      const gone = new Promise((resolve) => servers[0].child.once('exit', resolve));
      servers[0].kill();
      await gone;
      servers[0] = await serve(0);
    },
  ];
  const going = [];
  const more = (next) => {
    if (going.length < kills.length && next >= ((going.length + 1) * writes) / (kills.length + 1))
      going.push(kills[going.length]().catch((error) => error));
    return next < writes;
  };
  const { retried, fiveHundreds, kept: own } = await writeAll({ url }, client, kitchen, more);
  kept.push(...own);
  for (const outcome of await Promise.all(going)) if (outcome instanceof Error) throw outcome;
  const nodes = [];
  // Each node by itself has everything, the one that was away too.
  for (const node of cluster.nodes) nodes.push(await reckon(cluster.at(node.port), kept));
  return { acknowledged: own.length, retried, fiveHundreds, kills: going.length, nodes };
}

/**
 * Eight clients write through each of two servers that sit on two nodes, so that each commit may come after another's.
 * @returns as of `severalRun`
 */
export async function contendedRun(several, writes) {
  const { cluster } = several;
  const { client, kitchen, kept } = await kitchenAt(several);
  const servers = [];
  try {
    for (const node of cluster.nodes.slice(0, 2))
      servers.push(await startServer({ ...cluster.at(node.port), port: await freePort(), log: 'error' }));
    const each = writes / servers.length;
    const halves = await Promise.all(servers.map((s) => writeAll(s, client, kitchen, (next) => next < each)));
    for (const half of halves) kept.push(...half.kept);
    const sum = (of) => halves.reduce((total, half) => total + of(half), 0);
    const nodes = [await reckon(cluster.at(cluster.nodes[0].port), kept)];
    return {
      acknowledged: sum((h) => h.kept.length),
      retried: sum((h) => h.retried),
      fiveHundreds: sum((h) => h.fiveHundreds),
      nodes,
    };
  } finally {
    for (const server of servers) await server.stop();
  }
}
