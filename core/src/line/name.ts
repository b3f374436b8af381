import { type Ingredient, isIdle, type KitchenCatalogue, namedIn } from '../ingredient/index.ts';
import { isCounted, ownOf, singular, type Token, wordOf } from '../quantity/index.ts';
import { FORMS } from './forms.ts';
import type { Amount, Line } from './line.ts';
import type { Words } from './words.ts';

/** What some words name. */
export interface Named {
  entry: Ingredient | undefined;
  others: Ingredient[];
  name: string;
  /** A count that stands behind the name, "4 mint sprigs"; '' where none does. */
  counted: string;
}

/** Tokens as text, signs close to their words. */
export const asText = (tokens: readonly Token[]): string =>
  tokens
    .map((token) => token.text)
    .join(' ')
    .replace(/ ([,;)%])/g, '$1')
    .replace(/([(]|(?<=\p{L}) -) /gu, (sign) => sign.trim());

/** Marks the words of a name: which form, how made ready, the rest which thing. */
export function markName(words: Words, tokens: readonly Token[]): void {
  for (const token of tokens) {
    const word = wordOf(token);
    words.mark([token], isIdle(word) ? 'preparation' : FORMS.has(word) ? 'form' : 'ingredient');
  }
}

/** Of a name that nothing has, the words that the nearest has are told apart from those left. */
function markNear(words: Words, tokens: readonly Token[], nearest: Ingredient | undefined): void {
  const known = new Set((nearest?.name.toLowerCase().match(/\p{L}+/gu) ?? []).map(singular));
  for (const token of tokens) {
    const word = wordOf(token);
    if (token.kind !== 'word') continue;
    if (isIdle(word)) words.mark([token], 'preparation');
    else if (known.has(word)) words.mark([token], 'ingredient');
  }
}

/** "10 cloves": where no name is left, what is counted is the thing itself. */
function freeCounted(words: Words, amount: Amount): void {
  const behind = words.tokens.filter((token) => wordOf(token) === amount.read.unit);
  words.free(behind);
  amount.said = amount.said.replace(/\s*\p{L}+$/u, '');
}

const saysNothing = (tokens: readonly Token[]): boolean =>
  !tokens.some((token) => token.kind !== 'sign' && !isIdle(wordOf(token)));

/** "4 mint sprigs": the name without the word that it is counted by. */
function countBehind(
  tokens: readonly Token[],
  amount: Amount | null,
  catalogue: KitchenCatalogue,
): Named | null {
  const last = tokens.findLast((token) => token.kind === 'word' && !isIdle(wordOf(token)));
  if (!last || amount?.read.unit !== '' || !isCounted(wordOf(last))) return null;
  const name = asText(tokens.filter((token) => token !== last));
  const { entry, others } = namedIn(name, catalogue);
  if (ownOf(entry?.gramsPerPiece, wordOf(last)) === undefined) return null;
  return { entry, others, name, counted: last.text };
}

/** "3 star anise": what looks like a count is part of the name. */
function unitInName({ words, catalogue }: Line, amount: Amount | null): Named | null {
  if (!amount || !isCounted(amount.read.unit)) return null;
  const unit = words.tokens.filter((token) => wordOf(token) === amount.read.unit);
  const whole = words.tokens.filter((token) => unit.includes(token) || words.left.includes(token));
  const { entry, others } = namedIn(asText(whole), catalogue);
  if (!entry) return null;
  words.free(unit);
  markName(words, unit);
  amount.said = amount.said.replace(/\s*\p{L}+$/u, '');
  return { entry, others, name: asText(whole), counted: '' };
}

/** The thing that the words left name; they are marked. A figure left over names nothing. */
export function takeName(line: Line, amount: Amount | null): Named {
  const { words, catalogue } = line;
  if (amount && isCounted(amount.read.unit) && saysNothing(words.left)) freeCounted(words, amount);
  const tokens = words.left;
  const text = asText(tokens);
  const plain = { ...namedIn(text, catalogue), name: text, counted: '' };
  const named = plain.entry
    ? plain
    : (countBehind(tokens, amount, catalogue) ?? unitInName(line, amount) ?? plain);
  const entry = tokens.some((token) => token.kind === 'figure') ? undefined : named.entry;
  if (entry) markName(words, tokens);
  else markNear(words, tokens, named.others[0]);
  return { ...named, entry, name: text.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N})]+$/gu, '') };
}
