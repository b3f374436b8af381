import { earliest } from './earliest.ts';

/** One look at a thermometer: seconds from the start, °C. */
export interface HeatReading {
  seconds: number;
  celsius: number;
}

export interface HeatingForecast {
  /** Seconds from the last reading until it stands at the temperature; Infinity where this fire may never bring it there. */
  seconds: number;
  /** 80 % interval. */
  low: number;
  high: number;
  /** As it warms now, °C a minute. */
  degreesPerMinute: number;
}

/** Error of a thermometer read in a stirred pan, °C, one standard deviation. */
const READ_CELSIUS = 0.7;
/** The rate slackens as the pan loses more heat to the room: readings older than this, in s, tell less of it. */
const REMEMBERED = 420;
const Z80 = 1.2816;

/** A straight line through the readings as it stands at the last one, jointly normal: °C now and °C a second. */
interface Line {
  now: number;
  rate: number;
  varNow: number;
  varRate: number;
  covariance: number;
}

/** T = a + r (t − t_last): a prior on r alone, readings weighted by their age. */
function lineThrough(readings: readonly HeatReading[], rate: number, spread: number): Line {
  const last = readings.at(-1)!.seconds;
  const known = 1 / (spread * rate) ** 2;
  let [saa, sar, srr, sya, syr] = [1e-9, 0, known, 0, rate * known];
  for (const { seconds, celsius } of readings) {
    const x = seconds - last;
    const weight = Math.exp(x / REMEMBERED) / READ_CELSIUS ** 2;
    saa += weight;
    sar += weight * x;
    srr += weight * x * x;
    sya += weight * celsius;
    syr += weight * x * celsius;
  }
  const determinant = saa * srr - sar * sar;
  return {
    now: (srr * sya - sar * syr) / determinant,
    rate: (saa * syr - sar * sya) / determinant,
    varNow: srr / determinant,
    varRate: saa / determinant,
    covariance: -sar / determinant,
  };
}

/**
 * Time until a warming pan stands at a temperature, from its own readings and what this fire did before.
 * Weighted Bayesian regression of temperature on time, newer readings telling more.
 * @param pan.readings at least one, °C by seconds; @param pan.target °C; @param pan.prior °C a minute with its spread as a share
 * @returns seconds from the last reading with the 80 % interval; 0 where it is there
 * @throws RangeError without a reading, on one that goes back in time, or a prior that is not over 0
 * @example heatingForecast({ readings: [{ seconds: 0, celsius: 95 }], target: 90, prior: { degreesPerMinute: 4, spread: 0.3 } }).seconds // 0
 */
export function heatingForecast(pan: {
  readings: readonly HeatReading[];
  target: number;
  prior: { degreesPerMinute: number; spread: number };
}): HeatingForecast {
  const { readings, target, prior } = pan;
  if (readings.length === 0) throw new RangeError('Read the thermometer once to begin with');
  if (!(prior.degreesPerMinute > 0 && prior.spread > 0))
    throw new RangeError('A pan warms by over 0 °C a minute, with a spread');
  for (let i = 1; i < readings.length; i++)
    if (readings[i]!.seconds < readings[i - 1]!.seconds) throw new RangeError('The readings go back in time');
  const { now, rate, varNow, varRate, covariance } = lineThrough(
    readings,
    prior.degreesPerMinute / 60,
    prior.spread,
  );
  const degreesPerMinute = rate * 60;
  if (now >= target) return { seconds: 0, low: 0, high: 0, degreesPerMinute };
  const at = (z: number) =>
    earliest((t) => {
      const variance = varNow + 2 * t * covariance + t * t * varRate;
      return now + rate * t - target - z * Math.sqrt(Math.max(0, variance)) >= 0;
    });
  const seconds = rate > 0 ? (target - now) / rate : Number.POSITIVE_INFINITY;
  return { seconds, low: at(-Z80), high: at(Z80), degreesPerMinute };
}
