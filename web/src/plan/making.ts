import type { FormulaHead } from '@inch/contract/formula';
import type { Plan } from '@inch/contract/plan';
import type { FormulaContent } from '@inch/core/formula';
import {
  type CostBefore,
  costBefore,
  type DayLot,
  dayLot,
  energyOf,
  handsMinutesOf,
  mainLine,
  methodOf,
  type Need,
  type Parting,
  type PricedNeed,
  packsToBuy,
  partingOf,
  type Scaled,
  scaled,
  type Want,
  type YieldMemory,
  yieldMemory,
} from '@inch/core/planning';
import { availableOf, coverFrom, LABELS, packagingFor } from '@inch/core/stock';
import type { Kit } from '../data/planning.ts';

type Item = Plan['items'][number];

/** One product of a plan, reckoned. */
export interface Making {
  formula: FormulaHead;
  content: FormulaContent;
  /** At the size of all its parts together. */
  whole: Scaled;
  parting: Parting;
  memory: YieldMemory | null;
  /** The line most of it is made of. */
  mainLineId: string | null;
  needs: Need[];
}

/** The formula as it goes into the plan's bottle: another size changes how many there are. */
function contentFor(formula: FormulaHead, containerId: string | null, kit: Kit): FormulaContent {
  const content = formula.content as FormulaContent;
  const container = kit.containers.find((c) => c.id === containerId);
  return container && container.nominalMl !== content.bottleMl
    ? { ...content, bottleMl: container.nominalMl }
    : content;
}

function memoryOf(formula: FormulaHead, content: FormulaContent, kit: Kit) {
  const lines = kit.catalogue;
  const grams = new Map<string, number | null>();
  const seen = scaledAtOne(content, kit);
  for (const line of seen?.lines ?? []) grams.set(line.lineId, line.goesIn);
  const main = mainLine(
    content,
    (id) => grams.get(id) ?? null,
    (id) => lines.find(id)?.family,
  );
  const memory =
    main === null
      ? null
      : yieldMemory(kit.past, {
          formulaId: formula.id,
          ingredientId: main.ingredientId,
          method: methodOf(content),
        });
  return { main, memory };
}

const settingOf = (kit: Kit, memory: YieldMemory | null) => ({
  ...kit.setting,
  ofPromised: memory?.of === 'this formula' ? memory.ofPromised : null,
  trimLoss: memory?.trimLoss?.middle ?? null,
  pans: kit.pans,
  inStock: (id: string) => availableOf(kit.stock, id, kit.today),
});

function scaledAtOne(content: FormulaContent, kit: Kit): Scaled | null {
  try {
    return scaled(content, { by: 'bottles', bottles: 1 }, settingOf(kit, null));
  } catch {
    return null;
  }
}

/** Glass, lids and labels that so many bottles take. */
function packagingNeeds(containerId: string | null, bottles: number, kit: Kit): Need[] {
  const container = kit.containers.find((c) => c.id === containerId);
  const of = [...(container ? packagingFor(container) : []), LABELS];
  return of.map((p) => ({ kind: 'packaging', thing: p.thing, name: p.name, amount: bottles }));
}

function needsOf(whole: Scaled, containerId: string | null, kit: Kit): Need[] {
  const ingredients = whole.lines.flatMap((line): Need[] =>
    line.toHave === null || kit.catalogue.find(line.ingredientId)?.family === 'water'
      ? []
      : [{ kind: 'ingredient', thing: line.ingredientId, name: line.name, amount: line.toHave }],
  );
  return [...ingredients, ...packagingNeeds(containerId, whole.bottles, kit)];
}

/** The kind of bottle a formula is meant for: the one of its size, closed as its process asks where it has one. */
export function usualContainer(formula: FormulaHead, kit: Pick<Kit, 'containers'>): string | null {
  const { bottleMl, processId } = formula.content;
  const fits = kit.containers.filter((c) => Math.abs(c.nominalMl - bottleMl) < 1);
  return (fits.find((c) => !processId || c.closure === 'two-piece-lid') ?? fits[0])?.id ?? null;
}

/**
 * Reckons a product as it would be made: what sets its size, what it takes, into how many lots it is parted.
 * @throws RangeError where that cannot set the size
 */
export function makingOf(formula: FormulaHead, want: Want, containerId: string | null, kit: Kit): Making {
  const content = contentFor(formula, containerId, kit);
  const { main, memory } = memoryOf(formula, content, kit);
  const whole = scaled(content, want, settingOf(kit, memory));
  const { cannerHolds, cannerLoads } = kit.kitchen.workshop;
  const processed = content.steps.some((s) => s.kind === 'process');
  return {
    formula,
    content,
    whole,
    parting: partingOf(whole, processed ? { holds: cannerHolds, loads: cannerLoads } : null),
    memory,
    mainLineId: main?.id ?? null,
    needs: needsOf(whole, containerId, kit),
  };
}

const reckoned = new WeakMap<Kit, WeakMap<Item, { making: Making | null }>>();

/** A product of a plan at the size its parts have now; null while its formula is not here, or cannot be weighed. Reckoned once. */
export function itemMaking(item: Item, kit: Kit): Making | null {
  const known = reckoned.get(kit) ?? new WeakMap();
  reckoned.set(kit, known);
  const before = known.get(item);
  if (before) return before.making;
  const making = reckon(item, kit);
  known.set(item, { making });
  return making;
}

function reckon(item: Item, kit: Kit): Making | null {
  const formula = kit.formulas.find((f) => f.id === item.formulaId);
  if (!formula) return null;
  try {
    const making = makingOf(formula, item.want, item.containerId, kit);
    const scale = item.parts.reduce((sum, p) => sum + p.scale, 0);
    if (item.parts.length === 0 || Math.abs(scale - making.whole.scale) < 1e-9) return making;
    return resized(making, scale, item.containerId, kit);
  } catch {
    return null;
  }
}

/** The same making at another multiple of its formula. */
function resized(making: Making, scale: number, containerId: string | null, kit: Kit): Making {
  const by = scale / making.whole.scale;
  const { whole } = making;
  const times = (n: number | null) => (n === null ? null : n * by);
  const at: Scaled = {
    ...whole,
    scale,
    bottles: Math.floor((whole.millilitres * by) / making.content.bottleMl + 1e-6),
    bottlesLow: Math.floor(whole.bottlesLow * by),
    bottlesHigh: Math.ceil(whole.bottlesHigh * by),
    millilitres: whole.millilitres * by,
    fullestMl: whole.fullestMl * by,
    lines: whole.lines.map((l) => ({ ...l, toHave: times(l.toHave), goesIn: times(l.goesIn) })),
  };
  return { ...making, whole: at, needs: needsOf(at, containerId, kit) };
}

/** Parts of one size for a making, to a thousandth of the formula: up where bottles are wanted, down where something sets the limit. */
export function partsFor(making: Making, want: Want, newPartId: (n: number) => string): Item['parts'] {
  const each = making.whole.scale / making.parting.lots;
  const near = want.by === 'bottles' ? Math.ceil(each * 1000 - 1e-6) : Math.floor(each * 1000 + 1e-6);
  return Array.from({ length: making.parting.lots }, (_, i) => ({
    id: newPartId(i + 1),
    scale: Math.max(0.001, near / 1000),
    lot: null,
  }));
}

/** The smallest pan that takes one part, half filled; the largest where none does. */
export function panFor(making: Making, scale: number, kit: Kit): string | null {
  const fullest = (making.whole.fullestMl / making.whole.scale) * scale;
  const sorted = [...kit.pans].sort((a, b) => a.holdsMl - b.holdsMl);
  return (sorted.find((p) => p.holdsMl * 0.5 >= fullest) ?? sorted.at(-1))?.id ?? null;
}

/** Steps of each part of a product as they are laid on the hours. */
export function dayLotsOf(item: Item, making: Making, kit: Kit): DayLot[] {
  const kg = (scale: number) => {
    const main = making.whole.lines.find((l) => l.lineId === making.mainLineId)?.goesIn ?? 0;
    return ((main / making.whole.scale) * scale) / 1000;
  };
  return item.parts.map((part) =>
    dayLot(
      {
        id: part.id,
        formulaId: item.formulaId,
        content: making.content,
        scale: part.scale,
        kg: kg(part.scale),
        bottles: Math.max(1, Math.round((making.whole.bottles / making.whole.scale) * part.scale)),
        panId: panFor(making, part.scale, kit),
        cannerHolds: kit.kitchen.workshop.cannerHolds,
      },
      kit.past,
    ),
  );
}

/** What an amount costs: what was paid for the stock it comes from, then its share of the packs that have to be bought. */
function priced(need: Need, kit: Kit): PricedNeed {
  const base = { name: need.name, kind: need.kind };
  const { draws, short } = coverFrom(kit.stock, need.thing, need.amount, kit.today);
  const perKg = need.kind === 'ingredient' ? kit.catalogue.pricePerKg(need.thing) : undefined;
  let cost = 0;
  let known = true;
  for (const draw of draws) {
    const lot = kit.stock.find((s) => s.id === draw.stockId)!;
    if (lot.costMinor !== null) cost += (lot.costMinor * draw.amount) / lot.quantity;
    else if (perKg !== undefined) cost += (perKg * draw.amount) / 1000;
    // What a lot left is paid for already; anything else without a price is named, never taken as free.
    else if (!lot.leftBy) known = false;
  }
  if (short <= 0) return { ...base, costMinor: known ? cost : null, leftOverMinor: 0 };
  const packs = kit.packs.filter((p) => p.thing === need.thing);
  if (packs.length > 0) {
    const cover = packsToBuy({ need: short, packs });
    const each = cover.costMinor / cover.bought;
    return {
      ...base,
      costMinor: known ? cost + each * short : null,
      leftOverMinor: each * cover.leftOver,
    };
  }
  if (perKg === undefined) return { ...base, costMinor: null, leftOverMinor: 0 };
  return { ...base, costMinor: known ? cost + (perKg * short) / 1000 : null, leftOverMinor: 0 };
}

/** Cost of a product before it is made, at the size of its parts. */
export function costOf(item: Item, making: Making, kit: Kit): CostBefore {
  const { cannerHolds, kwhMinor, handsHourMinor } = kit.kitchen.workshop;
  const lots = dayLotsOf(item, making, kit);
  const processed = making.content.steps.some((s) => s.kind === 'process');
  const loads = processed ? Math.ceil(making.whole.bottles / cannerHolds) : 0;
  return costBefore(
    {
      needs: making.needs.map((need) => priced(need, kit)),
      kwh: energyOf(making.whole, loads),
      handsMinutes: lots.reduce((sum, lot) => sum + handsMinutesOf(lot.steps), 0),
      bottles: making.whole.bottles,
      millilitres: making.whole.bottles * making.content.bottleMl,
      waterParts: making.content.waterParts ?? 0,
    },
    { kwhMinor, handsHourMinor },
  );
}
