import { equilibriumOf, equivalentWeights, type Mixture, mixtureAt } from '../../acid/index.ts';
import { type Composition, liquidOf } from '../pan/pan.ts';

/** mol of an acid per kg of water from which on it is not in solution any more. */
const STRONGEST = 20;

/** Acids and base per kg of the pan's water; null where there is too little water for them to be in solution. */
function solutionOf(pan: Composition): { mixture: Mixture; base: number } | null {
  const kg = pan.water / 1000;
  if (kg <= 0) return null;
  const mixture = mixtureAt(pan.acids, kg, STRONGEST);
  const base = pan.baseEquivalents / kg;
  return mixture === null || Math.abs(base) > 150 ? null : { mixture, base };
}

/** Whether there is anything acid in it at all. */
export const hasAcid = (pan: Composition): boolean => pan.acids.some((mol) => mol > 0);

/** pH of what is in the pan, to a tolerance; null where there is too little water to speak of. */
export function phOf(pan: Composition, tolerance = 1e-9): number | null {
  const solution = solutionOf(pan);
  return solution ? equilibriumOf(solution.mixture, solution.base, tolerance).ph : null;
}

/** Equivalents of base that bring the pan to pH 8.2; null without water. */
export function titrationEquivalents(pan: Composition): number | null {
  const solution = solutionOf(pan);
  if (!solution) return null;
  const { mixture, base } = solution;
  const molality = mixture.amounts.reduce((sum, m) => sum + m, 0);
  if (molality === 0) return 0;
  let [low, high] = [0, 3 * molality + 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (equilibriumOf(mixture, base + middle, 1e-9).ph < 8.2) low = middle;
    else high = middle;
  }
  return ((low + high) / 2) * (pan.water / 1000);
}

/** Titratable acidity of the pan as citric acid, % w/w of the liquid, by titrating the model to pH 8.2; null without water. */
export function taPercent(pan: Composition): number | null {
  const equivalents = titrationEquivalents(pan);
  return equivalents === null ? null : (100 * equivalents * equivalentWeights.citric) / liquidOf(pan);
}
