import { singular } from './singular.ts';

/** A word, a figure or a sign of a text, with the place it stands at. */
export interface Token {
  text: string;
  /** In lower case, without a full stop behind, a hyphen apart from a dash: what it is compared by. */
  word: string;
  start: number;
  end: number;
  kind: 'word' | 'figure' | 'sign';
}

const FIGURE = /\d+(?:(?:[.,]|[\u00a0\u2009\u202f'’](?=\d{3}(?!\d)))\d+)*(?:[/⁄]\d+)?|[.,]\d+/.source;
const PART = '[¼½¾⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]';
const WORD = String.raw`\p{L}\p{M}*(?:[\p{L}\p{M}]|['’](?=\p{L}))*\.?`;
const TOKEN = new RegExp(`(?<figure>${FIGURE}|${PART})|(?<word>${WORD})|(?<sign>[^\\s])`, 'gu');

/** A hyphen within a word or between figures; a dash with space about it parts words. */
const isHyphen = (text: string, at: number): boolean =>
  text[at] === '-' && /\S/.test(text[at - 1] ?? ' ') && /\S/.test(text[at + 1] ?? ' ');

/**
 * The words, figures and signs of a text in order: "500g" is a figure and a word, "two-thirds" two words with a sign between.
 * @param text what a cook wrote
 * @example tokensOf('500g sugar').map((token) => token.text) // ['500', 'g', 'sugar']
 */
export function tokensOf(text: string): Token[] {
  return [...text.matchAll(TOKEN)].map((match) => {
    const { figure, word } = match.groups!;
    return {
      text: match[0],
      word: isHyphen(text, match.index) ? '‐' : match[0].toLowerCase().replace(/(?<=\p{L})\.$/u, ''),
      start: match.index,
      end: match.index + match[0].length,
      kind: figure ? 'figure' : word ? 'word' : 'sign',
    };
  });
}

/**
 * The part of a text that some of its tokens stand in, first to last.
 * @example textOf('500g of sugar', tokensOf('500g of sugar').slice(1, 3)) // 'g of'
 */
export const textOf = (text: string, tokens: readonly Token[]): string =>
  tokens.length === 0 ? '' : text.slice(tokens[0]!.start, tokens.at(-1)!.end);

/**
 * A word as one of several, by which names are compared; '' where there is none.
 * @example wordOf(tokensOf('Cherries')[0]) // 'cherry'
 */
export const wordOf = (token: Token | undefined): string => (token ? singular(token.word) : '');
