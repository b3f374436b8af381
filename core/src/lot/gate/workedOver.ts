import { lastOf, type Written } from '../../record/index.ts';
import { gramsTicked } from '../keeping/jarByJar.ts';
import { linesByJar } from '../keeping/numbered.ts';
import { type Addition, type LotRecord, standing } from '../record.ts';

/** How far the sum that is written down may lie over what the ticked jars ask for: spoons differ by country. */
const OVER = 1.25;

/**
 * Whether an addition is the sum of what went in jar by jar as its jars were filled: the line's own ingredient, and no more than they hold of it.
 * Anything else is put in afterwards.
 * @example isJarSum(lot, lot.additions[0]) // false
 */
export function isJarSum(lot: LotRecord, a: Pick<Addition, 'lineId' | 'ingredientId'>): boolean {
  const line = lot.product.content.lines.find((l) => l.id === a.lineId);
  if (!line || !linesByJar(lot).has(line.id) || line.ingredientId !== a.ingredientId) return false;
  const total = standing(lot.additions).reduce((sum, b) => sum + (b.lineId === line.id ? b.grams : 0), 0);
  const holds = standing(lot.bottlings).reduce((sum, b) => sum + b.count * b.nominalMl, 0);
  return total <= (gramsTicked(lot, line.id, 'us') ?? holds) * OVER;
}

/** What went into a lot after it was filled, by the clock or by the record. What goes in bottle by bottle goes in with the filling. */
export function workedIn(lot: LotRecord): Addition[] {
  const [filled] = standing(lot.bottlings);
  if (!filled) return [];
  return standing(lot.additions).filter(
    (a) => a.grams > 0 && (a.at > filled.at || a.recordedAt > filled.recordedAt) && !isJarSum(lot, a),
  );
}

/** The place in the record behind everything that went in after the filling: what was earned before it has to be earned again. */
export const workedOver = (lot: LotRecord): Written => lastOf(workedIn(lot)) ?? { at: '', recordedAt: '' };
