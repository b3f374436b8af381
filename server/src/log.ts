import { type Logger, multistream, pino } from 'pino';
import pretty from 'pino-pretty';
import roll from 'pino-roll';

/** How often a log that cannot be written says so. */
const SAYS_EVERY_MS = 60_000;

/** Hears what goes wrong with a stream, so that a full disk ends nothing: what cannot be logged is told in words, now and then, and logged again once there is room. */
function heard<T extends NodeJS.EventEmitter>(stream: T, file: string): T {
  let said = 0;
  stream.on('error', (error: NodeJS.ErrnoException) => {
    if (Date.now() - said < SAYS_EVERY_MS) return;
    said = Date.now();
    const why = error.code === 'ENOSPC' ? 'the disk is full' : error.message;
    process.stderr.write(`The log ${file} cannot be written: ${why}. It goes on once it can.\n`);
  });
  return stream;
}

/** What a person reads at the terminal: a sentence a line, with what went wrong. */
const sentences = () =>
  pretty({
    colorize: false,
    sync: true,
    translateTime: 'SYS:HH:MM',
    hideObject: true,
    messageFormat: '{msg}{if err.message}: {err.message}{end}',
    destination: process.stdout,
  });

/** A log in sentences on the standard output and, where a file is named, as JSON there: five files of at most that size, the oldest is taken away. */
export async function loggerTo(level: string, file: string | undefined, size = '5m'): Promise<Logger> {
  process.stdout.on('error', () => {});
  if (file === undefined) return pino({ level }, sentences());
  // Written at once, by the server itself: a thread of its own would take the server with it when the disk is full.
  const files = heard(await roll({ file, size, limit: { count: 5 }, mkdir: true, sync: true }), file);
  return pino(
    { level },
    multistream([
      { level: level as 'warn', stream: sentences() },
      { level: level as 'warn', stream: files },
    ]),
  );
}
