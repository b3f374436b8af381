import type { Ingredient, LeftFrom } from './ingredient.ts';

/** What two by-products of one name carry together: of each figure that which speaks against them. */
function mergedFrom(a: LeftFrom | undefined, b: LeftFrom | undefined): LeftFrom | undefined {
  if (a === undefined || b === undefined) return a ?? b;
  const shares = new Map<string, number>();
  for (const { ingredientId, share } of [...a.parts, ...b.parts])
    shares.set(ingredientId, (shares.get(ingredientId) ?? 0) + share / 2);
  return {
    code: a.code === b.code ? a.code : `${a.code}, ${b.code}`,
    heated: a.heated && b.heated,
    since: [a.since, b.since].sort()[0]!,
    keepsDays: Math.min(a.keepsDays, b.keepsDays),
    parts: [...shares]
      .map(([ingredientId, share]) => ({ ingredientId, share }))
      .sort((x, y) => y.share - x.share),
    entries: [...new Map([...a.entries, ...b.entries].map((entry) => [entry.id, entry])).values()],
  };
}

/**
 * One entry for what went in under one name from several stock lots: nothing that any of them carries is lost by another.
 * @param a entry as it went in first; @param b as it went in after that
 * @example together(catalogue.get('damson'), { ...catalogue.get('damson'), allergens: ['milk'] }).allergens // ['milk']
 */
export function together(a: Ingredient, b: Ingredient): Ingredient {
  const leftFrom = mergedFrom(a.leftFrom, b.leftFrom);
  const ethanol = Math.max(a.per100g.ethanol, b.per100g.ethanol);
  return {
    ...b,
    allergens: [...new Set([...a.allergens, ...b.allergens])],
    ...(a.allergensUnknown || b.allergensUnknown ? { allergensUnknown: true } : {}),
    ...(ethanol > b.per100g.ethanol
      ? {
          per100g: {
            ...b.per100g,
            ethanol,
            water: Math.max(0, b.per100g.water - ethanol + b.per100g.ethanol),
          },
        }
      : {}),
    ...(leftFrom ? { leftFrom } : {}),
  };
}
