import { reductionForecast, relativeRate } from '@inch/core/pan';

/** A stream of even and normal chance of its own, so that the pans owe nothing to the code under test. */
function dice(seed) {
  let state = seed >>> 0;
  const even = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());
  return { even, normal };
}

/** Pans boiled second by second at a rate the cook only knows about, read with 3 % noise three times on the way. */
export function simulatedPans(count, seed) {
  const { even, normal } = dice(seed);
  return Array.from({ length: count }, () => {
    const gramsPerMinute = 15 + 20 * even();
    const spread = 0.15;
    const solids = 300 + 900 * even();
    const water = 2000 + 3000 * even();
    const brix = 45 + 15 * even();
    const wanted = solids * (100 / brix - 1);
    let rate = (gramsPerMinute / 60) * Math.max(0.4, 1 + spread * normal());
    const expected = (water - wanted) / (gramsPerMinute / 60);
    const looks = [0.2, 0.4, 0.6].map((share) => share * expected);
    const readings = [];
    let left = water * (1 + 0.01 * normal());
    let seconds = 0;
    while (left > wanted) {
      left -= rate * relativeRate(left, solids);
      rate *= 1 + 0.0013 * normal();
      seconds += 1;
      if (readings.length < looks.length && seconds >= looks[readings.length])
        readings.push({ seconds, grams: (left + solids) * (1 + 0.03 * normal()) });
    }
    return {
      readings,
      prior: { gramsPerMinute, spread, waterGrams: water, solidsGrams: solids },
      target: { brix },
      truth: seconds,
    };
  }).filter((pan) => pan.readings.length === 3);
}

/** Share of pans whose true time is in the 80 % interval told after the third reading, and the median error of the middle, as a share of the time that is left. */
export function missesOf(pans) {
  let inside = 0;
  const errors = [];
  for (const { readings, prior, target, truth } of pans) {
    const f = reductionForecast({ readings, prior, target });
    const last = readings.at(-1).seconds;
    if (truth >= last + f.low && truth <= last + f.high) inside++;
    errors.push(Math.abs(last + f.seconds - truth) / (truth - last));
  }
  errors.sort((a, b) => a - b);
  return { covered: inside / pans.length, medianError: errors[Math.floor(errors.length / 2)] };
}
