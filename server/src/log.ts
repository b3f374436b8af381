import { type Logger, pino } from 'pino';

/** A log on the standard output and, where a file is named, there as well: five files of at most that size, the oldest is taken away. */
export function loggerTo(level: string, file: string | undefined, size = '5m'): Logger {
  if (file === undefined) return pino({ level });
  return pino(
    { level },
    pino.transport({
      targets: [
        { target: 'pino/file', level, options: { destination: 1 } },
        { target: 'pino-roll', level, options: { file, size, limit: { count: 5 }, mkdir: true } },
      ],
    }),
  );
}
