import {
  allWords,
  type Ingredient,
  isIdle,
  type KitchenCatalogue,
  namedIn,
  warningFor,
} from '../ingredient/index.ts';
import {
  amountAtHead,
  askOf,
  isCounted,
  parseQuantity,
  singular,
  toGrams,
  unitNamed,
} from '../quantity/index.ts';
import type { Basis } from './content.ts';

/** One line of a pasted list: understood, or with what is asked of it. */
export interface ReadListLine {
  /** Place in the pasted text, from 1. */
  number: number;
  text: string;
  said: string;
  ingredientId: string;
  basis?: Basis;
  /** What it might be, where the words do not say clearly. */
  others: Ingredient[];
  /** What is asked, in a sentence; absent where it is understood. */
  query?: string;
}

interface Follows {
  basis: Basis | { per: 'named'; name: string; by: 'weight' | 'volume' };
  ratio?: string;
  rest: string;
}

const RATIOS: [RegExp, string][] = [
  [/^(?:the )?(?:same|equal)\b/i, '1'],
  [/^half\b/i, '1/2'],
  [/^(?:twice|double)\b/i, '2'],
  [/^a third\b/i, '1/3'],
  [/^two thirds\b/i, '2/3'],
  [/^three quarters\b/i, '3/4'],
];

/** "as much sugar as fruit", "half the weight of the fruit in sugar", "equal volume of vinegar to juice". */
function followsLine(text: string): Follows | null {
  const asMuch = /^(half |twice )?as much (.+?) as (?:the )?(.+)$/i.exec(text);
  if (asMuch) {
    const times = asMuch[1]?.trim().toLowerCase();
    return {
      basis: { per: 'named', name: asMuch[3]!, by: 'weight' },
      ratio: times === 'half' ? '1/2' : times === 'twice' ? '2' : '1',
      rest: asMuch[2]!,
    };
  }
  const its =
    /^(.+?)?\s*\b(?:the |its |their )?(?:own )?(weight|volume) (?:of |in )(?:the )?(.+?)(?: (?:in|of|to|as) (?:the )?(.+))?$/i.exec(
      text,
    );
  if (!its) return null;
  const head = (its[1] ?? '').trim();
  const ratio = RATIOS.find(([pattern]) => pattern.test(head))?.[1] ?? (head === '' ? '1' : null);
  if (!ratio) return null;
  // "half the weight of the fruit in sugar" names the fruit first; "equal weight of sugar to fruit" the sugar.
  const [one, two] = [its[3]!, its[4]];
  const fruitFirst =
    two !== undefined && / in /i.test(text.slice(text.toLowerCase().indexOf(one.toLowerCase())));
  return {
    basis: {
      per: 'named',
      name: (fruitFirst ? one : two) ?? 'fruit',
      by: its[2]!.toLowerCase() as 'weight' | 'volume',
    },
    ratio,
    rest: (fruitFirst ? two : one)!,
  };
}

const PER_LITRE =
  /\s*,?\s*(?:per|to each|to every|for each|for every|to the|a) (?:litre|liter|l)(?: of (?:the )?(?:strained |drained )?(?:juice|liquid|yield|it))?\b/i;
const PER_BOTTLE = /\s*,?\s*(?:per|in each|to each|in every|for each|into each) (?:jar|bottle)\b/i;

function follows(text: string): Follows {
  if (PER_LITRE.test(text))
    return { basis: { per: 'yield', by: 'volume' }, rest: text.replace(PER_LITRE, ' ').trim() };
  if (PER_BOTTLE.test(text)) return { basis: { per: 'bottle' }, rest: text.replace(PER_BOTTLE, ' ').trim() };
  const by = /^(.*?)\s+of (?:the )?([^,]+), by (weight|volume)$/i.exec(text);
  if (by)
    return {
      basis: { per: 'named', name: by[2]!, by: by[3]!.toLowerCase() as 'weight' | 'volume' },
      rest: by[1]!,
    };
  return followsLine(text) ?? { basis: { per: 'batch' }, rest: text };
}

/** "juice of 2 lemons" as 2 of lemon juice; "sugar, 500 g" as 500 g of sugar. */
function turned(text: string): string {
  const part = /^(?:the )?(juice|zest|peel|rind)s? of (.+?)\s+([\p{L}]+)$/iu.exec(text);
  if (part) return `${part[2]} ${singular(part[3]!)} ${part[1]!.toLowerCase()}`;
  const behind = /^([\p{L}][^\d¼½¾⅓⅔⅛⅜⅝⅞]*?)\s*(?:[,:–]|\s-)\s*((?:\d|[¼½¾⅓⅔⅛⅜⅝⅞]).*)$/u.exec(text);
  return behind ? `${behind[2]} ${behind[1]}` : text;
}

const plain = (text: string): string =>
  text
    .replace(/^\s*(?:[-*•·–▢□]|\d{1,2}[.)](?=\s))\s*/, '')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const isHeading = (text: string): boolean =>
  /:$/.test(text) || /^(ingredients?|for the .*|method|you will need)$/i.test(text);

/** What stands in brackets, where it says more than an amount or how a thing is made ready: it may change which thing is meant. */
function asideAsks(text: string, known: ReadonlySet<string>): string | null {
  for (const [, aside] of text.matchAll(/\(([^)]*)\)?/g)) {
    const left = allWords(aside!).filter(
      (word) =>
        !isIdle(word) && !known.has(word) && !unitNamed(word) && !isCounted(word) && word !== 'optional',
    );
    if (left.length > 0)
      return `What does “(${aside!.trim()})” change? Write it without brackets, or leave it out.`;
  }
  return null;
}

/** What keeps an amount from becoming grams; null where nothing does. Which country's cups are meant is the kitchen's to say. */
function amountAsks(said: string, entry: Ingredient, catalogue: KitchenCatalogue): string | null {
  try {
    const quantity = parseQuantity(said, { cup: 'us' });
    const ask = askOf(quantity);
    if (ask) return ask;
    toGrams(quantity, entry, { cup: 'us', measures: catalogue.measures });
    return null;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return `${error.message.replace(/[.!?]$/, '')}.`;
  }
}

function readOne(number: number, text: string, catalogue: KitchenCatalogue, measures: ReadonlySet<string>) {
  const follow = follows(plain(text));
  const amount = follow.ratio ? null : amountAtHead(turned(follow.rest), measures);
  const words = amount ? amount.rest : follow.rest;
  const warning = warningFor(text);
  const { entry, others } = namedIn(words, catalogue);
  const said = follow.ratio ?? amount?.said ?? '';
  const line: ReadListLine = { number, text: text.trim(), said, ingredientId: entry?.id ?? '', others };
  if (warning?.refuse) return { line: { ...line, ingredientId: '', query: warning.why }, follow };
  if (!entry)
    line.query =
      others.length > 0
        ? `Which is meant by "${words.trim()}"?`
        : `"${words.trim() || text.trim()}" is not in the catalogue. Choose what it is, or add it as your own; until then it counts for nothing.`;
  else if (said === '') line.query = 'How much? The list does not say.';
  else {
    const asked =
      asideAsks(text, new Set(allWords(`${entry.name} ${entry.labelName}`))) ??
      (follow.ratio ? null : amountAsks(said, entry, catalogue));
    if (asked) line.query = asked;
  }
  return { line, follow };
}

/** The line that a name means among those read: by its ingredient, or the first fruit for "fruit". */
function named(name: string, lines: readonly ReadListLine[], catalogue: KitchenCatalogue): number {
  if (/^(the )?(fruit|berries|pulp)$/i.test(name.trim()))
    return lines.findIndex((l) => catalogue.find(l.ingredientId)?.family === 'fruit');
  const id = namedIn(name, catalogue).entry?.id;
  return id === undefined ? -1 : lines.findIndex((l) => l.ingredientId === id);
}

/**
 * Reads a pasted list of ingredients line by line: each is understood, or says what is asked. Nothing is invented and nothing dropped but blank lines and headings.
 * @param text lines as people write them: "2 cups sugar", "juice of 3 lemons", "as much sugar as fruit", "a spoon in each jar"
 * @param catalogue the kitchen's; @returns one entry a line; `basis.lineId` is "line" and the number of the line it follows
 * @example readIngredientList('4 kg sour cherries\n2 kg sugar', catalogue).map((line) => line.ingredientId) // ['sour-cherry', 'sugar']
 */
export function readIngredientList(text: string, catalogue: KitchenCatalogue): ReadListLine[] {
  const measures = new Set(catalogue.measures.map((m) => m.name));
  const read = text
    .split(/\r?\n/)
    .map((line, i) => ({ number: i + 1, line }))
    .filter(({ line }) => plain(line) !== '' && !isHeading(plain(line)))
    .map(({ number, line }) => readOne(number, line, catalogue, measures));
  const lines = read.map(({ line }) => line);
  for (const { line, follow } of read) {
    const { basis } = follow;
    if (basis.per === 'batch') continue;
    if (basis.per !== 'named') {
      line.basis = basis;
      continue;
    }
    if (/^(the )?(juice|liquid|yield)$/i.test(basis.name.trim())) {
      line.basis = { per: 'yield', by: basis.by };
      continue;
    }
    const other = named(basis.name, lines, catalogue);
    if (other === -1 || lines[other] === line)
      line.query ??= `It follows "${basis.name.trim()}", which is not in the list.`;
    else line.basis = { per: 'line', lineId: lineKey(lines[other]!), by: basis.by };
  }
  return lines;
}

/**
 * The id that a read line gets in a formula.
 * @example lineKey({ number: 2 }) // 'line2'
 */
export const lineKey = (line: Pick<ReadListLine, 'number'>): string => `line${line.number}`;
