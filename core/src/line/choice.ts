import { type Ingredient, namedIn } from '../ingredient/index.ts';
import type { Token } from '../quantity/index.ts';
import { amountIn, markAmount } from './amount.ts';
import type { Alternative, Line } from './line.ts';
import { asText, markName, type Named } from './name.ts';

/** The words of a line between "and"s, and commas where the line says "each". */
function between(tokens: readonly Token[], commas: boolean): Token[][] {
  const groups: Token[][] = [[]];
  for (const token of tokens)
    if (token.word === 'and' || token.text === '&' || (commas && token.text === ',')) groups.push([]);
    else groups.at(-1)!.push(token);
  return groups.filter((group) => group.length > 0);
}

/** Several things that a line names side by side; null where its words are one name, or not all of them name something. */
export function severalIn(line: Line, commas: boolean): { tokens: Token[]; entry: Ingredient }[] | null {
  const { words, catalogue } = line;
  const tokens = words.left;
  const groups = between(tokens, commas);
  if (groups.length < 2 || namedIn(asText(tokens), catalogue).entry) return null;
  const named = groups.flatMap((group) => {
    const { entry } = namedIn(asText(group), catalogue);
    return entry ? [{ tokens: group, entry }] : [];
  });
  return named.length === groups.length ? named : null;
}

/** What the first of two stands for: with the last words of the second behind it ("lemon or lime juice"), or alone. */
function firstOf(line: Line, first: readonly Token[], second: readonly Token[], later: Ingredient) {
  const most = Math.max(1, second.length - 1);
  for (let k = 1; k <= most; k++) {
    const { entry } = namedIn(`${asText(first)} ${asText(second.slice(-k))}`, line.catalogue);
    if (entry && entry.id !== later.id) return entry;
  }
  return namedIn(asText(first), line.catalogue).entry;
}

/** "blueberries, fresh or frozen": what the second stands for with the name in front of the comma. */
function laterOf(line: Line, first: readonly Token[], second: readonly Token[]): Ingredient | undefined {
  const comma = first.findIndex((token) => token.text === ',');
  if (comma < 1) return undefined;
  return namedIn(`${asText(second)} ${asText(first.slice(0, comma))}`, line.catalogue).entry;
}

/** "raspberries or 500 g blackberries", "fresh or frozen raspberries": the first is taken, the other is kept. */
export function takeChoice(line: Line, said: string): (Named & { alternatives: Alternative[] }) | null {
  const { words, catalogue } = line;
  const tokens = words.left.filter((token) => token.kind !== 'sign' || /[/,]/.test(token.text));
  const at = tokens.findIndex((token) => token.word === 'or' || token.text === '/');
  if (at < 1 || at === tokens.length - 1) return null;
  const [first, behind] = [tokens.slice(0, at), tokens.slice(at + 1)];
  const other = amountIn(line, behind);
  const from = other?.read.next ?? 0;
  const second = behind.slice(behind[from]?.word === 'of' ? from + 1 : from);
  const later = namedIn(asText(second), catalogue).entry ?? laterOf(line, first, second);
  const entry = later && firstOf(line, first, second, later);
  if (!entry) return null;
  words.mark([tokens[at]!], 'choice');
  if (other) markAmount(line, behind, 0, other.read);
  markName(words, first);
  markName(words, second);
  return {
    entry,
    others: [],
    name: asText(first),
    counted: '',
    alternatives:
      later.id === entry.id && !other ? [] : [{ said: other?.said ?? said, ingredientId: later.id }],
  };
}
