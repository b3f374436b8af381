import { amountsOf } from '../amounts.ts';
import type { FormulaContent } from '../content.ts';
import { brixOf, liquidOf } from '../pan/pan.ts';
import { type Walked, walk } from '../pan/walk.ts';
import { readLine, type SaidLine } from '../said.ts';
import { hasAcid, phOf } from './acidity.ts';
import type { ForecastSetting } from './forecast.ts';
import { acidKnown } from './unknown.ts';

/** What one line or one step does to the finished product: with it less without it. Null where there is nothing to compare. */
export interface Contribution {
  /** Of the line, or of the step. */
  id: string;
  ph: number | null;
  brix: number | null;
  /** mL of yield. */
  millilitres: number | null;
  /** Minor units of money, of the whole batch; null for a step, and while no price is known. */
  cost: number | null;
}

interface Measured {
  ph: number | null;
  brix: number;
  millilitres: number;
}

function measured({ product, millilitres }: Walked): Measured {
  return { ph: hasAcid(product) ? phOf(product) : null, brix: brixOf(product), millilitres };
}

const less = (id: string, whole: Measured, without: Measured, cost: number | null): Contribution => ({
  id,
  ph: whole.ph === null || without.ph === null ? null : whole.ph - without.ph,
  brix: whole.brix - without.brix,
  millilitres: whole.millilitres - without.millilitres,
  cost,
});

/** The lines without one of them; those that follow it keep what they weigh with it. */
function without(lines: readonly SaidLine[], whole: Walked, left: number): SaidLine[] {
  return lines.map((line, i) => {
    if (i === left) return { ...line, value: null };
    const grams = whole.grams[i];
    if (line.basis.per !== 'line' || grams === null || grams === undefined) return line;
    return {
      ...line,
      basis: { per: 'batch' },
      value: { kind: 'grams', amount: grams, low: grams, high: grams },
    };
  });
}

/**
 * What each line and each step brings to pH, °Bx, yield and cost of the finished product, by leaving it out once.
 * @param content the formula; @param setting the kitchen's
 * @returns lines and steps in order; pH and °Bx with it less without it, mL of yield, cost in minor units
 * @example contributions(cherry, setting).lines.map((line) => line.id) // ['fruit', 'sugar']
 */
export function contributions(
  content: FormulaContent,
  setting: ForecastSetting,
): { lines: Contribution[]; steps: Contribution[] } {
  const said = content.lines.map((line) => readLine(line, setting));
  const { elevationMetres, boiledOff } = setting;
  const whole = walk(content, said, { elevationMetres, boiledOff });
  const amounts = amountsOf(said, whole);
  const known = acidKnown(amounts, whole.product);
  const hide = (c: Contribution): Contribution => (known ? c : { ...c, ph: null });
  const all = measured(whole);
  const nothing = (id: string): Contribution => ({ id, ph: null, brix: null, millilitres: null, cost: null });
  const lines = said.map((line, i) => {
    const { grams, ingredient } = amounts[i]!;
    if (grams === null || !ingredient) return nothing(line.lineId);
    const price = setting.catalogue.pricePerKg(ingredient.id);
    const cost = price === undefined ? null : (price * grams) / 1000;
    const rest = walk(content, without(said, whole, i), { elevationMetres, boiledOff });
    if (liquidOf(rest.product) === 0) return { ...nothing(line.lineId), cost };
    return hide(less(line.lineId, all, measured(rest), cost));
  });
  const steps = content.steps.map((step) => {
    if (!['draw', 'strain', 'reduce', 'heat', 'prepare'].includes(step.kind)) return nothing(step.id);
    const rest = walk(content, said, { elevationMetres, boiledOff, without: step.id });
    return hide(less(step.id, all, measured(rest), null));
  });
  return { lines, steps };
}
