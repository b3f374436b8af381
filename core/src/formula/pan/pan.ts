import { ACIDS, acidFacts, noAcids, placeOfAcid } from '../../acid/index.ts';
import { contraction, ETHANOL_DENSITY } from '../../keeping/index.ts';
import { densityAt20 } from '../../sugar/index.ts';
import type { Texture } from '../texture.ts';

/** Grams of each; acids in mol, by their place, and base in eq. Everything is conserved or accounted for. */
export interface Composition {
  water: number;
  sucrose: number;
  glucose: number;
  fructose: number;
  otherSolids: number;
  insoluble: number;
  ethanol: number;
  acids: number[];
  baseEquivalents: number;
}

/** A pan: what runs, and what is still in the fruit and leaves, by their texture. */
export interface Pan {
  liquid: Composition;
  fruit: Partial<Record<Texture, Composition>>;
}

/**
 * A composition of no mass, g of each part.
 * @example massOf(nothing()) // 0
 */
export const nothing = (): Composition => ({
  water: 0,
  sucrose: 0,
  glucose: 0,
  fructose: 0,
  otherSolids: 0,
  insoluble: 0,
  ethanol: 0,
  acids: noAcids(),
  baseEquivalents: 0,
});

/** What was found in the liquid of a pan by weighing, dipping and reading, g; alcohol counts with the water. */
export interface FoundPan {
  waterGrams: number;
  solidsGrams: number;
}

/** A pan with its liquid as it was found: the acids stay, and water and sugars are what was measured. */
export function asFound({ liquid, fruit }: Pan, found: FoundPan): Pan {
  const runs = liquid.water + liquid.ethanol;
  if (!(runs > 0)) return { liquid, fruit };
  const next = shareOf(liquid, 1);
  next.water *= found.waterGrams / runs;
  next.ethanol *= found.waterGrams / runs;
  const acids = acidGrams(liquid.acids);
  const sugars = solidsOf(liquid) - acids;
  const times = sugars > 0 ? Math.max(0, found.solidsGrams - acids) / sugars : 1;
  next.sucrose *= times;
  next.glucose *= times;
  next.fructose *= times;
  next.otherSolids *= times;
  return { liquid: next, fruit };
}

export const emptyPan = (): Pan => ({ liquid: nothing(), fruit: {} });

/**
 * All that is still in the fruit and leaves of a pan.
 * @example massOf(fruitOf({ liquid: nothing(), fruit: {} })) // 0
 */
export function fruitOf({ fruit }: Pan): Composition {
  const all = nothing();
  for (const texture in fruit) pour(all, fruit[texture as Texture]!, 1);
  return all;
}

/**
 * Pours `factor` times a composition into another, in place: a simulation pours hundreds of thousands of times.
 * @example massOf(pour(nothing(), { ...nothing(), water: 100 }, 2)) // 200
 */
export function pour(into: Composition, add: Composition, factor: number): Composition {
  into.water += add.water * factor;
  into.sucrose += add.sucrose * factor;
  into.glucose += add.glucose * factor;
  into.fructose += add.fructose * factor;
  into.otherSolids += add.otherSolids * factor;
  into.insoluble += add.insoluble * factor;
  into.ethanol += add.ethanol * factor;
  into.baseEquivalents += add.baseEquivalents * factor;
  for (let i = 0; i < into.acids.length; i++) into.acids[i]! += add.acids[i]! * factor;
  return into;
}

/**
 * A share of a composition, on its own.
 * @example shareOf({ ...nothing(), water: 100 }, 0.25).water // 25
 */
export function shareOf(part: Composition, share: number): Composition {
  const acids = part.acids.slice();
  for (let i = 0; i < acids.length; i++) acids[i]! *= share;
  return {
    water: part.water * share,
    sucrose: part.sucrose * share,
    glucose: part.glucose * share,
    fructose: part.fructose * share,
    otherSolids: part.otherSolids * share,
    insoluble: part.insoluble * share,
    ethanol: part.ethanol * share,
    acids,
    baseEquivalents: part.baseEquivalents * share,
  };
}

const MOLAR_MASSES = ACIDS.map((name) => acidFacts[name].molarMass);

/**
 * Acids in g, from mol by their place.
 * @example acidGrams(nothing().acids) // 0
 */
export function acidGrams(acids: readonly number[]): number {
  let grams = 0;
  for (let i = 0; i < acids.length; i++) grams += acids[i]! * MOLAR_MASSES[i]!;
  return grams;
}

const ACETIC = placeOfAcid('acetic');

/**
 * Acetic acid in g.
 * @example aceticGrams(nothing()) // 0
 */
export const aceticGrams = (part: Composition): number => part.acids[ACETIC]! * acidFacts.acetic.molarMass;

/** Takes a share of the acetic acid out, in place: it goes with the steam. */
export function loseAcetic(part: Composition, share: number): void {
  part.acids[ACETIC]! *= 1 - share;
}

/**
 * Dissolved solids in g: sugars, acids and other solubles.
 * @example solidsOf({ ...nothing(), water: 60, sucrose: 40 }) // 40
 */
export const solidsOf = (part: Composition): number =>
  part.sucrose + part.glucose + part.fructose + part.otherSolids + acidGrams(part.acids);

/**
 * Liquid in g: everything but what does not dissolve.
 * @example liquidOf({ ...nothing(), water: 60, sucrose: 40, insoluble: 5 }) // 100
 */
export const liquidOf = (part: Composition): number => part.water + part.ethanol + solidsOf(part);

/**
 * Everything in it, g.
 * @example massOf({ ...nothing(), water: 60, sucrose: 40, insoluble: 5 }) // 105
 */
export const massOf = (part: Composition): number => liquidOf(part) + part.insoluble;

/**
 * °Bx of the liquid, % w/w of dissolved solids.
 * @example brixOf({ ...nothing(), water: 60, sucrose: 40 }) // 40
 */
export function brixOf(part: Composition): number {
  const solids = solidsOf(part);
  const liquid = part.water + part.ethanol + solids;
  return liquid > 0 ? (100 * solids) / liquid : 0;
}

/**
 * Volume in mL at 20 °C of the liquid; the density table ends at 80 °Bx, a stiffer one is measured by its last row.
 * @example volumeOf({ ...nothing(), water: 998.2 }) // 1000
 */
export function volumeOf(part: Composition): number {
  const solids = solidsOf(part);
  const grams = part.water + part.ethanol + solids;
  const rest = grams - part.ethanol;
  const spirit =
    part.ethanol === 0 ? 0 : part.ethanol / ETHANOL_DENSITY - contraction(part.ethanol, part.water);
  return rest > 0 ? spirit + rest / densityAt20(Math.min(80, (100 * solids) / rest)) : spirit;
}

/**
 * % alcohol by volume of a composition that comes to so many mL.
 * @example abvOf({ ...nothing(), ethanol: 31.57 }, 100) // 40
 */
export const abvOf = (part: Composition, millilitres: number): number =>
  millilitres > 0 ? (100 * part.ethanol) / ETHANOL_DENSITY / millilitres : 0;

/**
 * What of the fruit is in no liquid at all takes room as well, mL: cell walls at 1.5 g/mL.
 * @example solidVolumeOf({ ...nothing(), insoluble: 15 }) // 10
 */
export const solidVolumeOf = (part: Composition): number => part.insoluble / 1.5;

/** The whole pan as it stands at equilibrium: liquid and what is left of the fruit, blended. */
export function blendedPan({ liquid, fruit }: Pan): Composition {
  const all = shareOf(liquid, 1);
  for (const texture in fruit) pour(all, fruit[texture as Texture]!, 1);
  return all;
}
