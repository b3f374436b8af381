import { readFileSync } from 'node:fs';
import { createServer, type ServerResponse } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { createApp } from './app.ts';
import { settingsFrom } from './config.ts';
import { isOutOfStep, onceInStep } from './database/inStep.ts';
import { openPool, rows } from './database/pool.ts';
import { keepAlive } from './http/keepAlive.ts';
import { useJournalKey } from './journal/sign.ts';
import { loggerTo } from './log.ts';
import { deriveAnew } from './standing/anew.ts';

function giveUp(why: string): never {
  process.stderr.write(`${why}\n`);
  process.exit(1);
}

function settingsOrEnd() {
  try {
    return settingsFrom(process.env);
  } catch (error) {
    return giveUp((error as Error).message);
  }
}
const settings = settingsOrEnd();
useJournalKey(settings.journalKey);
const log = await loggerTo(settings.logLevel, settings.logFile);
// What nobody caught is a fault of the program: it is told and the server ends, to be started again, rather than go on half.
for (const event of ['uncaughtException', 'unhandledRejection'] as const)
  process.on(event, (error: unknown) => {
    log.fatal({ err: error }, 'the server ends on an error that nobody caught');
    process.exit(1);
  });
const pool = openPool(settings.database);
const app = createApp({
  pool,
  log,
  ...(settings.webRoot ? { webRoot: settings.webRoot } : {}),
  ...(settings.publicAddress ? { publicAddress: settings.publicAddress } : {}),
  ...(settings.tls?.authority ? { authority: settings.tls.authority } : {}),
  ...(settings.trustProxy ? { trustProxy: settings.trustProxy } : {}),
});
/** Over HTTPS where it has a certificate, else over plain HTTP. */
function serverOf({ tls }: typeof settings) {
  if (!tls) return createServer(app);
  try {
    return createSecureServer({ key: readFileSync(tls.key), cert: readFileSync(tls.cert) }, app);
  } catch (error) {
    return giveUp(`The certificate cannot be used: ${(error as Error).message}`);
  }
}
const server = serverOf(settings);
keepAlive(server);

const { host, port, database, user } = settings.database;
function whyNot(error: Error & { code?: string }): string {
  if (error.code === 'ECONNREFUSED' || error.code === 'ENOTFOUND')
    return `No MariaDB answers at ${host}:${port}. Check INCH_DATABASE, and that MariaDB runs.`;
  if (isOutOfStep(error))
    return `MariaDB at ${host}:${port} is not in step with its cluster: ${error.message}. Start again when most of its nodes run.`;
  return `MariaDB at ${host}:${port} does not let "${user}" into "${database}": ${error.message}`;
}
const [head] = await onceInStep(() =>
  rows<{ behind: number | null }>(
    pool,
    'SELECT TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(), MAX(written_at)) AS behind FROM journal_head',
  ),
).catch((error: Error & { code?: string }) => giveUp(whyNot(error)));
if ((head?.behind ?? 0) > 60)
  log.warn({ seconds: head?.behind }, 'the clock stands behind the last entry: set it right');

server.on('error', (error: NodeJS.ErrnoException) => {
  const why =
    error.code === 'EADDRINUSE'
      ? `Port ${settings.port} is taken. Choose another with --port.`
      : error.message;
  giveUp(why);
});
server.listen(settings.port, settings.host, () => {
  process.stdout.write(`listening ${settings.host}:${settings.port}\n`);
  // Nobody waits for it: what is read before is derived as it is read.
  deriveAnew(pool, log).catch((error: unknown) =>
    log.warn({ err: error }, 'the summaries of lots could not all be derived anew; the next start goes on'),
  );
});

/** How long requests in flight may take to finish once the server is told to stop. */
const FINISH_MS = 10_000;

/** Takes nothing new, lets what is in flight finish, and ends. */
function stop(): void {
  server.close(() => void pool.end().finally(() => process.exit(0)));
  for (const stream of app.locals.streams as Set<ServerResponse>) stream.end();
  setInterval(() => server.closeIdleConnections(), 100).unref();
  setTimeout(() => server.closeAllConnections(), FINISH_MS).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
// The start command holds the other end of standard input: when it is gone, however it went, so is the server.
if (process.env.INCH_STOP_WITH_PARENT) process.stdin.resume().on('end', stop);
