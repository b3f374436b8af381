import { densityAt20 } from '../../sugar/index.ts';
import type { FormulaContent } from '../content.ts';
import { readLine, type Weighing } from '../said.ts';
import { brixOf, type FoundPan, liquidOf, type Pan } from './pan.ts';
import { walk } from './walk.ts';

/** The part of a formula that comes before a step, and what goes in there. */
function upTo(content: FormulaContent, stepId: string): FormulaContent {
  const place = content.steps.findIndex((step) => step.id === stepId);
  const steps = content.steps.slice(0, Math.max(0, place));
  const known = new Set(content.steps.map((step) => step.id));
  const within = new Set(steps.map((step) => step.id));
  const first = content.steps[0]?.id;
  const lines = content.lines.filter((line) =>
    within.has(line.stepId && known.has(line.stepId) ? line.stepId : (first ?? '')),
  );
  return { ...content, steps, lines };
}

/**
 * The pan as a formula makes it stand before one of its steps, nothing of that step in it yet.
 * @param content the formula; @param stepId one of its steps; @param weighing cups and catalogue; @param elevationMetres of the kitchen
 * @param found what was measured in the pan at the end of earlier steps, by their ids
 * @returns what runs and what is still in the fruit, g; empty before the first step
 * @example panBefore(cherry, 'drip', setting, 0).liquid.water // 3446
 */
export function panBefore(
  content: FormulaContent,
  stepId: string,
  weighing: Weighing,
  elevationMetres: number,
  found?: ReadonlyMap<string, FoundPan>,
): Pan {
  const part = upTo(content, stepId);
  if (part.steps.length === 0) return walk({ ...part, lines: [] }, [], { elevationMetres }).pan;
  const lines = part.lines.map((line) => readLine(line, weighing));
  return walk(part, lines, { elevationMetres, found }).pan;
}

/** What came through a cloth: weighed in g, or read in a jug in mL at 20 °C, with the °Bx read of it where there is one. */
export type Strained = { grams: number } | { millilitres: number; brix: number | null };

/**
 * The share a cloth let through, by what was weighed or poured after it: it takes the place of the formula's own.
 * @param strained.stepId the straining; what came through it, over 0; the result is over 0 to 1, the whole of it where more was weighed than went in
 * @example keptByWeight(cherry, { stepId: 'drip', grams: 3000 }, setting, 0) // 0.50
 */
export function keptByWeight(
  content: FormulaContent,
  strained: { stepId: string } & Strained,
  weighing: Weighing,
  elevationMetres: number,
): number {
  const before = panBefore(content, strained.stepId, weighing, elevationMetres);
  const liquid = liquidOf(before.liquid);
  const grams =
    'grams' in strained
      ? strained.grams
      : strained.millilitres * densityAt20(Math.min(80, strained.brix ?? brixOf(before.liquid)));
  return liquid > 0 ? Math.min(1, Math.max(0.01, grams / liquid)) : 1;
}
