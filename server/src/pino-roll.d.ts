declare module 'pino-roll' {
  import type { DestinationStream } from 'pino';

  /** A stream into files that are begun anew at a size, the oldest of them taken away. */
  export default function roll(options: {
    file: string;
    size: string;
    limit: { count: number };
    mkdir: boolean;
    sync: boolean;
  }): Promise<DestinationStream & NodeJS.EventEmitter>;
}
