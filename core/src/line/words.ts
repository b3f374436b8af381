import { type Token, tokensOf } from '../quantity/index.ts';

/** What a word of a line was used as; what no part of the grammar used is left. */
export type WordRole =
  | 'amount'
  | 'unit'
  | 'basis'
  | 'ingredient'
  | 'form'
  | 'preparation'
  | 'choice'
  | 'left';

/** A word of a line with what it was used as. */
export interface WordRead {
  text: string;
  as: WordRole;
}

/** The tokens that a pattern matched, by its named groups; `all` is the whole match. */
export type Taken = Record<string, Token[]> & { all: Token[] };

const compiled = new Map<string, RegExp>();

/** A pattern that tells where its groups matched. */
function withPlaces({ source }: RegExp): RegExp {
  const known = compiled.get(source);
  if (known) return known;
  const pattern = new RegExp(source, 'du');
  // Patterns made of a line's own words come and go.
  if (compiled.size > 500) compiled.clear();
  compiled.set(source, pattern);
  return pattern;
}

/** The words of a line while it is read: each is marked with what it is used as, and what is marked is out of the way. */
export class Words {
  readonly text: string;
  readonly tokens: readonly Token[];
  private readonly roles = new Map<Token, WordRole>();

  constructor(text: string) {
    this.text = text;
    this.tokens = tokensOf(text);
  }

  /** Tokens that nothing has used yet, in order. */
  get left(): Token[] {
    return this.tokens.filter((token) => !this.roles.has(token));
  }

  mark(tokens: readonly Token[], role: WordRole): void {
    for (const token of tokens) this.roles.set(token, role);
  }

  /** Takes back what some tokens were used as. */
  free(tokens: readonly Token[]): void {
    for (const token of tokens) this.roles.delete(token);
  }

  /** The tokens left that a pattern finds in their words, joined by single spaces; nothing is marked. */
  find(pattern: RegExp, among: readonly Token[] = this.left): Taken | null {
    const words = among.map((token) => token.word).join(' ');
    const match = withPlaces(pattern).exec(words);
    return match ? takenOf(match, among) : null;
  }

  /** Finds a pattern and marks all of it. */
  take(pattern: RegExp, role: WordRole): Taken | null {
    const taken = this.find(pattern);
    if (taken) this.mark(taken.all, role);
    return taken;
  }

  /** Every word and figure with its role; signs are none. */
  read(): WordRead[] {
    return this.tokens
      .filter((token) => token.kind !== 'sign')
      .map((token) => ({ text: token.text, as: this.roles.get(token) ?? 'left' }));
  }
}

function takenOf(match: RegExpExecArray, among: readonly Token[]): Taken {
  const spans = among.reduce<[number, number][]>((all, token) => {
    const start = all.length === 0 ? 0 : all.at(-1)![1] + 1;
    all.push([start, start + token.word.length]);
    return all;
  }, []);
  const within = (span: [number, number] | undefined): Token[] =>
    span ? among.filter((_, i) => spans[i]![0] >= span[0] && spans[i]![1] <= span[1]) : [];
  const groups = Object.entries(match.indices!.groups ?? {}).map(([name, span]): [string, Token[]] => [
    name,
    within(span),
  ]);
  return { ...Object.fromEntries(groups), all: within(match.indices![0]) } as Taken;
}
