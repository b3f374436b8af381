/**
 * Norrish constants K and molar masses in g/mol at 25 °C (Norrish 1966; Chirife). Lactic is held at 0, the careful side of its fitted value.
 * Glucose is fitted to its published isotherm up to saturation (Scott 1957): 2.25 reads 0.013 too low at 58 % w/w.
 */
const SOLUTES = {
  sucrose: { k: 6.47, molarMass: 342.3 },
  glucose: { k: 1.7, molarMass: 180.16 },
  fructose: { k: 2.25, molarMass: 180.16 },
  citric: { k: 6.17, molarMass: 192.12 },
  malic: { k: 1.82, molarMass: 134.09 },
  tartaric: { k: 4.68, molarMass: 150.09 },
  lactic: { k: 0, molarMass: 90.08 },
  glycerol: { k: 1.16, molarMass: 92.09 },
  sorbitol: { k: 1.65, molarMass: 182.17 },
} as const;

const NAMES = Object.keys(SOLUTES) as (keyof typeof SOLUTES)[];
const ROOTS = NAMES.map((name) => Math.sqrt(SOLUTES[name].k));
const MOLAR_MASSES = NAMES.map((name) => SOLUTES[name].molarMass);
const WATER_MOLAR_MASS = 18.015;

/**
 * Water activity of a solution at 25 °C by Norrish, for information: a calculated a_w is never a hurdle.
 * @param grams water (over 0) and solutes, g; @returns 0–1. @throws RangeError where there is no water or an amount is negative.
 * @example waterActivity({ water: 100, sucrose: 100 }) // 0.935
 */
export function waterActivity(
  grams: { water: number } & Partial<Record<keyof typeof SOLUTES, number>>,
): number {
  if (!(grams.water > 0)) throw new RangeError('Water activity needs some water');
  const { sucrose = 0, glucose = 0, fructose = 0, citric = 0, malic = 0 } = grams;
  const { tartaric = 0, lactic = 0, glycerol = 0, sorbitol = 0 } = grams;
  // In the order of the names.
  const masses = [sucrose, glucose, fructose, citric, malic, tartaric, lactic, glycerol, sorbitol];
  const water = grams.water / WATER_MOLAR_MASS;
  let total = water;
  let pull = 0;
  for (let i = 0; i < masses.length; i++) {
    const mass = masses[i]!;
    if (!(mass >= 0)) throw new RangeError(`${mass} g of ${NAMES[i]} is not an amount`);
    const n = mass / MOLAR_MASSES[i]!;
    total += n;
    pull += ROOTS[i]! * n;
  }
  pull /= total;
  return (water / total) * Math.exp(-(pull * pull));
}
