import { execFileSync, spawn } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import mysql from 'mysql2/promise';
import { ensureMariadb, ensureProgram, findProgram } from '../machine/debian.mjs';
import { runCommand, stopChild } from '../machine/run.mjs';
import { addresses, freePort, writeUsers } from '../mariadb.mjs';
import { secretsOf } from '../secrets.mjs';

const PROVIDER = '/usr/lib/galera/libgalera_smm.so';
const NODES = 3;
/** How long a node may take to come into step, fetching the whole database where it is new; after that it begins anew. */
const STEP_SECONDS = 240;
const STARTS = 3;

const isRoot = () => process.getuid?.() === 0;

/** The user that MariaDB runs as: root's own MariaDB would be refused the files that another node sends. */
function mysqlUser() {
  if (!isRoot()) return null;
  const id = (flag) => Number(execFileSync('id', [flag, 'mysql'], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}

function folderOf(path, user) {
  mkdirSync(path, { recursive: true });
  chmodSync(path, 0o755);
  if (user) chownSync(path, user.uid, user.gid);
}

async function makeData(node, user) {
  if (existsSync(join(node.data, 'mysql'))) return;
  await runCommand(
    findProgram(['mariadb-install-db', 'mysql_install_db']),
    [
      '--no-defaults',
      `--datadir=${node.data}`,
      '--skip-test-db',
      '--auth-root-authentication-method=socket',
      ...(user ? ['--user=mysql', '--auth-root-socket-user=root'] : []),
    ],
    { cwd: node.folder, env: { TMPDIR: node.temporary } },
  );
}

const ended = (child) => child.exitCode !== null || child.signalCode !== null;
const endOf = (log) => readFileSync(log, 'utf8').split('\n').slice(-15).join('\n');

/** Waits until a node says that it is in step with the others. @returns whether it came into step in time */
async function inStep(node, url) {
  const at = url.replace(/:\d+\//, `:${node.port}/`).replace(/\/[^/]*$/, '/');
  for (const until = Date.now() + STEP_SECONDS * 1000; Date.now() < until; ) {
    if (ended(node.child)) return false;
    try {
      const connection = await mysql.createConnection(at);
      const [[state]] = await connection.query("SHOW STATUS LIKE 'wsrep_local_state_comment'");
      await connection.end();
      if (state?.Value === 'Synced') return true;
    } catch {
      // It does not listen yet.
    }
    await sleep(250);
  }
  return false;
}

/** A node of a cluster, on ports of its own: for its clients, for the group, and for what it fetches from another. */
async function nodeIn(folder, number) {
  const own = join(folder, `node-${number}`);
  const [port, group, ist, sst] = [await freePort(), await freePort(), await freePort(), await freePort()];
  return {
    name: `node-${number}`,
    folder: own,
    data: join(own, 'mariadb'),
    log: join(own, 'mariadb.log'),
    temporary: join(own, 'tmp'),
    socket: join(own, 'mariadb.sock'),
    port,
    group,
    ist,
    sst,
    child: null,
  };
}

function argumentsOf(node, { members, first, users, user }) {
  return [
    '--no-defaults',
    `--datadir=${node.data}`,
    `--socket=${node.socket}`,
    `--port=${node.port}`,
    `--tmpdir=${node.temporary}`,
    '--bind-address=127.0.0.1',
    `--pid-file=${join(node.folder, 'mariadb.pid')}`,
    '--skip-name-resolve',
    ...(user ? ['--user=mysql'] : []),
    ...(first ? ['--wsrep-new-cluster', `--init-file=${users}`] : []),
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_ci',
    '--performance-schema=OFF',
    '--sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION',
    '--binlog-format=ROW',
    '--default-storage-engine=InnoDB',
    '--innodb-autoinc-lock-mode=2',
    // The other nodes have what was acknowledged: a disk that lags by a second loses nothing while one of them lives.
    '--innodb-flush-log-at-trx-commit=2',
    '--wsrep-on=ON',
    `--wsrep-provider=${PROVIDER}`,
    '--wsrep-cluster-name=inch_pantry',
    `--wsrep-cluster-address=gcomm://${members.map((m) => `127.0.0.1:${m.group}`).join(',')}`,
    `--wsrep-node-name=${node.name}`,
    `--wsrep-node-address=127.0.0.1:${node.group}`,
    '--wsrep-sst-method=rsync',
    `--wsrep-sst-receive-address=127.0.0.1:${node.sst}`,
    `--wsrep-provider-options=base_port=${node.group};gmcast.listen_addr=tcp://127.0.0.1:${node.group};ist.recv_addr=127.0.0.1:${node.ist}`,
    // What is read on one node is as new as what was acknowledged on another.
    '--wsrep-sync-wait=1',
  ];
}

/**
 * Starts three MariaDB nodes that hold one database together, on ports of 127.0.0.1.
 * @returns the nodes, with how to kill one and bring it back, and the addresses of the database through a port of whoever passes connections on
 */
export async function startCluster(folder) {
  const program = await ensureMariadb();
  await ensureProgram(['rsync'], ['rsync'], 'rsync');
  if (!existsSync(PROVIDER)) await ensureProgram(['galera-4'], ['galera-4'], 'Galera').catch(() => {});
  const user = mysqlUser();
  folderOf(folder, user);
  const secrets = secretsOf(folder);
  const users = writeUsers(folder, secrets);
  chmodSync(users, 0o644);
  const nodes = [];
  for (let i = 1; i <= NODES; i++) nodes.push(await nodeIn(folder, i));
  const kill = async (node) => {
    if (ended(node.child)) return;
    const gone = new Promise((resolve) => node.child.once('exit', resolve));
    node.child.kill('SIGKILL');
    await gone;
  };
  const tryToStart = async (node, first) => {
    for (const path of [node.folder, node.temporary]) folderOf(path, user);
    rmSync(node.log, { force: true });
    await makeData(node, user);
    const out = openSync(node.log, 'a');
    const args = argumentsOf(node, { members: nodes, first, users, user });
    node.child = spawn(program, args, { stdio: ['ignore', out, out], detached: true });
    return inStep(node, addresses(folder, secrets, node.port).adminUrl);
  };
  const start = async (node, first = false) => {
    for (let i = 1; !(await tryToStart(node, first)); i++) {
      await kill(node);
      if (i === STARTS) throw new Error(`${node.name} did not come into step:\n${endOf(node.log)}`);
      // What it fetched stopped half-way, or a port of it was taken meanwhile: it fetches all of it again.
      if (!first) rmSync(node.data, { recursive: true, force: true });
      Object.assign(node, { ist: await freePort(), sst: await freePort() });
    }
  };
  const stop = async () => {
    for (const node of [...nodes].reverse()) if (node.child) await stopChild(node.child, 60_000);
  };
  try {
    for (const [i, node] of nodes.entries()) await start(node, i === 0);
  } catch (error) {
    await stop();
    throw error;
  }
  return { nodes, start, stop, kill, at: (port) => addresses(folder, secrets, port) };
}
