import type { Plan } from '@inch/contract/kitchen/plan';
import type { StockView } from '@inch/contract/kitchen/stock';
import type { FormulaHead } from '@inch/contract/making/formula';
import { type Interchange, interchanges, lineAmounts } from '@inch/core/formula';
import {
  itemMaking,
  type LeftOverHome,
  type Need,
  shoppingList,
  type ToBuy,
  whereItGoes,
} from '@inch/core/planning';
import { priceShown } from '@inch/core/quantity';
import { availableOf, packagingOf } from '@inch/core/stock';
import type { Planning } from '../data/planning.ts';
import { asCsv } from '../ui/csv.ts';

/** A row of the shopping list with what a shopper wants to know of it. */
export interface ShoppingRow extends ToBuy {
  /** Plans it is for. */
  plans: string[];
  /** Where the cheapest cover is sold; empty where nothing is to be bought. */
  shop: string;
  /** "1 sack of 5 kg, 2 bags of 1 kg". */
  packs: string;
}

const lotsOpen = (plan: Plan) => plan.items.filter((item) => item.parts.some((p) => !p.lot));

/** What the lots of a plan that are not begun yet still need. */
function needsOf(plan: Plan, planning: Planning): Need[] {
  return lotsOpen(plan).flatMap((item) => {
    const making = itemMaking(item, planning);
    if (!making) return [];
    const all = item.parts.reduce((sum, p) => sum + p.scale, 0);
    const open = item.parts.filter((p) => !p.lot).reduce((sum, p) => sum + p.scale, 0);
    return making.needs.map((need) => ({ ...need, amount: (need.amount * open) / all }));
  });
}

function packsSaid(row: ToBuy, planning: Planning): { packs: string; shop: string } {
  const chosen = (row.cover?.packs ?? []).map(({ id, count }) => ({
    count,
    pack: planning.packs.find((p) => p.id === id)!,
  }));
  return {
    packs: chosen.map(({ count, pack }) => `${count} × ${pack.said}`).join(', '),
    shop: [...new Set(chosen.map((c) => c.pack.supplier))].join(' and '),
  };
}

/** The shopping list of some plans together, against stock. */
export function shoppingRows(plans: readonly Plan[], planning: Planning): ShoppingRow[] {
  const by = plans.map((plan) => ({ plan, needs: needsOf(plan, planning) }));
  const rows = shoppingList(
    by.flatMap((p) => p.needs),
    planning.stock as StockView[],
    planning.packs.map((p) => ({ ...p })),
    planning.today,
  );
  return rows.map((row) => ({
    ...row,
    ...packsSaid(row, planning),
    plans: by.filter((p) => p.needs.some((n) => n.thing === row.thing)).map((p) => p.plan.name),
  }));
}

/** g of an ingredient that one making of a formula takes; 0 where it takes none. */
function takes(formula: FormulaHead, thing: string, planning: Planning): number {
  const content = formula.content as Parameters<typeof lineAmounts>[0];
  if (!content.lines.some((l) => l.ingredientId === thing)) return 0;
  return lineAmounts(content, planning.setting, planning.kitchen.elevationMetres)
    .filter((_, i) => content.lines[i]!.ingredientId === thing)
    .reduce((sum, a) => sum + (a.grams ?? 0), 0);
}

/** Where what is left over of the packs could go, at most two. */
export function homesFor(row: ShoppingRow, planning: Planning): LeftOverHome[] {
  if (row.kind !== 'ingredient' || !row.cover || row.cover.leftOver < 1) return [];
  const uses = planning.formulas
    .filter((f) => !f.archived)
    .map((f) => ({ name: f.name, amount: takes(f, row.thing, planning) }));
  return whereItGoes(row.cover.leftOver, uses)
    .filter((home) => home.scale >= 0.1)
    .slice(0, 2);
}

/** What stands in for what is short, of things that are in stock or that have a price here; at most three. */
export function insteadOf(row: ShoppingRow, planning: Planning): (Interchange & { inStock: number })[] {
  const entry = row.kind === 'ingredient' ? planning.catalogue.find(row.thing) : undefined;
  if (!entry || row.short <= 0) return [];
  return interchanges(entry, row.short, planning.catalogue.all)
    .map((to) => ({ ...to, inStock: availableOf(planning.stock, to.ingredient.id, planning.today) }))
    .filter((to) => to.inStock > 0 || planning.packs.some((p) => p.thing === to.ingredient.id))
    .sort((a, b) => Number(b.inStock >= b.grams) - Number(a.inStock >= a.grams))
    .slice(0, 3);
}

/** The list as CSV, for a shopper without the application. */
export const listAsCsv = (rows: readonly ShoppingRow[], currency: string): string =>
  asCsv(
    rows.map((row) => ({
      what: row.name,
      need: Math.round(row.amount * 10) / 10,
      'in stock': Math.round(row.inStock * 10) / 10,
      short: Math.round(row.short * 10) / 10,
      unit: row.kind === 'ingredient' ? 'g' : 'pieces',
      buy: row.packs,
      cost: row.cover ? priceShown(row.cover.costMinor, currency) : '',
      shop: row.shop,
      for: row.plans.join('; '),
    })),
  );

/** Everything that may be bought, by its name: the catalogue and the kitchen's packaging. */
export const packagingNamed = (planning: Planning) => packagingOf(planning.containers);
