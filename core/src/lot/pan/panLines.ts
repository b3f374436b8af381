import { type FormulaContent, type FormulaLine, lineAmounts } from '../../formula/index.ts';
import { isPiece } from '../../ingredient/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { catalogueOf, weighingOf } from '../catalogue.ts';
import { type Addition, type LotRecord, type LotStep, standing } from '../record.ts';
import { contentAsWeighed, formulaStepOf } from './asWeighed.ts';
import { stepClock } from './clock.ts';

const inOrder = (steps: readonly LotStep[]): LotStep[] => [...steps].sort((a, b) => a.position - b.position);

/** The step whose pan it was at an instant: the last one begun by then, or the one after it where that was over; null before the first. */
export function stepUnderWay(lot: LotRecord, at: string): LotStep | null {
  const steps = inOrder(lot.steps);
  const place = steps.findLastIndex((s) => s.marks.some((m) => m.at <= at));
  const last = steps[place];
  if (!last) return null;
  const { doneAt } = stepClock({ ...last, marks: last.marks.filter((m) => m.at <= at) }, at);
  return doneAt !== null ? (steps[place + 1] ?? last) : last;
}

/**
 * The step in whose pan something went in: its own while that went on, else the one that was under way. Fruit that is written down
 * after its step was there all the same: it was strained out.
 */
export function stepOfAddition(lot: LotRecord, a: Addition): string | undefined {
  const own = formulaStepOf(lot, a);
  const now = stepUnderWay(lot, a.at);
  const mine = lot.steps.find((s) => s.formulaStepId === own);
  if (!now || mine?.id === now.id) return own;
  if (!mine || mine.position > now.position) return now.formulaStepId;
  if (isPiece(catalogueOf(lot).get(a.ingredientId))) return own;
  const { doneAt } = stepClock(mine, '9999');
  return doneAt !== null && doneAt < a.at ? now.formulaStepId : own;
}

/** Minutes that a step really took, where it was started and is over; as planned where not. */
function timed(lot: LotRecord, content: FormulaContent): FormulaContent['steps'] {
  return content.steps.map((step) => {
    const made = lot.steps.find((s) => s.formulaStepId === step.id);
    const clock = made && stepClock(made, '9999');
    if (!clock?.doneAt || !made?.marks.some((m) => m.kind === 'start')) return step;
    return { ...step, minutes: clock.elapsedSeconds / 60 };
  });
}

/**
 * What goes into a lot's pan, step by step: each addition at the step that was under way, what nobody recorded as the formula says it, steps as long as they took.
 * What goes in jar by jar never is in the pan.
 * @param cup school of cups it was begun under
 */
export function contentInPan(lot: LotRecord, cup: CupSchool | null): FormulaContent {
  const { content } = lot.product;
  const made = contentAsWeighed(lot, cup);
  const used = new Map(
    lineAmounts(made, weighingOf(lot, cup), lot.elevationMetres).map((amount) => [
      amount.lineId,
      amount.grams,
    ]),
  );
  const inPan = (lineId: string | null) =>
    content.lines.find((line) => line.id === lineId)?.basis?.per !== 'bottle';
  const grams = (
    id: string,
    ingredientId: string,
    amount: number,
    stepId: string | undefined,
  ): FormulaLine => ({
    id,
    said: `${amount} g`,
    ingredientId,
    ...(stepId ? { stepId } : {}),
  });
  const went = standing(lot.additions)
    .filter((a) => a.grams > 0 && inPan(a.lineId))
    .map((a) => grams(a.id, a.ingredientId, a.grams, stepOfAddition(lot, a)));
  const recorded = new Set(standing(lot.additions).map((a) => a.lineId));
  const planned = content.lines.flatMap((line) => {
    const amount = used.get(line.id);
    return recorded.has(line.id) || !amount || !inPan(line.id)
      ? []
      : [grams(line.id, line.ingredientId, amount, line.stepId)];
  });
  return { ...made, lines: [...went, ...planned], steps: timed(lot, made) };
}
