import type { StockView } from '@inch/contract/kitchen/stock';
import type { FormulaHead } from '@inch/contract/making/formula';
import { addDays } from '@inch/core/calendar';
import type { PickingUse, Ripeness } from '@inch/core/planning';
import { costOf, makingOf, usualContainer } from '@inch/core/planning';
import { weightShown } from '@inch/core/quantity';
import type { Planning } from '../data/planning.ts';
import { figureIn, priceIn } from '../ui/typed.ts';

/** What a picking may be made into, as it is typed. */
export interface UseRow {
  formula: FormulaHead;
  lineId: string;
  considered: boolean;
  on: string;
  /** In the kitchen's heavy measure. */
  least: string;
  most: string;
  /** Price a bottle in the kitchen's money. */
  price: string;
}

export interface RipeRow {
  id: string;
  says: string;
  amount: string;
  until: string;
}

/** Whether every day of it can be read. */
export const daysRead = (ripe: readonly RipeRow[], rows: readonly UseRow[]): boolean =>
  [...ripe.map((r) => r.until), ...rows.map((r) => r.on)].every((day) => /^\d{4}-\d{2}-\d{2}$/.test(day));

const asTyped = (grams: number) => String(Math.round(10 * weightShown(grams, 'heavy')) / 10);
export const gramsTyped = (text: string): number =>
  (figureIn(text, { unit: 'kg', kitchens: true, min: 0 }) ?? 0) * 1000;

/** How the picking may wait, to begin with: all of it until its own date, or three days. */
export function ripenessOf(stock: StockView, today: string): RipeRow[] {
  const until = stock.bestBy && stock.bestBy >= today ? stock.bestBy : addDays(today, 3);
  return [
    { id: 'now', says: 'Will not wait', amount: '0', until: addDays(today, 1) },
    { id: 'soon', says: 'Can wait a little', amount: asTyped(stock.left), until },
    { id: 'firm', says: 'Is still firm', amount: '0', until: addDays(until, 4) },
  ];
}

/** Formulas that a fruit goes into, each with what one making of it takes and what its last plan sold it for. */
export function usesOf(stock: StockView, planning: Planning): UseRow[] {
  return planning.formulas
    .filter((f) => !f.archived)
    .flatMap((formula) => {
      const line = formula.content.lines.find((l) => l.ingredientId === stock.thing);
      const one = line && oneMaking(formula, line.id, planning);
      if (!line || !one) return [];
      return {
        formula,
        lineId: line.id,
        considered: true,
        on: addDays(planning.today, 1),
        least: asTyped(one.grams / 2),
        most: asTyped(Math.min(stock.left, one.grams * (one.panScale ?? 3))),
        price: '',
      };
    });
}

/** One making of a formula: g of the fruit it takes, bottles it gives, what it costs without the fruit; null where it cannot be weighed. */
function oneMaking(formula: FormulaHead, lineId: string, planning: Planning) {
  try {
    const containerId = usualContainer(formula, planning);
    const sized = makingOf(formula, { by: 'bottles', bottles: 12 }, containerId, planning);
    const grams = sized.whole.lines.find((l) => l.lineId === lineId)?.toHave ?? 0;
    if (grams <= 0) return null;
    const thing = sized.content.lines.find((l) => l.id === lineId)!.ingredientId;
    const withoutFruit = { ...sized, needs: sized.needs.filter((n) => n.thing !== thing) };
    const item = {
      id: 'one',
      formulaId: formula.id,
      want: { by: 'bottles' as const, bottles: 12 },
      containerId,
      priceMinor: null,
      bought: null,
      parts: [{ id: 'one', scale: sized.whole.scale, lot: null }],
    };
    const cost = costOf(item, withoutFruit, planning);
    const by = 1 / sized.whole.scale;
    return {
      grams: grams * by,
      bottles: sized.whole.bottles * by,
      costMinor: cost.total * by,
      panScale: sized.whole.panScale,
    };
  } catch {
    return null;
  }
}

/** What a kilo of the fruit earns in one use, minor units: its bottles at their price, less what else they cost. */
export function marginPerKg(row: UseRow, planning: Planning): number {
  const one = oneMaking(row.formula, row.lineId, planning);
  if (!one) return 0;
  const priceMinor = priceIn(row.price, planning.kitchen.currency) ?? 0;
  return (priceMinor * one.bottles - one.costMinor) / (one.grams / 1000);
}

export const asRipeness = (rows: readonly RipeRow[]): Ripeness[] =>
  rows.map((r) => ({ id: r.id, grams: gramsTyped(r.amount), until: r.until })).filter((r) => r.grams > 0);

export const asUses = (rows: readonly UseRow[], planning: Planning): PickingUse[] =>
  rows
    .filter((r) => r.considered)
    .map((r) => ({
      id: r.formula.id,
      on: r.on,
      marginPerKgMinor: marginPerKg(r, planning),
      least: gramsTyped(r.least),
      most: Math.max(gramsTyped(r.least), gramsTyped(r.most)),
    }));
