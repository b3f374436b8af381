import { coolingClock } from '../bottling/index.ts';
import { catalogueOf } from './catalogue.ts';
import { stepClock } from './clock.ts';
import { heatEndedAt } from './heating.ts';
import { piecesIn } from './made.ts';
import { linesByJar } from './numbered.ts';
import { type BottlingEntry, type LotRecord, type Reading, standing, type Taken } from './record.ts';
import { isJarSum } from './workedOver.ts';

/** When the last thing went in; a finished reading before it says nothing of the bottle. */
export function lastAdditionAt(lot: LotRecord): string {
  const byJar = linesByJar(lot);
  const poured = standing(lot.additions)
    .filter((a) => a.grams > 0 && !isJarSum(lot, a))
    .map((a) => a.at);
  // What goes in jar by jar goes in with the filling, whenever its sum is written down.
  const filled = byJar.size > 0 ? standing(lot.bottlings).map((b) => b.at) : [];
  return [...poured, ...filled].sort().at(-1) ?? '';
}

/** Readings of the finished product that stand and count, taken after the last thing went in. */
export function finishedReadings(lot: LotRecord, kind: Reading['kind']): Reading[] {
  const after = lastAdditionAt(lot);
  return standing(lot.readings).filter(
    (r) => r.kind === kind && r.sample === 'finished' && r.counts && r.value !== null && r.at >= after,
  );
}

/**
 * How a sample for pH has to be taken: out of an opened jar where something goes in jar by jar or fruit steeps in the jar, blended with its
 * solids where pieces are in it; null where any finished sample tells.
 * @example samplesAsked(lot) // null
 */
export function samplesAsked(lot: LotRecord): Taken[] | null {
  const { lines, steps } = lot.product.content;
  if (lines.some((l) => l.basis?.per === 'bottle') || steps.some((s) => s.method === 'jar'))
    return ['opened-jar'];
  return piecesIn(lot).length > 0 ? ['blended', 'opened-jar'] : null;
}

const HOUR = 3_600_000;

/** When what is in a filling began to cool: the end of the heating before it, its straining where it was never hot, or the filling itself. */
function coolsFrom(lot: LotRecord, bottling: BottlingEntry): string {
  const hot = heatEndedAt(lot, bottling.at);
  if (hot !== null) return hot;
  const strained = lot.steps
    .filter((s) => s.kind === 'strain')
    .flatMap((s) => stepClock(s, '9999').doneAt ?? [])
    .filter((at) => at <= bottling.at)
    .sort();
  return strained.at(-1) ?? bottling.at;
}

/**
 * Bottles cooled open: hours from the end of the heating to 21 °C and to 5 °C, as read off a thermometer in the pan and the bottles, or as told of the filling.
 * @example cooledIn(lot, lot.bottlings[0]) // { to21: null, to5: null }
 */
export function cooledIn(
  lot: LotRecord,
  bottling: BottlingEntry,
): { to21: number | null; to5: number | null } {
  const from = coolsFrom(lot, bottling);
  const inPan = standing(lot.readings)
    .filter((r) => r.kind === 'temperature' && r.counts && r.value !== null)
    .filter((r) => r.at >= from && r.at <= bottling.at)
    .map((r) => ({ at: r.at, celsius: r.value! }));
  const inBottles = standing(lot.coolings).filter((c) => c.bottlingId === bottling.id);
  const [first, second] = coolingClock(from, [...inPan, ...inBottles], bottling.at);
  const stood = (Date.parse(bottling.at) - Date.parse(from)) / HOUR;
  const told = (hours: number | null) => (hours === null ? null : hours + stood);
  return { to21: first!.took ?? told(bottling.hoursTo21), to5: second!.took ?? told(bottling.hoursToCold) };
}

/** Whether bottles came down to 21 °C within 2 hours and to 5 °C within 6. */
export function cooledInTime(lot: LotRecord, bottling: BottlingEntry): boolean {
  const { to21, to5 } = cooledIn(lot, bottling);
  return bottling.closing === 'cooled' && to21 !== null && to21 <= 2 && to5 !== null && to5 <= 6;
}

/**
 * The formula's lines not yet recorded as in, or as left out with a word why.
 * @param of what goes in jar by jar is recorded while the jars are filled: the pan alone is asked about before
 * @example linesNotRecorded({ ...lot, additions: [] }).length // 2
 */
export function linesNotRecorded(lot: LotRecord, of: 'all' | 'the pan' = 'all'): string[] {
  const last = new Map(standing(lot.additions).map((a) => [a.lineId, a]));
  const catalogue = catalogueOf(lot);
  const byJar = of === 'all' ? new Set() : linesByJar(lot);
  return lot.product.content.lines
    .filter((line) => (last.get(line.id)?.more ?? true) && !byJar.has(line.id))
    .map((line) => catalogue.get(line.ingredientId).name);
}

/**
 * Grams of each ingredient as it went in, largest first.
 * @example ingredientsAsMade(lot) // [{ ingredientId: 'sour-cherry', grams: 4000 }, { ingredientId: 'sugar', grams: 2000 }]
 */
export function ingredientsAsMade(lot: LotRecord): { ingredientId: string; grams: number }[] {
  const grams = new Map<string, number>();
  for (const a of standing(lot.additions))
    if (a.grams > 0) grams.set(a.ingredientId, (grams.get(a.ingredientId) ?? 0) + a.grams);
  return [...grams]
    .map(([ingredientId, g]) => ({ ingredientId, grams: g }))
    .sort((a, b) => b.grams - a.grams);
}

/**
 * °Bx of the finished product, the last that counts; null where none was measured.
 * @example finishedBrix(lot) // null
 */
export const finishedBrix = (lot: LotRecord): number | null =>
  finishedReadings(lot, 'brix').at(-1)?.value ?? null;

/**
 * °C of the coldest bottle that was read when it was filled; null where none was.
 * @example coldestFill(lot.bottlings[0]) // 86
 */
export function coldestFill(b: BottlingEntry): number | null {
  const read = [b.fillCelsius, b.middleCelsius, b.lastCelsius].filter((t) => t !== null);
  return read.length > 0 ? Math.min(...read) : null;
}
