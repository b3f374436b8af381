import { type LotRecord, movesOf, standing } from '../record.ts';

const HOUR = 3_600_000;
/** Hours within which readings out of an opened jar are of one jar. */
const ONE_JAR = 24;

/** Movements by which an opened bottle left the count. */
const COUNTED: ReadonlySet<string> = new Set(['opened', 'tasted', 'drunk']);

/**
 * Bottles of a lot that were opened to be measured and stand in the count still: readings out of an opened jar, those within a day being of one, less what left
 * the count as opened, tasted or drunk.
 * @example openedInCount(lot) // 0
 */
export function openedInCount(lot: Pick<LotRecord, 'readings' | 'movements' | 'bottlings'>): number {
  const [filled] = standing(lot.bottlings);
  if (!filled) return 0;
  let jars = 0;
  let last = Number.NEGATIVE_INFINITY;
  for (const reading of standing(lot.readings)) {
    if (reading.taken !== 'opened-jar' || reading.at < filled.at) continue;
    const at = Date.parse(reading.at);
    if (at - last > ONE_JAR * HOUR) jars += 1;
    last = at;
  }
  const counted = movesOf(lot).reduce((sum, m) => sum + (COUNTED.has(m.kind) ? m.count : 0), 0);
  return Math.max(0, jars - counted);
}
