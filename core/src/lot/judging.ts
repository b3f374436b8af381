import type { LotRecord } from './record.ts';

let current: { lot: LotRecord; kept: Map<string, unknown> } | null = null;

/**
 * Does some judging of a lot, while nothing of its record changes: what several questions ask of it is worked out once and kept until the judging ends.
 * @example judging(lot, () => lot.code) // '7F4H'
 */
export function judging<T>(lot: LotRecord, work: () => T): T {
  if (current?.lot === lot) return work();
  const before = current;
  current = { lot, kept: new Map() };
  try {
    return work();
  } finally {
    current = before;
  }
}

/** Something that is worked out once in a judging of its lot; anew each time outside of one. */
export function once<T>(lot: LotRecord, what: string, work: () => T): T {
  if (current?.lot !== lot) return work();
  const { kept } = current;
  if (!kept.has(what)) kept.set(what, work());
  return kept.get(what) as T;
}
