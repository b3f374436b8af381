import { execFile } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import fc from 'fast-check';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { dailyBackup, keptDays } from '../src/backup.mjs';
import { beginLot, newKitchenAt } from '../src/kitchenClient.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';
import { freePort, startMariadb } from '../src/mariadb.mjs';
import { prepareDatabase, startServer } from '../src/server.mjs';
import { sendUntilKept, writeOf } from '../src/writes.mjs';
import { openZip } from '../src/zip.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-backup-'));
const data = join(folder, 'kitchen');
const file = join(folder, 'copy.zip');
const run = promisify(execFile);
const command = (name: string, ...args: string[]) =>
  run(process.execPath, [`scripts/${name}.mjs`, ...args]).then(
    ({ stdout, stderr }) => ({ code: 0, said: stdout + stderr }),
    (error) => ({ code: Number(error.code), said: `${error.stdout}${error.stderr}` }),
  );

beforeAll(() => ensureBuilt(['server']), 300_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** How many rows a table has. */
async function countOf(adminUrl: string, table: string): Promise<number> {
  const db = await mysql.createConnection(adminUrl);
  const [rows] = await db.query(`SELECT COUNT(*) AS n FROM ${table}`);
  await db.end();
  return Number((rows as [{ n: number }])[0].n);
}

describe('a backup', () => {
  it('made while people write, and restored after server and database were killed, is whole', async () => {
    const db = await startMariadb(data);
    await prepareDatabase(db);
    const server = await startServer({ ...db, port: await freePort(), log: 'error' });
    const client = await newKitchenAt(server.url);
    const lot = await beginLot(client);
    const [formula] = await client.send('GET', '/api/formulas');
    const kitchen = { lot, formulaId: formula.id };
    const write = (i: number) => sendUntilKept(server, client, writeOf(kitchen, i));
    for (let i = 0; i < 28; i++) await write(i);
    let next = 28;
    let writing = true;
    const writer = (async () => {
      while (writing) await write(next++);
    })();
    const { code, said } = await command('backup', file, '--data', data);
    const verified = await command('verify', '--data', data);
    writing = false;
    await writer;
    expect(verified.said).toMatch(/the chain is whole, and the record is as it says/);
    expect(said).toMatch(/written and read back/);
    expect(code).toBe(0);
    server.kill();
    db.kill();
    await new Promise((resolve) => db.child.once('exit', resolve));
    rmSync(data, { recursive: true });

    const restored = await command('restore', file, '--data', join(folder, 'again'));
    expect(restored.said).toMatch(/the chain is whole, and the record is as it says/);
    expect(restored.code).toBe(0);
    const again = await startMariadb(join(folder, 'again'));
    try {
      // Of 28 writes in turns of seven kinds, two of seven are readings: all that was acknowledged before the copy was begun is there.
      expect(await countOf(again.adminUrl, 'reading')).toBeGreaterThanOrEqual(8);
      expect(await countOf(again.adminUrl, 'plan')).toBeGreaterThanOrEqual(4);
      expect(again.journalKey).toMatch(/^[0-9a-f]{64}$/);
      const anchors = readFileSync(join(folder, 'again', 'anchors.jsonl'), 'utf8')
        .trim()
        .split('\n');
      expect(JSON.parse(anchors[0]!).signature).toMatch(/^[0-9a-f]{64}$/);
      const back = await startServer({ ...again, port: await freePort(), log: 'error' });
      const signedIn = await fetch(`${back.url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: 'Wren', password: 'a long enough password' }),
      });
      expect(signedIn.status).toBe(201);
      await back.stop();

      const copies = join(folder, 'copies');
      mkdirSync(copies);
      writeFileSync(join(copies, 'inch-2001-05-05.zip'), '');
      expect(await dailyBackup(again, join(folder, 'again'), copies)).toBeNull();
      // The only copy of its month is kept.
      expect(existsSync(join(copies, 'inch-2001-05-05.zip'))).toBe(true);
      expect(await countOf(again.adminUrl, 'backup')).toBe(1);
    } finally {
      await again.stop();
    }
  }, 600_000);

  it('says so where the journal is not as it was anchored, and is made all the same', async () => {
    const db = await startMariadb(join(folder, 'again'));
    try {
      const root = await mysql.createConnection(db.adminUrl);
      await root.query('UPDATE journal_head SET sequence = sequence - 1');
      await root.end();
      const { code, said } = await command(
        'backup',
        join(folder, 'cut.zip'),
        '--data',
        join(folder, 'again'),
      );
      expect(said).toMatch(/written and read back/);
      expect(said).toMatch(/The journal is not as it was written: .*npm run verify/);
      expect(code).toBe(1);
      const asItWas = await mysql.createConnection(db.adminUrl);
      await asItWas.query('UPDATE journal_head SET sequence = sequence + 1');
      await asItWas.end();
    } finally {
      await db.stop();
    }
  }, 600_000);

  it('is not laid over a folder that holds anything, nor taken from a damaged file', async () => {
    const full = await command('restore', file, '--data', join(folder, 'again'));
    expect(full).toMatchObject({
      code: 1,
      said: expect.stringMatching(/is not empty, and nothing is written over/),
    });
    const bytes = readFileSync(file);
    bytes[Math.round(bytes.length / 2)]! ^= 0xff;
    writeFileSync(join(folder, 'damaged.zip'), bytes);
    const damaged = await command('restore', join(folder, 'damaged.zip'), '--data', join(folder, 'new'));
    expect(damaged).toMatchObject({ code: 1, said: expect.stringMatching(/Nothing was restored/) });
    expect(existsSync(join(folder, 'new'))).toBe(false);
    const other = await command('restore', 'package.json', '--data', join(folder, 'new'));
    expect(other).toMatchObject({ code: 1, said: expect.stringMatching(/cannot be read as a backup/) });
  }, 600_000);

  it('holds the keys and the anchors, and says what it is', async () => {
    const zip = await openZip(file);
    expect(zip.names.sort()).toEqual(
      ['README.txt', 'anchors.jsonl', 'database.sql', 'manifest.json', 'secrets.json'].sort(),
    );
    zip.close();
  });
});

describe('the whole kitchen, by the commands', () => {
  it('goes out, comes into a new folder, and goes out of it byte for byte', async () => {
    const [one, two] = [join(folder, 'one.zip'), join(folder, 'two.zip')];
    const [from, into] = [join(folder, 'again'), join(folder, 'moved')];
    expect((await command('export', one, '--data', from)).said).toMatch(/Measured kitchen: \d+\.\d MB/);
    expect((await command('export', one, '--data', from)).said).toMatch(/is there already/);
    const moved = await command('import', one, '--data', into);
    expect(moved.said).toMatch(/Measured kitchen: \d+ lots?, whole/);
    expect((await command('import', one, '--data', into)).said).toMatch(/is not empty/);
    expect((await command('export', two, '--data', into)).code).toBe(0);
    const [first, second] = await Promise.all([openZip(one), openZip(two)]);
    expect(second.names).toEqual(first.names);
    const at = (text: string) => text.replace(/"exportedAt": "[^"]+"/, '');
    for (const name of first.names)
      expect(at(await second.text(name)), name).toBe(at(await first.text(name)));
    first.close();
    second.close();
  }, 600_000);

  it('comes in from nothing but what an export made', async () => {
    const into = join(folder, 'nowhere');
    const { code, said } = await command('import', file, '--data', into);
    expect([code, said]).toEqual([1, expect.stringMatching(/Nothing was imported\./)]);
    expect(existsSync(into)).toBe(false);
  }, 600_000);
});

describe('the doctor', () => {
  it('says in plain words how an installation does, and what to do', async () => {
    const { code, said } = await command('doctor', '--data', join(folder, 'moved'));
    expect(said).toMatch(/· Versions: Inch Pantry \d.*, Node\.js \d.*, MariaDB \d/);
    expect(said).toMatch(/· Tables: (\d+) of \1 migrations/);
    expect(said).toMatch(/! Backup: none yet\.\n +Make one: npm run backup -- FILE/);
    expect(said).toMatch(/the chain is whole/);
    // A disk that is nearly full is another thing to do.
    expect(code).toBe(1);
  }, 600_000);
});

describe('what lists show of a lot', () => {
  it('is derived anew by a build that may judge otherwise, once', async () => {
    const db = await startMariadb(join(folder, 'moved'));
    const root = await mysql.createConnection(db.adminUrl);
    const shown = async () => {
      const [rows] = await root.query("SELECT JSON_VALUE(content, '$.name') AS name FROM lot_standing");
      return (rows as { name: string }[]).map((row) => row.name);
    };
    try {
      const own = await shown();
      expect(own.length).toBeGreaterThan(0);
      await root.query("UPDATE lot_standing SET content = JSON_SET(content, '$.name', 'of an older build')");
      await prepareDatabase(db);
      expect(await shown()).toEqual(own.map(() => 'of an older build'));
      // Whoever starts it listens at once: what another build summed up is summed up anew meanwhile.
      await root.query("UPDATE lot_standing SET settings = 'another build'");
      const server = await startServer({ ...db, port: await freePort() });
      try {
        await expect.poll(shown, { timeout: 300_000 }).toEqual(own);
      } finally {
        await server.stop();
      }
    } finally {
      await root.end();
      await db.stop();
    }
  }, 600_000);
});

describe('which daily copies are kept', () => {
  const DAY = 86_400_000;
  const day = (n: number) => new Date(Date.UTC(2026, 0, 1) + n * DAY).toISOString().slice(0, 10);

  it('over two years of days: 7 days, 5 weeks and 12 months, the newest of each', () => {
    const all = Array.from({ length: 730 }, (_, n) => day(n));
    const kept = [...keptDays(all)].sort();
    expect(kept.slice(-7)).toEqual(all.slice(-7));
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12);
    const months = new Set(kept.map((d) => d.slice(0, 7)));
    expect(months.size).toBe(12);
  });

  it('taking away day by day keeps what taking away at once keeps of the last week', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 400 }), { minLength: 1 }), (numbers) => {
        const days = numbers.sort((a, b) => a - b).map(day);
        let there: string[] = [];
        for (const next of days) there = [...keptDays([...there, next])];
        // The newest is always kept, and so are the last seven there were.
        for (const last of days.slice(-7)) expect(there).toContain(last);
        expect(there.length).toBeLessThanOrEqual(24);
      }),
    );
  });
});
