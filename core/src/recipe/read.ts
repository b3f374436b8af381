import type { FormulaContent, FormulaStep, ReadListLine } from '../formula/index.ts';
import { readIngredientList } from '../formula/index.ts';
import type { KitchenCatalogue } from '../ingredient/index.ts';
import { type Clause, clausesOf } from './clause.ts';
import { partsOfText, type RecipeDocument } from './document.ts';
import { boils, type Pan, stepOf } from './kind.ts';
import { isNamed, isPiece, type NamedLine, namedIn, namedLines } from './placing.ts';

/** A line of a recipe: what was read of it, the step it goes in at, and the part it stands under. */
export interface RecipeLine extends ReadListLine {
  stepId?: string;
  /** The method does not name it: it goes in at the first step that anything goes in at. */
  unplaced?: true;
  heading?: string;
}

/** A step of a recipe beside the text it came from. */
export interface RecipeStep {
  step: FormulaStep;
  /** The words it was read from. */
  text: string;
  /** Line of the pasted text. */
  number: number;
  /** Its words say no kind of step that is known: it keeps them. */
  unread?: true;
}

/** A recipe read: nothing is invented, and what was not understood keeps its words. */
export interface RecipeRead {
  name?: string;
  lines: RecipeLine[];
  steps: RecipeStep[];
  storage: FormulaContent['storage'];
  /** What is neither line nor step: yields, times, notes. */
  others: string[];
}

const TITLE = 120;

function titleOf(text: string): string {
  const plain = text.replace(/\s+/g, ' ').trim();
  const whole = plain.charAt(0).toUpperCase() + plain.slice(1);
  return whole.length <= TITLE ? whole : `${whole.slice(0, TITLE - 1).trimEnd()}…`;
}

const isStrain = (clause: Clause): boolean =>
  /\b(?:strain|sieve|drip|hang|filter|squeez|press|drain)\w*/.test(clause.said);

/** Whether a clause goes on with the step before: the same kind of work, its time or mark said only now. */
function isMore(last: FormulaStep, next: Omit<FormulaStep, 'id' | 'title'>): boolean {
  if (last.kind !== next.kind || last.method !== next.method) return false;
  if (!['heat', 'draw', 'strain', 'fill', 'rest', 'prepare'].includes(last.kind)) return false;
  return last.minutes === undefined || next.minutes === undefined;
}

class RecipeReader {
  readonly steps: RecipeStep[] = [];
  private readonly placed = new Map<NamedLine, string>();
  private readonly pan: Pan = { pieces: false, strained: false, strainToCome: false, hot: false, jar: false };
  private readonly named: readonly NamedLine[];
  /** What the clauses of the present step say. */
  private saidBefore: string[] = [];
  private readonly clauses: readonly Clause[];

  constructor(named: readonly NamedLine[], clauses: readonly Clause[]) {
    this.named = named;
    this.clauses = clauses;
  }

  read(): void {
    // Fruit that no clause names goes in at the first step.
    const texts = this.clauses.map(({ said }) => said);
    const never = this.named.filter((one) => !texts.some((text) => isNamed(text, one, this.named)));
    this.pan.pieces = never.some(isPiece);
    for (const [i, clause] of this.clauses.entries()) {
      this.pan.strainToCome = this.clauses.slice(i).some(isStrain);
      if (clause.conditional) this.remember(clause);
      else this.take(clause, i);
    }
  }

  /** What is done only if something is so stays with the words of the step before. */
  private remember(clause: Clause): void {
    const before = this.steps.at(-1);
    if (!before) this.steps.push({ ...this.keep(clause, { kind: 'prepare' }), unread: true });
    else {
      before.text = `${before.text}. ${clause.text}`;
      before.step = { ...before.step, title: titleOf(before.text) };
    }
  }

  private keep(clause: Clause, step: Omit<FormulaStep, 'id' | 'title'>): RecipeStep {
    const id = `step${this.steps.length + 1}`;
    return { step: { ...step, id, title: titleOf(clause.text) }, text: clause.text, number: clause.number };
  }

  private take(clause: Clause, i: number): void {
    const later = this.clauses.slice(i + 1).map(({ said }) => said);
    const going = namedIn(clause.said, this.named, { placed: new Set(this.placed.keys()), later });
    if (going.some(isPiece)) this.pan.pieces = true;
    if (/\bjars?\b/.test(clause.said)) this.pan.jar = true;
    if (/\b(?:boiling|hot|boiled)\b[^.;]*\bwater\b/.test(clause.said)) this.pan.hot = true;
    const read = stepOf(clause, this.pan);
    const last = this.steps.at(-1);
    // "Do not stir." and the like say no step of their own.
    if (!read && last && going.length === 0) {
      last.text = `${last.text}. ${clause.text}`;
      last.step = {
        ...last.step,
        title: titleOf(last.text),
        ...(clause.neverBoil ? { neverBoil: true, killStep: false } : {}),
      };
      return;
    }
    if (read && last && going.length === 0 && isMore(last.step, read)) {
      this.join(last, clause, read);
      return;
    }
    const step = this.keep(clause, read ?? { kind: 'add' });
    this.steps.push(read ? step : { ...step, unread: true });
    this.saidBefore = [clause.said];
    this.heat(step.step);
    for (const one of going) this.placed.set(one, step.step.id);
    if (step.step.kind === 'strain' && this.pan.pieces) this.pan.strained = true;
    if (going.some(isPiece) && step.step.kind !== 'strain' && this.pan.strained) this.pan.strained = false;
  }

  /** "Bring to the boil" and "boil for two minutes" are one step. */
  private join(last: RecipeStep, clause: Clause, read: Omit<FormulaStep, 'id' | 'title'>): void {
    last.text = `${last.text}, ${clause.text.charAt(0).toLowerCase()}${clause.text.slice(1)}`;
    const neverBoil = last.step.neverBoil || read.neverBoil;
    last.step = {
      ...last.step,
      ...read,
      title: titleOf(last.text),
      ...(neverBoil ? { neverBoil: true, killStep: false } : {}),
    };
    // Brought to the boil and then simmered for its minutes, it was hot enough for as long; held cooler, it was not.
    const boiled = this.saidBefore.some((said) => boils(said)) && (read.celsius ?? 100) >= 90;
    if (boiled && !neverBoil && (last.step.minutes ?? 0) >= 1) last.step.killStep = true;
    this.saidBefore.push(clause.said);
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

  /** The step that a line goes in at: the one that names it, else the first that anything goes in at. */
  stepFor(one: NamedLine): { stepId?: string; unplaced?: true } {
    const stepId = this.placed.get(one);
    if (stepId) return { stepId };
    const first = this.steps.find(({ step }) => ['prepare', 'add', 'draw', 'heat'].includes(step.kind));
    return first ? { stepId: first.step.id, unplaced: true } : {};
  }
}

const storageOf = (text: string): FormulaContent['storage'] =>
  /\bfreez(?:e|er|ing)\b/i.test(text) && !/\bfridge|refrigerat/i.test(text) ? 'frozen' : 'cold';

/**
 * Reads a recipe already parted into its list and its method.
 * @param document of `partsOfText`, or of a file that parts them itself; @param catalogue the kitchen's
 * @returns lines with the step each goes in at, and steps beside their words
 * @example readDocument({ ingredients: [{ number: 1, text: '1 kg plums' }], method: [], others: [] }, catalogue).lines.length // 1
 */
export function readDocument(document: RecipeDocument, catalogue: KitchenCatalogue): RecipeRead {
  const headings = new Map(document.ingredients.map(({ number, heading }) => [number, heading]));
  const last = Math.max(0, ...document.ingredients.map(({ number }) => number));
  const rows = Array.from({ length: last }, () => '');
  for (const { number, text } of document.ingredients) rows[number - 1] = text;
  const lines = readIngredientList(rows.join('\n'), catalogue);
  const named = namedLines(lines, catalogue);
  const clauses = document.method.flatMap(({ text, number }) => clausesOf(text, number));
  const reader = new RecipeReader(named, clauses);
  reader.read();
  return {
    ...(document.name ? { name: document.name } : {}),
    lines: named.map((one) => {
      const heading = headings.get(one.line.number);
      return { ...one.line, ...reader.stepFor(one), ...(heading ? { heading } : {}) };
    }),
    steps: reader.steps,
    storage: storageOf(document.method.map(({ text }) => text).join(' ')),
    others: document.others.map(({ text }) => text),
  };
}

/**
 * Reads a whole recipe as it was pasted: its list as lines, its method as steps, each line going in where the text says.
 * @param text plain text or Markdown, with or without headings; @param catalogue the kitchen's
 * @returns lines understood or asking, steps beside the words they came from; nothing is invented
 * @example readRecipe('2 kg plums\n1 kg sugar\nSimmer the plums for 20 minutes, strain, and add the sugar.', catalogue).steps.map(({ step }) => step.kind) // ['draw', 'strain', 'add']
 */
export const readRecipe = (text: string, catalogue: KitchenCatalogue): RecipeRead =>
  readDocument(partsOfText(text), catalogue);
