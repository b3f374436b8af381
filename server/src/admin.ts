import { databaseFromUrl } from './config.ts';
import { grantAppUser } from './database/grants.ts';
import { migrate } from './database/migrate.ts';
import { openPool } from './database/pool.ts';
import { errorCode } from './database/transaction.ts';
import { verifyJournal } from './journal/verify.ts';

/** `prepare`: migrations and the app user's rights. `verify`: walk the journal. The start and verify commands call these. */
const [command] = process.argv.slice(2);

async function prepare(): Promise<void> {
  const admin = databaseFromUrl(process.env.INCH_ADMIN ?? '');
  for (const name of await migrate(admin)) process.stdout.write(`applied ${name}\n`);
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

async function verify(): Promise<void> {
  const pool = openPool(databaseFromUrl(process.env.INCH_DATABASE ?? ''), 1);
  const reports = await verifyJournal(pool);
  await pool.end();
  for (const r of reports)
    process.stdout.write(
      `${r.kitchen}: ${r.rows} rows, ${r.whole ? 'the chain is whole' : `broken: ${r.fault}`}\n`,
    );
  if (reports.length === 0) process.stdout.write('No kitchen here yet, so there is no chain to walk.\n');
  if (reports.some((r) => !r.whole)) process.exitCode = 1;
}

const commands: Record<string, () => Promise<void>> = { prepare, verify };
const chosen = commands[command ?? ''];
if (!chosen) throw new Error('Say prepare or verify.');
await chosen();
