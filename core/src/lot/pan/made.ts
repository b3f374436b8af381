import {
  type FormulaContent,
  type FormulaLine,
  type FormulaStep,
  gramsSaid,
  keptByWeight,
  type LineAmount,
  type Makeup,
  makeupOf,
  piecesLeftIn,
  readLine,
  walk,
} from '../../formula/index.ts';
import { creditedAt, follows } from '../../record/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { type Heating, heatingsOf } from '../gate/heating.ts';
import { once } from '../judging.ts';
import { type Addition, type LotRecord, type LotStep, standing } from '../record.ts';
import { formulaStepOf, strainedAs } from './asWeighed.ts';
import { stepClock } from './clock.ts';

/** Steps that a formula does not have: what goes in late, and what goes in after the last of them. */
const LATE: FormulaStep = { id: 'late', kind: 'add', title: 'Put in later' };
const AT_THE_END: FormulaStep = { id: 'at the end', kind: 'add', title: 'At the end, or bottle by bottle' };

/** A lot as made, told as a formula is: what really went in, in the order in which it did, with the heatings that are shown. */
export interface AsMade {
  content: FormulaContent;
  /** What went in, g, in the order of the content's lines. */
  lines: LineAmount[];
}

const lotStepOf = (lot: LotRecord, step: FormulaStep): LotStep | undefined =>
  lot.steps.find((s) => s.formulaStepId === step.id);

/** Minutes that a step really took, from its first start to its end; as planned while it is not done. An end that is dated back counts from its writing. */
function minutesOf(lot: LotRecord, step: FormulaStep): number | undefined {
  const made = lotStepOf(lot, step);
  const clock = made && stepClock(made, '9999');
  const begun = made?.marks.some((m) => m.kind === 'start');
  const done = made?.marks.filter((m) => m.kind === 'done').at(-1);
  if (!clock?.doneAt || !clock.startedAt || !begun || !done) return step.minutes;
  return (
    (Date.parse(creditedAt({ ...done, recordedAt: done.recordedAt ?? done.at }, lot)) -
      Date.parse(clock.startedAt)) /
    60_000
  );
}

/** °Bx that a step was really boiled down to, where that was read and is over what was asked for. */
function brixReached(lot: LotRecord, step: FormulaStep): number | undefined {
  const made = lotStepOf(lot, step);
  const read = standing(lot.readings)
    .filter((r) => r.kind === 'brix' && r.counts && r.value !== null && r.stepId === made?.id)
    .at(-1)?.value;
  return step.kind === 'reduce' && typeof read === 'number' && read > (step.toBrix ?? 100)
    ? read
    : step.toBrix;
}

/** The steps as they went: a heating that is shown is a kill step, whatever was planned; what was weighed after trimming is not trimmed again. */
function stepsAsMade(lot: LotRecord, heatings: readonly Heating[]): FormulaStep[] {
  const shown = new Set(heatings.map((h) => h.formulaStepId));
  return lot.product.content.steps.map((step) => ({
    ...step,
    minutes: minutesOf(lot, step),
    toBrix: brixReached(lot, step),
    killStep: shown.has(step.id),
    ...(shown.has(step.id) && !(step.celsius === undefined || step.celsius >= 90)
      ? { celsius: undefined }
      : {}),
    ...(step.kind === 'prepare' ? { keeps: undefined } : {}),
  }));
}

/** Place of the step that something went in at: its own, or a later one where that was over by then. */
function placeOf(lot: LotRecord, a: Addition, steps: readonly FormulaStep[]): number {
  const at = creditedAt(a, lot);
  const own = steps.findIndex((s) => s.id === formulaStepOf(lot, a));
  const over = steps.findLastIndex((s) => {
    const made = lotStepOf(lot, s);
    const doneAt = made && stepClock(made, '9999').doneAt;
    return doneAt != null && doneAt < at;
  });
  return Math.max(0, own, over + 1);
}

/** Id of the step that something went in at as it was made: never before a heating that it did not go through. */
function stepIdOf(
  lot: LotRecord,
  a: Addition,
  steps: readonly FormulaStep[],
  heatings: readonly Heating[],
): string {
  const line = lot.product.content.lines.find((l) => l.id === a.lineId);
  if (line?.basis?.per === 'bottle') return AT_THE_END.id;
  const place = placeOf(lot, a, steps);
  const lastKill = steps.findLastIndex((s) => s.killStep);
  const through = heatings.some(
    (h) => follows({ ...h, at: h.from }, a) && h.formulaStepId === steps[lastKill]?.id,
  );
  if (place <= lastKill && !through) return LATE.id;
  return steps[place]?.id ?? AT_THE_END.id;
}

/** The late step stands right after the last heating, so that what cooked on after it still does. */
function withLate(steps: FormulaStep[]): FormulaStep[] {
  const lastKill = steps.findLastIndex((s) => s.killStep);
  const at = lastKill === -1 ? steps.length : lastKill + 1;
  return [...steps.slice(0, at), LATE, ...steps.slice(at), AT_THE_END];
}

/** Heatings as far as a walk goes by them. */
const keyOf = (heatings: readonly Heating[]): string =>
  heatings.map((h) => `${h.formulaStepId} ${h.from} ${h.recordedAt}`).join(';');

/**
 * A lot told as a formula is: additions as weighed, at the steps that were really under way, kill steps only where they are shown.
 * @param heatings that count
 * @example asMade(lot).lines.map((line) => line.grams) // [4000, 2000]
 */
export const asMade = (lot: LotRecord, heatings: readonly Heating[] = heatingsOf(lot)): AsMade =>
  once(lot, `as made ${keyOf(heatings)}`, () => toldAsMade(lot, heatings));

function toldAsMade(lot: LotRecord, heatings: readonly Heating[]): AsMade {
  const catalogue = catalogueOf(lot);
  const steps = stepsAsMade(lot, heatings);
  const went = standing(lot.additions).filter((a) => a.grams > 0);
  const planned = new Map(lot.product.content.lines.map((line) => [line.id, line.said]));
  const lines: FormulaLine[] = went.map((a) => ({
    id: a.id,
    said: gramsSaid(a.grams, planned.get(a.lineId ?? '') ?? ''),
    ingredientId: a.ingredientId,
    stepId: stepIdOf(lot, a, steps, heatings),
  }));
  return {
    content: { ...lot.product.content, storage: lot.storage, lines, steps: withLate(steps) },
    lines: went.map((a) => ({
      lineId: a.id,
      ingredient: catalogue.get(a.ingredientId),
      grams: a.grams,
      used: a.grams,
    })),
  };
}

/** Pieces that were in a lot when it was filled. */
export function piecesIn(lot: LotRecord): LineAmount[] {
  const { content, lines } = asMade(lot);
  return piecesLeftIn(content, lines);
}

function strainedAsWeighed(lot: LotRecord, content: FormulaContent): FormulaContent {
  const weighing = { cup: undefined, catalogue: catalogueOf(lot) };
  let made = content;
  for (const { id, kind } of content.steps) {
    const strained = kind === 'strain' ? strainedAs(lot, id) : null;
    if (strained === null) continue;
    const keeps = keptByWeight(made, { stepId: id, ...strained }, weighing, lot.elevationMetres);
    made = {
      ...made,
      steps: made.steps.map((s) => (s.id === id ? { ...s, keeps, cloth: undefined } : s)),
    };
  }
  return made;
}

/** The walk of a lot as made, with what it was walked by. */
export const walkedAsMade = (lot: LotRecord, heatings: readonly Heating[]) =>
  once(lot, `walk ${keyOf(heatings)}`, () => walkAsMade(lot, heatings));

function walkAsMade(lot: LotRecord, heatings: readonly Heating[]) {
  const { content, lines } = asMade(lot, heatings);
  const made = strainedAsWeighed(lot, content);
  const weighing = { cup: undefined, catalogue: catalogueOf(lot) };
  const said = made.lines.map((line) => readLine(line, weighing));
  return { made, lines, walked: walk(made, said, { elevationMetres: lot.elevationMetres, untold: true }) };
}

/**
 * What a lot is by what went into it, when, and how it was heated: judged by the same walk as a forecast.
 * @param heatings that count: all that are shown, or those that were measured
 * @example makeupAsMade(lot).killStep // true
 */
export const makeupAsMade = (lot: LotRecord, heatings: readonly Heating[] = heatingsOf(lot)): Makeup =>
  once(lot, `makeup ${keyOf(heatings)}`, () => {
    const { made, lines, walked } = walkedAsMade(lot, heatings);
    return makeupOf(made, lines, walked);
  });
