import { AT_ONCE } from './late.ts';

/** When something is said to have happened, and when it was written down. */
export interface Written {
  at: string;
  recordedAt: string;
}

/**
 * Whether something came after something else, by the hours that are said of them and by the order in which they were written down. Evidence that is
 * dated before what was already in the record stands behind it all the same.
 * @example follows({ at: T(1), recordedAt: T(5) }, { at: T(2), recordedAt: T(2) }) // false
 */
export const follows = (later: Written, earlier: Written): boolean =>
  later.at >= earlier.at && later.recordedAt >= earlier.recordedAt;

const later = (a: string, b: string): string => (a > b ? a : b);

/**
 * The place in the record that stands behind all of some entries, by both orders; null where there are none.
 * @example lastOf([{ at: T(2), recordedAt: T(2) }, { at: T(1), recordedAt: T(5) }]).recordedAt === T(5) // true
 */
export function lastOf(entries: readonly Written[]): Written | null {
  const [first, ...others] = entries;
  if (!first) return null;
  return others.reduce<Written>(
    (last, e) => ({ at: later(last.at, e.at), recordedAt: later(last.recordedAt, e.recordedAt) }),
    { at: first.at, recordedAt: first.recordedAt },
  );
}

/** How the record of a lot was begun: as it happened, or written down afterwards. */
export interface Kept {
  begunAt: string;
  /** When its beginning was written down; null where that is not known. */
  writtenAt?: string | null | undefined;
  broughtInAt: string | null;
}

const MINUTE = 60_000;

/** ISO instant that an id of version 7 was made at, on the device that wrote the entry; null of other ids. */
function madeAt(id: string | undefined): string | null {
  if (id?.[14] !== '7') return null;
  const at = Number.parseInt(id.replace('-', '').slice(0, 12), 16);
  return Number.isFinite(at) ? new Date(at).toISOString() : null;
}

/**
 * When a device wrote an entry down, kept until it could be sent: by its id, which is made as it is written.
 * @example writtenOnDevice({ at: T(1), recordedAt: T(9) }) === T(9) // true
 */
export function writtenOnDevice({ id, at, recordedAt }: Written & { id?: string }): string {
  const made = madeAt(id);
  return made !== null && made >= at && made <= recordedAt ? made : recordedAt;
}

/**
 * The hour of an entry where an earlier one would be to its favour. In a lot that is written down as it happens, what is dated back counts from when
 * it was written; a lot that was written down afterwards is taken at its dates, in the order in which they were written. What a device wrote down
 * while the server was away counts from then.
 * @param entry with ISO instants; @param lot when it was begun, and when that was written down
 * @example creditedAt({ at: T(1), recordedAt: T(9) }, { begunAt: T(0), writtenAt: T(0), broughtInAt: null }) === T(9) // true
 */
export function creditedAt(
  entry: Written & { id?: string },
  { begunAt, writtenAt = null, broughtInAt }: Kept,
): string {
  if (writtenAt === null || (broughtInAt !== null && entry.recordedAt <= broughtInAt)) return entry.at;
  const written = writtenOnDevice(entry);
  const late = Date.parse(written) - Date.parse(entry.at);
  const begunLate = Date.parse(writtenAt) - Date.parse(begunAt);
  return late <= Math.max(AT_ONCE * MINUTE, begunLate) ? entry.at : written;
}
