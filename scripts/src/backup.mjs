import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import mysql from 'mysql2/promise';
import { admin } from './database.mjs';
import { clientOf } from './mariadb.mjs';
import { checkZip, hashing, openZip, writeZip } from './zip.mjs';

const README = `A copy of a kitchen's whole database, made by "npm run backup".
"npm run restore -- THIS-FILE --data NEW-FOLDER" makes a kitchen of it again.
It holds the passwords of the database and the key that signs the journal: store it where nobody else reads it.
`;

/** Everything the backup of a kitchen rests on besides its database: the keys, and the ends of the journal that were written down. */
export const KEPT_FILES = ['secrets.json', 'anchors.jsonl'];

/** Lets MariaDB's own tool write one consistent copy while people go on writing, and hears whether it came to its end. */
async function dumpInto(append, adminUrl) {
  const { program, args, env, database } = clientOf(adminUrl, ['mariadb-dump', 'mysqldump']);
  const child = spawn(
    program,
    [...args, '--single-transaction', '--hex-blob', '--default-character-set=utf8mb4', database],
    { env, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let said = '';
  child.stderr.on('data', (part) => {
    said = (said + part).slice(-2000);
  });
  const ended = new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('exit', resolve);
  });
  const { through, sha256, tail } = hashing();
  child.stdout.pipe(through);
  await append('database.sql', through);
  const code = await ended;
  if (code !== 0 || !tail().includes('Dump completed'))
    throw new Error(`MariaDB's dump did not come to its end: ${said.trim() || `it ended with ${code}`}`);
  return sha256();
}

async function hashInZip(file) {
  const zip = await openZip(file);
  try {
    const { through, sha256 } = hashing();
    await pipeline(await zip.stream('database.sql'), through.resume());
    return { read: sha256(), told: JSON.parse(await zip.text('manifest.json')).sha256 };
  } finally {
    zip.close();
  }
}

async function recordBackup(adminUrl, { at, file, bytes }) {
  const db = await mysql.createConnection(adminUrl);
  try {
    await db.execute('INSERT INTO backup (id, at, file, bytes) VALUES (?, ?, ?, ?)', [
      randomUUID(),
      at.replace('T', ' ').replace('Z', ''),
      file.slice(-500),
      bytes,
    ]);
  } catch (error) {
    // Before an update the database may be of a version that keeps no list of its copies.
    if (error.code !== 'ER_NO_SUCH_TABLE') throw error;
  } finally {
    await db.end();
  }
}

/** Writes down where the journal ends now. @returns what is wrong with it; null where nothing is */
async function anchorEnds(db, folder) {
  try {
    await admin(db, ['anchor'], { anchors: join(folder, 'anchors.jsonl') });
    return null;
  } catch (error) {
    return `The journal is not as it was written: ${error.message.split('\n')[1]}. Run: npm run verify -- --data ${folder}`;
  }
}

/**
 * Writes one file with the whole database, its keys and its anchors, and reads it back. The journal's end is anchored first.
 * @param db addresses of the database, as `startMariadb` gives them; @param folder the data folder
 * @returns when it was made, how large it is, and a warning where the journal is not as it was written
 */
export async function makeBackup(db, folder, file) {
  const at = new Date().toISOString();
  const warning = await anchorEnds(db, folder);
  await writeZip(file, async (append) => {
    await append('README.txt', README);
    for (const name of KEPT_FILES)
      if (existsSync(join(folder, name))) await append(name, readFileSync(join(folder, name)));
    const sha256 = await dumpInto(append, db.adminUrl);
    await append('manifest.json', JSON.stringify({ format: 'inch-backup', version: 1, at, sha256 }, null, 2));
  });
  const { read, told } = await hashInZip(file);
  if (read !== told) {
    rmSync(file, { force: true });
    throw new Error(`What was written to ${file} cannot be read back as it was. Try another disk.`);
  }
  const { size } = statSync(file);
  await recordBackup(db.adminUrl, { at, file, bytes: size });
  return { at, bytes: size, warning };
}

/** Triggers are those of whoever loads them: the user that made them may not exist here. */
function withoutDefiners() {
  let rest = '';
  const cleaned = (line) =>
    line.startsWith('/*!50003 CREATE') ? line.replace(/\/\*!50017 DEFINER=\S+\*\/ /, '') : line;
  return new Transform({
    transform(part, _, done) {
      const lines = (rest + part.toString('latin1')).split('\n');
      rest = lines.pop();
      done(null, Buffer.from(lines.map((line) => `${cleaned(line)}\n`).join(''), 'latin1'));
    },
    flush(done) {
      done(null, Buffer.from(rest, 'latin1'));
    },
  });
}

async function emptyDatabase(adminUrl) {
  const at = new URL(adminUrl);
  const name = decodeURIComponent(at.pathname.slice(1));
  at.pathname = '/';
  const db = await mysql.createConnection(at.href);
  try {
    await db.query(`CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4`);
    const [found] = await db.query('SELECT 1 FROM information_schema.tables WHERE table_schema = ? LIMIT 1', [
      name,
    ]);
    if (found.length > 0) throw new Error(`The database ${name} is not empty, and nothing is written over.`);
  } finally {
    await db.end();
  }
}

/** Loads a dump as MariaDB's client reads it. */
async function loadInto(adminUrl, ...streams) {
  const { program, args, env, database } = clientOf(adminUrl, ['mariadb', 'mysql']);
  const child = spawn(program, [...args, database], { env, stdio: ['pipe', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (part) => {
    said = (said + part).slice(-2000);
  });
  const ended = new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('exit', resolve);
  });
  const [written, code] = await Promise.allSettled([
    pipeline(...streams, withoutDefiners(), child.stdin).catch((error) => {
      child.kill();
      throw error;
    }),
    ended,
  ]);
  // A client that ended by itself says why; the pipe that broke then does not.
  if (said.trim() !== '') throw new Error(`MariaDB does not take the copy: ${said.trim()}`);
  if (written.status === 'rejected') throw written.reason;
  if (code.value !== 0) throw new Error(`MariaDB does not take the copy: it ended with ${code.value}.`);
}

/** What a backup says of itself; throws where the file is none. */
export async function readBackup(file) {
  const unreadable = (error) => {
    throw new Error(`${file} cannot be read as a backup: ${error.message}`);
  };
  // Everything in it is read through before anything is done with it.
  await checkZip(file).catch(unreadable);
  const zip = await openZip(file).catch(unreadable);
  const manifest = await zip.text('manifest.json').then(JSON.parse).catch(unreadable);
  if (manifest.format !== 'inch-backup' || manifest.version !== 1)
    throw new Error(`${file} is not a backup that this version reads.`);
  return { zip, manifest };
}

/** Loads the database of a backup, and holds what was read against what was written. */
export async function loadBackup({ zip, manifest }, adminUrl) {
  await emptyDatabase(adminUrl);
  const { through, sha256 } = hashing();
  await loadInto(adminUrl, await zip.stream('database.sql'), through);
  if (sha256() !== manifest.sha256)
    throw new Error('The copy is not as it was written: the file was damaged.');
}

const NAME = /^inch-(\d{4}-\d{2}-\d{2})\.zip$/;
const DAYS = 7;
const WEEKS = 5;
const MONTHS = 12;

/** Monday of the week of a day, as a day. */
const weekOf = (day) => {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return date.toISOString().slice(0, 10);
};

/**
 * Which daily copies are kept: those of the last 7 days that have one, the newest of each of 5 weeks, and of each of 12 months.
 * @param days as 2026-11-28
 */
export function keptDays(days) {
  const newestFirst = [...days].sort().reverse();
  const newestOf = (part, most) => {
    const seen = new Map();
    for (const day of newestFirst) if (!seen.has(part(day))) seen.set(part(day), day);
    return [...seen.values()].slice(0, most);
  };
  return new Set([
    ...newestFirst.slice(0, DAYS),
    ...newestOf(weekOf, WEEKS),
    ...newestOf((day) => day.slice(0, 7), MONTHS),
  ]);
}

/** Makes today's copy in a folder of daily copies, and takes away those that are no longer kept. @returns a warning to show; null where there is none */
export async function dailyBackup(db, folder, copies) {
  mkdirSync(copies, { recursive: true, mode: 0o700 });
  const today = new Date().toISOString().slice(0, 10);
  const file = join(copies, `inch-${today}.zip`);
  if (existsSync(file)) return null;
  const { warning } = await makeBackup(db, folder, file);
  // Of a journal that was tampered with the older copies are the evidence: none is taken away.
  if (warning) return warning;
  const days = readdirSync(copies).flatMap((name) => NAME.exec(name)?.[1] ?? []);
  const kept = keptDays(days);
  for (const day of days) if (!kept.has(day)) rmSync(join(copies, `inch-${day}.zip`));
  return null;
}
