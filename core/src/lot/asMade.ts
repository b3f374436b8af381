import { coolingClock } from '../bottling/index.ts';
import { measuredMismatches } from '../heat/index.ts';
import { type HurdleFacts, USUAL_CRITICAL_PH } from '../keeping/index.ts';
import { lotBottles } from './bottles.ts';
import { catalogueOf } from './catalogue.ts';
import { type BottlingEntry, type LotRecord, type Reading, standing, type Taken } from './record.ts';

/** Families whose pieces stay in a drink that was never strained. */
const SOLID: ReadonlySet<string> = new Set(['fruit', 'plant']);

/** When the last thing went in; a finished reading before it says nothing of the bottle. */
function lastAdditionAt(lot: LotRecord): string {
  return (
    standing(lot.additions)
      .filter((a) => a.grams > 0)
      .at(-1)?.at ?? ''
  );
}

/** Readings of the finished product that stand and count, taken after the last thing went in. */
export function finishedReadings(lot: LotRecord, kind: Reading['kind']): Reading[] {
  const after = lastAdditionAt(lot);
  const asked = kind === 'ph' ? samplesAsked(lot) : null;
  return standing(lot.readings).filter(
    (r) =>
      r.kind === kind &&
      r.sample === 'finished' &&
      r.counts &&
      r.value !== null &&
      r.at >= after &&
      (asked === null || asked.includes(r.taken)),
  );
}

/** Whether pieces or pulp stay in the bottle: nothing was strained, or something solid goes into each jar. */
export function solidsStay(lot: LotRecord): boolean {
  const { lines, steps } = lot.product.content;
  const catalogue = catalogueOf(lot);
  const solid = (id: string) => SOLID.has(catalogue.get(id).family) && !catalogue.get(id).liquid;
  if (lines.some((l) => l.basis?.per === 'bottle' && solid(l.ingredientId))) return true;
  const went = standing(lot.additions).some((a) => a.grams > 0 && solid(a.ingredientId));
  return went && !steps.some((s) => s.kind === 'strain');
}

/**
 * How a sample for pH has to be taken: out of an opened jar where something goes in jar by jar or fruit steeps in the jar, blended with its
 * solids where they stay in; null where any finished sample tells.
 * @example samplesAsked(lot) // null
 */
export function samplesAsked(lot: LotRecord): Taken[] | null {
  const { lines, steps } = lot.product.content;
  if (lines.some((l) => l.basis?.per === 'bottle') || steps.some((s) => s.method === 'jar'))
    return ['opened-jar'];
  return solidsStay(lot) ? ['blended', 'opened-jar'] : null;
}

/**
 * Bottles cooled open: hours to 21 °C and to 5 °C, as read off a thermometer, or as told.
 * @example cooledIn(lot, lot.bottlings[0]) // { to21: null, to5: null }
 */
export function cooledIn(
  lot: LotRecord,
  bottling: BottlingEntry,
): { to21: number | null; to5: number | null } {
  const read = standing(lot.coolings).filter((c) => c.bottlingId === bottling.id);
  const [first, second] = coolingClock(bottling.at, read, bottling.at);
  return { to21: first!.took ?? bottling.hoursTo21, to5: second!.took ?? bottling.hoursToCold };
}

/** Whether bottles came down to 21 °C within 2 hours and to 5 °C within 6. */
export function cooledInTime(lot: LotRecord, bottling: BottlingEntry): boolean {
  const { to21, to5 } = cooledIn(lot, bottling);
  return bottling.closing === 'cooled' && to21 !== null && to21 <= 2 && to5 !== null && to5 <= 6;
}

/**
 * The pH that the lot is judged by: the highest that counts; over 4.2 at least two are needed and 0.1 is added. Null where not measured.
 * @example governingPh(lot).ph // 3.4
 */
export function governingPh(lot: LotRecord): { ph: number; readings: Reading[]; margin: number } | null {
  const readings = finishedReadings(lot, 'ph');
  if (readings.length === 0) return null;
  const highest = Math.max(...readings.map((r) => r.value!));
  const margin = highest > USUAL_CRITICAL_PH ? 0.1 : 0;
  return { ph: highest + margin, readings, margin };
}

/**
 * The formula's lines not yet recorded as in, or as left out with a word why.
 * @example linesNotRecorded({ ...lot, additions: [] }).length // 2
 */
export function linesNotRecorded(lot: LotRecord): string[] {
  const recorded = new Set(standing(lot.additions).map((a) => a.lineId));
  const catalogue = catalogueOf(lot);
  return lot.product.content.lines
    .filter((line) => !recorded.has(line.id))
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

function acetic(lot: LotRecord): number | null {
  const made = ingredientsAsMade(lot);
  const total = made.reduce((sum, m) => sum + m.grams, 0);
  let grams = 0;
  for (const m of made) {
    const { acidity } = catalogueOf(lot).get(m.ingredientId);
    if (acidity.kind === 'vinegar') grams += (m.grams * (acidity.aceticPer100g ?? 0)) / 100;
  }
  return total > 0 && grams > 0 ? (100 * grams) / total : null;
}

/** ABV as made, % by volume, by mass of ethanol against bottled volume or, before filling, the mass that went in. */
function alcohol(lot: LotRecord): number | null {
  const ethanol = ingredientsAsMade(lot).reduce(
    (sum, m) => sum + (m.grams * catalogueOf(lot).get(m.ingredientId).per100g.ethanol) / 100,
    0,
  );
  if (ethanol === 0) return null;
  const volume = lotBottles(lot).millilitres || ingredientsAsMade(lot).reduce((sum, m) => sum + m.grams, 0);
  return (100 * (ethanol / 0.78924)) / volume;
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

/** A kill step is recorded where its step is done and a thermometer read 90 °C or boiling during it or after. */
export function killStepRecorded(lot: LotRecord, boilsAt: number): boolean {
  const hot = Math.min(90, boilsAt - 1);
  const steps = lot.steps.filter((s) => s.killStep && s.marks.some((m) => m.kind === 'done'));
  const read = standing(lot.readings).some(
    (r) =>
      r.kind === 'temperature' &&
      r.counts &&
      r.value !== null &&
      r.value >= hot &&
      steps.some((s) => s.id === r.stepId),
  );
  const filledHot =
    standing(lot.bottlings).length > 0 && standing(lot.bottlings).every((b) => (coldestFill(b) ?? 0) >= hot);
  return steps.length > 0 && (read || filledHot);
}

/** What is known of a lot for its hurdles and its date, from the record alone. */
export function keepingFacts(lot: LotRecord, boilsAt: number): HurdleFacts {
  const bottlings = standing(lot.bottlings);
  const bottled = bottlings.length > 0;
  const processes = standing(lot.heatProcesses);
  const ph = governingPh(lot);
  return {
    storage: lot.storage,
    ph: ph?.ph ?? null,
    ...(ph ? { phAsRead: ph.ph - ph.margin } : {}),
    criticalPh: lot.criticalPh,
    killStep: killStepRecorded(lot, boilsAt),
    heatProcess: processes.some(
      (p) =>
        p.minutes >= p.requiredMinutes &&
        [...p.mismatches, ...measuredMismatches(p.limits, { brix: finishedBrix(lot), ph: ph?.ph ?? null })]
          .length === 0,
    ),
    closedHot: bottled ? bottlings.every((b) => b.closing === 'hot') : null,
    sealChecked: standing(lot.sealChecks).length > 0,
    cooledInTime: bottled ? bottlings.every((b) => cooledInTime(lot, b)) : null,
    freshPieces: lot.steps.some((s) => s.kind === 'strain' && s.marks.some((m) => m.kind === 'done'))
      ? false
      : null,
    brix: finishedBrix(lot),
    aceticPercent: acetic(lot),
    abv: alcohol(lot),
    measuredWaterActivity: null,
  };
}
