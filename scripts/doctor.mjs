import { existsSync, readdirSync, readFileSync, statfsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import mysql from 'mysql2/promise';
import { databaseOf, verifyDatabase } from './src/database.mjs';
import { readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { DEMO_FOLDER, ROOT } from './src/machine/root.mjs';

const GIGABYTE = 1e9;
const DAY = 86_400_000;
/** Under it a disk is nearly full. */
const LEAST_FREE = 2 * GIGABYTE;
const OLDEST_BACKUP = 7 * DAY;
/** One query in so many may take over MariaDB's limit for slow ones. */
const SLOW = 1 / 10_000;

const figure = (n, digits = 0) => n.toLocaleString('en', { maximumFractionDigits: digits });

/** One finding: what it is of, how it stands, and what to do where that is not well. */
const finding = (what, said, todo = null) => ({ what, said, todo });

function versions(mariadb) {
  const { version, engines } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  const [least] = /\d+\.\d+/.exec(engines.node);
  const old = process.versions.node.localeCompare(least, 'en', { numeric: true }) < 0;
  return finding(
    'Versions',
    `Inch Pantry ${version}, Node.js ${process.versions.node}, MariaDB ${mariadb}`,
    old ? `Install Node.js ${least} or newer.` : null,
  );
}

function disk(folder) {
  const { bavail, bsize, blocks } = statfsSync(folder);
  const free = bavail * bsize;
  return finding(
    'Disk',
    `${figure(free / GIGABYTE, 1)} GB free of ${figure((blocks * bsize) / GIGABYTE, 1)} GB at ${folder}`,
    free < LEAST_FREE ? 'Make room: writes are refused once it is full.' : null,
  );
}

async function size(db) {
  const [[{ bytes }]] = await db.query(
    'SELECT SUM(data_length + index_length) AS bytes FROM information_schema.tables WHERE table_schema = DATABASE()',
  );
  const [[{ lots }]] = await db.query('SELECT COUNT(*) AS lots FROM lot');
  return finding('Database', `${figure(Number(bytes) / 1e6)} MB, ${figure(lots)} lots`);
}

async function migrations(db) {
  const [done] = await db.query('SELECT name FROM migration');
  const known = readdirSync(join(ROOT, 'server/migrations')).filter((name) => name.endsWith('.sql')).length;
  const missing = known - done.length;
  const todo =
    missing > 0
      ? 'Restart the server: it brings the tables up to date.'
      : 'This program is older than its database. Update the program.';
  return finding('Tables', `${done.length} of ${known} migrations`, missing === 0 ? null : todo);
}

async function backup(db) {
  const [[last]] = await db.query('SELECT at, file FROM backup ORDER BY at DESC LIMIT 1');
  if (!last) return finding('Backup', 'none yet', 'Make one: npm run backup -- FILE');
  const age = Date.now() - Date.parse(`${last.at.replace(' ', 'T')}Z`);
  const gone = existsSync(last.file) ? '' : ', which is no longer there';
  return finding(
    'Backup',
    `${figure(age / DAY, 1)} days old, ${last.file}${gone}`,
    age > OLDEST_BACKUP || gone ? 'Make one: npm run backup -- FILE' : null,
  );
}

async function clock(db) {
  const [[{ behind }]] = await db.query(
    'SELECT TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(), MAX(written_at)) AS behind FROM journal_head',
  );
  const wrong = behind !== null && behind > 60;
  return finding(
    'Clock',
    wrong ? `it stands ${figure(behind)} s behind the last entry` : 'not behind the last entry',
    wrong ? 'Set it right: entries keep their order meanwhile, but their hours are wrong.' : null,
  );
}

async function queries(db) {
  const [status] = await db.query(
    "SHOW GLOBAL STATUS WHERE Variable_name IN ('Slow_queries', 'Questions', 'Uptime', 'Threads_connected')",
  );
  const value = Object.fromEntries(status.map((s) => [s.Variable_name, Number(s.Value)]));
  const [[{ seconds }]] = await db.query('SELECT @@GLOBAL.long_query_time AS seconds');
  const slow = value.Slow_queries / Math.max(1, value.Questions);
  return finding(
    'Queries',
    `${figure(value.Slow_queries)} of ${figure(value.Questions)} took over ${seconds} s in ${figure(value.Uptime / 3600, 1)} h; ${value.Threads_connected} connections`,
    slow > SLOW
      ? 'Look at the load of this machine; npm run verify -- --rebuild makes the lists anew.'
      : null,
  );
}

async function summaries(db) {
  const [[{ stale, broken }]] = await db.query(
    'SELECT COALESCE(SUM(stale), 0) AS stale, COUNT(broken) AS broken FROM lot_standing',
  );
  return finding(
    'Lists',
    `${figure(Number(stale))} lots wait to be summed up, ${figure(broken)} cannot be read`,
    broken > 0 ? 'npm run verify names what was changed in them.' : null,
  );
}

/** Says how an installation does, in plain words, and what to do about it. */
const { values } = readArgs('npm run doctor -- [--data DIR]', {
  data: { type: 'string', default: DEMO_FOLDER },
});
const folder = resolve(values.data);
await ensurePackages();
await ensureBuilt(['server']);
const at = await databaseOf(folder);
const db = await mysql.createConnection({ uri: at.adminUrl, dateStrings: true });
try {
  const [[{ version }]] = await db.query('SELECT VERSION() AS version');
  const findings = [versions(version), disk(folder), await migrations(db)];
  // What the tables do not have yet cannot be asked of them.
  if (findings.at(-1).todo === null)
    findings.push(await size(db), await backup(db), await clock(db), await queries(db), await summaries(db));
  for (const { what, said, todo } of findings)
    process.stdout.write(`${todo ? '!' : '·'} ${what}: ${said}.${todo ? `\n    ${todo}` : ''}\n`);
  const whole = await verifyDatabase(at);
  if (!whole || findings.some((f) => f.todo !== null)) process.exitCode = 1;
} finally {
  await db.end();
  await at.stop();
}
