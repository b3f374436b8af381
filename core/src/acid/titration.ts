import { equivalentWeights } from './constants.ts';

/**
 * Titratable acidity from a titration with a strong base.
 * @param at.titrantMl mL of base used; @param at.normality eq/L of the base; @param at.sampleMl mL of sample; @param at.as acid it is expressed as
 * @returns g/L of the named acid. @throws RangeError on a negative or empty amount. Source: AOAC 942.15.
 * @example titratableAcidity({ titrantMl: 12.6, normality: 0.1, sampleMl: 10, as: 'citric' }) // 8.07
 */
export function titratableAcidity(at: {
  titrantMl: number;
  normality: number;
  sampleMl: number;
  as: keyof typeof equivalentWeights;
}): number {
  const weight = equivalentWeights[at.as];
  if (weight === undefined) throw new RangeError(`Acidity is not expressed as ${at.as}`);
  if (!(at.titrantMl >= 0) || !(at.normality > 0) || !(at.sampleMl > 0))
    throw new RangeError(
      'A titration needs the millilitres of base, its strength and the sample, all over 0',
    );
  return (at.titrantMl * at.normality * weight) / at.sampleMl;
}
