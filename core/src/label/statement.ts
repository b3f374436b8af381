import { type Ingredient, type KitchenCatalogue, shippedCatalogue } from '../ingredient/index.ts';
import { additiveClass } from './additive.ts';
import { type Declared, declaredAllergens, nutsIn } from './allergens.ts';
import { withCarried } from './carried.ts';
import type { StatementLine } from './line.ts';
import type { RulePackId } from './packs.ts';
import { type Quantity, shareSaid } from './quid.ts';
import { type Language, labelWords } from './words.ts';

export interface StatementPart {
  name: string;
  grams: number;
  percent: number;
  ingredientIds: string[];
}

/** How a statement is written. */
export interface StatementOf {
  pack?: RulePackId;
  language?: Language;
  /** Name of an ingredient in that language; its own label name where there is none. */
  nameOf?: (entry: Ingredient) => string;
  /** g of the finished product; all that went in where it is not known. */
  finishedGrams?: number;
  /** Quantities that stand beside names. */
  quantities?: readonly Quantity[];
}

/** Weights that differ by less than this share are equal: as they were weighed, not as they were added up. */
const EQUAL = 1e-9;

/** Heaviest first; equal weights by their names. A run of equal weights is sorted as a whole, so that the order is the same whatever order they came in. */
function byWeight(parts: StatementPart[]): StatementPart[] {
  const sorted = [...parts].sort((a, b) => b.grams - a.grams);
  const ordered: StatementPart[] = [];
  let run: StatementPart[] = [];
  const close = () => {
    ordered.push(...run.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0)));
    run = [];
  };
  for (const part of sorted) {
    const last = run.at(-1);
    if (last && last.grams - part.grams > EQUAL * last.grams) close();
    run.push(part);
  }
  close();
  return ordered;
}

/** The words that stand out: in capitals, which every typeface and every reader shows. */
function emphasised(name: string, words: readonly string[]): string {
  const found = words.find((word) => name.toLowerCase().includes(word.toLowerCase()));
  if (!found) return `${name} (${words.map((w) => w.toUpperCase()).join(', ')})`;
  const at = name.toLowerCase().indexOf(found.toLowerCase());
  // The whole word, with whatever ending it has.
  const end = at + found.length + (/^\p{L}*/u.exec(name.slice(at + found.length))?.[0].length ?? 0);
  return `${name.slice(0, at)}${name.slice(at, end).toUpperCase()}${name.slice(end)}`;
}

/** What an allergen goes by in a list: the nut's own name, its plural ending left off, or the allergen's. */
const wordsOf = ({ allergen }: Declared, entry: Ingredient, language: Language): string[] => {
  const nuts = allergen === 'tree-nuts' && language === 'en' ? nutsIn(entry) : [];
  return nuts.length > 0
    ? nuts.map((nut) => nut.replace(/s$/, ''))
    : [labelWords[language].allergens[allergen]];
};

/** A name with its allergens set apart, as European lists ask. */
function setApart(
  name: string,
  entry: Ingredient,
  declared: readonly Declared[],
  language: Language,
): string {
  return declared
    .filter((d) => d.ingredientIds.includes(entry.id))
    .reduce((said, d) => emphasised(said, wordsOf(d, entry, language)), name);
}

function written(name: string, entry: Ingredient, { pack = 'us', language = 'en' }: StatementOf): string {
  const as = additiveClass(entry);
  if (as === null) return name;
  const words = labelWords[language].additives;
  // Europe asks for the function of every additive before its name, the United States for that of preservatives behind it.
  if (pack === 'eu') return `${words[as]} (${name})`;
  return as === 'preservative' ? `${name} (${words[as]})` : name;
}

const share = ({ percent }: Quantity): string => (percent === null ? '' : ` (${shareSaid(percent)} %)`);

/**
 * Ingredient statement: common names, descending by weight as added, like names joined; equal weights by name.
 * @param lines catalogue ids and grams as they went in (0 is left out); @param catalogue the kitchen's, the shipped one without it
 * @param of rule pack (United States where it is not said), language, quantities; @returns the text and the parts it came from
 * @throws RangeError on an unknown ingredient or a negative weight. Source: 21 CFR 101.4, 101.22(j); Reg. 1169/2011 Articles 18, 21 and Annex VII.
 * @example ingredientStatement([{ ingredientId: 'sugar', grams: 2000 }, { ingredientId: 'sour-cherry', grams: 4000 }]).text // 'sour cherries, sugar'
 */
export function ingredientStatement(
  lines: readonly StatementLine[],
  catalogue: KitchenCatalogue = shippedCatalogue,
  of: StatementOf = {},
): { text: string; parts: StatementPart[] } {
  const { pack = 'us', language = 'en', nameOf = (entry) => entry.labelName } = of;
  const byName = new Map<string, StatementPart & { entries: Ingredient[] }>();
  let total = 0;
  for (const line of lines) {
    if (!(line.grams >= 0)) throw new RangeError(`${line.grams} g is not a weight`);
    const entry = catalogue.get(line.ingredientId);
    if (line.grams === 0) continue;
    const name = nameOf(entry);
    const part = byName.get(name) ?? { name, grams: 0, percent: 0, ingredientIds: [], entries: [] };
    part.grams += line.grams;
    if (!part.ingredientIds.includes(line.ingredientId)) {
      part.ingredientIds.push(line.ingredientId);
      part.entries.push(entry);
    }
    byName.set(name, part);
    total += line.grams;
  }
  const declared =
    pack === 'eu' ? declaredAllergens(withCarried(lines, catalogue), pack, catalogue, of.finishedGrams) : [];
  const said = ({ name }: StatementPart): string => {
    const { entries, ingredientIds } = byName.get(name)!;
    const quantity = of.quantities?.find((q) => q.ingredientIds.some((id) => ingredientIds.includes(id)));
    const apart = entries.reduce((text, entry) => setApart(text, entry, declared, language), name);
    const opened = (entries[0]!.leftFrom?.parts ?? [])
      .map((part) => catalogue.get(part.ingredientId))
      .filter((entry) => !ingredientIds.includes(entry.id))
      .map((entry) => written(setApart(nameOf(entry), entry, declared, language), entry, of));
    const inside = opened.length > 0 ? ` (${[name, ...opened].join(', ')})` : '';
    return written(apart, entries[0]!, of) + inside + (quantity ? share(quantity) : '');
  };
  const parts = byWeight(
    [...byName.values()].map(({ entries: _, ...part }) => ({ ...part, percent: (100 * part.grams) / total })),
  );
  return { text: parts.map(said).join(', '), parts };
}
