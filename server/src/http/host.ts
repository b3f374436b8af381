import { isIP } from 'node:net';
import type { RequestHandler } from 'express';
import { Problem } from '../problem/problem.ts';

const nameOf = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();

/**
 * Refuses a request for another host than this one: the public address where one is set, and always this machine and plain addresses, to which
 * no foreign name can be turned.
 */
export function knownHostOnly(publicAddress: string | undefined): RequestHandler {
  const own = publicAddress === undefined ? null : new URL(publicAddress).hostname.toLowerCase();
  return (req, _res, next) => {
    const name = nameOf(req.get('host') ?? '');
    if (name === own || name === 'localhost' || isIP(name) !== 0) return next();
    next(
      new Problem(
        421,
        `This server does not answer as ${name || 'nobody'}. Set INCH_PUBLIC to the address it is reached at.`,
      ),
    );
  };
}
