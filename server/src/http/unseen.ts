import type { RequestHandler } from 'express';
import { invalid } from '../problem/problem.ts';

/** Characters that nobody sees and nobody means: of control, and of the direction of writing. Line ends and tabs are meant. */
const UNSEEN = /(?![\t\n\r])\p{Cc}|[\u202A-\u202E\u2066-\u2069]/u;

/** Path of a text, or of what has such a field, that holds such a character; null where none does. However deep it is nested. */
function unseenIn(whole: unknown, path: string): string | null {
  const open: [value: unknown, path: string][] = [[whole, path]];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const [value, at] = next;
    if (typeof value === 'string' && UNSEEN.test(value)) return at;
    if (value === null || typeof value !== 'object') continue;
    for (const [key, inner] of Object.entries(value)) {
      if (UNSEEN.test(key)) return at;
      open.push([inner, at === '' ? key : `${at}.${key}`]);
    }
  }
  return null;
}

/** Refuses what has characters in it that cannot be seen, in a body and in an address. */
export const refuseUnseen: RequestHandler = (req, _res, next) => {
  let address = '';
  try {
    address = decodeURIComponent(req.path);
  } catch {
    // What is no address is found by whoever looks for its route.
  }
  const found =
    unseenIn(Buffer.isBuffer(req.body) ? null : req.body, '') ??
    unseenIn({ ...req.query }, '') ??
    unseenIn({ address }, '');
  next(
    found === null
      ? undefined
      : invalid(found, 'There is a character in it that cannot be seen. Type it anew, without copying.'),
  );
};
