import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import type { Pool } from 'mysql2/promise';
import { type Anchor, journalEnds, verifyJournal } from './audit/verify.ts';
import { databaseFromUrl } from './config.ts';
import { grantAppUser } from './database/grants.ts';
import { ageOf, migrate } from './database/migrate.ts';
import { openPool, rows } from './database/pool.ts';
import { errorCode } from './database/transaction.ts';
import { journalBaseline } from './journal/baseline.ts';
import { useJournalKey } from './journal/sign.ts';
import { lookThrough } from './record/lookThrough.ts';
import { completeStandings, faultyStandings, rebuildStandings } from './standing/rebuild.ts';

/**
 * `prepare`: migrations, the app user's rights, and the record as it stands in the journal. `verify`: walk the journal, hold the record against
 * it, and anchor its end in a file where all is well. `anchor`: write down where each journal ends now. `rebuild`: derive what lists show anew.
 * `export FILE`, `import FILE`: the whole kitchen out and in. The commands in `scripts` call these.
 */
const [command, file = ''] = process.argv.slice(2);

async function prepare(): Promise<void> {
  const admin = databaseFromUrl(process.env.INCH_ADMIN ?? '');
  for (const name of await migrate(admin)) process.stdout.write(`applied ${name}\n`);
  const pool = openPool(admin, 1);
  await journalBaseline(pool);
  const found = await lookThrough(pool);
  if (found && found.lots > 0) process.stdout.write(`rules ${JSON.stringify(found)}\n`);
  await completeStandings(pool);
  await pool.end();
  const app = databaseFromUrl(process.env.INCH_DATABASE ?? '');
  if (app.user === admin.user) return;
  try {
    await grantAppUser(admin, {
      user: app.user,
      password: app.password,
      host: process.env.INCH_APP_HOST ?? app.host,
    });
  } catch (error) {
    // An existing MariaDB may not let its user make another; the start command then runs the app as that user and says so.
    if (
      ![
        'ER_SPECIFIC_ACCESS_DENIED_ERROR',
        'ER_ACCESS_DENIED_ERROR',
        'ER_DBACCESS_DENIED_ERROR',
        'ER_TABLEACCESS_DENIED_ERROR',
        'ER_CANNOT_USER',
      ].includes(errorCode(error) ?? '')
    )
      throw error;
    process.stdout.write('no user of its own\n');
  }
}

/** Anchors that were written down outside the database; lines that cannot be read are left out and said. */
function anchorsIn(file: string | undefined): Anchor[] {
  if (!file || !existsSync(file)) return [];
  return readFileSync(file, 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Anchor);
}

/** What is said where the tables are of another version of the program: nothing is wrong with that. */
const OTHER_AGE = {
  behind:
    'This version has not been started on this database yet: its tables are those of the version before, and only what was written is checked.\n',
  ahead: 'A newer version wrote to this database: only what was written is checked. Update the program.\n',
};

async function verify(): Promise<void> {
  const pool = openPool(databaseFromUrl(process.env.INCH_DATABASE ?? ''), 1);
  // All of it is read as of one moment, on the one connection there is: people may write on meanwhile.
  await pool.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
  const file = process.env.INCH_ANCHORS;
  const anchors = anchorsIn(file);
  const reports = await verifyJournal(pool, anchors, teller());
  const age = await ageOf(pool);
  const summaries = age === 'current' ? await faultyStandings(pool, 20) : [];
  await pool.end();
  if (age !== 'current') process.stdout.write(OTHER_AGE[age]);
  for (const { kitchen, rows, end, faults } of reports) {
    process.stdout.write(
      faults.length === 0
        ? `${kitchen}: ${rows} rows, the chain is whole, and the record is as it says.\n`
        : `${kitchen}: ${rows} rows, not whole:\n${faults.map((fault) => `  ${fault}\n`).join('')}`,
    );
    if (file && faults.length === 0) writeAnchors(file, anchors, [end]);
  }
  for (const fault of summaries) process.stdout.write(`${fault}\n`);
  if (reports.length === 0) process.stdout.write('No kitchen here yet, so there is no chain to walk.\n');
  if (summaries.length > 0 || reports.some((r) => r.faults.length > 0)) process.exitCode = 1;
}

/** Adds the ends of journals to a file, but for those it has. */
function writeAnchors(file: string, known: readonly Anchor[], ends: readonly Anchor[]): void {
  for (const end of ends)
    if (!known.some((a) => a.kitchenId === end.kitchenId && a.sequence === end.sequence))
      appendFileSync(file, `${JSON.stringify(end)}\n`, { mode: 0o600 });
}

async function anchor(): Promise<void> {
  const file = process.env.INCH_ANCHORS;
  if (!file) throw new Error('Name the file of the anchors with INCH_ANCHORS.');
  const pool = openPool(databaseFromUrl(process.env.INCH_DATABASE ?? ''), 1);
  const known = anchorsIn(file);
  writeAnchors(file, known, await journalEnds(pool, known));
  await pool.end();
}

/** Drops the summaries that lists are made of and derives them anew from the record. */
async function rebuildAll(pool: Pool): Promise<void> {
  const tell = teller();
  const [lots] = await rows<{ n: number }>(pool, 'SELECT COUNT(*) AS n FROM lot');
  let done = 0;
  await rebuildStandings(pool, (count) => {
    done += count;
    tell('Summing up the lots', done, Number(lots!.n));
  });
}

const EVERY_MS = 1000;

/** Says how far something is that takes a while, once a second, on a line of its own. */
function teller(): (what: string, done: number, total: number) => void {
  let said = Date.now();
  return (what, done, total) => {
    if (Date.now() - said < EVERY_MS) return;
    said = Date.now();
    process.stdout.write(`${what}: ${done.toLocaleString('en')} of ${total.toLocaleString('en')}\n`);
  };
}

async function withPool(work: (pool: Pool) => Promise<void>): Promise<void> {
  const pool = openPool(databaseFromUrl(process.env.INCH_ADMIN ?? ''), 2);
  try {
    await work(pool);
  } finally {
    await pool.end();
  }
}

const commands: Record<string, () => Promise<void>> = {
  prepare,
  verify,
  anchor,
  rebuild: () => withPool(rebuildAll),
  // What makes zips and PDFs is loaded by the commands that need it.
  export: async () => {
    const { exportKitchen } = await import('./export/toFile.ts');
    await withPool(async (pool) => {
      const { kitchen, bytes } = await exportKitchen(pool, file, teller());
      process.stdout.write(`${kitchen}: ${(bytes / 1e6).toFixed(1)} MB in ${file}\n`);
    });
  },
  import: async () => {
    const { readExport } = await import('./export/read.ts');
    await withPool(async (pool) => {
      const { kitchen, lots } = await readExport(pool, file, teller());
      process.stdout.write(`${kitchen}: ${lots.toLocaleString('en')} lots, whole.\n`);
    });
  },
};
useJournalKey(process.env.INCH_JOURNAL_KEY || undefined);
const chosen = commands[command ?? ''];
if (!chosen) throw new Error('Say prepare, verify, anchor, rebuild, export or import.');
await chosen().catch((error: Error & { code?: string }) => {
  const away = error.code === 'ECONNREFUSED' || error.code === 'ENOTFOUND';
  process.stderr.write(away ? `No MariaDB answers there: ${error.message}\n` : `${error.message}\n`);
  process.exit(1);
});
