import { type Ingredient, type KitchenCatalogue, namedIn, warningFor } from '../ingredient/index.ts';
import { ownOf, SHAPED, singular, textOf, units } from '../quantity/index.ts';
import { amountIn, markAmount, takeAmount, takeAsides, takeStrength } from './amount.ts';
import { type BasisSaid, basisOf } from './basis.ts';
import { severalIn, takeChoice } from './choice.ts';
import { queryOf, type Said, strengthAsks } from './judge.ts';
import { type Amount, type Line, type LineThing, sentence } from './line.ts';
import { asText, markName, takeName } from './name.ts';
import { ownPartsOf, partsOf } from './parts.ts';
import { takeOptional, takePreparation } from './preparation.ts';
import { type WordRead, Words } from './words.ts';

/** A line as it was read: every word with what it was used as, and the things it names. */
export interface LineRead {
  words: WordRead[];
  things: LineThing[];
}

const BATCH: BasisSaid = { per: 'batch' };

const thingOf = (rest: Partial<LineThing>): LineThing => ({
  said: '',
  ingredientId: '',
  name: '',
  others: [],
  basis: BATCH,
  alternatives: [],
  optional: false,
  ...rest,
});

function judged(line: Line, rest: Partial<LineThing>, entry: Ingredient | undefined, how: Said): LineThing {
  const thing = thingOf({ ...rest, ingredientId: entry?.id ?? '' });
  const query = queryOf(line, thing, entry, how);
  return query ? { ...thing, query } : thing;
}

const plainly = (amount: Amount | null): Said => ({ amount, ratio: false, toTaste: false });

/** "zest of 2 lemons and juice of 1": a thing for each; the second is of the first's fruit where it names none. */
function ownPartsThings(line: Line, basis: BasisSaid): LineThing[] | null {
  const { words, catalogue } = line;
  const found = ownPartsOf(words);
  if (!found) return null;
  let fruit = '';
  const read = found.parts.map(({ part, rest }) => {
    const amount = amountIn(line, rest);
    const own = rest.slice(amount?.read.next ?? 0);
    if (own.length > 0) fruit = textOf(words.text, own).replace(/\p{L}+$/u, (word) => singular(word));
    return { amount, own, rest, name: `${fruit} ${part}`, ...namedIn(`${fruit} ${part}`, catalogue) };
  });
  if (read.some(({ amount, entry }) => !entry || amount?.read.unit !== '')) return null;
  words.mark(found.between, 'form');
  return read.map(({ amount, own, rest, name, entry, others }) => {
    markName(words, own);
    markAmount(line, rest, 0, amount!.read);
    return judged(line, { said: amount!.said, name, others, basis }, entry, plainly(amount));
  });
}

/** "zest and juice of two limes": a thing for each. */
function partsThings(line: Line, basis: BasisSaid): LineThing[] | null {
  const { words, catalogue } = line;
  const found = partsOf(words);
  if (!found) return null;
  const amount = amountIn(line, found.rest);
  const fruit = found.rest.slice(amount?.read.next ?? 0);
  const fruitName = textOf(words.text, fruit);
  const one = fruitName.replace(/\p{L}+$/u, (word) => singular(word));
  const named = found.parts.map((part) => namedIn(`${one} ${part}`, catalogue));
  const known = named.every(({ entry }) => entry);
  if (!known && found.parts.length === 1) return null;
  words.mark(found.partTokens, 'form');
  if (known) markName(words, fruit);
  if (amount) markAmount(line, found.rest, 0, amount.read);
  return found.parts.map((part, i) => {
    const { entry, others } = named[i]!;
    const rest = { said: amount?.said ?? '', name: `${fruitName} ${part}`, others, basis };
    return judged(line, rest, entry, plainly(amount));
  });
}

/** "equal parts sugar and water": the first is open, the others follow it. */
function equalThings(line: Line): LineThing[] | null {
  const { words } = line;
  const tail = '(?<list>.+?)(?: by (?<by>weight|volume))?$';
  const head = words.find(
    new RegExp(`^(?:in )?equal (?<what>parts|amounts|measures|quantities|weights|volumes)(?: of)? ${tail}`),
  );
  const behind = head
    ? null
    : words.find(
        /^(?<list>.+?) ?,? in equal (?<what>parts|amounts|measures|weights|volumes)(?: by (?<by>weight|volume))?$/,
      );
  const taken = head ?? behind;
  if (!taken?.list?.length) return null;
  words.mark(
    taken.all.filter((token) => !taken.list!.includes(token)),
    'basis',
  );
  const several = severalIn(line, true);
  if (!several) return null;
  const what = taken.what![0]!.word.replace(/s$/, '');
  const by = taken.by?.[0]?.word ?? (/^(?:weight|volume)$/.test(what) ? what : undefined);
  for (const { tokens } of several) markName(words, tokens);
  words.mark(words.left, 'basis');
  const [first, ...others] = several;
  const name = asText(first!.tokens).toLowerCase();
  const follows: BasisSaid = { per: 'other', name, by: by as 'weight' | 'volume' | undefined, ratio: '1' };
  return [
    judged(line, { name }, first!.entry, plainly(null)),
    ...others.map(({ tokens, entry }) => ({
      ...judged(line, { said: '1', name: asText(tokens), basis: follows }, entry, {
        amount: null,
        ratio: true,
        toTaste: false,
      }),
      ...(by ? {} : { query: 'Equal by weight or by volume? Say which.' }),
    })),
  ];
}

/** "sugar and water, 2 cups each": a thing for each; without "each" it is asked. */
function severalThings(line: Line, each: boolean, amount: Amount | null, said: string, basis: BasisSaid) {
  const several = severalIn(line, each);
  if (!several) return null;
  const { words } = line;
  if (!each) {
    const names = several.map(({ entry }) => entry.name.toLowerCase()).join(' and ');
    const query = `These are two things: write ${names} on lines of their own.`;
    return [
      thingOf({ said, name: asText(words.left), others: several.map(({ entry }) => entry), query, basis }),
    ];
  }
  words.mark(words.left, 'choice');
  return several.map(({ tokens, entry }) => {
    markName(words, tokens);
    return judged(line, { said, name: asText(tokens), basis }, entry, plainly(amount));
  });
}

/** "2 cups rhubarb, chopped": said behind the name, how it is cut belongs to the amount as well; to a cup of it where such a cup is known. */
function cutIn(line: Line, entry: Ingredient | undefined, amount: Amount | null, said: string): string {
  const read = amount?.read;
  const dimension = read && ownOf(units, read.unit)?.dimension;
  if (!read || read.shape || read.plus || (dimension !== 'volume' && dimension !== 'mass')) return said;
  const cut = line.words
    .read()
    .filter((word) => word.as === 'preparation')
    .map((word) => ownOf(SHAPED, word.text.toLowerCase()))
    .find((shape) => shape && (dimension === 'mass' || entry?.gramsPerMl?.[shape]));
  return cut ? `${said} ${cut}` : said;
}

function plainThings(line: Line, basis: BasisSaid, same: readonly string[], toTaste: boolean): LineThing[] {
  const ratio = 'ratio' in basis ? basis.ratio : undefined;
  const strength = takeStrength(line);
  const amount = ratio === undefined ? takeAmount(line) : null;
  amount?.same.push(...same);
  const each = line.words.take(/(?:^|(?<= ))each(?: of)?(?= |$)/, 'amount') !== null;
  const said = () => ratio ?? amount?.said ?? '';
  const several = severalThings(line, each, amount, said(), basis);
  if (several) return several;
  const choice = takeChoice(line, said());
  const { entry, others, name, counted } = choice ?? takeName(line, amount);
  const whole = counted ? `${said()} ${counted}` : cutIn(line, entry, ratio ? null : amount, said());
  const thing = judged(line, { said: whole, name, others, basis }, entry, {
    amount,
    ratio: ratio !== undefined,
    toTaste,
  });
  const weak = entry && strength !== null ? strengthAsks(entry, strength) : null;
  const alternatives = [
    ...(amount?.or ?? []).map((or) => ({ said: or, ingredientId: entry?.id ?? '' })),
    ...(choice?.alternatives ?? []),
  ];
  return [{ ...thing, alternatives, ...(weak && !thing.query ? { query: weak } : {}) }];
}

/** Where a word is left that no part of the grammar used, the line is not understood. */
function withLeft(words: readonly WordRead[], things: readonly LineThing[]): LineThing[] {
  const left = words.filter((word) => word.as === 'left').map((word) => word.text);
  if (left.length === 0) return [...things];
  const query = `What does “${left.join(' ')}” say? Write it another way, or leave it out.`;
  return things.map((thing) => (thing.query ? thing : { ...thing, query }));
}

/** Bullets and numbers that a list puts in front. */
const BULLET = /^\s*(?:[-*•·–—▢□✓]|(?:\d{1,2}[.)]|\(?[a-z]\))(?=\s))\s*/i;

/**
 * Reads a line as a cook writes or says it: amounts, units, what they are told by, and the things it names. Every word is accounted for;
 * where one is left over, or grams cannot be had, it asks.
 * @param text one line; @param catalogue the kitchen's, with its own measures
 * @returns its words with what each was used as, and the things named; nothing is invented
 * @example readSaid('zest and juice of two limes', catalogue).things.map((thing) => thing.ingredientId) // ['lime-peel', 'lime-juice']
 */
export function readSaid(text: string, catalogue: KitchenCatalogue): LineRead {
  const plain = text.replace(BULLET, '').trim();
  try {
    return readPlain(plain, catalogue);
  } catch (error) {
    // Figures that make no number, wherever they stand.
    if (!(error instanceof RangeError)) throw error;
    return { words: new Words(plain).read(), things: [thingOf({ query: sentence(error.message) })] };
  }
}

/** Words, figures and signs that a line of a list has at the most. */
const LONGEST = 80;

function readPlain(text: string, catalogue: KitchenCatalogue): LineRead {
  const words = new Words(text);
  if (words.tokens.length > LONGEST)
    return {
      words: words.read(),
      things: [
        thingOf({ query: 'This is too long for one line of a list: write one ingredient to a line.' }),
      ],
    };
  const warning = warningFor(words.text);
  if (warning?.refuse) return { words: words.read(), things: [thingOf({ query: warning.why })] };
  const measures = new Set(catalogue.measures.map((measure) => measure.name));
  const line: Line = { words, catalogue, measures, asks: [] };
  const { optional, toTaste } = takeOptional(words);
  takePreparation(words);
  const equal = equalThings(line);
  const same = takeAsides(line);
  const { basis, asks } = equal ? { basis: BATCH } : basisOf(words);
  if (asks) line.asks.push(asks);
  const things =
    equal ??
    ownPartsThings(line, basis) ??
    partsThings(line, basis) ??
    plainThings(line, basis, same, toTaste);
  const told = words.read();
  return { words: told, things: withLeft(told, things).map((thing) => ({ ...thing, optional })) };
}
