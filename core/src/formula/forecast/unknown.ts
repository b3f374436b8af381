import type { Family, Ingredient } from '../../ingredient/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { Composition } from '../pan/pan.ts';
import { hasAcid, phOf } from './acidity.ts';
import { compositionOf } from './composition.ts';

/**
 * Strong base in 100 g at the most, eq, where an entry has no figure of its own: the worst of its family by its minerals,
 * none of them bound by chloride, sulphate or phosphate. Fresh herbs to 0.075 (curry leaf), dried ones to 0.35 (dill), fruit 0.03 (date 0.024).
 */
const FAMILY_BASE: Record<Family, { fresh: number; dry: number }> = {
  fruit: { fresh: 0.03, dry: 0.06 },
  juice: { fresh: 0.02, dry: 0.06 },
  plant: { fresh: 0.075, dry: 0.35 },
  flavouring: { fresh: 0.075, dry: 0.35 },
  sugar: { fresh: 0.07, dry: 0.07 },
  sweetener: { fresh: 0.07, dry: 0.07 },
  spirit: { fresh: 0.01, dry: 0.01 },
  vinegar: { fresh: 0.005, dry: 0.005 },
  water: { fresh: 0.005, dry: 0.005 },
  acid: { fresh: 1.2, dry: 1.2 },
  preservative: { fresh: 1.2, dry: 1.2 },
};

/** g of water in 100 g under which a thing is dry. */
const DRY = 30;

/**
 * Strong base that 100 g of an ingredient may bring at the most, eq, where its acids and base are not known; 0 where they are.
 * @example baseBound(catalogue.get('sugar')) // 0
 */
export function baseBound(entry: Ingredient): number {
  if (compositionOf(entry, 'typical').known !== 'unknown') return 0;
  const own = entry.acidity.kind === 'unknown' ? entry.acidity.base : undefined;
  return own ?? FAMILY_BASE[entry.family][entry.per100g.water < DRY ? 'dry' : 'fresh'];
}

/** Lines whose acids and base are not known: what they can do to a pH is only bounded. */
export const unknownLines = (lines: readonly LineAmount[]): LineAmount[] =>
  lines.filter(
    (line) =>
      line.ingredient && line.grams !== null && compositionOf(line.ingredient, 'typical').known === 'unknown',
  );

/** Base in eq that the unknown lines of a batch may bring at the most: all of it is taken to be drawn out. */
export const unknownBase = (lines: readonly LineAmount[]): number =>
  unknownLines(lines).reduce(
    (sum, line) => sum + ((line.used ?? line.grams)! / 100) * baseBound(line.ingredient!),
    0,
  );

/** A product with so much more base in it. */
export const withBase = (product: Composition, base: number): Composition =>
  base === 0 ? product : { ...product, baseEquivalents: product.baseEquivalents + base };

/** What an unknown line may bring, in words: "250 g of elderberries". */
const amountWords = (line: LineAmount): string => {
  const grams = line.grams!;
  const shown = grams >= 10 ? `${Math.round(grams)} g` : `${Number(grams.toPrecision(2))} g`;
  return `${shown} of ${line.ingredient!.name.toLowerCase()}`;
};

/**
 * Why there is no pH to forecast; null where there is one. A thing that is not known takes the figure away only where the most it may bring
 * would carry the product over the limit.
 * @param product of typical figures; @param limit the kitchen's critical pH; @param brought what the unknown things bring, and the lots that showed it
 */
export function whyNoPh(
  lines: readonly LineAmount[],
  product: Composition,
  limit: number,
  brought: { high: number; shownBy: readonly string[] },
): string | null {
  const unknown = unknownLines(lines);
  const untitrated = unknown.find(isUntitrated);
  if (untitrated)
    return `No figure: the strength of ${untitrated.ingredient!.name.toLowerCase()} is not known. Titrate it before it is used.`;
  if (!hasAcid(product))
    return unknown.length > 0
      ? `No figure: the acidity of ${unknown.map((l) => l.ingredient!.name.toLowerCase()).join(', ')} is not known well enough, and nothing acid is in it. Measure it.`
      : 'No figure: nothing acid is in it.';
  const ph = phOf(product);
  if (ph === null) return 'No figure: there is too little water in it.';
  const worst = phOf(withBase(product, brought.high))!;
  if (worst <= limit || brought.shownBy.length > 0) return null;
  const names = unknown.map((l) => l.ingredient!.name.toLowerCase()).join(', ');
  if (ph > limit)
    return acidKnown(lines, product) && !unknown.some(isRefused)
      ? null
      : `No figure: the acidity of ${names} is not known well enough. Measure it.`;
  const most = unknown
    .filter((line) => baseBound(line.ingredient!) > 0)
    .sort((a, b) => b.grams! * baseBound(b.ingredient!) - a.grams! * baseBound(a.ingredient!));
  return `No figure: the acidity of ${most.map((l) => l.ingredient!.name.toLowerCase()).join(', ')} is not known, and ${most.map(amountWords).join(', ')} could take it over pH ${limit}. Measure the pH of a small batch of it, or put in more acid.`;
}

/** A vinegar whose strength nobody has titrated: no reading of another batch makes it known. */
export const isUntitrated = ({ ingredient }: LineAmount): boolean => ingredient?.acidity.kind === 'vinegar';

/** A thing whose pH and acidity were said and do not fix its acids: its own figure is not to be believed. */
const isRefused = ({ ingredient }: LineAmount): boolean => ingredient!.acidity.kind === 'juice';

/** The most by which unknown lines may raise a pH before figures that need the acids, such as TA, are not shown either. */
const LITTLE = 0.25;

/** Whether the acids of a batch are known well enough for its TA and balance. */
export function acidKnown(lines: readonly LineAmount[], product: Composition): boolean {
  if (unknownLines(lines).length === 0) return true;
  const [plain, worst] = [phOf(product), phOf(withBase(product, unknownBase(lines)))];
  return hasAcid(product) && plain !== null && worst !== null && worst - plain <= LITTLE;
}
