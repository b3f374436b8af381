import type { FormulaStep } from '../formula/index.ts';
import type { Clause } from './clause.ts';
import { type Keeps, keepsIn, onlyKeeps } from './ending.ts';
import { celsiusIn, minutesIn } from './figures.ts';
import { joinedIn } from './joined.ts';
import { boils, inOven, isThrown, type Pan, type StepRead, stepOf, strains } from './kind.ts';
import { type Open, openIn, weightAsked } from './open.ts';
import { isPiece, type NamedLine } from './placing.ts';
import type { RecipeStep } from './result.ts';

/** Characters that the title of a step has room for. */
const TITLE = 120;

/** Words of a step as its title; in full beside it where they are longer. */
function titled(text: string): Pick<FormulaStep, 'title' | 'words'> {
  const plain = text.replace(/\s+/g, ' ').trim();
  const whole = plain.charAt(0).toUpperCase() + plain.slice(1);
  if (whole.length <= TITLE) return { title: whole };
  return { title: `${whole.slice(0, TITLE - 1).trimEnd()}…`, words: whole.slice(0, 4000) };
}

/** What goes in where: for a written method by its names, for an account by what was told. */
export interface GoesIn {
  /** What goes in at a clause, of what is not in the pan yet. */
  at: (clause: number, placed: ReadonlySet<NamedLine>) => NamedLine[];
  /** Lines that no clause names. */
  never: readonly NamedLine[];
  /** What goes in is told in full: where nothing goes in, nothing is added. */
  inFull?: true;
}

/** How long something took in the end. */
const TOOK =
  /\b(?:it|that|this|they)(?: \w+)? (?:took|was actually|was really|was more like|was closer to|has been|ended up (?:being|taking)?|turned out to be)\b|\btook (?:me|us|about|an?|\d|\w+ (?:minutes|hours))\b/;
const TAKES = /^(?:this|it|that|which)(?: will| may| should| can)? (?:takes?|needs?|wants?)\b/;

/** Whether a clause goes on with the step before: the same kind of work, its time or mark said only now. */
function isMore(last: FormulaStep, next: StepRead, said: string): boolean {
  // Stirring in what was just put in.
  if (last.kind === 'add' && next.kind === 'add')
    return /^(?:then )?(?:stir|mix|whisk|combine|shake|fold)\b/.test(said);
  if (last.kind !== next.kind || last.method !== next.method) return false;
  if (!['heat', 'draw', 'strain', 'fill', 'rest', 'prepare'].includes(last.kind)) return false;
  // What dripped may be squeezed at the end; through another cloth it goes a second time.
  if (last.cloth && next.cloth && last.cloth !== next.cloth && next.cloth !== 'press') return false;
  return last.minutes === undefined || next.minutes === undefined;
}

/** Glass is not made ready in an oven without a word. */
const OVEN =
  'Glass heated dry in an oven is hot in one place and not in another, and may crack as it is filled: boiling water, or a hot wash and a processed jar, does it. Its words may stand, or the step is left out.';

/** What a step leaves open by what was read of it: glass in an oven, a mark to reduce to that is nowhere said, or one by weight. */
function openOf(read: StepRead | null, clause: Clause): Open | null {
  if (!read) return { of: 'kind', ask: 'What is done here? Choose a kind of step.' };
  if (read.kind === 'prepare' && inOven(clause.said)) return { of: 'kind', ask: OVEN };
  if (read.kind !== 'reduce') return null;
  const mark = read.toFraction ?? read.toBrix ?? read.toThickness ?? read.toCelsius ?? read.minutes;
  return mark === undefined
    ? { of: 'mark', ask: 'How far is it reduced? Its words say no mark and no time.' }
    : weightAsked(clause.plain);
}

/** Figures of a clause that are none of its step: left open, or of how long it keeps. */
const unknownIn = (open: readonly Open[], kept: boolean): Set<Open['of']> =>
  new Set([
    ...(kept ? (['minutes'] as const) : []),
    ...open.filter(({ unknown }) => unknown).map(({ of }) => of),
  ]);

/** A further part of a step without a temperature that its words do not say, where one was said: "hold it there for ten minutes". */
function heldAsBefore(last: FormulaStep, more: StepRead, { said }: Clause): StepRead {
  const says = boils(said) || celsiusIn(said) !== undefined || /\b(?:simmer|warm|melt|gentl)/.test(said);
  return says || last.celsius === undefined ? more : { ...more, celsius: last.celsius };
}

/** Where a clause stands: in a step, by its id, or in none. */
type ClauseIn = { step: string } | 'note' | 'talk' | 'line';

/** Reads clauses into steps, one after another, knowing what is in the pan. */
export class RecipeReader {
  readonly steps: RecipeStep[] = [];
  /** Where every clause stands. */
  readonly where = new Map<Clause, ClauseIn>();
  private readonly placed = new Map<NamedLine, string>();
  private readonly pan: Pan = {
    pieces: false,
    strained: false,
    strainToCome: false,
    hot: false,
    jar: false,
    filled: false,
    peel: false,
    heated: false,
  };
  /** Words that come before any step: they belong to the first. */
  private waiting: Clause[] = [];
  /** It was said not to boil: that holds until something is told to. */
  private neverBoil = false;
  keeps: Keeps | undefined;
  /** What only says how long it keeps, or stood alone: no step. */
  readonly aside: string[] = [];
  /** What was said since the last straining or cooking: where it says how it is kept. */
  readonly ends: string[] = [];
  /** What the clauses of the present step say. */
  private saidBefore: string[] = [];
  private readonly clauses: readonly Clause[];
  private readonly goesIn: GoesIn;

  constructor(clauses: readonly Clause[], goesIn: GoesIn) {
    this.clauses = clauses;
    this.goesIn = goesIn;
  }

  read(): void {
    // Fruit that no clause names goes in at the first step.
    this.pan.pieces = this.goesIn.never.some(isPiece);
    const lastStrained = this.clauses.findLastIndex(({ said, tells }) => !tells && strains(said));
    for (const [i, clause] of this.clauses.entries()) {
      this.pan.strainToCome = i <= lastStrained;
      if (clause.conditional) this.remember(clause);
      else if (clause.tells) this.hear(clause);
      else if (!this.setAside(clause)) this.take(clause, i);
    }
    for (const clause of this.waiting) this.putAside(clause, 'talk');
    for (const one of this.steps) {
      one.joined = joinedIn(one.step, one.text);
      if (one.open.length > 0) one.ask = one.open.map(({ ask }) => ask).join(' ');
    }
  }

  private putAside(clause: Clause, as: 'note' | 'talk'): void {
    this.aside.push(clause.text);
    this.where.set(clause, as);
  }

  /** Sets aside what tells only how long it keeps; whether it was. */
  private setAside(clause: Clause): boolean {
    if (this.pan.pieces && this.pan.strainToCome) return false;
    const keeps = keepsIn(clause.plain);
    if (!keeps) return false;
    this.keeps = { ...keeps, text: clause.text };
    this.ends.push(clause.plain);
    if (!onlyKeeps(clause.plain)) return false;
    this.putAside(clause, 'note');
    return true;
  }

  /** What is done only if something is so stays with the words of the step before. */
  private remember(clause: Clause): void {
    const before = this.steps.at(-1);
    if (before) this.putTo(before, clause, `. ${clause.text}`);
    else this.waiting.push(clause);
  }

  /** Puts words to a step that was read. */
  private putTo(step: RecipeStep, clause: Clause, words: string): void {
    this.where.set(clause, { step: step.step.id });
    step.text = `${step.text}${words}`;
    step.step = { ...step.step, ...titled(step.text) };
  }

  private keep(clause: Clause, step: Omit<FormulaStep, 'id' | 'title'>): RecipeStep {
    const id = `step${this.steps.length + 1}`;
    const text = [...this.waiting.map((one) => one.text), clause.text].join('. ');
    for (const one of [...this.waiting, clause]) this.where.set(one, { step: id });
    this.waiting = [];
    return { step: { ...step, id, ...titled(text) }, text, number: clause.number, joined: [], open: [] };
  }

  /** Hears what tells of something and does nothing: how long it keeps or took, that it must not boil; the rest is talk. */
  private hear(clause: Clause): void {
    if (this.setAside(clause)) return;
    if (clause.neverBoil) this.neverBoil = true;
    const last = this.steps.at(-1);
    const minutes = TOOK.test(clause.plain) ? minutesIn(clause.plain) : undefined;
    if (last && (clause.neverBoil || minutes !== undefined)) this.sayMore(clause, last);
    else if (clause.tells === 'talk') this.putAside(clause, 'talk');
    else this.where.set(clause, 'line');
  }

  private take(clause: Clause, i: number): void {
    // What is thrown away goes in nowhere.
    const going = isThrown(clause.said) ? [] : this.goesIn.at(i, new Set(this.placed.keys()));
    if (going.some(isPiece)) this.pan.pieces = true;
    if (/\bjars?\b/.test(clause.said)) this.pan.jar = true;
    if (/\b(?:boiling|hot|boiled)\b[^.;]*\bwater\b/.test(clause.said)) this.pan.hot = true;
    // How long it keeps is no time of a step.
    const kept = this.keeps?.text === clause.text;
    const open = kept ? [] : openIn(clause.plain);
    const read = this.readStep(clause, going, unknownIn(open, kept));
    const last = this.steps.at(-1);
    const puts = read?.kind !== 'add' || !this.goesIn.inFull || /\bover\b/.test(clause.said);
    if ((!read || !puts) && going.length === 0) {
      this.sayMore(clause, last);
      return;
    }
    if (read && last && going.length === 0 && isMore(last.step, read, clause.said)) {
      this.join(last, clause, read);
      last.open.push(...open);
      return;
    }
    const step = this.keep(clause, read ?? { kind: 'add' });
    const more = open.length > 0 ? null : openOf(read, clause);
    this.steps.push({
      ...step,
      ...(read ? {} : { unread: true as const }),
      open: more ? [more] : open,
    });
    this.saidBefore = [clause.said];
    this.heat(step.step);
    for (const one of going) this.placed.set(one, step.step.id);
    this.follow(step.step, going);
  }

  /** What a clause says, kept under the boil where that was said before. */
  private readStep(
    clause: Clause,
    going: readonly NamedLine[],
    unknown: ReadonlySet<Open['of']>,
  ): StepRead | null {
    if (clause.neverBoil) this.neverBoil = true;
    else if (boils(clause.said)) this.neverBoil = false;
    const liquids = going.some(isPiece) ? [] : going.map(({ head }) => head);
    const under = { ...clause, neverBoil: this.neverBoil && !boils(clause.said) };
    const read = stepOf(under, this.pan, liquids);
    if (read && unknown.has('minutes')) delete read.minutes;
    if (read && unknown.has('celsius')) delete read.celsius;
    // A time or a heat that is not known kills nothing.
    if (read?.killStep && unknown.size > 0) read.killStep = false;
    // Only what is on the fire can boil.
    if (read && !['heat', 'draw', 'reduce'].includes(read.kind)) delete read.neverBoil;
    return read;
  }

  /** "Do not stir." and the like say no step of their own: they stay with the step before, or wait for the first. */
  private sayMore(clause: Clause, last: RecipeStep | undefined): void {
    if (!last) {
      this.waiting.push(clause);
      return;
    }
    this.putTo(last, clause, `. ${clause.text}`);
    // "This takes two hours": the time of what is done already.
    const minutes = TAKES.test(clause.said) || TOOK.test(clause.plain) ? minutesIn(clause.plain) : undefined;
    if (minutes !== undefined) this.tellTime(last, minutes, clause);
    if (clause.neverBoil) last.step = { ...last.step, neverBoil: true, killStep: false };
  }

  /** A time told behind its step: the first that is told, or the one that it took in the end. What its words leave open is asked. */
  private tellTime(told: RecipeStep, minutes: number, clause: Clause): void {
    const { minutes: before, ...rest } = told.step;
    if (before !== undefined && !TOOK.test(clause.plain)) return;
    const open = openIn(clause.plain);
    // Its time is known now, unless these words leave it open again.
    told.open = [...told.open.filter(({ of }) => of !== 'minutes'), ...open];
    const unknown = unknownIn(open, false).has('minutes');
    if (before !== undefined && before !== minutes) told.before = before;
    const known = unknown ? {} : { minutes };
    // What did not last a minute, or nobody knows how long, kills nothing.
    const short = unknown || minutes < 1;
    told.step = { ...rest, ...known, ...(short && rest.killStep ? { killStep: false } : {}) };
  }

  /** What the pan is after a step. */
  private follow(step: FormulaStep, going: readonly NamedLine[]): void {
    this.pan.peel = step.kind === 'draw' && step.method === 'peel';
    this.pan.heated = step.kind === 'heat' || step.method === 'cooked';
    if (step.kind === 'fill' || step.kind === 'process') this.pan.filled = true;
    if (step.kind === 'strain' && this.pan.pieces && !step.liquidAway) this.pan.strained = true;
    if (going.some(isPiece) && step.kind !== 'strain' && this.pan.strained) this.pan.strained = false;
    if (['strain', 'heat', 'draw', 'reduce'].includes(step.kind)) this.ends.length = 0;
    else this.ends.push(step.title);
  }

  /** "Bring to the boil" and "boil for two minutes" are one step. */
  private join(last: RecipeStep, clause: Clause, more: StepRead): void {
    const read = heldAsBefore(last.step, more, clause);
    this.where.set(clause, { step: last.step.id });
    last.text = `${last.text}, ${clause.text.charAt(0).toLowerCase()}${clause.text.slice(1)}`;
    const neverBoil = last.step.neverBoil || read.neverBoil;
    // Boiled hard after it was melted gently, it is not gentle any more.
    if (last.step.fire === 'low' && read.fire === undefined && boils(clause.said)) delete last.step.fire;
    last.step = {
      ...last.step,
      ...read,
      ...titled(last.text),
      ...(neverBoil ? { neverBoil: true, killStep: false } : {}),
    };
    // Brought to the boil and then simmered for its minutes, it was hot enough for as long; held cooler, it was not.
    const boiled = this.saidBefore.some((said) => boils(said)) && (read.celsius ?? 100) >= 90;
    if (boiled && !neverBoil && (last.step.minutes ?? 0) >= 1) last.step.killStep = true;
    this.saidBefore.push(clause.said);
    if (read.liquidAway) this.pan.strained = false;
    // Warmed first and boiled then, it boiled.
    if (read.killStep && read.celsius === undefined) delete last.step.celsius;
    this.heat(last.step);
  }

  /** What was heated stays hot for what is put in next; what was left or cooled does not. */
  private heat({ kind, celsius, killStep }: FormulaStep): void {
    if (kind === 'heat' || kind === 'draw')
      this.pan.hot = this.pan.hot || killStep === true || (celsius ?? 0) >= 60 || kind === 'heat';
    if (kind === 'rest') this.pan.hot = false;
  }

  stepOf = (id: string): RecipeStep | undefined => this.steps.find(({ step }) => step.id === id);

  /** The step that a line goes in at: the one that names it, else the first that anything goes in at. */
  stepFor(one: NamedLine): { stepId?: string; unplaced?: true } {
    const stepId = this.placed.get(one);
    if (stepId) return { stepId };
    // What is told for each jar goes into it as it is filled.
    const filled = one.line.basis?.per === 'bottle' && this.steps.find(({ step }) => step.kind === 'fill');
    if (filled) return { stepId: filled.step.id };
    const first = this.steps.find(({ step }) => ['prepare', 'add', 'draw', 'heat'].includes(step.kind));
    return first ? { stepId: first.step.id, unplaced: true } : {};
  }
}
