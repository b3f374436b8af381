import { volume } from '../quantity/index.ts';
/**
 * Tolerable negative error of a pre-package's contents in mL, by its nominal contents; what is a percentage is rounded up to a tenth of a mL.
 * @param nominalMl 5–10,000; throws RangeError outside
 * Source: Directive 76/211/EEC, Annex I, 2.4 and 2.5.
 * @example tolerableNegativeError(375) // 11.3
 */
export function tolerableNegativeError(nominalMl: number): number {
  if (!(nominalMl >= 5 && nominalMl <= 10_000))
    throw new RangeError(`${nominalMl} mL is outside 5 to 10,000`);
  const percent = (share: number) => Math.ceil((share * nominalMl) / 10 - 1e-9) / 10;
  if (nominalMl <= 50) return percent(9);
  if (nominalMl <= 100) return 4.5;
  if (nominalMl <= 200) return percent(4.5);
  if (nominalMl <= 300) return 9;
  if (nominalMl <= 500) return percent(3);
  if (nominalMl <= 1000) return 15;
  return percent(1.5);
}

/** What weighing some bottles of a filling says of its net contents. */
export interface NetContents {
  averageMl: number;
  /** Bottles short by more than the tolerable error, and by more than twice of it. */
  short: number;
  farShort: number;
  /** Why it does not meet the rule, line by line; empty where it does. */
  reasons: string[];
}

/** Of a hundred bottles as many may be short by more than the tolerable error. */
const MAY_BE_SHORT = 0.025;

/**
 * The packers' rules of the European Union for a filling: on average not under what the label says; at most 2.5 in a hundred short by more
 * than the tolerable error; none by more than twice of it.
 * @param nominalMl as labelled, 5–10,000; @param measuredMl net contents of the weighed bottles at 20 °C, at least one
 * @throws RangeError outside those ranges
 * @example euNetContents(250, [250, 251, 249]) // { averageMl: 250, short: 0, farShort: 0, reasons: [] }
 */
export function euNetContents(nominalMl: number, measuredMl: readonly number[]): NetContents {
  if (measuredMl.length === 0) throw new RangeError('No bottle was weighed');
  const error = tolerableNegativeError(nominalMl);
  const averageMl = measuredMl.reduce((sum, ml) => sum + ml, 0) / measuredMl.length;
  const short = measuredMl.filter((ml) => ml < nominalMl - error - 1e-9).length;
  const farShort = measuredMl.filter((ml) => ml < nominalMl - 2 * error - 1e-9).length;
  const reasons: string[] = [];
  if (averageMl < nominalMl - 1e-9)
    reasons.push(`on average they hold ${volume(averageMl, 1)}, and the label says ${volume(nominalMl)}`);
  if (short > MAY_BE_SHORT * measuredMl.length)
    reasons.push(`${short} of ${measuredMl.length} are short by more than ${volume(error, 1)}`);
  if (farShort > 0)
    reasons.push(
      `${farShort} ${farShort === 1 ? 'is' : 'are'} short by more than ${volume(2 * error, 1)}: not to be sold`,
    );
  return { averageMl, short, farShort, reasons };
}

/** How much under its label a bottle may be where the pack names no figure, % of what the label says. */
const US_SHORTFALL_PERCENT = 2;

/**
 * Net contents by the United States pack: on average not under what the label says, and no bottle short by an unreasonable amount.
 * 21 CFR 101.7(q) gives that amount no figure; until a kitchen's inspector names theirs, 2 % of the label counts here, which is this program's own.
 * @param nominalMl as labelled, over 0; @param measuredMl net contents of the weighed bottles, at least one
 * @throws RangeError outside those ranges
 * @example usNetContents(250, [250, 251, 250]) // { averageMl: 250.3, reasons: [] }
 */
export function usNetContents(nominalMl: number, measuredMl: readonly number[]): NetContents {
  if (!(nominalMl > 0)) throw new RangeError(`${nominalMl} mL is not over 0`);
  if (measuredMl.length === 0) throw new RangeError('No bottle was weighed');
  const allowed = (nominalMl * US_SHORTFALL_PERCENT) / 100;
  const averageMl = measuredMl.reduce((sum, ml) => sum + ml, 0) / measuredMl.length;
  const short = measuredMl.filter((ml) => ml < nominalMl - allowed - 1e-9).length;
  const reasons: string[] = [];
  if (averageMl < nominalMl - 1e-9)
    reasons.push(`on average they hold ${volume(averageMl, 1)}, and the label says ${volume(nominalMl)}`);
  if (short > 0)
    reasons.push(
      `${short} of ${measuredMl.length} ${short === 1 ? 'is' : 'are'} short by more than ${US_SHORTFALL_PERCENT} % (${volume(allowed, 1)})`,
    );
  return { averageMl, short, farShort: short, reasons };
}

/**
 * Net contents of some weighed bottles by a kitchen's rule pack.
 * @example netContents('us', 250, [240, 241]).reasons.length // 2
 */
export const netContents = (
  pack: 'us' | 'eu',
  nominalMl: number,
  measuredMl: readonly number[],
): NetContents =>
  pack === 'eu' ? euNetContents(nominalMl, measuredMl) : usNetContents(nominalMl, measuredMl);

/**
 * Net contents of a weighed bottle: what it weighs without its glass, over the density of its liquid at 20 °C.
 * @param grossGrams and @param tareGrams g, the tare less than the gross; @param density g/mL at 20 °C, 0.9–1.5
 * @returns mL at 20 °C; throws RangeError outside
 * @example netMl(450, 200, 1.25) // 200
 */
export function netMl(grossGrams: number, tareGrams: number, density: number): number {
  if (!(tareGrams >= 0 && grossGrams > tareGrams))
    throw new RangeError(`A bottle of ${grossGrams} g with ${tareGrams} g of glass holds nothing`);
  if (!(density >= 0.9 && density <= 1.5))
    throw new RangeError(`A density of ${density} g/mL is outside 0.9 to 1.5`);
  return (grossGrams - tareGrams) / density;
}
