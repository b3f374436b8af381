import { type FormulaContent, inBottlesOf } from '../formula/index.ts';
import { availableOf, coverFrom, LABELS, type PaidLot, packagingFor, type StockLot } from '../stock/index.ts';
import { type Need, needsTogether, type ThingPack } from './buy.ts';
import { type DayLot, dayLot } from './days.ts';
import { type MemoryOf, type YieldMemory, yieldMemory } from './memory.ts';
import { mainLine, methodOf, type PastLot } from './past.ts';
import {
  type Parting,
  partingOf,
  rescaled,
  type Scaled,
  type ScaleSetting,
  scaled,
  type Want,
} from './scale.ts';

/** A formula as a plan knows it. */
export interface PlannedFormula {
  id: string;
  name: string;
  colour: string;
  content: FormulaContent;
}

/** A kind of bottle or jar as a plan knows it. */
export interface PlannedContainer {
  id: string;
  name: string;
  nominalMl: number;
  closure: string;
}

/** A product of a plan: what is wanted of it, in which bottles, parted into which lots. */
export interface PlannedItem {
  id: string;
  formulaId: string;
  containerId: string | null;
  want: Want;
  parts: readonly { id: string; scale: number }[];
}

/** All of the kitchen that a plan is computed from. */
export interface PlanKitchen<F extends PlannedFormula = PlannedFormula> {
  formulas: readonly F[];
  containers: readonly PlannedContainer[];
  stock: readonly (StockLot & PaidLot)[];
  packs: readonly ThingPack[];
  past: readonly PastLot[];
  pans: readonly (ScaleSetting['pans'][number] & { holdsMl: number })[];
  setting: Omit<ScaleSetting, 'ofPromised' | 'trimLoss' | 'pans' | 'inStock'>;
  workshop: { cannerHolds: number; cannerLoads: number; kwhMinor: number; handsHourMinor: number };
  /** Day in the kitchen, as in 2026-11-25. */
  today: string;
}

/** One product of a plan at its size: what it takes, what it gives, and into how many lots it is parted. */
export interface Making<F extends PlannedFormula = PlannedFormula> {
  formula: F;
  content: FormulaContent;
  /** At the size of all its parts together. */
  whole: Scaled;
  parting: Parting;
  memory: YieldMemory | null;
  /** The line most of it is made of. */
  mainLineId: string | null;
  needs: Need[];
}

function contentFor(
  formula: PlannedFormula,
  containerId: string | null,
  kitchen: PlanKitchen,
): FormulaContent {
  const container = kitchen.containers.find((c) => c.id === containerId);
  return container ? inBottlesOf(formula.content, container.nominalMl) : formula.content;
}

const scaleSetting = (kitchen: PlanKitchen, memory: YieldMemory | null): ScaleSetting => ({
  ...kitchen.setting,
  ofPromised: memory?.of === ('this formula' satisfies MemoryOf) ? memory.ofPromised : null,
  trimLoss: memory?.trimLoss?.middle ?? null,
  pans: kitchen.pans,
  inStock: (id) => availableOf(kitchen.stock, id, kitchen.today),
});

function scaledAtOne(content: FormulaContent, kitchen: PlanKitchen): Scaled | null {
  try {
    return scaled(content, { by: 'bottles', bottles: 1 }, scaleSetting(kitchen, null));
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function memoryOf(formula: PlannedFormula, content: FormulaContent, kitchen: PlanKitchen) {
  const grams = new Map(scaledAtOne(content, kitchen)?.lines.map((l) => [l.lineId, l.goesIn]));
  const main = mainLine(
    content,
    (id) => grams.get(id) ?? null,
    (id) => kitchen.setting.catalogue.find(id)?.family,
  );
  if (main === null) return { main: null, memory: null };
  const of = { formulaId: formula.id, ingredientId: main.ingredientId, method: methodOf(content) };
  return { main, memory: yieldMemory(kitchen.past, of) };
}

/** Glass, lids and labels that so many bottles take. */
function packagingNeeds(containerId: string | null, bottles: number, kitchen: PlanKitchen): Need[] {
  const container = kitchen.containers.find((c) => c.id === containerId);
  const of = [...(container ? packagingFor(container) : []), LABELS];
  return of.map((p) => ({ kind: 'packaging', thing: p.thing, name: p.name, amount: bottles }));
}

/** What a making takes, a thing once however many of its lines are of it. */
function needsOf(whole: Scaled, containerId: string | null, kitchen: PlanKitchen): Need[] {
  const ingredients = whole.lines.flatMap((line): Need[] =>
    line.toHave === null || kitchen.setting.catalogue.find(line.ingredientId)?.family === 'water'
      ? []
      : [{ kind: 'ingredient', thing: line.ingredientId, name: line.name, amount: line.toHave }],
  );
  return needsTogether([...ingredients, ...packagingNeeds(containerId, whole.bottles, kitchen)]);
}

/**
 * The kind of bottle a formula is meant for: the one of its size, closed as its process asks where it has one; null where there is none.
 * @example usualContainer({ content: cherry }, kitchen) // 'jar'
 */
export function usualContainer(
  formula: { content: Pick<FormulaContent, 'bottleMl' | 'processId'> },
  kitchen: Pick<PlanKitchen, 'containers'>,
): string | null {
  const { bottleMl, processId } = formula.content;
  const fits = kitchen.containers.filter((c) => Math.abs(c.nominalMl - bottleMl) < 1);
  return (fits.find((c) => !processId || c.closure === 'two-piece-lid') ?? fits[0])?.id ?? null;
}

/**
 * A product as it would be made: what sets its size, what it takes, into how many lots it is parted.
 * @param formula the product; @param want what sets the size; @param containerId of the bottle it is filled into, null for the formula's own; @param kitchen all that a plan is computed from
 * @throws RangeError where that cannot set the size
 * @example makingOf(kitchen.formulas[0], { by: 'bottles', bottles: 12 }, 'jar', kitchen).whole.bottles // 12
 */
export function makingOf<F extends PlannedFormula>(
  formula: F,
  want: Want,
  containerId: string | null,
  kitchen: PlanKitchen<F>,
): Making<F> {
  const content = contentFor(formula, containerId, kitchen);
  const { main, memory } = memoryOf(formula, content, kitchen);
  const whole = scaled(content, want, scaleSetting(kitchen, memory));
  const { cannerHolds, cannerLoads } = kitchen.workshop;
  const processed = content.steps.some((s) => s.kind === 'process');
  return {
    formula,
    content,
    whole,
    parting: partingOf(whole, processed ? { holds: cannerHolds, loads: cannerLoads } : null),
    memory,
    mainLineId: main?.id ?? null,
    needs: needsOf(whole, containerId, kitchen),
  };
}

/**
 * A product of a plan at the size that its parts have now; null while its formula is not there, or cannot be weighed.
 * @example itemMaking({ id: 'i', formulaId: 'nothing', containerId: null, want: { by: 'pan' }, parts: [] }, kitchen) // null
 */
export function itemMaking<F extends PlannedFormula>(
  item: PlannedItem,
  kitchen: PlanKitchen<F>,
): Making<F> | null {
  const formula = kitchen.formulas.find((f) => f.id === item.formulaId);
  if (!formula) return null;
  try {
    const making = makingOf(formula, item.want, item.containerId, kitchen);
    const scale = item.parts.reduce((sum, p) => sum + p.scale, 0);
    if (item.parts.length === 0 || Math.abs(scale - making.whole.scale) < 1e-9) return making;
    const whole = rescaled(making.whole, scale);
    return { ...making, whole, needs: needsOf(whole, item.containerId, kitchen) };
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * The kitchen with what some needs take out of its stock gone, so that a product counted later finds only the rest.
 * @example afterNeeds({ stock: [sack], today: '2026-11-27' }, [{ kind: 'ingredient', thing: 'sugar', name: 'Sugar', amount: 300 }]).stock[0].takings[0].amount // 300
 */
export function afterNeeds<K extends Pick<PlanKitchen, 'stock' | 'today'>>(
  kitchen: K,
  needs: readonly Need[],
): K {
  let stock = kitchen.stock;
  for (const need of needs) {
    const taken = new Map(
      coverFrom(stock, need.thing, need.amount, kitchen.today).withdrawals.map((w) => [w.stockId, w.amount]),
    );
    stock = stock.map((lot) =>
      taken.has(lot.id)
        ? {
            ...lot,
            takings: [
              ...lot.takings,
              {
                kind: 'used' as const,
                amount: taken.get(lot.id)!,
                at: `${kitchen.today}T00:00:00.000Z`,
                struck: false,
              },
            ],
          }
        : lot,
    );
  }
  return { ...kitchen, stock };
}

/**
 * Parts of one size for a making, to a thousandth of the formula: up where bottles are wanted, down where something sets the limit.
 * @example partsFor({ whole: { scale: 2 }, parting: { lots: 2, why: [] } }, { by: 'bottles', bottles: 24 }, (n) => `part ${n}`).map((part) => part.scale) // [1, 1]
 */
export function partsFor(
  making: Pick<Making, 'whole' | 'parting'>,
  want: Want,
  newPartId: (n: number) => string,
): { id: string; scale: number; lot: null }[] {
  const each = making.whole.scale / making.parting.lots;
  const near = want.by === 'bottles' ? Math.ceil(each * 1000 - 1e-6) : Math.floor(each * 1000 + 1e-6);
  return Array.from({ length: making.parting.lots }, (_, i) => ({
    id: newPartId(i + 1),
    scale: Math.max(0.001, near / 1000),
    lot: null,
  }));
}

/** The smallest pan that takes one part, half filled; the largest where none does; null where there is none. */
function panFor(making: Making, scale: number, kitchen: PlanKitchen): string | null {
  const fullest = (making.whole.fullestMl / making.whole.scale) * scale;
  const sorted = [...kitchen.pans].sort((a, b) => a.holdsMl - b.holdsMl);
  return (sorted.find((p) => p.holdsMl * 0.5 >= fullest) ?? sorted.at(-1))?.id ?? null;
}

/** Bottles of one part of a making, at least one. */
export const bottlesOfPart = (making: Pick<Making, 'whole'>, scale: number): number =>
  Math.max(1, Math.round((making.whole.bottles / making.whole.scale) * scale));

/**
 * Steps of each part of a product as they are laid on the hours.
 * @example dayLotsOf({ formulaId: 'f', parts: [{ id: 'a', scale: 1 }] }, makingOf(kitchen.formulas[0], { by: 'bottles', bottles: 12 }, 'jar', kitchen), kitchen).length // 1
 */
export function dayLotsOf(
  item: Pick<PlannedItem, 'parts' | 'formulaId'>,
  making: Making,
  kitchen: PlanKitchen,
): DayLot[] {
  const main = making.whole.lines.find((l) => l.lineId === making.mainLineId)?.goesIn ?? 0;
  return item.parts.map((part) =>
    dayLot(
      {
        id: part.id,
        formulaId: item.formulaId,
        content: making.content,
        scale: part.scale,
        kg: ((main / making.whole.scale) * part.scale) / 1000,
        bottles: bottlesOfPart(making, part.scale),
        panId: panFor(making, part.scale, kitchen),
        cannerHolds: kitchen.workshop.cannerHolds,
      },
      kitchen.past,
    ),
  );
}
