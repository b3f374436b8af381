import { numberAt, tokensOf } from '../quantity/index.ts';

/** A line of a pasted recipe with its place in the text. */
export interface SourceLine {
  /** From 1. */
  number: number;
  text: string;
  /** Part of the recipe it stands under: "for the syrup". */
  heading?: string;
}

/** A recipe as its text is laid out. */
export interface RecipeDocument {
  name?: string;
  ingredients: SourceLine[];
  method: SourceLine[];
  /** What is neither: yields, times, notes. */
  others: SourceLine[];
}

const bare = (text: string): string =>
  text
    .replace(/^\s*(?:#{1,6}\s+|[-*•·–—▢□✓]\s+|>\s+)/, '')
    .replace(/\*\*|__|(?<=\s|^)[*_](?=\S)|(?<=\S)[*_](?=\s|$)/g, '')
    .trim();

const INGREDIENTS =
  /^(?:the )?(?:ingredients?|you(?:’ll|'ll| will)? need|what you need|shopping list)\s*:?$/i;
const METHOD =
  /^(?:the )?(?:method|directions?|instructions?|steps?|preparation|procedure|what to do|how to make (?:it|them)|to make(?: it)?)\s*:?$/i;
const NOTES =
  /^(?:notes?|tips?|hints?|storage|storing|to serve|serving(?: suggestions?)?|source|history)\s*:?$/i;
const PART = /^(?:for the [^\d]{2,40}|[^\d.!?]{2,40}:)$/i;
const ABOUT =
  /^(?:makes?|yields?|serves?|servings?|prep(?:aration)?(?: time)?|cook(?:ing)?(?: time)?|total(?: time)?|time|author|by|source|keeps|difficulty|category)\b\s*(?::|\d|about|for|up to|enough)/i;

/** Words that a sentence of a method begins with. */
const VERBS =
  'add|allow|arrange|beat|blanch|blend|blitz|boil|bottle|bring|bruise|check|chill|chop|clean|combine|cook|cool|core|cover|crush|cut|decant|dice|discard|dissolve|divide|drain|drop|fill|filter|fold|freeze|funnel|gather|grate|grind|halve|hang|heat|hull|infuse|juice|keep|ladle|leave|let|lift|line|liquidise|macerate|make|mash|measure|melt|mix|muddle|pack|pare|pass|peel|pick|pit|place|pop|pour|prepare|press|prick|process|puree|put|quarter|reduce|refrigerate|remove|repeat|rest|return|rinse|roast|rub|scald|scrape|scrub|seal|set|shake|sieve|simmer|skim|slice|soak|squeeze|stand|steep|sterilise|sterilize|stew|stir|stone|store|strain|strip|sweeten|take|taste|test|tie|tip|toast|top|toss|transfer|trim|turn|warm|wash|weigh|whisk|wipe|zest';
const SENTENCE = new RegExp(
  `^(?:(?:then|next|now|first|finally|meanwhile|gently|carefully|slowly|quickly|lightly|finely|again|once|when|while|after|as soon as|off the heat|on the day|the next|overnight|over a|in a|into a|using|with a|to a)\\b|(?:${VERBS})\\b(?! of\\b))`,
  'i',
);

/** Whether a line reads as a sentence of a method, not as a line of a list. */
export function isSentence(text: string): boolean {
  const plain = bare(text).replace(/^(?:step\s*)?\d{1,2}\s*[.):]\s*/i, '');
  const tokens = tokensOf(plain);
  let startsWithNumber = false;
  try {
    startsWithNumber = numberAt(tokens, 0) !== null && !/^an?$/i.test(tokens[0]!.text);
  } catch {
    startsWithNumber = true;
  }
  if (startsWithNumber) return plain.length > 120;
  // "Juice 1 lemon" and "zest of a lime" are things; "juice the lemons" is done.
  if (/^(?:juice|zest|peel|top)\b/i.test(plain) && !/^\w+ (?:the|all|your|them|with|up)\b/i.test(plain))
    return false;
  return SENTENCE.test(plain) || /[.!?]\s+\p{Lu}/u.test(plain) || plain.split(/\s+/).length > 16;
}

interface Reading {
  document: RecipeDocument;
  part: 'unsaid' | 'ingredients' | 'method' | 'notes';
  heading: string | undefined;
}

/** Takes a heading; whether the line was one. */
function heading(reading: Reading, text: string): boolean {
  const plain = bare(text);
  if (INGREDIENTS.test(plain)) reading.part = 'ingredients';
  else if (METHOD.test(plain)) reading.part = 'method';
  else if (NOTES.test(plain)) reading.part = 'notes';
  else if (PART.test(plain) && !isSentence(plain.replace(/:$/, ''))) {
    reading.heading = plain.replace(/:$/, '').toLowerCase();
    return true;
  } else return false;
  reading.heading = undefined;
  return true;
}

function place(reading: Reading, line: SourceLine): void {
  const { document, part } = reading;
  if (ABOUT.test(bare(line.text)) && part !== 'method') document.others.push(line);
  else if (part === 'notes') document.others.push(line);
  else if (part === 'method') document.method.push(line);
  else if (isSentence(line.text)) document.method.push(line);
  else document.ingredients.push(line);
}

/** Whether the first line is what the recipe is called: words alone, with more under it. */
function isTitle(text: string, lines: readonly string[]): boolean {
  if (/^\s*#\s/.test(text)) return true;
  const plain = bare(text);
  if (lines.length < 3 || /^[-*•\d]/.test(text.trim()) || /[.:]$/.test(plain) || plain.length > 70)
    return false;
  return !isSentence(plain) && numberAt(tokensOf(plain), 0) === null && /^\p{Lu}/u.test(plain);
}

/**
 * Parts a pasted recipe into its name, its list, its method and the rest, by its headings or by how its lines read.
 * @param text plain text or Markdown
 * @example partsOfText('Ingredients\n1 kg plums\nMethod\nBoil it.').method.length // 1
 */
export function partsOfText(text: string): RecipeDocument {
  const lines = text.split(/\r?\n/);
  const filled = lines.filter((line) => line.trim() !== '');
  const reading: Reading = {
    document: { ingredients: [], method: [], others: [] },
    part: 'unsaid',
    heading: undefined,
  };
  let isFirst = true;
  for (const [i, raw] of lines.entries()) {
    if (raw.trim() === '' || /^\s*[-=_*]{3,}\s*$/.test(raw)) continue;
    const first = isFirst;
    isFirst = false;
    if (first && isTitle(raw, filled)) reading.document.name = bare(raw);
    else if (!heading(reading, raw))
      place(reading, {
        number: i + 1,
        text: bare(raw),
        ...(reading.heading ? { heading: reading.heading } : {}),
      });
  }
  return reading.document;
}

/** A line of a list has fewer words than this. */
const LIST_WORDS = 14;
/** Somebody tells what was done. */
const TELLS = /\b(?:i|we|i['’](?:m|ve|ll|d)|we['’](?:re|ve|ll|d)|you['’]re)\b/gi;

/**
 * Whether a text is an account, told in prose as somebody cooks, and not a list with a method under it.
 * @param text as it was pasted or dictated
 * @example looksTold('I have a kilo of plums and I am putting them in the pan with two cups of sugar.') // true
 */
export function looksTold(text: string): boolean {
  const { ingredients, method } = partsOfText(text);
  const listed = ingredients.filter(
    (line) => line.text.split(/\s+/).length < LIST_WORDS && !/[.!?]$/.test(line.text),
  );
  const words = text.split(/\s+/).length;
  const told = (text.match(TELLS) ?? []).length;
  return (
    listed.length < 2 && words >= 12 && (listed.length === 0 || told > 0) && (method.length > 0 || told > 0)
  );
}
