import { type AcidName, type Acids, acidFacts } from './constants.ts';
import { equilibriumPh } from './equilibrium.ts';

/** What is dosed: acids in mol and base in eq per kg of water; `waterShare` where its water per kg of product is known, 0–1. */
export interface DosedJuice {
  acids: Acids;
  baseEquivalents: number;
  waterShare?: number;
}

/**
 * How much of a pure acid brings a juice down to a pH, all else as it is.
 * @param dose.juice acids and base per kg of water; @param dose.targetPh over 0; @param dose.acid which acid
 * @returns grams per kg of water, and per kg of product where its water is known; 0 where it is there already
 * @throws RangeError where no amount up to 5 mol/kg reaches the pH. Source: charge balance.
 * @example acidDose({ juice: { acids: { citric: 0.1 }, baseEquivalents: 0.1 }, targetPh: 3, acid: 'citric' }).gramsPerKgWater > 0 // true
 */
export function acidDose(dose: { juice: DosedJuice; targetPh: number; acid: AcidName }): {
  gramsPerKgWater: number;
  gramsPerKgProduct: number | null;
} {
  const { juice, targetPh, acid } = dose;
  const phWith = (more: number) =>
    equilibriumPh({
      acids: { ...juice.acids, [acid]: (juice.acids[acid] ?? 0) + more },
      baseEquivalents: juice.baseEquivalents,
    }).ph;
  let [low, high] = [0, 5];
  if (phWith(0) <= targetPh) high = 0;
  else if (phWith(high) > targetPh)
    throw new RangeError(`No amount of ${acid} acid brings this to pH ${targetPh}`);
  for (let i = 0; i < 50 && high - low > 1e-9; i++) {
    const middle = (low + high) / 2;
    if (phWith(middle) > targetPh) low = middle;
    else high = middle;
  }
  const gramsPerKgWater = ((low + high) / 2) * acidFacts[acid].molarMass;
  const { waterShare } = juice;
  return {
    gramsPerKgWater,
    gramsPerKgProduct: waterShare === undefined ? null : gramsPerKgWater * waterShare,
  };
}
