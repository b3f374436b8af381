import { temperature } from '../quantity/index.ts';
import { brixFromDensity } from './density.ts';
import { waterDensity } from './water.ts';

/** Glass of the spindle, for a °C, by volume. */
const GLASS = 25e-6;
/** How much more a °Bx swells than water does, for a °C: 60 °Bx by 4.4e-4 where water does 2.6e-4. */
const SYRUP = 3e-6;
/** Outside these the sample is to be brought nearer to 20 °C. */
const [COOL, WARM] = [10, 30];

/**
 * °Bx at 20 °C from a hydrometer's specific gravity, against water at the temperature that it was made for.
 * @param at.gravity as read, 0.98–1.45; @param at.celsius of the sample, 5–45; @param at.madeForCelsius 20 where it does not say (many are made for 15.6)
 * @returns °Bx, what the temperature put right in °Bx, and whether it lies outside 10–30 °C
 * @throws RangeError outside. Source: density of water, Kell (1975); cubic expansion of glass 25e-6; sucrose solutions, NBS Circular 440.
 * @example correctHydrometer({ gravity: 1.0834, celsius: 20 }) // { extrapolated: false }
 */
export function correctHydrometer(at: { gravity: number; celsius: number; madeForCelsius?: number }): {
  brix: number;
  correction: number;
  extrapolated: boolean;
} {
  const { gravity, celsius, madeForCelsius = 20 } = at;
  if (!(gravity >= 0.98 && gravity <= 1.45))
    throw new RangeError(`A specific gravity of ${gravity} is outside 0.980 to 1.450`);
  if (!(celsius >= 5 && celsius <= 45))
    throw new RangeError(
      `A sample at ${temperature(celsius)} cannot be corrected: bring it between 10 and 30 °C and read again`,
    );
  if (!(madeForCelsius >= 4 && madeForCelsius <= 40))
    throw new RangeError(`No hydrometer is made for ${temperature(madeForCelsius)}`);
  const brixOf = (density: number) => brixFromDensity(Math.max(density, waterDensity(20)));
  const atSample = gravity * waterDensity(madeForCelsius) * (1 - GLASS * (celsius - madeForCelsius));
  const plain = brixOf(gravity * waterDensity(madeForCelsius));
  let brix = plain;
  for (let i = 0; i < 4; i++) {
    const swells = (waterDensity(20) / waterDensity(celsius)) * Math.exp(SYRUP * brix * (celsius - 20));
    brix = brixOf(atSample * swells);
  }
  return { brix, correction: brix - plain, extrapolated: celsius < COOL || celsius > WARM };
}
