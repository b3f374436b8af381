import { type AcidName, acidFacts, daviesLogGamma } from '../acid/index.ts';

/**
 * The part of a weak acid (acetic, benzoic, sorbic) that is undissociated and works against yeasts and moulds.
 * @param dose.acid a one-step acid; @param dose.ph 0–14; @param dose.total any unit; @param dose.ionicStrength mol/kg, 0.1 where not known
 * @returns the undissociated part, in the unit of `total`; the anion's activity coefficient is counted
 * @throws RangeError on an acid of several steps, a pH outside 0–14 or a negative total. Source: Henderson–Hasselbalch with Davies.
 * @example undissociated({ acid: 'sorbic', ph: 4.76, total: 1, ionicStrength: 0 }) // 0.50
 */
export function undissociated(dose: {
  acid: AcidName;
  ph: number;
  total: number;
  ionicStrength?: number;
}): number {
  const { acid, ph, total, ionicStrength = 0.1 } = dose;
  const [pKa, ...more] = acidFacts[acid].pKa as readonly number[];
  if (more.length > 0) throw new RangeError(`${acid} acid gives off more than one proton`);
  if (!(ph >= 0 && ph <= 14)) throw new RangeError(`A pH of ${ph} is outside 0 to 14`);
  if (!(total >= 0)) throw new RangeError(`A total of ${total} is not an amount`);
  return total / (1 + 10 ** (ph - pKa! - daviesLogGamma(ionicStrength)));
}

/** Acid in a weight of its salt: potassium sorbate, sodium benzoate. Source: molar masses. */
export const acidInSalt = { 'potassium sorbate': 0.7464, 'sodium benzoate': 0.8475 } as const;
