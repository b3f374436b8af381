import { type AcidName, type Acids, acidDose, equilibriumPh } from '../acid/index.ts';

const FIRST = 2 / 3;

/** The base that makes a mixture of known acids stand at a measured pH, eq per kg of water; by bisection. */
function baseAt(acids: Acids, ph: number): number {
  let [low, high] = [-2, 5];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (equilibriumPh({ acids, baseEquivalents: middle }).ph < ph) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Grams of an acid that bring a pan from its measured pH down to another: the acids that went in, their base taken from the pH as read.
 * @param pan.acids mol in the whole pan; @param pan.waterGrams over 0; @param pan.ph measured, 1.5–7; @param pan.targetPh; @param pan.acid what is put in
 * @returns grams in all, and what goes in first (two thirds) before it is measured again; 0 where it is there
 * @throws RangeError where no amount reaches it, or nothing sour is known to be in it. Source: charge balance; a bench trial is surer.
 * @example acidCorrection({ acids: { citric: 0.05 }, waterGrams: 2000, ph: 3.8, targetPh: 3.4, acid: 'citric' }).grams > 0 // true
 */
export function acidCorrection(pan: {
  acids: Acids;
  waterGrams: number;
  ph: number;
  targetPh: number;
  acid: AcidName;
}): { grams: number; firstGrams: number } {
  const kg = pan.waterGrams / 1000;
  if (!(kg > 0)) throw new RangeError('Weigh the pan, or dip it, first');
  if (!(pan.ph >= 1.5 && pan.ph <= 7)) throw new RangeError(`pH ${pan.ph} is outside 1.5 to 7`);
  if (pan.ph <= pan.targetPh) return { grams: 0, firstGrams: 0 };
  const acids: Acids = {};
  for (const name in pan.acids) acids[name as AcidName] = pan.acids[name as AcidName]! / kg;
  if (!Object.values(acids).some((mol) => mol > 0))
    throw new RangeError('No acid is known to be in it: try the dose on a weighed sample');
  const juice = { acids, baseEquivalents: baseAt(acids, pan.ph) };
  const grams = acidDose({ juice, targetPh: pan.targetPh, acid: pan.acid }).gramsPerKgWater * kg;
  return { grams, firstGrams: grams * FIRST };
}
