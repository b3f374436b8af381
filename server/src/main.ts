import { createServer } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { settingsFrom } from './config.ts';
import { openPool } from './database/pool.ts';

const settings = settingsFrom(process.env);
const log = pino({ level: settings.logLevel });
const pool = openPool(settings.database);
const server = createServer(
  createApp({ pool, log, ...(settings.webRoot ? { webRoot: settings.webRoot } : {}) }),
);

// A connection left idle is kept for longer than a page or a proxy keeps its own end, so that none is cut off as it is used again.
server.keepAliveTimeout = 75_000;
server.headersTimeout = 80_000;

await pool.query('SELECT 1').catch((error: Error) => {
  process.stderr.write(`MariaDB does not let the app in: ${error.message}\n`);
  process.exit(1);
});

server.on('error', (error: NodeJS.ErrnoException) => {
  const why =
    error.code === 'EADDRINUSE'
      ? `Port ${settings.port} is taken. Choose another with --port.`
      : error.message;
  process.stderr.write(`${why}\n`);
  process.exit(1);
});
server.listen(settings.port, settings.host, () =>
  process.stdout.write(`listening ${settings.host}:${settings.port}\n`),
);

function stop(): void {
  server.close(() => void pool.end().finally(() => process.exit(0)));
  server.closeAllConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
// The start command holds the other end of standard input: when it is gone, however it went, so is the server.
if (process.env.INCH_STOP_WITH_PARENT) process.stdin.resume().on('end', stop);
