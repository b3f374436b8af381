import type { Server } from 'node:http';

/** Keeps a connection left idle for longer than a page or a proxy keeps its own end, so that none is cut off as it is used again. */
export function keepAlive(server: Pick<Server, 'keepAliveTimeout' | 'headersTimeout'>): void {
  server.keepAliveTimeout = 75_000;
  server.headersTimeout = 80_000;
}
