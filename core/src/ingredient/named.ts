import type { Ingredient } from './ingredient.ts';
import type { KitchenCatalogue } from './kitchenCatalogue.ts';
import { isIdle, tellingWords } from './words.ts';

/** Other names that cooks write, by catalogue id. */
const ALIASES: Record<string, readonly string[]> = {
  water: ['water', 'still water', 'mineral water', 'bottled water', 'drinking water'],
  sugar: ['sugar', 'white sugar', 'cane white sugar'],
  'cane-sugar': ['cane sugar', 'raw sugar', 'demerara', 'demerara sugar', 'turbinado', 'turbinado sugar'],
  'brown-sugar': ['brown sugar', 'muscovado', 'muscovado sugar', 'soft brown sugar'],
  'citric-anhydrous': ['citric acid', 'citric'],
  'tartaric-acid': ['tartaric', 'tartaric acid'],
  'malic-acid': ['malic', 'malic acid'],
  'ascorbic-acid': ['ascorbic acid', 'vitamin c'],
  'cider-vinegar': ['cider vinegar', 'apple cider vinegar', 'apple vinegar'],
  'raw-cider-vinegar': [
    'cider vinegar with the mother',
    'raw cider vinegar',
    'unpasteurised cider vinegar',
    'unpasteurized cider vinegar',
    'cider vinegar with mother',
    'vinegar with the mother',
  ],
  'white-vinegar': ['white vinegar', 'distilled vinegar', 'spirit vinegar'],
  'wine-vinegar': ['white wine vinegar', 'champagne vinegar'],
  'lemon-juice': ['lemon juice', 'juice of lemon'],
  'bottled-lemon-juice': ['bottled lemon juice'],
  'lime-juice': ['lime juice', 'juice of lime'],
  'orange-juice': ['orange juice', 'juice of orange'],
  'lemon-peel': ['lemon peel', 'lemon zest', 'peel of lemon', 'zest of lemon', 'lemon rind'],
  'orange-peel': ['orange peel', 'orange zest', 'peel of orange', 'zest of orange', 'orange rind'],
  'sour-cherry': ['sour cherry', 'morello', 'morello cherry'],
  cherry: ['cherry', 'sweet cherry', 'dark cherry'],
  vodka: ['vodka', 'neutral spirit'],
  vanilla: ['vanilla', 'vanilla pod', 'vanilla bean'],
  ginger: ['ginger', 'ginger root', 'root ginger'],
  salt: ['salt', 'sea salt', 'table salt'],
  hibiscus: ['hibiscus', 'hibiscus flower', 'dried hibiscus', 'dried hibiscus flower'],
  'black-tea': ['tea', 'black tea', 'tea leaf', 'black tea leaf'],
  chilli: ['chilli', 'chili', 'chile', 'chilli pepper', 'chili pepper'],
  mint: ['mint', 'mint leaf'],
  'rose-petal': ['rose petal'],
  elderflower: ['elderflower', 'elderflower head'],
};

/** Other names for an entry. */
export const alsoOf = (entry: Ingredient): readonly string[] => [
  ...(ALIASES[entry.id] ?? []),
  ...(entry.also ?? []),
];

/**
 * Every name that an entry goes by: its own, what a label calls it, and what cooks say.
 * @example namesFor(catalogue.get('lemon-peel')).includes('lemon zest') // true
 */
export const namesFor = (entry: Ingredient): string[] => [
  entry.name,
  entry.labelName.replace(/\(.*\)/, ''),
  ...alsoOf(entry),
];

/** A name as it is compared: its words in order, run together, so that "elder flower" is "elderflower". */
const keyOf = (words: readonly string[]): string => words.join('');

/** How a name may be said: as it stands, and with what stands behind a comma in front: "Sugar, white" is white sugar. */
function waysToSay(name: string): string[] {
  const [first, ...behind] = name.split(',').map(tellingWords);
  const all = [first!, ...behind].flat();
  return [keyOf(all), keyOf([...behind.flat(), ...first!])].filter((key) => key !== '');
}

/** How surely a way to say it names an entry: by its own name, by another name for it, by what a label calls it. */
type Rank = 0 | 1 | 2;

/** Names that leave open which kind is meant, though a label may say no more. */
const OF_MANY_KINDS = new Set(['vinegar', 'spirit', 'juice', 'acid', 'syrup', 'peel']);

/** Names of an entry with their rank. What is frozen, dried or bottled is not named by what its label says, which is what the fresh one is called. */
function namesOf(entry: Ingredient): [string, Rank][] {
  const label = entry.labelName.replace(/\(.*\)/, '');
  return [
    ...waysToSay(entry.name).map((key): [string, Rank] => [key, 0]),
    ...alsoOf(entry)
      .flatMap(waysToSay)
      .map((key): [string, Rank] => [key, 1]),
    ...(entry.formOf === undefined ? waysToSay(label) : [])
      .filter((key) => !OF_MANY_KINDS.has(key))
      .map((key): [string, Rank] => [key, 2]),
  ];
}

interface Known {
  byKey: Map<string, { entry: Ingredient; rank: Rank }[]>;
  /** The telling words of every name of every entry. */
  names: { entry: Ingredient; words: string[][] }[];
  /** Every word of a name. */
  words: ReadonlySet<string>;
}

const indexes = new WeakMap<KitchenCatalogue, Known>();

/** Entries of a catalogue by every way to say them, and by their words. */
function indexOf(catalogue: KitchenCatalogue): Known {
  const known = indexes.get(catalogue);
  if (known) return known;
  const byKey: Known['byKey'] = new Map();
  for (const entry of catalogue.all)
    for (const [key, rank] of namesOf(entry)) {
      const list = byKey.get(key);
      if (list) list.push({ entry, rank });
      else byKey.set(key, [{ entry, rank }]);
    }
  const names = catalogue.all.map((entry) => ({
    entry,
    words: namesFor(entry).map(tellingWords),
  }));
  const index = { byKey, names, words: new Set(names.flatMap(({ words }) => words.flat(2))) };
  indexes.set(catalogue, index);
  return index;
}

/** The entry that is named most surely; a kitchen's own before one that ships. Undefined where two are as sure. */
function surest(found: readonly { entry: Ingredient; rank: Rank }[]): Ingredient | undefined {
  const own = found.filter(({ entry }) => entry.own);
  const from = own.length > 0 ? own : found;
  const best = Math.min(...from.map(({ rank }) => rank));
  const entries = new Set(from.filter(({ rank }) => rank === best).map(({ entry }) => entry));
  return entries.size === 1 ? [...entries][0] : undefined;
}

/** How near a text comes to a name: the share of the name's words found in the text, and of the text's in the name. */
function near(wanted: readonly string[], name: readonly string[]): number {
  if (name.length === 0) return 0;
  const found = name.filter((word) => wanted.includes(word)).length;
  return found === 0 ? 0 : found / name.length + found / wanted.length;
}

/** Entries that some words may mean, the nearest first, at most five. */
function nearest(wanted: readonly string[], catalogue: KitchenCatalogue): Ingredient[] {
  return indexOf(catalogue)
    .names.map(({ entry, words }) => {
      const most = Math.max(...words.map((name) => near(wanted, name)));
      return { entry, score: most + (entry.own ? 0.05 : 0) - (entry.formOf === undefined ? 0 : 0.1) };
    })
    .filter(({ score }) => score >= 0.65)
    .sort((a, b) => b.score - a.score)
    .slice(0, 5)
    .map(({ entry }) => entry);
}

/** Words that deny that a thing was heated: what somebody pressed, brewed or left alone is none of those that their makers pasteurise. */
const NOT_HEATED =
  /\b(?:fresh(?:ly)?(?!ly brewed\b| brewed\b)|raw|live|living|unpasteuri[sz]ed|non-?pasteuri[sz]ed|un-?heated|uncooked|unboiled|un-?filtered|un-?treated|cold[- ](?:brew(?:ed)?|press(?:ed)?|infused|drip|steeped)|home[- ]?(?:made|pressed|brewed|juiced)|hand[- ]pressed|just (?:pressed|squeezed|juiced)|squeezed|with (?:the |its )?mother|(?:not|never) (?:pasteuri[sz]ed|heated|boiled|cooked))\b/i;

/**
 * Whether a text denies that the thing it names was heated.
 * @example deniesHeat('fresh elderberry juice') // true
 */
export const deniesHeat = (text: string): boolean => NOT_HEATED.test(text);

/** An entry that its maker heated is not what "fresh", "raw" or "cold brewed" names: an unheated one of the same words is, or it is asked about. */
function unlessDenied(entry: Ingredient | undefined, text: string): Ingredient | undefined {
  return entry?.heated && deniesHeat(text) ? undefined : entry;
}

/**
 * The catalogue entry that a cook's words name: every word that tells what it is has to be in its name. A form (an essence, a flower
 * water, a syrup) or a kind (rice vinegar, prickly pear) that no entry has is none of those that lack it: what it may mean is told instead.
 * @param text "sour cherries, stoned and washed"; @param catalogue the kitchen's
 * @returns `entry` where the words name one, and all of them; `others` that may be meant, the nearest first, at most five
 * @example namedIn('sour cherries, stoned', catalogue).entry.id // 'sour-cherry'
 */
export function namedIn(
  text: string,
  catalogue: KitchenCatalogue,
): { entry: Ingredient | undefined; others: Ingredient[] } {
  const wanted = tellingWords(text);
  if (wanted.length === 0) return { entry: undefined, others: [] };
  const { byKey } = indexOf(catalogue);
  const found = [...new Set(waysToSay(text))].flatMap((key) => byKey.get(key) ?? []);
  const entry = unlessDenied(surest(found), text);
  const near = entry ? [] : nearest(wanted, catalogue);
  const meant = [...new Set([...found.map((f) => f.entry), ...near])];
  return { entry, others: meant.slice(0, 5) };
}

/**
 * Entries that a text names in so many words, one or several; none where its words only come near a name. Quicker than `namedIn`, for looking through a long text.
 * @param text a name and nothing else; @param catalogue the kitchen's
 * @example entriesNamed('sour cherries', catalogue).map(({ id }) => id) // ['sour-cherry']
 */
export function entriesNamed(text: string, catalogue: KitchenCatalogue): Ingredient[] {
  const { byKey } = indexOf(catalogue);
  return [...new Set(waysToSay(text).flatMap((key) => (byKey.get(key) ?? []).map(({ entry }) => entry)))];
}

/**
 * Whether a word may stand in a name: it is of one, or says only how a thing is bought or made ready.
 * @param word lower case, one of several; @param catalogue the kitchen's
 * @example mayName('sour', catalogue) // true
 */
export const mayName = (word: string, catalogue: KitchenCatalogue): boolean =>
  indexOf(catalogue).words.has(word) || isIdle(word);
