import { base } from './base.ts';

/** Path of a route with its parts and query filled in. */
export function addressOf(
  path: string,
  params: Record<string, unknown> = {},
  query: Record<string, unknown> = {},
): string {
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(params[name])));
  const entries = Object.entries(query).filter(([, value]) => value !== undefined);
  return entries.length === 0
    ? filled
    : `${filled}?${new URLSearchParams(entries.map(([k, v]) => [k, String(v)]))}`;
}

/** Where a browser finds a route: its path under that of the pages. */
export const urlOf: typeof addressOf = (...of) => base + addressOf(...of);
