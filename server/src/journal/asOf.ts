import type { Pool } from 'mysql2/promise';

/** Stands for a kitchen's record as of an end of its journal: what was read of it is kept by it, and goes with it. */
export type AsOf = object;

/** So many kitchens are remembered by a server at most. */
const MOST = 500;

const ends = new WeakMap<Pool, Map<string, { hash: string; asOf: AsOf }>>();

/** The record as of an end of the journal: the same as was left there by this server, while nobody wrote since. */
export function asOfEnd(pool: Pool, kitchenId: string, hash: string): AsOf {
  const left = ends.get(pool)?.get(kitchenId);
  return left?.hash === hash ? left.asOf : {};
}

/**
 * Says at which end a transaction leaves the journal, before it commits: where it does not, no other ends with the same hash.
 * @param asOf what it read, where it still stands
 */
export function leaveAt(pool: Pool, kitchenId: string, hash: string, asOf: AsOf): void {
  const own = ends.get(pool) ?? new Map<string, { hash: string; asOf: AsOf }>();
  if (own.size >= MOST && !own.has(kitchenId)) own.clear();
  ends.set(pool, own.set(kitchenId, { hash, asOf }));
}
