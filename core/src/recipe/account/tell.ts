import { entriesNamed, type Ingredient, type KitchenCatalogue } from '../../ingredient/index.ts';
import { type Clause, clauseOf } from '../clause.ts';
import { type Mention, mentionsIn } from './mention.ts';
import {
  CORRECTS,
  commandOf,
  isOnlyIf,
  isPlanned,
  isTalk,
  type Piece,
  partsOf,
  sentencesOf,
  writtenOut,
} from './speech.ts';
import { inUnitOf, means, restOf, sameAmount, shareOf, type Told, wordsOf } from './told.ts';

/** A part of an account: what it tells to do, and what goes in with it. */
export interface Part {
  clause: Clause;
  /** Where it begins in the account. */
  start: number;
  /** Somebody does something. */
  does: boolean;
  /** It tells of others, or of what might be. */
  talk: boolean;
  /** Things that it names. */
  names: Told[];
  /** What goes in, where its words name it only by a pronoun. */
  pronoun: 'it' | 'them' | null;
  puts: boolean;
  /** It says what is used, and nothing done with it. */
  uses: boolean;
}

/** An account as it was heard: the things that were used, and what was done in its order. */
export interface Heard {
  name?: string;
  told: Told[];
  parts: Part[];
}

/** Verbs that only make a thing ready to be used. */
const READY = new Set(['measure', 'weigh', 'take', 'gather', 'pick', 'keep', 'hold', 'check', 'set']);
/** Verbs that put something in. */
const PUTS = new Set([
  'add',
  'put',
  'pour',
  'stir',
  'mix',
  'whisk',
  'toss',
  'combine',
  'dissolve',
  'fold',
  'layer',
  'sprinkle',
]);
/** Verbs by which water goes nowhere but off. */
const WETS = new Set(['wash', 'rinse', 'wipe', 'cool', 'chill', 'clean', 'sterilise', 'scald']);

const FOLLOWS =
  /\b(?:for|to|per) (?:every|each) (?:(?:half|quarter) (?:a )?)?(?:\w+ )?(?:of )?(?:the |my |our )?(?:\w+ )?(?:juice|liquid|fruit|syrup|jar|bottle|it)\b|\b(?:in|into|to) (?:each|every) (?:\w+ ){0,2}(?:jar|bottle)\b/i;

const NAMED =
  /\b(?:making|make|doing|this is|do) (?:a |an |some |my |our )?((?:[\w’']+ ){1,4}?(?:syrup|shrub|cordial|concentrate|molasses|squash|oxymel))\b/i;

/** Words that may stand between those that put right and the amount they put right. */
const ONLY_SO =
  /^[\s,.;:–—-]*(?:(?:i|we|it|that|this|there|make|made|is|was|were|should|be|been|meant|mean|said|say|actually|oh|only|just|really|used|use|using|have|had|in fact|well|no|sorry|wait|rather|not|to|i['’]m|it['’]s|that['’]s|the|a|my|of|about|more like|closer to)\b[\s,.]*)*$/i;

/** A fruit's part is told by how many fruits: "zest of two lemons". */
const OF_FRUIT = /^(?:the )?(?:juice|zest|peel|rind) (?:of|from) /i;

const PLENTY = /\b(?:got|get|gave|gives|makes|made|have|yields?|left with|ended up with|came to|comes to)\b/i;

/** What stands about a mention in its sentence. */
interface Around {
  part: Part;
  lead: string;
  number: number;
  follows: string | undefined;
  isPutRight: boolean;
  /** Where its sentence begins. */
  start: number;
}

/** What the amounts of a part follow: said in it, or what it covers. */
function followsIn(follows: RegExpExecArray | null, own: Piece, end: number): string | undefined {
  if (follows && follows.index >= own.start && follows.index < end) return follows[0];
  return /\bcover(?:ed|ing)? (?:it|them|that|this|the \w+|everything) with\b/i.test(own.text)
    ? 'to cover'
    : undefined;
}

const spanOf = ({ start, end, amount }: Mention, from: number) => ({
  start: from + start,
  amountEnd: from + start + amount.length,
  end: from + end,
});

class Teller {
  readonly told: Told[] = [];
  readonly parts: Part[] = [];
  /** What was asked for and not used yet. */
  private planned: Told[] = [];
  private last: Told | null = null;
  private sentence = 0;
  private readonly entries = new Map<string, Ingredient[]>();
  private readonly catalogue: KitchenCatalogue;

  constructor(catalogue: KitchenCatalogue) {
    this.catalogue = catalogue;
  }

  hear(piece: Piece, number: number): void {
    this.sentence += 1;
    const follows = FOLLOWS.exec(piece.text);
    const mentions = mentionsIn(piece.text, this.catalogue).filter(
      ({ start, end }) => !follows || end <= follows.index || start >= follows.index + follows[0].length,
    );
    const whole = { text: piece.text, start: 0 };
    // What follows an "if" hangs on it, to the end of the sentence.
    const pieces = isOnlyIf(piece.text) ? [whole] : partsOf(whole);
    let before = 0;
    let negated: Told | null = null;
    for (const [i, own] of pieces.entries()) {
      const end = pieces[i + 1]?.start ?? piece.text.length;
      const within = mentions.filter(({ start }) => start < end && start >= own.start);
      const part = this.partOf({ ...own, start: piece.start + own.start }, number, within);
      for (const mention of within) {
        const lead = piece.text.slice(before, mention.start);
        before = mention.end;
        if (part.talk) continue;
        if (/\bnot (?:the |any )?$/i.test(lead) && mention.amount === '') {
          negated = this.find(mention) ?? this.last;
          negated?.spans.push(spanOf(mention, piece.start));
          continue;
        }
        const told = negated
          ? this.replace(negated, mention)
          : this.take(mention, {
              part,
              lead,
              number,
              follows: followsIn(follows, own, end),
              start: piece.start,
              isPutRight: this.isPutRight(piece.text, mention, mentions[mentions.indexOf(mention) + 1]),
            });
        negated = null;
        if (!told) continue;
        part.names.push(told);
        told.spans.push(spanOf(mention, piece.start));
      }
      this.parts.push(part);
    }
  }

  private partOf(own: Piece, number: number, within: readonly Mention[]): Part {
    const { said, verb } = commandOf(own.text);
    const talk = isTalk(own.text) && !isPlanned(own.text);
    const hasAmount = within.some(({ amount, share }) => amount !== '' || share !== undefined);
    const does =
      !talk &&
      !isPlanned(own.text) &&
      verb !== null &&
      !(READY.has(verb) && (hasAmount || within.length > 0));
    const clause = {
      ...clauseOf(said, number, ''),
      text: own.text.replace(/[.,;]+$/, ''),
      plain: writtenOut(own.text),
    };
    const pronoun = /\b(?:them|those|these|they|both|all of that|everything)\b/.test(said)
      ? 'them'
      : /\b(?:it|that|this)\b/.test(said)
        ? 'it'
        : null;
    return {
      clause,
      start: own.start,
      does,
      talk,
      names: [],
      pronoun,
      puts: verb !== null && PUTS.has(verb),
      uses: /^us(?:e|ed|ing)\b/.test(said),
    };
  }

  /** Entries that a name means, each name looked up once. */
  private readonly entriesOf = (name: string): Ingredient[] => {
    const known = this.entries.get(name) ?? entriesNamed(name, this.catalogue);
    this.entries.set(name, known);
    return known;
  };

  /** Whether something went in already: it was named where something was done, if only just now. */
  private isIn(told: Told, now?: Part): boolean {
    const parts = now ? [...this.parts, now] : this.parts;
    return parts.some(({ does, names }) => does && names.includes(told));
  }

  private find(mention: Mention): Told | undefined {
    return this.told.findLast((told) => means(mention.thing, told, this.entriesOf));
  }

  /** Another thing in the place of one that was named wrongly: the amount stays. */
  private replace(told: Told, mention: Mention): Told {
    told.before = wordsOf(told);
    told.thing = mention.thing;
    if (mention.amount !== '') Object.assign(told, inUnitOf(mention, told));
    this.last = told;
    return told;
  }

  private take(mention: Mention, { part, lead, number, follows, isPutRight, start }: Around): Told | null {
    const { text } = part.clause;
    const corrects = this.corrects(lead) && !mention.more;
    if (mention.share !== undefined) return this.share(mention, number);
    if (mention.thing === '') return this.amountAlone(mention, { part, corrects, number, isPutRight });
    if (WETS.has(part.clause.said.split(' ')[0]!) && /\bwater$/i.test(mention.thing)) return null;
    const known = this.find(mention);
    const fresh = (): Told => ({
      amount: mention.amount,
      unit: mention.unit,
      thing: mention.thing,
      number,
      sentence: this.sentence,
      spans: [],
      ...(follows ? { follows } : {}),
    });
    if (isPlanned(text)) {
      const asked = fresh();
      this.planned.push(asked);
      this.last = asked;
      asked.spans.push(spanOf(mention, start));
      return null;
    }
    if (mention.amount === '') {
      // Zested first and juiced then: the juice goes in as well.
      if (known && OF_FRUIT.test(known.thing) && /^(?:juice|squeeze)\b/.test(part.clause.said))
        return this.begin({ ...fresh(), thing: known.thing.replace(/\b(?:zest|peel|rind)\b/i, 'juice') });
      if (known) return this.point(known);
      if (corrects && this.last) return this.replace(this.last, mention);
      return this.begin(fresh());
    }
    if (corrects) {
      const target = known ?? this.last;
      if (target && this.told.includes(target)) return this.correct(target, mention);
    }
    // Only standing ready so far: what is used now counts. It was told without an amount: this is it.
    if (known && !this.isIn(known, part) && !mention.more && (known.amount === '' || part.does)) {
      if (known.amount !== '' && known.amount.toLowerCase() !== mention.amount.toLowerCase())
        known.before ??= wordsOf(known);
      known.amount = mention.amount;
      known.unit = mention.unit;
      return this.point(known);
    }
    return this.begin(fresh());
  }

  private point(told: Told): Told {
    told.sentence = this.sentence;
    this.last = told;
    return told;
  }

  private begin(told: Told): Told {
    const asked = this.planned.find((one) => means(told.thing, one, this.entriesOf));
    if (asked) told.spans.push(...asked.spans);
    if (asked && wordsOf(asked) !== wordsOf(told)) told.before = wordsOf(asked);
    if (asked) this.planned = this.planned.filter((one) => one !== asked);
    this.told.push(told);
    return this.point(told);
  }

  private correct(told: Told, mention: Mention): Told {
    const before = wordsOf(told);
    const was = { ...told };
    Object.assign(told, inUnitOf(mention, told));
    if (mention.thing !== '') told.thing = mention.thing;
    if (!sameAmount(was, told)) told.before = before;
    delete told.ask;
    return this.point(told);
  }

  /** Whether what comes next puts right what was said just now. */
  private isPutRight(text: string, mention: Mention, next: Mention | undefined): boolean {
    return next !== undefined && !next.more && this.corrects(text.slice(mention.end, next.start));
  }

  private corrects(lead: string): boolean {
    const match = CORRECTS.exec(lead);
    return match !== null && ONLY_SO.test(lead.slice(match.index));
  }

  /** An amount of what its words only point at: put right, told later, or of one of two things. */
  private amountAlone(
    mention: Mention,
    {
      part,
      corrects,
      number,
      isPutRight,
    }: { part: Part; corrects: boolean; number: number; isPutRight: boolean },
  ): Told | null {
    const { last } = this;
    const uses = /\bus(?:e|ed|ing)\b/i.test(part.clause.text);
    if (last && corrects && this.told.includes(last)) return this.correct(last, mention);
    // What was asked for, and what is used in its place.
    if (last && this.planned.includes(last) && (uses || corrects)) {
      this.planned = this.planned.filter((one) => one !== last);
      const told: Told = {
        ...last,
        ...inUnitOf(mention, last),
        before: wordsOf(last),
        sentence: this.sentence,
        spans: [],
      };
      this.told.push(told);
      return this.point(told);
    }
    if (mention.unit === '' && !mention.of) return null;
    if (last && last.amount === '' && !OF_FRUIT.test(last.thing) && this.told.includes(last))
      return this.fill(last, mention);
    if (!mention.of && !(part.does && part.puts)) return null;
    if (isPutRight) {
      const told = {
        amount: mention.amount,
        unit: mention.unit,
        thing: '',
        number,
        sentence: this.sentence,
        spans: [],
      };
      this.told.push(told);
      return this.point(told);
    }
    if (!mention.of && PLENTY.test(part.clause.text)) return null;
    return this.pointed(mention, number);
  }

  private fill(told: Told, mention: Mention): Told {
    told.amount = mention.amount;
    told.unit = mention.unit;
    return this.point(told);
  }

  /** An amount of "it" or "them": of the one thing it can be, or asked where it can be two. */
  private pointed(mention: Mention, number: number): Told | null {
    const sentences = this.told.map(({ sentence }) => sentence).filter((one) => one <= this.sentence);
    const latest = Math.max(0, ...sentences);
    const meant = this.told.filter(({ sentence }) => sentence === latest);
    const things = [...new Set(meant.map(({ thing }) => thing))];
    const one = things.length === 1 ? meant[0]! : null;
    const told: Told = {
      amount: mention.amount,
      unit: mention.unit,
      thing: one?.thing ?? '',
      number,
      sentence: this.sentence,
      spans: [],
      ...(one
        ? {}
        : {
            ask:
              things.length === 0
                ? `“${mention.amount}” of what? Its words do not say.`
                : `“${mention.amount}” of which: ${things.join(' or ')}?`,
          }),
    };
    if (one && one.amount === '') return this.fill(one, mention);
    this.told.push(told);
    return this.point(told);
  }

  /** Half of what was told, or what is left of it. */
  private share(mention: Mention, number: number): Told | null {
    const parted = this.told.findLast((told) => told.whole !== undefined);
    if (mention.thing === '' && !parted) return null;
    const thing = mention.thing === '' ? parted!.thing : mention.thing;
    const all = this.told.filter((told) => means(thing, told, this.entriesOf));
    const first = all[0];
    if (!first)
      return this.begin({ amount: '', unit: '', thing, number, sentence: this.sentence, spans: [] });
    const whole = first.whole ?? first.amount;
    const used = all.filter((told) => told.whole !== undefined);
    const amount =
      whole === ''
        ? null
        : mention.share === 'rest'
          ? restOf(
              whole,
              (used.length > 0 ? used : all).map((told) => told.amount),
            )
          : shareOf(whole, mention.share!);
    if (mention.share !== 'rest' && used.length === 0 && !this.isIn(first)) {
      first.whole = whole;
      if (amount === null) first.ask = `How much of the ${thing} goes in here? Its words say a part of it.`;
      else first.amount = amount;
      return this.point(first);
    }
    const told: Told = {
      amount: amount ?? '',
      unit: first.unit,
      thing: first.thing,
      number,
      whole,
      sentence: this.sentence,
      spans: [],
      ...(amount === null ? { ask: `How much of the ${thing} is left? What was said does not tell.` } : {}),
    };
    this.told.push(told);
    return this.point(told);
  }
}

/** Asks for what was told of in part only: half of it went in, and nothing says where the rest went. */
function askForTheRest(told: readonly Told[]): void {
  for (const whole of new Set(told.map((one) => one.whole))) {
    if (whole === undefined || whole === '') continue;
    const parts = told.filter((one) => one.whole === whole);
    const left = restOf(
      whole,
      parts.map(({ amount }) => amount),
    );
    const last = parts.at(-1)!;
    if (left !== null)
      last.ask ??= `${left} of the ${last.thing} is told of and not used: where does it go in?`;
  }
}

/** Hears an account out: things with the amounts that were used in the end, and what was done, in order. */
export function hear(text: string, catalogue: KitchenCatalogue): Heard {
  const teller = new Teller(catalogue);
  for (const sentence of sentencesOf(text))
    teller.hear(sentence, text.slice(0, sentence.start).split('\n').length);
  askForTheRest(teller.told);
  const name = NAMED.exec(text)?.[1];
  const known = name && entriesNamed(name, catalogue).length === 0;
  return {
    ...(known ? { name: name.charAt(0).toUpperCase() + name.slice(1) } : {}),
    told: teller.told,
    parts: teller.parts,
  };
}
