import { type FormulaStep, fullBoil, panBefore, solidsOf } from '../formula/index.ts';
import { boilingPointOfWater } from '../heat/index.ts';
import {
  type BrixCorrection,
  brixCorrections,
  depthAtVolume,
  type HeatingForecast,
  heatingForecast,
  type PanPrior,
  reductionForecast,
  swellingAt,
  type VesselShape,
  vesselVolume,
  waterAfter,
} from '../pan/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { boilingPoint, brixFromBoilingPoint, densityAt20 } from '../sugar/index.ts';
import { contentAsWeighed, weighingOf } from './asWeighed.ts';
import { elapsedAt, stepClock } from './clock.ts';
import { additionsAt, looksAt, panReadings, solidsByPairs, warmthAt } from './panEvents.ts';
import type { LotRecord, LotStep } from './record.ts';

/** The vessel a step is made in, with what it showed before. */
export interface PanVessel {
  shape: VesselShape;
  /** Water boiled off in g a minute over lots made in it; null before the first. */
  learned: { gramsPerMinute: number; spread: number; lots: number } | null;
}

export interface PanNow {
  /** As reckoned at this moment. */
  grams: number;
  brix: number;
  /** mL at 20 °C, and as it stands in the pan, hot. */
  millilitres: number;
  hotMillilitres: number;
  celsius: number;
  solidsGrams: number;
  solidsFrom: 'measured' | 'reckoned';
  /** mm on the ruler; null without a vessel, or where it does not hold that. */
  depthMm: number | null;
  startDepthMm: number | null;
  targetDepthMm: number | null;
  target: { brix: number; grams: number; millilitres: number } | null;
  /** Seconds from now with the 80 % interval; null without a mark to stop at. `high` may be Infinity. */
  left: { seconds: number; low: number; high: number } | null;
  gramsPerMinute: number;
  /** What the minutes rest on. */
  rateFrom: 'this batch' | 'this pan before' | 'the formula' | 'typical';
  readings: number;
  /** g of water that bring it back, where it was measured past its mark. */
  overshootGrams: number;
  /** What brings it to its mark as last measured, smallest change first; empty without a °Bx read. */
  corrections: BrixCorrection[];
  heating: (HeatingForecast & { target: number; now: number }) | null;
  /** The batch fills more than half the vessel. */
  overHalf: boolean;
  scorch: boolean;
}

export interface PanSetting {
  cup: CupSchool | null;
  vessel: PanVessel | null;
}

/** A pan is watched for scorching from this °Bx on, or as shallow as this, mm. */
const SCORCH_BRIX = 68;
const SCORCH_MM = 12;
/** What a kitchen fire warms a full pan by, °C a minute; typical. */
const WARMS = { degreesPerMinute: 4, spread: 0.6 };

const orNull = <T>(work: () => T): T | null => {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
};

const volumeOf = (grams: number, brix: number) => grams / densityAt20(Math.min(80, Math.max(0, brix)));

function rateBefore(step: FormulaStep | undefined, vessel: PanVessel | null) {
  if (vessel?.learned)
    return {
      gramsPerMinute: vessel.learned.gramsPerMinute,
      spread: vessel.learned.spread,
      from: 'this pan before' as const,
    };
  if (step?.evaporates) return { gramsPerMinute: step.evaporates, spread: 0.3, from: 'the formula' as const };
  return { gramsPerMinute: fullBoil[1], spread: 0.45, from: 'typical' as const };
}

/** The °Bx at which a step stops; null where it goes by its minutes alone. */
function targetBrix(step: FormulaStep | undefined, start: PanPrior, elevationMetres: number): number | null {
  if (!step) return null;
  if (step.toBrix !== undefined) return step.toBrix;
  if (step.toCelsius !== undefined)
    return orNull(() => brixFromBoilingPoint({ celsius: step.toCelsius!, elevationMetres }).brix);
  if (step.toFraction === undefined || start.solidsGrams <= 0) return null;
  const begun = start.waterGrams + start.solidsGrams;
  const aim = step.toFraction * volumeOf(begun, (100 * start.solidsGrams) / begun);
  let [low, high] = [0.01, 80];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (volumeOf((100 * start.solidsGrams) / middle, middle) > aim) low = middle;
    else high = middle;
  }
  return high > 79.9 ? null : (low + high) / 2;
}

function heatingOf(
  looks: ReturnType<typeof looksAt>,
  step: FormulaStep | undefined,
  elevationMetres: number,
): PanNow['heating'] {
  const target = step?.toCelsius ?? (step?.kind === 'heat' ? (step.celsius ?? 90) : step?.celsius);
  const warm = looks.filter((r) => r.kind === 'temperature');
  if (target === undefined || target < 40 || warm.length === 0) return null;
  if (step?.toCelsius === undefined && target > boilingPointOfWater(elevationMetres) + 2) return null;
  const began = Date.parse(warm[0]!.at);
  const readings = warm.map((r) => ({ seconds: (Date.parse(r.at) - began) / 1000, celsius: r.value }));
  return { ...heatingForecast({ readings, target, prior: WARMS }), target, now: warm.at(-1)!.value };
}

/**
 * A lot's pan at one of its steps, from all that was weighed, dipped, read and put in: how it stands, how long is left, what would correct it.
 * @param lot its record; @param step one of its steps; @param setting cups, and the vessel where it is known; @param now ISO 8601
 * @returns null where there is nothing in the pan before that step, or nothing dissolved and nothing weighed
 */
export function panNow(lot: LotRecord, step: LotStep, setting: PanSetting, now: string): PanNow | null {
  const { elevationMetres } = lot;
  const shape = setting.vessel?.shape ?? null;
  const made = contentAsWeighed(lot, setting.cup);
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const { liquid } = panBefore(made, step.formulaStepId, weighingOf(lot, setting.cup), elevationMetres);
  const looks = looksAt(lot, step);
  const added = additionsAt(lot, step);
  const pairs = solidsByPairs(lot, looks, added, shape);
  const measured = pairs.length > 0;
  const early = added.filter((a) => a.seconds === 0);
  const onTheWay = added.filter((a) => a.seconds > 0);
  const sum = (list: typeof added, of: 'waterGrams' | 'solidsGrams') => list.reduce((s, a) => s + a[of], 0);
  const solids = measured ? pairs.reduce((s, p) => s + p, 0) / pairs.length : solidsOf(liquid);
  const rate = rateBefore(said, setting.vessel);
  const prior: PanPrior = {
    waterGrams: liquid.water + liquid.ethanol + sum(early, 'waterGrams'),
    solidsGrams: solids + sum(early, 'solidsGrams'),
    gramsPerMinute: rate.gramsPerMinute,
    spread: rate.spread,
    waterSpread: 0.12,
  };
  if (!(prior.waterGrams > 0)) return null;
  const readings = panReadings(lot, looks, added, { solidsGrams: solids, shape });
  const clock = stepClock(step, now);
  const elapsed = elapsedAt(step, now);
  const lastAt = Math.max(0, ...readings.map((r) => r.seconds), ...onTheWay.map((a) => a.seconds));
  const since = said?.kind === 'reduce' || said?.lidOff ? Math.max(0, elapsed - lastAt) : 0;
  const brixAim = targetBrix(said, prior, elevationMetres);
  const allSolids = prior.solidsGrams + sum(onTheWay, 'solidsGrams');
  const forecast = orNull(() =>
    reductionForecast({
      readings,
      additions: onTheWay,
      target: brixAim !== null && allSolids > 0 ? { brix: brixAim } : { grams: allSolids + 1 },
      prior,
    }),
  );
  if (!forecast) return null;
  const boilsOff = said?.kind === 'reduce' || said?.lidOff === true;
  const water = boilsOff
    ? waterAfter(
        {
          waterGrams: forecast.grams - allSolids,
          solidsGrams: allSolids,
          gramsPerMinute: forecast.gramsPerMinute,
        },
        since,
      )
    : forecast.grams - allSolids;
  const grams = Math.max(1, water + allSolids);
  const brix = Math.min(85, (100 * allSolids) / grams);
  const boiling = clock.state === 'running' && said?.kind === 'reduce';
  const celsius = warmthAt(lot, looks, now, boiling);
  const millilitres = volumeOf(grams, brix);
  const hot = (ml: number, at: number) => ml * swellingAt(Math.min(110, Math.max(0, at)));
  const hotMillilitres = hot(millilitres, celsius);
  const depthOf = (ml: number) => (shape ? orNull(() => depthAtVolume(shape, ml)) : null);
  const start = prior.waterGrams + prior.solidsGrams;
  const startMl = hot(volumeOf(start, (100 * prior.solidsGrams) / start), celsius);
  const target =
    brixAim === null || allSolids <= 0
      ? null
      : { brix: brixAim, grams: (100 * allSolids) / brixAim, millilitres: 0 };
  if (target) target.millilitres = volumeOf(target.grams, target.brix);
  const boils = target
    ? (orNull(() => boilingPoint({ brix: Math.min(78, target.brix), elevationMetres })) ?? celsius)
    : celsius;
  const left = (seconds: number) => Math.max(0, seconds - since);
  const lastBrix = looks.filter((r) => r.kind === 'brix').at(-1);
  const fresh = lastBrix !== undefined && !added.some((a) => a.at > lastBrix.at);
  return {
    grams,
    brix,
    millilitres,
    hotMillilitres,
    celsius,
    solidsGrams: allSolids,
    solidsFrom: measured ? 'measured' : 'reckoned',
    depthMm: depthOf(hotMillilitres),
    startDepthMm: depthOf(startMl),
    targetDepthMm: target ? depthOf(hot(target.millilitres, boils)) : null,
    target,
    left: target
      ? { seconds: left(forecast.seconds), low: left(forecast.low), high: left(forecast.high) }
      : null,
    gramsPerMinute: forecast.gramsPerMinute,
    rateFrom: readings.filter((r) => r.seconds > 60).length > 0 ? 'this batch' : rate.from,
    readings: readings.length,
    overshootGrams: fresh && target ? Math.max(0, overshoot(lastBrix.value, target.brix, grams)) : 0,
    corrections:
      fresh && target
        ? (orNull(() => brixCorrections({ grams, brix: lastBrix.value, target: target.brix })) ?? [])
        : [],
    heating: orNull(() => heatingOf(looks, said, elevationMetres)),
    overHalf: shape !== null && Math.max(startMl, hotMillilitres) > vesselVolume(shape) / 2,
    scorch:
      boiling && (brix >= SCORCH_BRIX || (depthOf(hotMillilitres) ?? Number.POSITIVE_INFINITY) < SCORCH_MM),
  };
}

/** Water in g that brings a pan measured over its mark back; 0 while it is within what a refractometer reads. */
const overshoot = (read: number, aim: number, grams: number): number =>
  read > aim + 0.2 ? grams * (read / aim - 1) : 0;

/** Water this lot's pan boiled off in g a minute of thin liquid over a reducing step that is done; null where too little was read. */
export function boilRateOf(lot: LotRecord, shape: VesselShape | null, cup: CupSchool | null): number | null {
  for (const step of lot.steps.filter((s) => s.kind === 'reduce')) {
    const done = step.marks.filter((m) => m.kind === 'done').at(-1);
    if (!done) continue;
    const pan = panNow(lot, step, { cup, vessel: shape ? { shape, learned: null } : null }, done.at);
    if (pan && pan.readings >= 2 && pan.rateFrom === 'this batch') return pan.gramsPerMinute;
  }
  return null;
}

/** What past lots tell of a pan's fire: their middle, and how far they spread; a single lot is trusted to a quarter. */
export function learnedRate(rates: readonly number[]): PanVessel['learned'] {
  if (rates.length === 0) return null;
  const mean = rates.reduce((s, r) => s + r, 0) / rates.length;
  const variance = rates.reduce((s, r) => s + (r / mean - 1) ** 2, 0) / Math.max(1, rates.length - 1);
  const spread = rates.length === 1 ? 0.25 : Math.min(0.45, Math.max(0.1, Math.sqrt(variance)));
  return { gramsPerMinute: mean, spread, lots: rates.length };
}
