import { follows, lastOf, type Written } from '../../record/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { isJarSum } from '../gate/workedOver.ts';
import { linesByJar } from '../keeping/numbered.ts';
import { type BottlingEntry, type LotRecord, type Reading, standing, type Taken } from '../record.ts';
import { makeupAsMade, piecesIn } from './made.ts';

/** Everything that went in, each with when: what is read before the last of it says nothing of the bottle. */
function wentIn(lot: LotRecord): Written[] {
  const byJar = linesByJar(lot);
  const poured = standing(lot.additions).filter((a) => a.grams > 0 && !isJarSum(lot, a));
  // What goes in jar by jar goes in with the filling, whenever its sum is written down.
  const filled = byJar.size > 0 ? standing(lot.bottlings) : [];
  return [...poured, ...filled];
}

/** The place in the record behind everything that went in: a finished reading before it says nothing of the bottle. */
export const lastIn = (lot: LotRecord): Written => lastOf(wentIn(lot)) ?? { at: '', recordedAt: '' };

/** Whether something went in after an entry, by the clock and by the record. */
export const isSpent = (lot: LotRecord, entry: Written): boolean =>
  wentIn(lot).some((a) => follows(a, entry) && (a.at > entry.at || a.recordedAt > entry.recordedAt));

/** Readings of the finished product that stand, taken after the last thing went in, whether they count or not. */
function finished(lot: LotRecord, kind: Reading['kind']): Reading[] {
  const after = lastIn(lot);
  return standing(lot.readings).filter(
    (r) => r.kind === kind && r.sample === 'finished' && r.value !== null && follows(r, after),
  );
}

/** Readings of the finished product that stand and count, taken after the last thing went in. */
export const finishedReadings = (lot: LotRecord, kind: Reading['kind']): Reading[] =>
  finished(lot, kind).filter((r) => r.counts);

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

/** Readings that no other of them follows: one is not made the last by dating another back. */
const latest = (readings: readonly Reading[]): Reading[] =>
  readings.filter((r) => !readings.some((other) => other !== r && follows(other, r) && other.at > r.at));

/** °Bx between which a finished product lies, as far as it is known. */
export interface BrixKnown {
  low: number;
  high: number;
}

/**
 * °Bx that a rule may be relaxed by: as a checked instrument read it; of one that was only typed, all that lies between it and the forecast, so that the
 * worse of the two counts. What was read after it by no instrument, or by one that does not count, wins nothing and is not passed over. Null where
 * nothing was measured.
 * @example brixKnown(lot) // null
 */
export function brixKnown(lot: LotRecord): BrixKnown | null {
  const readings = finishedReadings(lot, 'brix');
  if (readings.length === 0) return null;
  const checked = latest(readings.filter((r) => r.instrument !== null));
  const said = latest(finished(lot, 'brix').filter((r) => !r.simulated));
  const figures = [...checked, ...said].map((r) => r.value!);
  if (checked.length === 0) figures.push(...latest(readings).map((r) => r.value!), makeupAsMade(lot).brix);
  return { low: Math.min(...figures), high: Math.max(...figures) };
}

/**
 * °C of the coldest bottle that was read when it was filled; null where none was.
 * @example coldestFill(lot.bottlings[0]) // 86
 */
export function coldestFill(b: BottlingEntry): number | null {
  const read = [b.fillCelsius, b.middleCelsius, b.lastCelsius].filter((t) => t !== null);
  return read.length > 0 ? Math.min(...read) : null;
}
