import type { Formula } from '@inch/contract/making/formula';
import {
  type ExtractionMethod,
  extractionMethods,
  type FormulaContent,
  type FormulaKind,
  type FormulaLine,
  type FormulaStep,
  type StepKind,
} from '@inch/core/formula';

/** A formula being written: what the next version will hold. */
export interface Draft {
  name: string;
  kind: FormulaKind;
  colour: string;
  note: string;
  content: FormulaContent;
}

const key = () => Math.random().toString(36).slice(2, 8);

export const emptyDraft = (): Draft => ({
  name: '',
  kind: 'syrup',
  colour: '#8E1230',
  note: '',
  content: {
    lines: [{ id: key(), said: '', ingredientId: '' }],
    steps: [
      { id: 'weigh', kind: 'prepare', title: 'Wash, trim and weigh', minutes: 30 },
      {
        id: 'cook',
        kind: 'draw',
        title: extractionMethods.cooked.title,
        method: 'cooked',
        minutes: 25,
        killStep: true,
      },
      { id: 'strain', kind: 'strain', title: 'Strain', cloth: 'drip', minutes: 60 },
      // What dripped is cold by then, and went through a cloth.
      { id: 'boil', kind: 'heat', title: 'Bring to the boil', minutes: 2, killStep: true },
      { id: 'measure', kind: 'measure', title: 'Measure a cooled sample', minutes: 15 },
    ],
    storage: 'cold',
    bottleMl: 250,
  },
});

/** The kitchen's own entries come from the kitchen as it is now; what a version kept of them stays with it. */
const asDrafted = ({ own: _, ...content }: FormulaContent): FormulaContent => content;

export const draftOf = (formula: Formula, number = formula.version): Draft => ({
  name: formula.name,
  kind: formula.kind,
  colour: formula.colour,
  note: '',
  content: asDrafted(
    (formula.versions.find((v) => v.number === number) ?? formula).content as FormulaContent,
  ),
});

/** Steps that come in with lines, and where they go. */
export interface Method {
  steps: readonly FormulaStep[];
  goes: 'behind' | 'instead';
}

export type Change =
  | { do: 'set'; draft: Draft }
  | { do: 'head'; change: Partial<Omit<Draft, 'content'>> }
  | { do: 'content'; change: Partial<FormulaContent> }
  | { do: 'line'; id: string; change: Partial<FormulaLine> }
  | { do: 'add line' }
  /** More lines; with the method that they came with behind the steps that are there, or in their place. */
  | { do: 'add lines'; lines: readonly FormulaLine[]; method?: Method }
  | { do: 'drop line'; id: string }
  /** A line that was removed, put back among those that stood before. */
  | { do: 'put line back'; id: string; before: readonly FormulaLine[] }
  | { do: 'move line'; id: string; to: number }
  | { do: 'step'; id: string; change: Partial<FormulaStep> }
  | { do: 'add step'; kind: StepKind; method?: ExtractionMethod }
  | { do: 'drop step'; id: string }
  | { do: 'put step back'; step: FormulaStep; at: number }
  | { do: 'move step'; id: string; to: number };

const TITLES: Record<StepKind, string> = {
  prepare: 'Wash, trim and weigh',
  draw: 'Draw the flavour',
  strain: 'Strain',
  add: 'Stir in',
  reduce: 'Reduce',
  heat: 'Heat through to 90 °C',
  measure: 'Measure a cooled sample',
  fill: 'Fill',
  process: 'Boiling-water bath',
  rest: 'Rest',
};

/** What a step of a kind begins as: its typical figures, told as typical until they are changed. */
function freshStep(kind: StepKind, method: ExtractionMethod = 'cooked'): FormulaStep {
  const step: FormulaStep = { id: key(), kind, title: TITLES[kind], minutes: 15 };
  if (kind === 'draw') return { ...step, ...drawnBy(method) };
  if (kind === 'strain') return { ...step, cloth: 'drip', minutes: 120 };
  if (kind === 'reduce') return { ...step, toBrix: 50, minutes: 30 };
  return kind === 'heat' ? { ...step, killStep: true } : step;
}

/** A draw as its method has it: words, clock, whether it boils. */
export function drawnBy(method: ExtractionMethod): Partial<FormulaStep> {
  const { title, minutes } = extractionMethods[method];
  return { method, title, minutes, draws: undefined, killStep: method === 'cooked' };
}

/** A draw by another method: words and a time that somebody gave stay; those of the method before go with it. */
export function redrawnBy(step: FormulaStep, method: ExtractionMethod): Partial<FormulaStep> {
  const before = step.method && extractionMethods[step.method];
  const { title, minutes, ...rest } = drawnBy(method);
  return {
    ...rest,
    ...(step.title === before?.title ? { title } : {}),
    ...(step.minutes === before?.minutes && step.title === before?.title ? { minutes } : {}),
  };
}

function movedTo<T extends { id: string }>(list: readonly T[], id: string, to: number): T[] {
  const from = list.findIndex((item) => item.id === id);
  if (from < 0 || to < 0 || to >= list.length) return [...list];
  const next = list.filter((item) => item.id !== id);
  next.splice(to, 0, list[from]!);
  return next;
}

const changed = <T extends { id: string }>(list: readonly T[], id: string, change: Partial<T>): T[] =>
  list.map((item) => (item.id === id ? { ...item, ...change } : item));

const withoutLine = (lines: readonly FormulaLine[], id: string): FormulaLine[] =>
  lines
    .filter((l) => l.id !== id)
    .map((l) => (l.basis?.per === 'line' && l.basis.lineId === id ? { ...l, basis: undefined } : l));

/** A removed line where it stood; what followed it follows it again, unless it was told otherwise meanwhile. */
function withLine(lines: readonly FormulaLine[], id: string, before: readonly FormulaLine[]): FormulaLine[] {
  const at = before.findIndex((l) => l.id === id);
  if (at < 0 || lines.some((l) => l.id === id)) return [...lines];
  const followed = new Map(
    before.flatMap((l) => (l.basis?.per === 'line' && l.basis.lineId === id ? [[l.id, l.basis]] : [])),
  );
  return lines
    .map((l) => (l.basis === undefined && followed.has(l.id) ? { ...l, basis: followed.get(l.id) } : l))
    .toSpliced(at, 0, before[at]!);
}

function emptyLine(lines: readonly FormulaLine[]): FormulaLine {
  const stepId = lines.at(-1)?.stepId;
  return { id: key(), said: '', ingredientId: '', ...(stepId ? { stepId } : {}) };
}

/** Lines that come in get keys of their own, so that pasting twice does not mix them up. */
function freshlyKeyed(lines: readonly FormulaLine[]): FormulaLine[] {
  const keys = new Map(lines.map((line) => [line.id, key()]));
  return lines.map((line) => ({
    ...line,
    id: keys.get(line.id)!,
    ...(line.basis?.per === 'line'
      ? { basis: { ...line.basis, lineId: keys.get(line.basis.lineId) ?? line.basis.lineId } }
      : {}),
  }));
}

const unplaced = ({ stepId: _, ...line }: FormulaLine): FormulaLine => line;

/** A line at the step that came in with it. */
function placedAt({ stepId, ...line }: FormulaLine, keys: ReadonlyMap<string, string>): FormulaLine {
  const at = stepId === undefined ? undefined : keys.get(stepId);
  return at === undefined ? line : { ...line, stepId: at };
}

function changeContent(content: FormulaContent, change: Change): FormulaContent {
  const { lines, steps } = content;
  switch (change.do) {
    case 'content':
      return { ...content, ...change.change };
    case 'line':
      return { ...content, lines: changed(lines, change.id, change.change) };
    case 'add line':
      return { ...content, lines: [...lines, emptyLine(lines)] };
    case 'add lines': {
      const kept = lines.filter((l) => l.said.trim() !== '' || l.ingredientId !== '');
      const { method } = change;
      // The formula keeps its own steps: the lines go in at its first.
      if (!method)
        return {
          ...content,
          lines: [...kept, ...freshlyKeyed(change.lines.map(unplaced))],
        };
      const keys = new Map(method.steps.map(({ id }) => [id, key()]));
      const coming = method.steps.map((step) => ({ ...step, id: keys.get(step.id)! }));
      const placed = change.lines.map((line) => placedAt(line, keys));
      return {
        ...content,
        lines: [...(method.goes === 'instead' ? kept.map(unplaced) : kept), ...freshlyKeyed(placed)],
        steps: method.goes === 'instead' ? coming : [...steps, ...coming],
      };
    }
    case 'drop line':
      return { ...content, lines: withoutLine(lines, change.id) };
    case 'put line back':
      return { ...content, lines: withLine(lines, change.id, change.before) };
    case 'move line':
      return { ...content, lines: movedTo(lines, change.id, change.to) };
    case 'step':
      return { ...content, steps: changed(steps, change.id, change.change) };
    case 'add step':
      return { ...content, steps: [...steps, freshStep(change.kind, change.method)] };
    case 'drop step':
      return { ...content, steps: steps.filter((s) => s.id !== change.id) };
    case 'put step back':
      return { ...content, steps: steps.toSpliced(change.at, 0, change.step) };
    case 'move step':
      return { ...content, steps: movedTo(steps, change.id, change.to) };
    default:
      return content;
  }
}

/** The draft after a change; what a form does to it is all here. */
export function changeDraft(draft: Draft, change: Change): Draft {
  if (change.do === 'set') return change.draft;
  if (change.do === 'head') return { ...draft, ...change.change };
  return { ...draft, content: changeContent(draft.content, change) };
}

/** The content as it is saved: lines left quite empty are not lines. */
export const savedContent = (content: FormulaContent): FormulaContent => ({
  ...asDrafted(content),
  lines: content.lines.filter((l) => l.said.trim() !== '' || l.ingredientId !== ''),
});
