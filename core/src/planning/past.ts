import { z } from 'zod';
import { type FormulaContent, forecast } from '../formula/index.ts';
import type { KitchenCatalogue, Range } from '../ingredient/index.ts';
import {
  amountsPlanned,
  catalogueOf,
  contentAsWeighed,
  type LotRecord,
  lotBottles,
  standing,
  stepClock,
  strainedGrams,
} from '../lot/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { spreadOf } from './spread.ts';

/** Minutes that one step of a past lot really took, and how big that lot was. */
const PastStep = z.object({
  formulaStepId: z.string(),
  minutes: z.number(),
  /** kg of the main fruit that went in. */
  kg: z.number(),
  bottles: z.number(),
});
export type PastStep = z.infer<typeof PastStep>;

/** What one past lot gave, as far as its record tells. */
export const PastLot = z.object({
  lotId: z.string(),
  code: z.string(),
  /** ISO instant it was begun. */
  begunAt: z.string(),
  formulaId: z.string(),
  name: z.string(),
  /** What most of it was made of, and how its flavour was drawn. */
  ingredientId: z.string(),
  ingredient: z.string(),
  method: z.string(),
  /** kg of it, after trimming. */
  kg: z.number(),
  /** Share lost in trimming, where the weight before it was taken down; else null. */
  trimLoss: z.number().nullable(),
  /** kg that came through the first cloth to a kg of it, where the pan was weighed then; else null. */
  juicePerKg: z.number().nullable(),
  /** L in bottles to a kg of it. */
  litresPerKg: z.number(),
  /** Bottled over what the formula promises for all that went in. */
  ofPromised: z.number(),
  bottles: z.number(),
  /** g of water boiled off in a minute of reducing, from the weights and dips of its pan; null where not read. */
  boiledOff: z.number().nullable(),
  steps: z.array(PastStep),
});
export type PastLot = z.infer<typeof PastLot>;

/**
 * The line most of a product is made of by weight, leaving water and sugar aside: what is bought or picked for it.
 * @example mainLine(cherry, () => 1000, (id) => catalogue.get(id).family).id // 'fruit'
 */
export function mainLine(
  content: FormulaContent,
  grams: (lineId: string) => number | null,
  familyOf: (ingredientId: string) => string | undefined,
): FormulaContent['lines'][number] | null {
  const fit = content.lines.filter(
    (l) => !['water', 'sugar', 'acid'].includes(familyOf(l.ingredientId) ?? 'water'),
  );
  return [...fit].sort((a, b) => (grams(b.id) ?? 0) - (grams(a.id) ?? 0))[0] ?? null;
}

/**
 * How a formula's flavour is drawn: its first drawing step's method.
 * @example methodOf({ ...cherry, steps: [] }) // 'mixed'
 */
export const methodOf = (content: FormulaContent): string =>
  content.steps.find((s) => s.kind === 'draw')?.method ?? 'mixed';

function stepsOf(lot: LotRecord, kg: number, bottles: number): PastStep[] {
  return lot.steps.flatMap((step) => {
    const doneAt = step.marks.filter((m) => m.kind === 'done').at(-1)?.at;
    if (!doneAt) return [];
    const minutes = stepClock(step, doneAt).elapsedSeconds / 60;
    return minutes > 0 ? [{ formulaStepId: step.formulaStepId, minutes, kg, bottles }] : [];
  });
}

/** kg through the first cloth to a kg of fruit, where the pan was weighed after it. */
function juiceOf(lot: LotRecord, fruitGrams: number): number | null {
  const strained = lot.product.content.steps.find((s) => s.kind === 'strain');
  const grams = strained ? strainedGrams(lot, strained.id) : null;
  return grams === null ? null : grams / fruitGrams;
}

/** The fresh thing that an ingredient is a form of: fresh and frozen cherries are cherries. */
const freshOf = (catalogue: KitchenCatalogue, id: string): string => catalogue.find(id)?.formOf ?? id;

/** What the formula promises for all that really went into a lot, mL: its own steps and shares, the lot's amounts. */
function promisedFor(lot: LotRecord, cup: CupSchool | null, catalogue: KitchenCatalogue): number {
  const asWeighed = contentAsWeighed(lot, cup);
  const weighed = new Set(standing(lot.additions).map((a) => a.lineId));
  // What was weighed after trimming is not trimmed again.
  const steps = lot.product.content.steps.map((step) =>
    step.kind === 'prepare' &&
    lot.product.content.lines.some((l) => l.stepId === step.id && weighed.has(l.id))
      ? { ...step, keeps: undefined }
      : step,
  );
  return forecast(
    { ...asWeighed, steps },
    { cup: cup ?? undefined, catalogue, elevationMetres: lot.elevationMetres, criticalPh: lot.criticalPh },
  ).millilitres;
}

/**
 * What a bottled lot gave: litres to the kilo, share of what was promised, trim loss, minutes of its steps. All that went in counts: parts, extras,
 * top-ups by another ingredient, by-products.
 * @param lot a lot record; @param cup school of cups it was begun under; @param boiledOff g a minute of its pan, where known
 * @returns null for a lot without bottles, one worked over or one whose fruit was never weighed in
 * @example pastLot(lot, 'us', null).kg // 4
 */
export function pastLot(lot: LotRecord, cup: CupSchool | null, boiledOff: number | null): PastLot | null {
  const { content } = lot.product;
  const catalogue = catalogueOf(lot);
  const bottles = lotBottles(lot);
  if (bottles.filled === 0) return null;
  const plannedOf = new Map(amountsPlanned(lot, cup).map((l) => [l.lineId, l.used]));
  const main = mainLine(
    content,
    (lineId) => plannedOf.get(lineId) ?? null,
    (id) => catalogue.find(id)?.family,
  );
  if (!main) return null;
  const fresh = freshOf(catalogue, main.ingredientId);
  const went = standing(lot.additions).filter(
    (a) => a.grams > 0 && (a.lineId === main.id || freshOf(catalogue, a.ingredientId) === fresh),
  );
  const grams = went.reduce((sum, a) => sum + a.grams, 0);
  const promised = promisedFor(lot, cup, catalogue);
  if (grams <= 0 || promised <= 0) return null;
  const known = went.filter((a) => a.beforeTrimming !== null);
  const before = known.reduce((sum, a) => sum + a.beforeTrimming!, 0);
  const after = known.reduce((sum, a) => sum + a.grams, 0);
  return {
    lotId: lot.id,
    code: lot.code,
    begunAt: lot.begunAt,
    formulaId: lot.product.formulaId,
    name: lot.product.name,
    ingredientId: main.ingredientId,
    ingredient: catalogue.get(main.ingredientId).name,
    method: methodOf(content),
    kg: grams / 1000,
    trimLoss: before > 0 ? 1 - after / before : null,
    juicePerKg: juiceOf(lot, grams),
    litresPerKg: bottles.millilitres / grams,
    ofPromised: bottles.millilitres / promised,
    bottles: bottles.filled,
    boiledOff,
    steps: stepsOf(lot, grams / 1000, bottles.filled),
  };
}

/** How far a pan's next lot may lie from the last ones, as a share, where few were seen. */
const FEW = 0.25;
const SEEN = 0.1;

/**
 * Water that the reductions of a formula's past lots boiled off, g a minute: low, middle and high of the last five; null where none was read.
 * @example boiledOffBefore([], 'f') // null
 */
export function boiledOffBefore(past: readonly PastLot[], formulaId: string): Range | null {
  const read = past.flatMap((p) => (p.formulaId === formulaId && p.boiledOff !== null ? [p.boiledOff] : []));
  const spread = spreadOf(read.slice(-5));
  if (!spread) return null;
  const around = spread.count < 3 ? FEW : SEEN;
  return [
    Math.min(spread.low, spread.middle * (1 - around)),
    spread.middle,
    Math.max(spread.high, spread.middle * (1 + around)),
  ];
}
