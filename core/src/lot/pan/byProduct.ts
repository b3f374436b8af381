import { liquidOf } from '../../formula/index.ts';
import { type Ingredient, type LeftFrom, together } from '../../ingredient/index.ts';
import { keepingLimit } from '../../keeping/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { strainedAt } from '../gate/cooled.ts';
import { heatingsOf } from '../gate/heating.ts';
import { keepingFacts } from '../keeping/keepingFacts.ts';
import { type LotRecord, standing } from '../record.ts';
import { productOf } from './product.ts';

/** Days that what was left of a lot keeps in the cold where nothing better is known. */
const HEATED_DAYS = 7;
const DAYS_A_MONTH = 28;

/** Whether what a lot left went through its heat: heated before it was strained, by an instant. */
function heatedBy(lot: LotRecord, takenAt: string): boolean {
  const strained = strainedAt(lot, takenAt);
  const strains = lot.product.content.steps.some((s) => s.kind === 'strain');
  // A straining that was never marked may have been before the heat.
  if (strains && strained === null) return firstHeatBeforeStrain(lot);
  const raw = standing(lot.additions).some(
    (a) => a.entry?.leftFrom && !a.entry.leftFrom.heated && a.grams > 0,
  );
  const by = strained ?? takenAt;
  const heated = heatingsOf(lot).filter((h) => h.to <= by);
  if (heated.length === 0) return false;
  const last = heated
    .map((h) => h.to)
    .sort()
    .at(-1)!;
  return (
    !raw ||
    standing(lot.additions).every((a) => !a.entry?.leftFrom || a.entry.leftFrom.heated || a.at <= last)
  );
}

/** Of a straining without its mark: whether every heating was in a step before it. */
function firstHeatBeforeStrain(lot: LotRecord): boolean {
  const { steps } = lot.product.content;
  const strain = steps.findIndex((s) => s.kind === 'strain');
  return heatingsOf(lot).some((h) => steps.findIndex((s) => s.id === h.formulaStepId) < strain);
}

interface Shares {
  parts: LeftFrom['parts'];
  entries: Ingredient[];
}

/** What went into a lot, as shares; what was a by-product itself is what that was of, so that nothing is hidden however deep it goes. */
function sharesOf(lot: LotRecord): Shares {
  const catalogue = catalogueOf(lot);
  const grams = new Map<string, number>();
  const entries = new Map<string, Ingredient>();
  const add = (id: string, g: number) => grams.set(id, (grams.get(id) ?? 0) + g);
  for (const a of standing(lot.additions)) {
    if (!(a.grams > 0)) continue;
    const { leftFrom, ...entry } = a.entry ?? catalogue.get(a.ingredientId);
    const own = entry.own !== undefined || (a.entry !== null && leftFrom === undefined);
    if (own) entries.set(entry.id, entry);
    if (leftFrom === undefined || leftFrom.parts.length === 0) add(a.ingredientId, a.grams);
    else for (const part of leftFrom.parts) add(part.ingredientId, a.grams * part.share);
    for (const carried of leftFrom?.entries ?? []) entries.set(carried.id, carried);
  }
  const all = [...grams.values()].reduce((sum, g) => sum + g, 0);
  const parts = [...grams]
    .map(([ingredientId, g]) => ({ ingredientId, share: g / all }))
    .sort((a, b) => b.share - a.share);
  return { parts, entries: [...entries.values()] };
}

/** When the age of what a lot left begins: its heat, or the first that was weighed in; what was raw and old before is as old. */
function sinceOf(lot: LotRecord, heated: boolean, takenAt: string): string {
  if (heated)
    return (
      heatingsOf(lot)
        .map((h) => h.to)
        .filter((to) => to <= takenAt)
        .sort()[0] ?? lot.begunAt
    );
  const first = standing(lot.additions).find((a) => a.grams > 0)?.at ?? lot.begunAt;
  const before = standing(lot.additions).flatMap((a) =>
    a.grams > 0 && a.entry?.leftFrom ? [a.entry.leftFrom.since] : [],
  );
  return [first, ...before].sort()[0]!;
}

/**
 * What a by-product carries of the lot that left it: what it is of to any depth, whether it was heated, and its age.
 * @param lot its record as it stands; @param takenAt ISO instant at which the by-product was taken in
 * @example leftFrom(lot, T(9)).parts[0].ingredientId // 'sour-cherry'
 */
export function leftFrom(lot: LotRecord, takenAt: string): LeftFrom {
  const heated = heatedBy(lot, takenAt);
  const { time } = keepingLimit({
    ...keepingFacts(lot),
    storage: 'cold',
    killStep: heated,
    cooledInTime: true,
  });
  const days = time === null ? 0 : time.unit === 'day' ? time.count : time.count * DAYS_A_MONTH;
  return {
    code: lot.code,
    heated,
    since: sinceOf(lot, heated, takenAt),
    keepsDays: heated ? Math.max(days, HEATED_DAYS) : days,
    ...sharesOf(lot),
  };
}

/**
 * A catalogue entry as a by-product of a lot: with all that it carries of it; the spirit that it stood in is in it.
 * @example asLeft(catalogue.get('damson'), lot, T(9)).leftFrom.heated // true
 */
export function asLeft(entry: Ingredient, lot: LotRecord, takenAt: string): Ingredient {
  const from = leftFrom(lot, takenAt);
  const { composition } = productOf(lot);
  const liquid = liquidOf(composition);
  const spirit = liquid > 0 ? Math.min(entry.per100g.water, (100 * composition.ethanol) / liquid) : 0;
  const catalogue = catalogueOf(lot);
  const all = from.parts.map(
    (part) => from.entries.find((e) => e.id === part.ingredientId) ?? catalogue.get(part.ingredientId),
  );
  const allergens = [...new Set([...entry.allergens, ...all.flatMap((e) => [...e.allergens])])];
  const left: Ingredient = {
    ...entry,
    allergens,
    ...(all.some((e) => e.allergensUnknown) ? { allergensUnknown: true } : {}),
    ...(spirit > 0.05
      ? {
          per100g: {
            ...entry.per100g,
            water: entry.per100g.water - spirit,
            ethanol: entry.per100g.ethanol + spirit,
          },
        }
      : {}),
    leftFrom: from,
  };
  // Some of it may be of another lot already.
  return entry.leftFrom ? together(entry, left) : left;
}
