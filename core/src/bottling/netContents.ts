/**
 * Tolerable negative error of a pre-package's contents in mL, by its nominal contents.
 * @param nominalMl 5–10,000; throws RangeError outside
 * Source: Directive 76/211/EEC, Annex I, 2.4.
 */
export function tolerableNegativeError(nominalMl: number): number {
  if (!(nominalMl >= 5 && nominalMl <= 10_000))
    throw new RangeError(`${nominalMl} mL is outside 5 to 10,000`);
  if (nominalMl <= 50) return 0.09 * nominalMl;
  if (nominalMl <= 100) return 4.5;
  if (nominalMl <= 200) return 0.045 * nominalMl;
  if (nominalMl <= 300) return 9;
  if (nominalMl <= 500) return 0.03 * nominalMl;
  if (nominalMl <= 1000) return 15;
  return 0.015 * nominalMl;
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
 */
export function euNetContents(nominalMl: number, measuredMl: readonly number[]): NetContents {
  if (measuredMl.length === 0) throw new RangeError('No bottle was weighed');
  const error = tolerableNegativeError(nominalMl);
  const averageMl = measuredMl.reduce((sum, ml) => sum + ml, 0) / measuredMl.length;
  const short = measuredMl.filter((ml) => ml < nominalMl - error - 1e-9).length;
  const farShort = measuredMl.filter((ml) => ml < nominalMl - 2 * error - 1e-9).length;
  const reasons: string[] = [];
  if (averageMl < nominalMl - 1e-9)
    reasons.push(`on average they hold ${averageMl.toFixed(1)} mL, and the label says ${nominalMl}`);
  if (short > MAY_BE_SHORT * measuredMl.length)
    reasons.push(`${short} of ${measuredMl.length} are short by more than ${error.toFixed(1)} mL`);
  if (farShort > 0)
    reasons.push(
      `${farShort} ${farShort === 1 ? 'is' : 'are'} short by more than ${(2 * error).toFixed(1)} mL: not to be sold`,
    );
  return { averageMl, short, farShort, reasons };
}
