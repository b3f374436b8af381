import { earliest } from './earliest.ts';
import { syrupActivity } from './syrupActivity.ts';

/** One look at the pan: its mass, its °Bx, or both. */
export interface PanReading {
  seconds: number;
  /** Mass of the liquid, g. */
  grams?: number;
  /** °Bx at 20 °C. */
  brix?: number;
  /** One standard deviation, as a share of the mass or of the °Bx; 3 % where not said. */
  noise?: number;
}

/** What went in on the way, g. */
export interface PanAddition {
  seconds: number;
  waterGrams: number;
  solidsGrams: number;
}

export interface PanPrior {
  /** Water boiled off in g a minute of thin liquid: what this pan and burner showed before, or an estimate. */
  gramsPerMinute: number;
  /** One standard deviation of it, as a share. */
  spread: number;
  /** What went into the pan at 0 s: water and dissolved solids, g; one standard deviation of the water as a share, 1 % where not said. */
  waterGrams: number;
  solidsGrams: number;
  waterSpread?: number;
}

export interface ReductionForecast {
  /** Seconds from the last event to the target: 0 where it is there. */
  seconds: number;
  /** 80 % interval, seconds. `high` is Infinity where it may never get there. */
  low: number;
  high: number;
  /** The rate as it is known now, g of water a minute at thin liquid. */
  gramsPerMinute: number;
  /** The pan as it is reckoned to stand. */
  grams: number;
  brix: number;
  /** g of water too much has gone: how much brings it back; 0 while it is not past the target. */
  overshootGrams: number;
}

/**
 * Share of the thin liquid's rate at which a syrup loses water: its vapour pressure falls with its water activity.
 * @example relativeRate(1000, 0) // 1
 */
export function relativeRate(waterGrams: number, solidsGrams: number): number {
  if (waterGrams <= 0) return 0.05;
  const solids = Math.max(0, solidsGrams);
  return syrupActivity((100 * solids) / (waterGrams + solids));
}

/** 80 % of a normal lies within this many standard deviations, and a tenth more for what the linear filter leaves out. */
const Z80 = 1.2816 * 1.1;

/** What is known of a pan: its water and its rate, jointly normal; g and g a second. */
interface Belief {
  water: number;
  rate: number;
  varWater: number;
  varRate: number;
  covariance: number;
  solids: number;
}

/** g of water a minute from which on a pan is at an open boil. */
const BOILS = 20;

/** The belief carried on by some seconds of boiling, in steps of at most half a minute. */
function carriedOn(belief: Belief, seconds: number): Belief {
  let { water, rate, varWater, varRate, covariance, solids } = belief;
  const steps = Math.max(1, Math.ceil(seconds / 30));
  const dt = seconds / steps;
  for (let i = 0; i < steps; i++) {
    const f = relativeRate(water, solids) * dt;
    water = Math.max(0, water - rate * f);
    varWater += f * f * varRate - 2 * f * covariance;
    covariance -= f * varRate;
    // A burner is never quite steady: the rate wanders by about 1 % in a minute of boiling, and a simmer, which takes longer, no further over its time.
    varRate += (0.01 * rate) ** 2 * (dt / 60) * Math.min(1, (60 * rate) / BOILS);
  }
  return { water, rate, varWater: Math.max(1e-6, varWater), varRate, covariance, solids };
}

/**
 * Water left in g after some seconds of boiling, from water and solids in g and a thin liquid's rate in g a minute.
 * Integrated in half minutes with the rate falling as it thickens; never under 0.
 * @example waterAfter({ waterGrams: 1000, solidsGrams: 0, gramsPerMinute: 20 }, 600) // 800
 */
export function waterAfter(
  pan: { waterGrams: number; solidsGrams: number; gramsPerMinute: number },
  seconds: number,
): number {
  const steps = Math.max(1, Math.ceil(Math.max(0, seconds) / 30));
  const each = (pan.gramsPerMinute / 60) * (Math.max(0, seconds) / steps);
  let water = pan.waterGrams;
  for (let i = 0; i < steps; i++) water = Math.max(0, water - each * relativeRate(water, pan.solidsGrams));
  return water;
}

/** Bayes with one linear look at the water: what was read, and its variance. */
function seen(belief: Belief, water: number, variance: number): Belief {
  const total = belief.varWater + variance;
  const gain = { water: belief.varWater / total, rate: belief.covariance / total };
  const surprise = water - belief.water;
  return {
    ...belief,
    water: Math.max(0, belief.water + gain.water * surprise),
    rate: Math.max(1e-4, belief.rate + gain.rate * surprise),
    varWater: belief.varWater * (1 - gain.water),
    varRate: belief.varRate - gain.rate * belief.covariance,
    covariance: belief.covariance * (1 - gain.water),
  };
}

function looked(belief: Belief, reading: PanReading): Belief {
  const noise = reading.noise ?? 0.03;
  let next = belief;
  if (reading.grams !== undefined)
    next = seen(next, reading.grams - next.solids, (noise * reading.grams) ** 2);
  if (reading.brix !== undefined && reading.brix > 0.5) {
    const water = next.solids * (100 / reading.brix - 1);
    // dW/db = −100 S / b²
    next = seen(next, water, (((100 * next.solids) / reading.brix) * noise) ** 2);
  }
  return next;
}

/** Seconds of thin-liquid boiling, times rate, from one amount of water to another: ∫ dW / f. */
function boilingBetween(water: number, target: number, solids: number): number {
  const steps = 60;
  const each = (water - target) / steps;
  let sum = 0;
  for (let i = 0; i < steps; i++) sum += each / relativeRate(target + (i + 0.5) * each, solids);
  return sum;
}

/** Time by which the target is reached with a probability, as z of the normal: the least t with mean(t) + z·sd(t) over what is to go. */
function timeAt(z: number, toGo: number, belief: Belief, f: number): number {
  return earliest((t) => {
    const mean = belief.rate * t - toGo;
    const variance = belief.varRate * t * t - (2 * t * belief.covariance) / f + belief.varWater / (f * f);
    return mean - z * Math.sqrt(Math.max(0, variance)) >= 0;
  });
}

function checked(prior: PanPrior): void {
  if (!(prior.gramsPerMinute > 0 && prior.spread > 0))
    throw new RangeError('A rate has to be over 0 g a minute, with a spread');
  if (!(prior.waterGrams > 0 && prior.solidsGrams >= 0))
    throw new RangeError('A pan to reduce has some water in it');
}

/**
 * Time until a boiling pan stands at its target, from its own readings so far and what this pan did before.
 * Bayesian linear regression, one event at a time: the water left and the rate are jointly normal; the rate falls with the water activity.
 * @param pan.readings masses in g or °Bx at 20 °C by seconds from the start, 3 % noise where not said; @param pan.additions water and solids in g that went in on the way
 * @param pan.target a mass in g or a °Bx; @param pan.prior rate in g a minute with its spread, and what went in at 0 s
 * @returns seconds from the last event with the 80 % interval, the rate now, and by how much it is past the target
 * @throws RangeError on events that go back in time, a target without solids, or a prior without water
 * @example reductionForecast({ readings: [], target: { brix: 50 }, prior: { gramsPerMinute: 20, spread: 0.3, waterGrams: 1000, solidsGrams: 1000 } }).seconds // 0
 */
export function reductionForecast(pan: {
  readings: readonly PanReading[];
  additions?: readonly PanAddition[];
  target: { grams: number } | { brix: number };
  prior: PanPrior;
}): ReductionForecast {
  const { prior, target } = pan;
  checked(prior);
  const rate = prior.gramsPerMinute / 60;
  let belief: Belief = {
    water: prior.waterGrams,
    rate,
    varWater: ((prior.waterSpread ?? 0.01) * prior.waterGrams) ** 2,
    varRate: (prior.spread * rate) ** 2,
    covariance: 0,
    solids: prior.solidsGrams,
  };
  const events = [
    ...pan.readings.map((reading) => ({ seconds: reading.seconds, reading })),
    ...(pan.additions ?? []).map((addition) => ({ seconds: addition.seconds, addition })),
  ].sort((a, b) => a.seconds - b.seconds);
  let now = 0;
  for (const event of events) {
    if (!(event.seconds >= 0)) throw new RangeError(`${event.seconds} s is before the pan was set on`);
    if (event.seconds > now) belief = carriedOn(belief, event.seconds - now);
    now = Math.max(now, event.seconds);
    if ('reading' in event) belief = looked(belief, event.reading);
    else
      belief = {
        ...belief,
        water: belief.water + event.addition.waterGrams,
        solids: belief.solids + event.addition.solidsGrams,
      };
  }
  return forecastFrom(belief, target);
}

function forecastFrom(belief: Belief, target: { grams: number } | { brix: number }): ReductionForecast {
  const { solids, water } = belief;
  if ('brix' in target && !(target.brix > 0 && target.brix <= 80 && solids > 0))
    throw new RangeError('A °Bx to stop at is over 0 to 80, of something with sugar in it');
  const wanted = 'brix' in target ? solids * (100 / target.brix - 1) : target.grams - solids;
  if (wanted < 0)
    throw new RangeError(`There are ${Math.round(solids)} g dissolved in it: it cannot weigh less`);
  const standing = {
    gramsPerMinute: belief.rate * 60,
    grams: water + solids,
    brix: (100 * solids) / (water + solids),
    overshootGrams: Math.max(0, wanted - water),
  };
  if (water <= wanted) return { seconds: 0, low: 0, high: 0, ...standing };
  const toGo = boilingBetween(water, wanted, solids);
  const f = relativeRate(water, solids);
  return {
    seconds: toGo / belief.rate,
    low: timeAt(-Z80, toGo, belief, f),
    high: timeAt(Z80, toGo, belief, f),
    ...standing,
  };
}
