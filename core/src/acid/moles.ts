import { type AcidName, type Acids, acidFacts } from './constants.ts';

/** Amounts of all acids, mol, each at its place in this list: added up by place, which is many times as quick as by name. */
export const ACIDS = Object.keys(acidFacts) as AcidName[];

/**
 * Place of an acid in a list of amounts.
 * @example placeOfAcid('citric') // 0
 */
export const placeOfAcid = (name: AcidName): number => ACIDS.indexOf(name);

// Kept as a list of fractions, so that its copies are as quick to write as to read.
const NONE = ACIDS.map(() => 0.5).fill(0);

/**
 * A list of amounts with nothing in it, mol.
 * @example noAcids().every((mol) => mol === 0) // true
 */
export const noAcids = (): number[] => NONE.slice();

/**
 * Amounts by place from amounts by name, mol; an acid that is not named is 0.
 * @example molesOf({ citric: 2 })[placeOfAcid('citric')] // 2
 */
export function molesOf(acids: Acids): number[] {
  const moles = noAcids();
  for (const name in acids) moles[placeOfAcid(name as AcidName)] = acids[name as AcidName]!;
  return moles;
}

/**
 * Amounts by name from amounts by place, mol: those that are there.
 * @example acidsIn(molesOf({ malic: 1 })) // { malic: 1 }
 */
export function acidsIn(moles: readonly number[]): Acids {
  const acids: Acids = {};
  moles.forEach((mol, i) => {
    if (mol !== 0) acids[ACIDS[i]!] = mol;
  });
  return acids;
}
