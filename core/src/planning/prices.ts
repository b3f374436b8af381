import { coverFrom, unitCost } from '../stock/index.ts';
import type { Need } from './buy.ts';
import { type CostBefore, costBefore, energyOf, type PricedNeed } from './cost.ts';
import { handsMinutesOf } from './days.ts';
import {
  afterNeeds,
  bottlesOfPart,
  dayLotsOf,
  type Making,
  type PlanKitchen,
  type PlannedItem,
} from './making.ts';
import { packsToBuy } from './packs.ts';

/** What the stock that covers a need cost, minor units; null where some of it has no price. */
function ofStock(need: Need, kitchen: PlanKitchen, perKg: number | undefined) {
  const { withdrawals, short } = coverFrom(kitchen.stock, need.thing, need.amount, kitchen.today);
  let cost: number | null = 0;
  for (const { stockId, amount } of withdrawals) {
    const lot = kitchen.stock.find((s) => s.id === stockId)!;
    const each = unitCost(lot) ?? (perKg === undefined ? null : perKg / 1000);
    if (each !== null) cost = cost === null ? null : cost + each * amount;
    // What a lot left is paid for already; anything else without a price is named, never taken as free.
    else if (!lot.leftBy) cost = null;
  }
  return { cost, short };
}

/** What an amount costs: what was paid for the stock it comes from, then its share of the packs that have to be bought. */
function priced(need: Need, kitchen: PlanKitchen): PricedNeed {
  const base = { name: need.name, kind: need.kind };
  const perKg = need.kind === 'ingredient' ? kitchen.setting.catalogue.pricePerKg(need.thing) : undefined;
  const { cost, short } = ofStock(need, kitchen, perKg);
  const plus = (more: number) => (cost === null ? null : cost + more);
  if (short <= 0) return { ...base, costMinor: cost, leftOverMinor: 0 };
  const packs = kitchen.packs.filter((p) => p.thing === need.thing);
  if (packs.length > 0) {
    const cover = packsToBuy({ need: short, packs });
    const each = cover.costMinor / cover.bought;
    return { ...base, costMinor: plus(each * short), leftOverMinor: each * cover.leftOver };
  }
  if (perKg === undefined) return { ...base, costMinor: null, leftOverMinor: 0 };
  return { ...base, costMinor: plus((perKg * short) / 1000), leftOverMinor: 0 };
}

/** Loads of the canner of a product: of each of its lots, since each is processed by itself. */
function loadsOf(item: Pick<PlannedItem, 'parts'>, making: Making, cannerHolds: number): number {
  if (!making.content.steps.some((s) => s.kind === 'process')) return 0;
  return item.parts.reduce((sum, p) => sum + Math.ceil(bottlesOfPart(making, p.scale) / cannerHolds), 0);
}

/**
 * Cost of a product before it is made, at the size of its parts, minor units.
 * @param item its parts; @param making it at that size; @param kitchen with its stock as this product finds it
 * @example costOf({ id: 'i', formulaId: 'f', containerId: 'jar', want: { by: 'bottles', bottles: 12 }, parts: [] }, makingOf(kitchen.formulas[0], { by: 'bottles', bottles: 12 }, 'jar', kitchen), kitchen).unpriced.length > 0 // true
 */
export function costOf(item: PlannedItem, making: Making, kitchen: PlanKitchen): CostBefore {
  const { cannerHolds, kwhMinor, handsHourMinor } = kitchen.workshop;
  const lots = dayLotsOf(item, making, kitchen);
  return costBefore(
    {
      needs: making.needs.map((need) => priced(need, kitchen)),
      kwh: energyOf(making.whole, loadsOf(item, making, cannerHolds)),
      handsMinutes: lots.reduce((sum, lot) => sum + handsMinutesOf(lot.steps), 0),
      bottles: making.whole.bottles,
      millilitres: making.whole.bottles * making.content.bottleMl,
      waterParts: making.content.waterParts ?? 0,
    },
    { kwhMinor, handsHourMinor },
  );
}

/**
 * Cost of every product of a plan, in their order: what one takes of the stock, the next does not find there.
 * @returns a cost an item; null where it cannot be made yet
 * @example costsOf([{ id: 'i', formulaId: 'f', containerId: 'jar', want: { by: 'bottles', bottles: 12 }, parts: [] }], [null], kitchen) // [null]
 */
export function costsOf(
  items: readonly PlannedItem[],
  makings: readonly (Making | null)[],
  kitchen: PlanKitchen,
): (CostBefore | null)[] {
  let left = kitchen;
  return items.map((item, i) => {
    const making = makings[i];
    if (!making) return null;
    const cost = costOf(item, making, left);
    left = afterNeeds(left, making.needs);
    return cost;
  });
}
