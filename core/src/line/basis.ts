import {
  type AmountRead,
  amountAt,
  millilitresIn,
  numberAt,
  ownOf,
  type Token,
  textOf,
  tokensOf,
  type UnitId,
  units,
} from '../quantity/index.ts';
import type { Words } from './words.ts';

/** What an amount is told by, as a line says it: the other thing is still a name. */
export type BasisSaid =
  | { per: 'batch' }
  /** The liquid in the pan; an amount is for `each` of it, as it was said ("1 pint"), a ratio is of all of it. */
  /** As much as covers what is in the pan. */
  | { per: 'cover' }
  | { per: 'yield'; by: 'weight' | 'volume' | undefined; each?: string; ratio?: string }
  | { per: 'bottle'; ml?: number }
  | { per: 'other'; name: string; by: 'weight' | 'volume' | undefined; each?: string; ratio?: string };

/** What is read of a line's basis: the basis, and what of it only the cook can say. */
export interface BasisRead {
  basis: BasisSaid;
  asks?: string;
}

const NO_MEASURES: ReadonlySet<string> = new Set();
const ONE = tokensOf('1')[0]!;
/** What is meant by the liquid that is in the pan when a thing goes in. */
const LIQUID =
  /^(?:the )?(?:strained |drained |resulting |collected )?(?:juice|liquid|yield|liquor|infusion|tea|strained)$/;
const BY = '(?: (?:by|in) (?<by>weight|volume))?';
const END = '(?= ?(?:,|;|\\)|$))';

const byOf = (tokens: readonly Token[] | undefined): 'weight' | 'volume' | undefined =>
  tokens?.at(-1)?.word as 'weight' | 'volume' | undefined;

const nameOf = (text: string, tokens: readonly Token[]): string =>
  textOf(
    text,
    tokens.filter((token) => token.kind !== 'sign'),
  ).toLowerCase();

const dimension = (unit: string) => ownOf(units, unit)?.dimension;
/** What a jar holds that is named by its size: preserving jars are made to US measures. */
const jarMl = (read: AmountRead): number =>
  Number((read.low * millilitresIn(read.unit as UnitId, 'us')).toFixed(0));

/** A litre and a kg are what an amount is for where no more is said. */
const isUsual = ({ low, unit }: AmountRead): boolean => low * (ownOf(units, unit)?.size ?? 0) === 1000;

const INTRO =
  /(?:^|(?<= ))(?:per|(?:for|to|in|into|with) (?:each|every)|to the(?= (?:litre|liter|pint|quart|gallon|kilo|pound|cup)(?: |$))|(?<!of )a(?= (?:litre|liter|jar|bottle)(?: of (?:the )?(?:juice|liquid))?$))(?= |$)/;

/** Words that begin "per": those of the intro, and what stands behind it with what was read of it as an amount. */
interface Per {
  words: Words;
  intro: readonly Token[];
  /** What stands behind the intro, a figure in front so that a bare unit is one of it. */
  behind: readonly Token[];
  read: AmountRead;
}

const usedOf = ({ intro, behind }: Per, next: number): Token[] => [...intro, ...behind.slice(1, next)];
const JAR = /^(?:jars?|bottles?)$/;

/** "per jar", "in each half-pint jar", "per 250 ml bottle". */
function jarRead(per: Per): BasisRead | null {
  const { behind, words } = per;
  // A jar of so many ounces is told by what it holds.
  const read = per.read.unit === 'oz' ? { ...per.read, unit: 'floz' } : per.read;
  const sized = dimension(read.unit) === 'volume';
  const isBehind = JAR.test(behind[read.next]?.word ?? '');
  const isJar = JAR.test(read.unit) || (sized && (isBehind || JAR.test(behind[read.next - 1]?.word ?? '')));
  if (!isJar) return null;
  words.mark(usedOf(per, isBehind ? read.next + 1 : read.next), 'basis');
  return { basis: sized ? { per: 'bottle', ml: jarMl(read) } : { per: 'bottle' } };
}

const OF_WHAT =
  /^(?:of (?:the )?(?<name>.+?)|(?:the )?(?<plain>(?:strained )?(?:juice|liquid|yield|fruit)))(?= (?:,|;|:|\)|add|use|take|allow|put)(?: |$)|$)/;
/** Jars are named by these as well as measures. */
const JAR_SIZES = new Set(['pint', 'quart']);

/** "per litre of juice", "for every pound of fruit", "per 100 ml juice". */
function amountRead(per: Per): BasisRead | null {
  const { behind, read, words } = per;
  const sized = dimension(read.unit) === 'volume';
  if (!sized && dimension(read.unit) !== 'mass') return null;
  const of = words.find(OF_WHAT, behind.slice(read.next));
  words.mark([...usedOf(per, read.next), ...(of?.all ?? [])], 'basis');
  words.take(/^[,:]? ?(?:add|use|take|allow|put)(?= )/, 'basis');
  const named = of?.name?.length ? of.name : (of?.plain ?? []);
  const name = named.length > 0 ? nameOf(words.text, named) : sized ? 'juice' : 'fruit';
  const said = textOf(words.text, behind.slice(1, read.next));
  const each = isUsual(read) ? {} : { each: numberAt(behind, 1) ? said : `1 ${said}` };
  const by = sized ? 'volume' : 'weight';
  const isLiquid = LIQUID.test(name) || name === 'it';
  const asks = `Per ${read.unit} of what? Write “per ${read.unit} of juice” or “per ${read.unit} jar”.`;
  return {
    basis: isLiquid ? { per: 'yield', by, ...each } : { per: 'other', name, by, ...each },
    ...(named.length === 0 && JAR_SIZES.has(read.unit) ? { asks } : {}),
  };
}

/** What an amount is for: so much of the juice or of another thing, or each jar. */
function perRead(words: Words): BasisRead | null {
  const intro = words.find(INTRO)?.all;
  if (!intro) return null;
  const { left } = words;
  const behind = [ONE, ...left.slice(left.indexOf(intro.at(-1)!) + 1)];
  const number = numberAt(behind, 1);
  const read = amountAt(behind, number && !number.article ? 1 : 0, NO_MEASURES);
  if (read && behind.length > 1) {
    const per: Per = { words, intro, behind, read };
    return jarRead(per) ?? amountRead(per);
  }
  // "in each" of what is filled.
  if (!/^(?:in|into|to)$/.test(intro[0]!.word)) return null;
  words.mark(intro, 'basis');
  return { basis: { per: 'bottle' } };
}

const TIMES: Record<string, string> = {
  twice: '2',
  double: '2',
  triple: '3',
  thrice: '3',
  equal: '1',
  same: '1',
};

/** A share as it was said, in the words that a formula's line keeps; null where none was. */
function shareOf(tokens: readonly Token[]): string | null {
  const said = tokens.filter(
    (token) => !/^(?:the|an?|its|their|of|own|times|about)$/.test(token.word) || token.kind === 'figure',
  );
  if (said.length === 0) return '1';
  const word = ownOf(TIMES, said[0]!.word);
  if (word && said.length === 1) return word;
  const plain = tokens.filter((token) => !/^(?:the|its|their|own|times|about)$/.test(token.word));
  const number = numberAt(plain, 0);
  if (!number) return null;
  const percent = /^(?:%|percent)$/.test(plain[number.next]?.word ?? '') ? 1 : 0;
  const rest = plain.slice(number.next + percent).filter((token) => token.word !== 'of');
  if (rest.length > 0) return null;
  const shown = (value: number) => (percent ? `${value} %` : asWritten(value));
  if (number.low !== number.high) return `${shown(number.low)} to ${shown(number.high)}`;
  return shown(number.low);
}

/** Halves, thirds, quarters and eighths as they are said; else three decimals. */
function asWritten(value: number): string {
  for (const bottom of [1, 2, 3, 4, 5, 8]) {
    const top = value * bottom;
    if (Math.abs(top - Math.round(top)) < 1e-9)
      return bottom === 1 ? `${Math.round(top)}` : `${Math.round(top)}/${bottom}`;
  }
  return `${Number(value.toFixed(3))}`;
}

const SHARE = '(?<share>(?:(?!as )[^ ]+ ){0,5}?)';
const NAME = '(?:the |its )?(?<name>.+?)';
const OTHER = '(?:the )?(?<other>.+?)';
const MEASURE = "(?:own )?(?:(?<fruit>[^ ]+) ?['’] ?s )?(?<by>weight|volume|amount|quantity|measure|bulk)s?";

/** How a formula's own line is written out: "half sugar, white of damsons, by weight". */
const WRITTEN = new RegExp(`^(?<share>(?:[^ ]+ ){1,3}?)${NAME} of ${OTHER} , by (?<by>weight|volume)$`);

/** Ways to say that a thing follows another; the first that fits is taken. */
const FOLLOWS: RegExp[] = [
  // "half as much sugar as fruit", "as many limes as lemons"
  new RegExp(
    `^${SHARE}as (?:much|many) ${NAME} as (?:there (?:is|are) |you have )?${OTHER}${BY.replace('by>', 'said>')}${END}`,
  ),
  // "sugar, as much as the fruit"
  new RegExp(
    `^${NAME} ?(?:,|:|-|–)? ${SHARE}as (?:much|many) as ${OTHER}${BY.replace('by>', 'said>')}${END}`,
  ),
  // "half the weight of the fruit in sugar", "its own weight in sugar"
  new RegExp(`^${SHARE}${MEASURE} of ${OTHER} in ${NAME}${END}`),
  new RegExp(`^${SHARE}${MEASURE} (?:of|in) ${NAME} (?:to|as|for|with) ${OTHER}${END}`),
  new RegExp(`^${SHARE}${MEASURE} (?:of|in) ${NAME}${END}`),
  // "sugar, half the weight of the juice"
  new RegExp(`^${NAME} ?(?:,|:|-|–) ${SHARE}${MEASURE}(?: (?:of|to|as|with) ${OTHER})?${END}`),
  new RegExp(
    `^${NAME} ?(?:,|:|-|–)? (?<share>equal|same|half|twice|double) (?:in )?${MEASURE} (?:of|to|as|with) ${OTHER}${END}`,
  ),
  // "3/4 of the juice in sugar", "60 % of the fruit in sugar"
  new RegExp(`^(?<share>(?:[^ ]+ ){1,4}?)of ${OTHER} in ${NAME}${END}`),
  // "sugar, 60 % of the fruit"
  new RegExp(
    `^${NAME} ?(?:,|:|-|–) (?<share>(?:[^ ]+ ){1,4}?)of (?:the )?(?:(?<by>weight|volume) of )?${OTHER}${END}`,
  ),
  // "60 % of the fruit , by weight" with what it is of in front
  new RegExp(`^${NAME} ?(?:,|:|-|–)? equal to (?:the )?(?:(?<by>weight|volume) of )?${OTHER}${END}`),
];

/** "one part sugar to two parts juice", "1 : 1 sugar to juice". */
const PARTS: RegExp[] = [
  new RegExp(
    `^(?<one>[^ ]+) parts? (?:of )?${NAME} (?:to|,|and) (?<two>[^ ]+) parts? (?:of )?${OTHER}${BY}${END}`,
  ),
  new RegExp(`^(?<one>[^ ]+) (?::|to) (?<two>[^ ]+) (?:of )?${NAME} (?:to|and|with) ${OTHER}${BY}${END}`),
  new RegExp(`^${NAME} ?(?:,|:)? (?<one>[^ ]+) (?::|to) (?<two>[^ ]+) (?:with|to) ${OTHER}${BY}${END}`),
];

const WHICH = 'By weight or by volume? Say which.';

function followed(by: string | undefined, name: string, ratio: string): BasisSaid {
  const known = by === 'weight' || by === 'volume' ? by : undefined;
  return LIQUID.test(name) ? { per: 'yield', by: known, ratio } : { per: 'other', name, by: known, ratio };
}

function sharedRead(words: Words): BasisRead | null {
  for (const pattern of FOLLOWS) {
    const taken = words.find(pattern);
    if (!taken?.name?.length) continue;
    const share = shareOf(taken.share ?? []);
    if (share === null) continue;
    const it = taken.all.some((token) => /^(?:its|their)$/.test(token.word));
    const other = taken.other?.length
      ? nameOf(words.text, taken.other)
      : taken.fruit?.length
        ? nameOf(words.text, taken.fruit)
        : 'fruit';
    const said = byOf(taken.said) ?? byOf(taken.by);
    words.mark(
      taken.all.filter((token) => !taken.name!.includes(token)),
      'basis',
    );
    return { basis: followed(said, it && !taken.other?.length ? 'fruit' : other, share) };
  }
  return null;
}

/** A share keeps its own words; an amount is for a kg or a litre of the other thing. */
function writtenRead(words: Words): BasisRead | null {
  const among = words.left;
  const ending = words.find(/ of (?:the )?(?<other>[^,]+?) , by (?<by>weight|volume)$/, among);
  if (!ending?.other?.length) return null;
  const other = nameOf(words.text, ending.other);
  const by = byOf(ending.by);
  const taken = words.find(WRITTEN, among);
  const share = taken?.share?.length && shareOf(taken.share) !== null ? taken.share : null;
  words.mark([...ending.all, ...(share ?? [])], 'basis');
  const ratio = share ? { ratio: textOf(words.text, share).toLowerCase() } : {};
  return {
    basis: LIQUID.test(other) ? { per: 'yield', by, ...ratio } : { per: 'other', name: other, by, ...ratio },
  };
}

function partsRead(words: Words): BasisRead | null {
  for (const pattern of PARTS) {
    const taken = words.find(pattern);
    const [one, two] = [taken?.one, taken?.two].map((tokens) =>
      tokens?.length ? numberAt(tokens, 0) : null,
    );
    if (!taken?.name?.length || !taken.other?.length || !one || !two) continue;
    words.mark(
      taken.all.filter((token) => !taken.name!.includes(token)),
      'basis',
    );
    const by = byOf(taken.by);
    return {
      basis: followed(by, nameOf(words.text, taken.other), asWritten(one.low / two.low)),
      ...(by ? {} : { asks: WHICH }),
    };
  }
  return null;
}

/** What is asked of something that covers, where nothing is in the list for it to cover. */
export const COVERS_WHAT =
  'How much covers it? Write what you pour, as in “1.5 L”; correct it once you have poured.';

/** What only the pan can tell: how much covers, fills, or is the rest. */
const POURED: [RegExp, string][] = [
  [
    /(?:, )?(?:(?:just |barely )?enough (?:of )?)?(?<name>(?:[^ ]+ )*?)(?:just |barely )?(?:enough )?to (?:just |barely )?cover(?: (?:it|them|everything|the [^ ,]+))?(?= |$)/,
    COVERS_WHAT,
  ],
  [
    /(?:, )?to (?:fill|(?:the )?(?:headspace|brim|top|neck)|top up)(?: (?:up|the (?:jars?|bottles?)))?(?= |$)/,
    'How much fills it? Write what goes into the batch, as in “500 ml”.',
  ],
  [
    /^(?:top(?:ped)? up with|fill up with|the rest of the|the rest|the remaining|remaining)(?= )/,
    'How much is that? Write the amount that is left to go in.',
  ],
];

function pouredRead(words: Words): BasisRead | null {
  for (const [pattern, asks] of POURED) {
    const taken = words.find(pattern);
    if (!taken) continue;
    const name = new Set(taken.name ?? []);
    words.mark(
      taken.all.filter((token) => !name.has(token)),
      'basis',
    );
    return { basis: { per: asks === COVERS_WHAT ? 'cover' : 'batch' }, asks };
  }
  return null;
}

/**
 * What a line's amount is told by: a batch, a jar, so much of the juice or of another line, or a share of one. Its words are marked.
 * @param words of the line, amounts and names not yet taken
 */
export function basisOf(words: Words): BasisRead {
  const shared = writtenRead(words) ?? sharedRead(words) ?? partsRead(words);
  if (shared) return shared;
  return perRead(words) ?? pouredRead(words) ?? { basis: { per: 'batch' } };
}
