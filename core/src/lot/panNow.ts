import { type Acids, acidsIn } from '../acid/index.ts';
import { type FormulaStep, panBefore, solidsOf } from '../formula/index.ts';
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
import { boilingPoint, brixFromBoilingPoint, brixLooking } from '../sugar/index.ts';
import { contentAsWeighed } from './asWeighed.ts';
import { weighingOf } from './catalogue.ts';
import { elapsedAt, stepClock } from './clock.ts';
import { additionsAt, looksAt, type Poured, panReadings, solidsByPairs, warmthAt } from './panEvents.ts';
import { orNull, type PanVessel, rateBefore, volumeOf } from './panRate.ts';
import type { LotRecord, LotStep } from './record.ts';

export interface PanNow {
  /** As reckoned at this moment. */
  grams: number;
  brix: number;
  /** mL at 20 °C, and as it stands in the pan, hot. */
  millilitres: number;
  hotMillilitres: number;
  celsius: number;
  solidsGrams: number;
  solidsFrom: 'measured' | 'estimated';
  /** Acids of all that went in, mol. */
  acids: Acids;
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

/** The °Bx at which a step stops; null where it goes by its minutes alone. */
function targetBrix(step: FormulaStep | undefined, start: PanPrior, elevationMetres: number): number | null {
  if (!step) return null;
  if (step.toBrix !== undefined) return step.toBrix;
  if (step.toCelsius !== undefined)
    return orNull(() => brixFromBoilingPoint({ celsius: step.toCelsius!, elevationMetres }).brix);
  if (step.toThickness !== undefined) return brixLooking(step.toThickness)[1];
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

/** All that is known of a pan at a step, gathered before anything is reckoned. */
interface Known {
  said: FormulaStep | undefined;
  shape: VesselShape | null;
  looks: ReturnType<typeof looksAt>;
  added: Poured[];
  prior: PanPrior;
  rateFrom: PanNow['rateFrom'];
  /** Solids in g of the pan now, all additions in. */
  solids: number;
  measured: boolean;
  acids: Acids;
}

const sumOf = (list: readonly Poured[], of: 'waterGrams' | 'solidsGrams') =>
  list.reduce((sum, a) => sum + a[of], 0);

function acidsOf(liquid: { acids: number[] }, added: readonly Poured[]): Acids {
  const acids = liquid.acids.slice();
  for (const a of added) for (let i = 0; i < acids.length; i++) acids[i]! += a.acids[i]! * a.share;
  return acidsIn(acids);
}

function gathered(lot: LotRecord, step: LotStep, setting: PanSetting): Known | null {
  const shape = setting.vessel?.shape ?? null;
  const made = contentAsWeighed(lot, setting.cup);
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const before = panBefore(made, step.formulaStepId, weighingOf(lot, setting.cup), lot.elevationMetres);
  const { liquid } = before;
  const looks = looksAt(lot, step);
  const added = additionsAt(lot, step);
  const pairs = solidsByPairs(lot, looks, added, shape);
  const early = added.filter((a) => a.seconds === 0);
  const solids = pairs.length > 0 ? pairs.reduce((s, p) => s + p, 0) / pairs.length : solidsOf(liquid);
  const rate = rateBefore(said, before, setting.vessel, lot.elevationMetres);
  const prior: PanPrior = {
    waterGrams: liquid.water + liquid.ethanol + sumOf(early, 'waterGrams'),
    solidsGrams: solids + sumOf(early, 'solidsGrams'),
    gramsPerMinute: rate.gramsPerMinute,
    spread: rate.spread,
    waterSpread: 0.12,
  };
  if (!(prior.waterGrams > 0)) return null;
  return {
    said,
    shape,
    looks,
    added,
    prior,
    rateFrom: rate.from,
    solids: solids + sumOf(added, 'solidsGrams'),
    measured: pairs.length > 0,
    acids: acidsOf(liquid, added),
  };
}

const loses = (said: FormulaStep | undefined): boolean => said?.kind === 'reduce' || said?.lidOff === true;

/** The pan as the last event left it, and as it is reckoned by now. */
function estimated(lot: LotRecord, step: LotStep, known: Known, now: string) {
  const { prior, solids, added, looks, shape, said } = known;
  const onTheWay = added.filter((a) => a.seconds > 0);
  const readings = panReadings(lot, looks, added, {
    solidsGrams:
      prior.solidsGrams -
      sumOf(
        added.filter((a) => a.seconds === 0),
        'solidsGrams',
      ),
    shape,
  });
  const brixAim = targetBrix(said, prior, lot.elevationMetres);
  const target = brixAim !== null && solids > 0 ? { brix: brixAim } : { grams: solids + 1 };
  const forecast = orNull(() => reductionForecast({ readings, additions: onTheWay, target, prior }));
  if (!forecast) return null;
  const lastAt = Math.max(0, ...readings.map((r) => r.seconds), ...onTheWay.map((a) => a.seconds));
  const since = loses(said) ? Math.max(0, elapsedAt(step, now) - lastAt) : 0;
  const water = waterAfter(
    {
      waterGrams: forecast.grams - solids,
      solidsGrams: solids,
      gramsPerMinute: forecast.gramsPerMinute,
    },
    since,
  );
  const grams = Math.max(1, water + solids);
  return { readings, forecast, since, brixAim, grams, brix: Math.min(85, (100 * solids) / grams) };
}

const hotMl = (ml: number, celsius: number) => ml * swellingAt(Math.min(110, Math.max(0, celsius)));

/** Depths on the ruler: now, at the start, and of the mark to stop at. */
function depthsOf(
  known: Known,
  at: { hot: number; celsius: number; target: PanNow['target']; elevationMetres: number },
): Pick<PanNow, 'depthMm' | 'startDepthMm' | 'targetDepthMm' | 'overHalf'> {
  const { shape, prior, added, solids } = known;
  if (!shape) return { depthMm: null, startDepthMm: null, targetDepthMm: null, overHalf: false };
  const depthOf = (ml: number) => orNull(() => depthAtVolume(shape, ml));
  // As high as it would stand with everything in and nothing boiled off yet.
  const onTheWay = sumOf(
    added.filter((a) => a.seconds > 0),
    'waterGrams',
  );
  const start = prior.waterGrams + onTheWay + solids;
  const startMl = hotMl(volumeOf(start, (100 * solids) / start), at.celsius);
  const brix = at.target ? Math.min(78, at.target.brix) : 0;
  const boils = orNull(() => boilingPoint({ brix, elevationMetres: at.elevationMetres })) ?? at.celsius;
  return {
    depthMm: depthOf(at.hot),
    startDepthMm: depthOf(startMl),
    targetDepthMm: at.target ? depthOf(hotMl(at.target.millilitres, boils)) : null,
    overHalf: Math.max(startMl, at.hot) > vesselVolume(shape) / 2,
  };
}

/** What brings the pan to its mark as last measured; nothing where something went in since. */
function correctionsOf(known: Known, target: PanNow['target'], grams: number): BrixCorrection[] {
  const last = known.looks.filter((r) => r.kind === 'brix').at(-1);
  if (!last || !target || known.added.some((a) => a.at > last.at)) return [];
  return orNull(() => brixCorrections({ grams, brix: last.value, target: target.brix })) ?? [];
}

/**
 * A lot's pan at one of its steps, from all that was weighed, dipped, read and put in: how it stands, how long is left, what would correct it.
 * @param lot its record; @param step one of its steps; @param setting cups, and the vessel where it is known; @param now ISO 8601
 * @returns null where there is nothing in the pan before that step
 * @example panNow(lot, lot.steps[0], { cup: 'us', vessel: null }, T(0.5)) // null
 */
export function panNow(lot: LotRecord, step: LotStep, setting: PanSetting, now: string): PanNow | null {
  const known = gathered(lot, step, setting);
  const standing = known && estimated(lot, step, known, now);
  if (!known || !standing) return null;
  const { forecast, since, brixAim, grams, brix, readings } = standing;
  const boiling = stepClock(step, now).state === 'running' && known.said?.kind === 'reduce';
  const celsius = warmthAt(lot, known.looks, now, boiling);
  const millilitres = volumeOf(grams, brix);
  const hot = hotMl(millilitres, celsius);
  const aimed = brixAim === null || known.solids <= 0 ? null : (100 * known.solids) / brixAim;
  const target =
    aimed === null ? null : { brix: brixAim!, grams: aimed, millilitres: volumeOf(aimed, brixAim!) };
  const left = (seconds: number) => Math.max(0, seconds - since);
  const depths = depthsOf(known, { hot, celsius, target, elevationMetres: lot.elevationMetres });
  return {
    grams,
    brix,
    millilitres,
    hotMillilitres: hot,
    celsius,
    solidsGrams: known.solids,
    solidsFrom: known.measured ? 'measured' : 'estimated',
    acids: known.acids,
    ...depths,
    target,
    left: target
      ? { seconds: left(forecast.seconds), low: left(forecast.low), high: left(forecast.high) }
      : null,
    gramsPerMinute: forecast.gramsPerMinute,
    rateFrom: readings.some((r) => r.seconds > 60) ? 'this batch' : known.rateFrom,
    readings: readings.length,
    corrections: correctionsOf(known, target, grams),
    heating: orNull(() => heatingOf(known.looks, known.said, lot.elevationMetres)),
    scorch: boiling && (brix >= SCORCH_BRIX || (depths.depthMm ?? Number.POSITIVE_INFINITY) < SCORCH_MM),
  };
}
