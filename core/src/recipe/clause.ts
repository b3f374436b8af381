import { DENIED } from '../formula/index.ts';
import { tokensOf } from '../quantity/index.ts';
import { timesIn } from './figures.ts';

/** A part of a sentence that says one thing to do. */
export interface Clause {
  text: string;
  /** Line of the pasted text it stands in. */
  number: number;
  /** Its words as they are read: those of speech written out. */
  plain: string;
  /** What its words say, with what is denied or only conditional taken out: what is read of it. */
  said: string;
  /** It is told not to boil, or not even to simmer. */
  neverBoil: boolean;
  /** It is done only if something is so. */
  conditional: boolean;
  /** It tells of something and does nothing: of what is used, or of anything else. */
  tells?: 'what is used' | 'talk';
}

/** Words that begin a new thing to do within a sentence. */
const DOES =
  'add|bottle|boil|blend|bring|check|chill|combine|cook|cool|cover|crush|discard|dissolve|drain|fill|filter|fish|freeze|funnel|hang|heat|infuse|keep|ladle|leave|let|macerate|mash|mix|pass|pour|press|process|puree|push|put|reduce|refrigerate|remove|rest|return|rinse|scoop|seal|sieve|simmer|soak|squeeze|steam|steep|stir|store|strain|taste|test|thaw|tip|toss|transfer|turn|wait|warm|whisk';
const ADVERB = '(?:gently|carefully|slowly|then|finally|again|quickly|immediately|at once)';
const UNITS = '(?:minutes?|mins?|hours?|hrs?|days?|nights?|weeks?|months?)';
/** A wait that follows another in the same sentence: "and then 12 hours in the fridge". */
const MORE_TIME = `(?:(?:for|about|another|a further|a second)\\s+)*(?:\\d+(?:\\s*(?:to|or|-|–)\\s*\\d+)?|an?|one|two|three|four|five|six|twelve|another)\\s+(?:more\\s+|further\\s+)?${UNITS}\\b`;
const BETWEEN = new RegExp(
  `(?:\\s*[,;]\\s*(?:and\\s+)?(?:then\\s+)?|\\s+and\\s+(?:then\\s+)?|\\s+then\\s+)(?=(?:${ADVERB}\\s+)*(?:${DOES})\\b)|(?:\\s*,)?\\s+(?:and\\s+)?then\\s+(?=${MORE_TIME})`,
  'i',
);

/** Where a sentence ends: at a full stop that ends no abbreviation, whatever letter follows it. */
const SENTENCES =
  /(?<=[!?]|(?<!\b(?:approx|min|mins|hr|hrs|tbsp|tsp|oz|lb|lbs|no|fig|deg|ca|vol|e\.g|i\.e|gal|pt|qt))\.)\s+(?=[\p{L}\d"“(])|\s*;\s+/iu;

const CONDITIONAL =
  /^(?:if|unless|in case|should (?:it|the|you)|for a (?:thicker|thinner|sweeter|stronger|clearer))\b/i;
const IF_PART = /\b(?:if|unless)\b[^,.;]*/gi;

/** Things that bear the name of what is done with others: nothing is strained, filtered or frozen here. */
const THINGS =
  /\b(?:fine |mesh |tea |juice |jelly )*strainers?\b|\b(?:filtered|strained|sparkling|bottled)(?= (?:water|juice|lemon|lime))|\bthe (?:rest|remainder)\b|\bpressure[- ](?:canner|cooker|can(?:ning)?)\b|\bcanning (?:pot|kettle)\b|\bsteam(?:ing)? (?:hot|basket)\b|\b(?:what|that|which) (?:has |had |was |is )?(?:\w+ly )?(?:dripped|drained|strained|run|filtered|pressed)(?: (?:off|out|through))?|(?<=\bthe )(?:strained|drained|pressed|filtered|sieved)(?= \w)/g;

/** Minutes that are no clock of the step: how often something is done again. */
const EVERY = /\bevery (?:\w+ )?(?:\d+ )?(?:minutes?|mins?|hours?|days?|now and then|so often)\b/g;

/** What is done in the passive: "the juice is strained" is straining it. */
const PASSIVE = /\b(?:is|are|was|were|gets?) (?:then |now |\w+ly |all )*(\w+?)(?:ed)\b(?: and (\w+?)ed\b)?/g;
const VERB = new RegExp(
  `^(?:${DOES}|wash|peel|chop|crush|pit|stone|core|grate|slice|skim|boil|simmer|soak|rub|trim)$`,
);

/** The verb of a participle: "pitted" is of pit, "reduced" of reduce; undefined where it is none that is known. */
const verbOf = (stem: string | undefined): string | undefined =>
  stem === undefined
    ? undefined
    : [stem, `${stem}e`, stem.replace(/(.)\1$/, '$1')].find((verb) => VERB.test(verb));

const active = (said: string): string =>
  said.replace(PASSIVE, (whole, first: string, second: string | undefined) => {
    const verbs = [verbOf(first), verbOf(second)].filter((verb) => verb !== undefined);
    return verbs.length > 0 ? verbs.join(' ') : whole;
  });

/** A part of a sentence as a thing to do. @param before what it goes on with */
export function clauseOf(text: string, number: number, before: string): Clause {
  const denied = text.match(DENIED) ?? [];
  const said = active(text.replace(DENIED, ' ').replace(IF_PART, ' ').toLowerCase())
    .replace(/^(?:day|step|stage|part) \w+\s*[:.)-]\s*/, '')
    .replace(THINGS, ' ')
    .replace(EVERY, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return {
    text: text.trim(),
    plain: text.trim(),
    number,
    said: before ? `${before} ${said}` : said,
    neverBoil: denied.some((words) => /boil|simmer/i.test(words)),
    conditional: CONDITIONAL.test(text.trim()),
  };
}

/** Words that say something is done; what has none of them belongs to what comes after it: "the next day", "off the heat". */
const HAS_VERB = new RegExp(
  `\\b(?:${DOES}|hang|wash|rinse|peel|chop|crush|rub|bruise|toss|tip|take|bash|cut|grate|juice|slice|stone|pit|core|trim|measure|weigh|steep|soak|steril\\w+|skim|shake|close|seal|set|stand|sit|keep|hold|layer|check|lift|place|pop|combine|scoop|fridge|simmer\\w*|boil\\w*)`,
  'i',
);

const TIME_ALONE = new RegExp(`^${MORE_TIME}`, 'i');

/** Parts of a sentence, those that say nothing to do put with the one behind them; a further time goes on with what was done before it. */
function withVerbs(parts: readonly string[]): { text: string; goesOn: boolean }[] {
  const whole: { text: string; goesOn: boolean }[] = [];
  let before = '';
  for (const part of parts) {
    const text = before ? `${before}, ${part}` : part;
    const goesOn = before === '' && whole.length > 0 && TIME_ALONE.test(part);
    if (goesOn || HAS_VERB.test(part.replace(/\b(?:off|from) the heat\b/gi, ' '))) {
      whole.push({ text, goesOn });
      before = '';
    } else before = text;
  }
  if (before !== '') whole.push({ text: before, goesOn: false });
  return whole;
}

/** What a part says up to its own time: what a further time goes on with. */
function doneIn(said: string): string {
  const [time] = timesIn(said);
  return time
    ? tokensOf(said)
        .slice(0, time.from)
        .map(({ text }) => text)
        .join(' ')
    : said;
}

/** Parts a line of a method into the things it says to do, in order. No word is lost. */
export function clausesOf(text: string, number: number): Clause[] {
  const plain = text.replace(/^(?:step\s*)?\d{1,2}\s*[.):]\s+/i, '');
  const clauses: Clause[] = [];
  for (const sentence of plain.split(SENTENCES)) {
    if (sentence.trim() === '') continue;
    const parts = CONDITIONAL.test(sentence.trim())
      ? [{ text: sentence, goesOn: false }]
      : withVerbs(sentence.split(BETWEEN).filter((part) => part.trim() !== ''));
    for (const part of parts) {
      const before = part.goesOn ? doneIn(clauses.at(-1)?.said ?? '') : '';
      clauses.push(clauseOf(part.text.replace(/[.,;]+$/, ''), number, before));
    }
  }
  return clauses;
}
