/** A temperature at a time, of a recorded or simulated curve. */
export interface HeatSample {
  /** s from any start. */
  seconds: number;
  /** °C. */
  celsius: number;
}

/** Below this nothing is counted, and over it a reading is not of an open bath: neither is credited. °C. */
const [FROM, TO] = [55, 100];
/** Between readings further apart than this only the colder one is credited. s. */
const LONGEST_GAP = 60;

/** Rate of destruction against the reference temperature. */
const rate = (celsius: number, reference: number, z: number): number => 10 ** ((celsius - reference) / z);

/** Equivalent seconds of a straight climb or fall between two temperatures: the mean of the exponential, not of its ends. */
function straight(from: number, to: number, seconds: number, reference: number, z: number): number {
  const [a, b] = [rate(from, reference, z), rate(to, reference, z)];
  return Math.abs(b / a - 1) < 1e-9 ? a * seconds : ((b - a) / Math.log(b / a)) * seconds;
}

/** The part of a straight climb or fall that lies within what is credited; null where none does. */
function within(
  from: number,
  to: number,
  seconds: number,
): { from: number; to: number; seconds: number } | null {
  const [low, high] = [Math.max(FROM, Math.min(from, to)), Math.min(TO, Math.max(from, to))];
  if (low > high) return null;
  if (from === to) return { from, to, seconds };
  const share = (high - low) / Math.abs(to - from);
  return from < to
    ? { from: low, to: high, seconds: seconds * share }
    : { from: high, to: low, seconds: seconds * share };
}

/**
 * Lethality (process value) of a temperature curve: equivalent minutes at a reference temperature, ∫ 10^((T − T_ref)/z) dt with the
 * temperature straight between readings. Nothing under 55 °C or over 100 °C; over gaps of more than 60 s only the colder end.
 * @param curve.samples s and °C, in order; @param curve.referenceCelsius 93.3 for acid products; @param curve.z over 0, 8.9 for them
 * @returns equivalent minutes; throws RangeError on times that go back, what is no temperature, or a z that is not over 0
 * @example lethality({ samples: [{ seconds: 0, celsius: 93.3 }, { seconds: 600, celsius: 93.3 }], referenceCelsius: 93.3, z: 8.9 }) // 10
 */
export function lethality(curve: {
  samples: readonly HeatSample[];
  referenceCelsius: number;
  z: number;
}): number {
  const { samples, referenceCelsius, z } = curve;
  if (!(z > 0)) throw new RangeError(`A z of ${z} °C is not over 0`);
  if (!Number.isFinite(referenceCelsius))
    throw new RangeError(`A reference of ${referenceCelsius} °C is no temperature`);
  for (const { celsius } of samples)
    if (!Number.isFinite(celsius)) throw new RangeError(`A reading of ${celsius} °C is no temperature`);
  let seconds = 0;
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    const long = b.seconds - a.seconds;
    if (!(long >= 0)) throw new RangeError(`The reading at ${b.seconds} s comes after one at ${a.seconds} s`);
    if (long > LONGEST_GAP) {
      const colder = Math.min(a.celsius, b.celsius);
      if (colder >= FROM && Math.max(a.celsius, b.celsius) <= TO)
        seconds += rate(colder, referenceCelsius, z) * long;
      continue;
    }
    const part = within(a.celsius, b.celsius, long);
    if (part) seconds += straight(part.from, part.to, part.seconds, referenceCelsius, z);
  }
  return seconds / 60;
}
