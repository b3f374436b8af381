/** pKa at 25 °C and zero ionic strength (CRC Handbook; Martell & Smith), molar mass in g/mol. */
export const acidFacts = {
  citric: { pKa: [3.128, 4.761, 6.396], molarMass: 192.12 },
  isocitric: { pKa: [3.29, 4.71, 6.4], molarMass: 192.12 },
  malic: { pKa: [3.459, 5.097], molarMass: 134.09 },
  tartaric: { pKa: [3.036, 4.366], molarMass: 150.09 },
  acetic: { pKa: [4.756], molarMass: 60.05 },
  lactic: { pKa: [3.858], molarMass: 90.08 },
  oxalic: { pKa: [1.252, 4.266], molarMass: 90.03 },
  ascorbic: { pKa: [4.1], molarMass: 176.12 },
  quinic: { pKa: [3.46], molarMass: 192.17 },
  galacturonic: { pKa: [3.5], molarMass: 194.14 },
  gluconic: { pKa: [3.7], molarMass: 196.16 },
  succinic: { pKa: [4.207, 5.636], molarMass: 118.09 },
  phosphoric: { pKa: [2.148, 7.198, 12.35], molarMass: 97.99 },
  benzoic: { pKa: [4.204], molarMass: 122.12 },
  sorbic: { pKa: [4.756], molarMass: 112.13 },
} as const satisfies Record<string, { pKa: readonly number[]; molarMass: number }>;

export type AcidName = keyof typeof acidFacts;
export type Acids = Partial<Record<AcidName, number>>;

/** Grams of each acid that neutralise one equivalent of base, for titratable acidity. */
export const equivalentWeights = {
  citric: 64.04,
  malic: 67.04,
  tartaric: 75.04,
  acetic: 60.05,
  lactic: 90.08,
} as const;

export const PKW = 13.995;
/** Over this ionic strength the Davies equation is frozen and the answer flagged. */
export const FROZEN_IONIC_STRENGTH = 0.5;

/**
 * log10 γ of an ion of charge 1 by Davies at 25 °C; an ion of charge z has z² of it. @param ionicStrength mol/kg, frozen over 0.5
 * @example daviesLogGamma(0) // 0
 */
export function daviesLogGamma(ionicStrength: number): number {
  const root = Math.sqrt(Math.min(ionicStrength, FROZEN_IONIC_STRENGTH));
  return -0.509 * (root / (1 + root) - 0.3 * root * root);
}
