import type { Fire } from '../pan/index.ts';
import { temperature } from '../quantity/index.ts';
import { type Thickness, thicknesses } from '../sugar/index.ts';
import type { Basis, FormulaContent, FormulaLine, FormulaStep } from './content.ts';
import { type ExtractionMethod, extractionMethods, type StrainMethod, strainMethods } from './methods.ts';
import type { Weighing } from './said.ts';

/** One difference between two formulas, in words. */
export interface Difference {
  of: 'line' | 'step' | 'keeping';
  kind: 'added' | 'gone' | 'changed';
  text: string;
}

const nameIn = (weighing: Pick<Weighing, 'catalogue'>, line: FormulaLine): string =>
  weighing.catalogue.find(line.ingredientId)?.name ?? 'something without a name';

/**
 * How a line's basis is said after its amount.
 * @example basisWords({ per: 'bottle' }, () => '') // ' in each bottle'
 */
export function basisWords(basis: Basis | undefined, nameOf: (lineId: string) => string): string {
  if (!basis || basis.per === 'batch') return '';
  if (basis.per === 'bottle') return basis.fills ? ', to the headspace' : ' in each bottle';
  if (basis.per === 'cover') return ', enough to cover';
  const each = basis.each?.replace(/^1 /, '');
  if (each !== undefined) return ` per ${each} of ${basis.per === 'yield' ? 'juice' : nameOf(basis.lineId)}`;
  if (basis.per === 'yield')
    return basis.by === 'volume' ? ' per litre of juice' : ' of the juice, by weight';
  return ` of ${nameOf(basis.lineId)}, by ${basis.by}`;
}

function lineWords(
  line: FormulaLine,
  content: FormulaContent,
  weighing: Pick<Weighing, 'catalogue'>,
): string {
  const other = (id: string) => {
    const found = content.lines.find((l) => l.id === id);
    return found ? nameIn(weighing, found).toLowerCase() : 'a line that is gone';
  };
  return line.basis?.per === 'cover'
    ? 'enough to cover'
    : `${line.said.trim() || 'no amount'}${basisWords(line.basis, other)}`;
}

function lineDifferences(
  a: FormulaContent,
  b: FormulaContent,
  weighing: Pick<Weighing, 'catalogue'>,
): Difference[] {
  const found: Difference[] = [];
  const before = new Map(a.lines.map((line) => [line.id, line]));
  const titleOf = (content: FormulaContent, id: string | undefined) =>
    content.steps.find((step) => step.id === id)?.title ?? content.steps[0]?.title ?? '';
  for (const line of b.lines) {
    const old = before.get(line.id);
    const name = nameIn(weighing, line);
    const words = lineWords(line, b, weighing);
    if (!old) {
      found.push({ of: 'line', kind: 'added', text: `${name} added: ${words}` });
      continue;
    }
    const oldWords = lineWords(old, a, weighing);
    if (old.ingredientId !== line.ingredientId)
      found.push({
        of: 'line',
        kind: 'changed',
        text: `${nameIn(weighing, old)}, ${oldWords}, gave way to ${name}, ${words}`,
      });
    else if (oldWords !== words)
      found.push({ of: 'line', kind: 'changed', text: `${name}: ${oldWords} became ${words}` });
    if (titleOf(a, old.stepId) !== titleOf(b, line.stepId))
      found.push({
        of: 'line',
        kind: 'changed',
        text: `${name} goes in at "${titleOf(b, line.stepId)}", before it was at "${titleOf(a, old.stepId)}"`,
      });
  }
  const now = new Set(b.lines.map((line) => line.id));
  for (const line of a.lines)
    if (!now.has(line.id))
      found.push({
        of: 'line',
        kind: 'gone',
        text: `${nameIn(weighing, line)} left out: it was ${lineWords(line, a, weighing)}`,
      });
  return found;
}

const FIGURES: { key: keyof FormulaStep; say: (value: never) => string }[] = [
  { key: 'minutes', say: (v: number) => `${v} min` },
  { key: 'keeps', say: (v: number) => `${Math.round(v * 100)} % kept` },
  { key: 'draws', say: (v: number) => `${Math.round(v * 100)} % drawn` },
  { key: 'toBrix', say: (v: number) => `to ${v} °Bx` },
  { key: 'toFraction', say: (v: number) => `to ${Math.round(v * 100)} % of the volume` },
  { key: 'toCelsius', say: (v: number) => `to ${temperature(v)}` },
  { key: 'toThickness', say: (v: Thickness) => `until it ${thicknesses[v].says}` },
  { key: 'celsius', say: (v: number) => `at ${temperature(v)}` },
  { key: 'method', say: (v: ExtractionMethod) => extractionMethods[v].name.toLowerCase() },
  { key: 'cloth', say: (v: StrainMethod) => strainMethods[v].name },
  { key: 'liquidAway', say: (v: boolean) => (v ? 'the liquid is thrown away' : 'the liquid goes on') },
  { key: 'sugarStays', say: (v: boolean) => (v ? 'sugar stays in the cloth' : 'sugar is stirred in') },
  { key: 'lidOff', say: (v: boolean) => (v ? 'lid off' : 'lid on') },
  { key: 'lidHalf', say: (v: boolean) => (v ? 'lid half on' : 'lid not half on') },
  { key: 'fire', say: (v: Fire) => `${v} fire` },
  { key: 'neverBoil', say: (v: boolean) => (v ? 'never boils' : 'may boil') },
  { key: 'killStep', say: (v: boolean) => (v ? 'boils for a minute' : 'is not heated through') },
];

function stepDifferences(a: FormulaContent, b: FormulaContent): Difference[] {
  const found: Difference[] = [];
  const before = new Map(a.steps.map((step) => [step.id, step]));
  for (const step of b.steps) {
    const old = before.get(step.id);
    if (!old) {
      found.push({ of: 'step', kind: 'added', text: `New step: ${step.title}` });
      continue;
    }
    if (old.title !== step.title)
      found.push({ of: 'step', kind: 'changed', text: `"${old.title}" is now "${step.title}"` });
    for (const { key, say } of FIGURES) {
      if (old[key] === step[key]) continue;
      const words = (value: unknown) =>
        value === undefined ? 'not said' : (say as (v: unknown) => string)(value);
      found.push({
        of: 'step',
        kind: 'changed',
        text: `${step.title}: ${words(old[key])} became ${words(step[key])}`,
      });
    }
  }
  const now = new Set(b.steps.map((step) => step.id));
  for (const step of a.steps)
    if (!now.has(step.id)) found.push({ of: 'step', kind: 'gone', text: `Step gone: ${step.title}` });
  const shared = (content: FormulaContent, other: Map<string, unknown> | Set<string>) =>
    content.steps
      .filter((step) => other.has(step.id))
      .map((step) => step.id)
      .join();
  if (shared(a, now) !== shared(b, before))
    found.push({ of: 'step', kind: 'changed', text: 'The steps stand in another order' });
  return found;
}

const KEPT: { key: keyof FormulaContent; name: string }[] = [
  { key: 'storage', name: 'Kept' },
  { key: 'bottleMl', name: 'Bottle, mL' },
  { key: 'headspaceMl', name: 'Headspace, mL' },
  { key: 'bottles', name: 'Bottles in the batch' },
  { key: 'processId', name: 'Heat process' },
  { key: 'processSource', name: 'Source of the process' },
  { key: 'dilution', name: 'How it is used' },
  { key: 'waterParts', name: 'Parts of water' },
  { key: 'readyDays', name: 'Ready after, days' },
  { key: 'source', name: 'Source' },
  { key: 'edition', name: 'Edition' },
  { key: 'changed', name: 'Changed from its source' },
];

/**
 * What changed from one formula to another, in words: lines, steps, and how it is kept and used.
 * @param a the earlier; @param b the later; @param weighing the catalogue their names come from; @returns none where they are alike
 * @example differences(cherry, { ...cherry, bottleMl: 500 }, setting) // [{ of: 'keeping', kind: 'changed', text: 'Bottle, mL: 237 became 500' }]
 */
export function differences(
  a: FormulaContent,
  b: FormulaContent,
  weighing: Pick<Weighing, 'catalogue'>,
): Difference[] {
  const kept = KEPT.filter(({ key }) => (a[key] ?? '') !== (b[key] ?? '')).map(
    ({ key, name }): Difference => ({
      of: 'keeping',
      kind: 'changed',
      text: `${name}: ${a[key] ?? 'nothing'} became ${b[key] ?? 'nothing'}`,
    }),
  );
  return [...lineDifferences(a, b, weighing), ...stepDifferences(a, b), ...kept];
}
