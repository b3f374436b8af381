import type { KitchenCatalogue } from './kitchenCatalogue.ts';
import type { Ingredient } from './types.ts';

/** Words a cook adds that say nothing of which ingredient it is. */
const IDLE = new Set(
  'a an of the and or with fresh ripe good best organic some about approx each large small medium big whole chopped sliced diced crushed grated peeled washed rinsed stoned pitted hulled cored stripped trimmed cleaned rough roughly finely thinly granulated caster cold hot warm tap filtered pure real packed heaped level plus more extra to taste'.split(
    ' ',
  ),
);

/** Other names that cooks write, by catalogue id. */
const ALIASES: Record<string, readonly string[]> = {
  sugar: ['sugar', 'white sugar', 'granulated sugar', 'caster sugar', 'cane white sugar'],
  'cane-sugar': ['cane sugar', 'raw sugar', 'demerara', 'demerara sugar', 'turbinado'],
  'brown-sugar': ['brown sugar', 'muscovado', 'soft brown sugar'],
  'citric-anhydrous': ['citric acid', 'citric'],
  'tartaric-acid': ['tartaric', 'tartaric acid'],
  'malic-acid': ['malic', 'malic acid'],
  'ascorbic-acid': ['ascorbic acid', 'vitamin c'],
  'cider-vinegar': ['cider vinegar', 'apple cider vinegar', 'apple vinegar', 'vinegar'],
  'raw-cider-vinegar': [
    'cider vinegar with the mother',
    'raw cider vinegar',
    'unpasteurised cider vinegar',
    'unpasteurized cider vinegar',
    'cider vinegar with mother',
    'vinegar with the mother',
  ],
  'white-vinegar': ['white vinegar', 'distilled vinegar', 'spirit vinegar'],
  'wine-vinegar': ['wine vinegar', 'white wine vinegar', 'champagne vinegar'],
  'lemon-juice': ['lemon juice', 'lemon', 'juice lemon'],
  'bottled-lemon-juice': ['bottled lemon juice'],
  'lime-juice': ['lime juice', 'lime', 'juice lime'],
  'orange-juice': ['orange juice', 'orange', 'juice orange'],
  'lemon-peel': ['lemon peel', 'lemon zest', 'peel lemon', 'zest lemon', 'lemon rind'],
  'orange-peel': ['orange peel', 'orange zest', 'peel orange', 'zest orange', 'orange rind'],
  'sour-cherry': ['sour cherry', 'cherry sour', 'morello', 'morello cherry'],
  cherry: ['cherry', 'sweet cherry', 'dark cherry'],
  redcurrant: ['redcurrant', 'red currant'],
  blackcurrant: ['blackcurrant', 'black currant'],
  vodka: ['vodka', 'neutral spirit', 'spirit'],
  vanilla: ['vanilla', 'vanilla pod', 'vanilla bean'],
  ginger: ['ginger', 'ginger root', 'root ginger'],
  water: ['water'],
  salt: ['salt', 'sea salt'],
  hibiscus: ['hibiscus', 'hibiscus flower', 'dried hibiscus'],
};

function singular(word: string): string {
  if (/(ss|us|is)$/.test(word)) return word;
  if (/ies$/.test(word)) return `${word.slice(0, -3)}y`;
  if (/(ches|shes|xes|oes)$/.test(word)) return word.slice(0, -2);
  if (word === 'leaves') return 'leaf';
  return word.replace(/s$/, '');
}

const wordsOf = (text: string): string[] =>
  (text.toLowerCase().match(/\p{L}+/gu) ?? [])
    .map(singular)
    .filter((word) => !IDLE.has(word) && word.length > 1);

/** How well names fit: the share of the entry's name found in the text, and of the text found in the name. */
function fit(wanted: readonly string[], name: readonly string[]): number {
  if (name.length === 0) return 0;
  const found = name.filter((word) => wanted.includes(word)).length;
  return found === 0 ? 0 : found / name.length + found / wanted.length;
}

function score(entry: Ingredient, wanted: readonly string[]): number {
  const names = [entry.name, entry.labelName.replace(/\(.*\)/, ''), ...(ALIASES[entry.id] ?? [])].map(
    wordsOf,
  );
  const best = Math.max(...names.map((name) => fit(wanted, name)));
  // Frozen, dried or bottled is meant only where it is said; an everyday name is meant before a special one.
  const form = entry.id.split('-')[0]!;
  const unsaid = entry.formOf !== undefined && !wanted.includes(form) ? 0.3 : 0;
  return best + (entry.own ? 0.05 : 0) + (ALIASES[entry.id] ? 0.04 : 0) - unsaid;
}

/**
 * The catalogue entry that a cook's words name, and others they might mean.
 * @param text "sour cherries, stoned and washed"; @param catalogue the kitchen's
 * @returns `entry` where one fits clearly better than the rest; `others` in order of fit, at most five
 * @example namedIn('sour cherries, stoned', catalogue).entry.id // 'sour-cherry'
 */
export function namedIn(
  text: string,
  catalogue: KitchenCatalogue,
): { entry: Ingredient | undefined; others: Ingredient[] } {
  const wanted = wordsOf(text);
  if (wanted.length === 0) return { entry: undefined, others: [] };
  const ranked = catalogue.all
    .map((entry) => ({ entry, score: score(entry, wanted) }))
    .filter((r) => r.score >= 0.8)
    .sort((a, b) => b.score - a.score);
  const [first, second] = ranked;
  const clear = first && first.score >= 1.4 && (!second || first.score - second.score > 0.02);
  return { entry: clear ? first.entry : undefined, others: ranked.slice(0, 5).map((r) => r.entry) };
}
