import { type AcidName, type Acids, equilibriumPh, equivalentWeights } from '../acid/index.ts';
import { type Composition, liquidOf } from './pan.ts';

/** Acids and base per kg of the pan's water; null where there is too little water for them to be in solution. */
function solutionOf(pan: Composition): { acids: Acids; baseEquivalents: number } | null {
  const kg = pan.water / 1000;
  if (kg <= 0) return null;
  const acids: Acids = {};
  for (const name in pan.acids) {
    const molality = pan.acids[name as AcidName]! / kg;
    if (molality >= 20) return null;
    acids[name as AcidName] = molality;
  }
  const baseEquivalents = pan.baseEquivalents / kg;
  return Math.abs(baseEquivalents) > 150 ? null : { acids, baseEquivalents };
}

/** Whether there is anything acid in it at all. */
export function hasAcid(pan: Composition): boolean {
  for (const name in pan.acids) if (pan.acids[name as AcidName]! > 0) return true;
  return false;
}

/** pH of what is in the pan, to a tolerance; null where there is too little water to speak of. */
export function phOf(pan: Composition, tolerance?: number): number | null {
  const solution = solutionOf(pan);
  return solution ? equilibriumPh(solution, tolerance).ph : null;
}

/** Equivalents of base that bring the pan to pH 8.2; null without water. */
export function titrationEquivalents(pan: Composition): number | null {
  const solution = solutionOf(pan);
  if (!solution) return null;
  const molality = Object.values(solution.acids).reduce((sum, m) => sum + m, 0);
  if (molality === 0) return 0;
  let [low, high] = [0, 3 * molality + 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (equilibriumPh({ ...solution, baseEquivalents: solution.baseEquivalents + middle }).ph < 8.2)
      low = middle;
    else high = middle;
  }
  return ((low + high) / 2) * (pan.water / 1000);
}

/** Titratable acidity of the pan as citric acid, % w/w of the liquid, by titrating the model to pH 8.2; null without water. */
export function taPercent(pan: Composition): number | null {
  const equivalents = titrationEquivalents(pan);
  return equivalents === null ? null : (100 * equivalents * equivalentWeights.citric) / liquidOf(pan);
}
