import {
  type FormulaContent,
  type FormulaLine,
  gramsSaid,
  keptByWeight,
  type LineAmount,
  lineAmounts,
  type Strained,
} from '../../formula/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { densityAt20 } from '../../sugar/index.ts';
import { catalogueOf, weighingOf } from '../catalogue.ts';
import { gramsTicked } from '../keeping/jarByJar.ts';
import { type LotRecord, standing } from '../record.ts';

type Made = Pick<
  LotRecord,
  'product' | 'additions' | 'readings' | 'steps' | 'scale' | 'elevationMetres' | 'bottlings'
>;

/**
 * Grams of every line as the formula says them, times the size of this lot.
 * @example amountsPlanned(lot, 'us').map((line) => line.grams) // [4000, 2000]
 */
export function amountsPlanned(lot: Made, cup: CupSchool | null): LineAmount[] {
  return lineAmounts(lot.product.content, weighingOf(lot, cup), lot.elevationMetres).map((amount) => ({
    ...amount,
    grams: amount.grams === null ? null : amount.grams * lot.scale,
    used: amount.used === null ? null : amount.used * lot.scale,
  }));
}

/** Grams recorded of each line that is all in: 0 where it was left out, absent where nothing is recorded or more of it follows. */
function recorded(lot: Made): Map<string, number> {
  const grams = new Map<string, number>();
  for (const a of standing(lot.additions))
    if (a.lineId !== null) grams.set(a.lineId, (grams.get(a.lineId) ?? 0) + a.grams);
  const last = new Map(standing(lot.additions).map((a) => [a.lineId, a.more]));
  for (const lineId of grams.keys()) if (last.get(lineId)) grams.delete(lineId);
  return grams;
}

/** A line as it went in: of its own ingredient, and of whatever else was put in its place or on top of it. */
function asWent(lot: Made, line: FormulaLine): FormulaLine[] {
  const grams = new Map<string, number>();
  for (const a of standing(lot.additions))
    if (a.lineId === line.id && a.grams > 0)
      grams.set(a.ingredientId, (grams.get(a.ingredientId) ?? 0) + a.grams);
  return [...grams].map(([ingredientId, sum], i) => ({
    ...inGrams(line, sum),
    ingredientId,
    ...(i > 0 ? { id: `${line.id} ${ingredientId}` } : {}),
  }));
}

const inGrams = (line: FormulaLine, grams: number): FormulaLine => ({
  ...line,
  said: gramsSaid(grams, line.said),
  basis: { per: 'batch' },
});

/** The instant from which on what is read tells of a later pan: more goes in, or the next step begins. */
function strainedUntil(lot: Made, step: LotRecord['steps'][number], begun: string): string {
  const more = standing(lot.additions).filter((a) => a.grams > 0 && a.at > begun);
  const next = lot.steps.filter((s) => s.position > step.position).flatMap((s) => s.marks);
  return [...more, ...next].reduce((first, { at }) => (at >= begun && at < first ? at : first), '~');
}

/**
 * What came through a straining, as it was put on the scale or poured into a jug there, or after it and before anything more went in.
 * @returns the last weight or volume; null where neither was read
 * @example strainedAs(lot, 'drip') // null
 */
export function strainedAs(lot: Made, stepId: string): Strained | null {
  const step = lot.steps.find((s) => s.formulaStepId === stepId);
  const begun = step?.marks[0]?.at;
  if (!step || !begun) return null;
  const until = strainedUntil(lot, step, begun);
  const here = standing(lot.readings)
    .filter((r) => r.value !== null && (r.stepId === step.id || (r.at >= begun && r.at <= until)))
    .sort((a, b) => a.at.localeCompare(b.at));
  const last = here.filter((r) => r.kind === 'mass' || r.kind === 'volume').at(-1);
  if (!last) return null;
  if (last.kind === 'mass') return { grams: last.value! };
  const brix = here.filter((r) => r.kind === 'brix' && r.counts).at(-1)?.value ?? null;
  return { millilitres: last.value!, brix };
}

/**
 * Grams that came through a straining, where it was weighed, or poured with its °Bx read.
 * @example strainedGrams(lot, 'drip') // null
 */
export function strainedGrams(lot: Made, stepId: string): number | null {
  const strained = strainedAs(lot, stepId);
  if (!strained) return null;
  if ('grams' in strained) return strained.grams;
  return strained.brix === null ? null : strained.millilitres * densityAt20(Math.min(80, strained.brix));
}

/** The formula's step that something went in at: its line's, its own, or the one that had begun last by then. */
export function formulaStepOf(lot: Made, addition: LotRecord['additions'][number]): string | undefined {
  const line = lot.product.content.lines.find((l) => l.id === addition.lineId);
  if (line) return line.stepId ?? lot.product.content.steps[0]?.id;
  const own = lot.steps.find((s) => s.id === addition.stepId);
  if (own) return own.formulaStepId;
  return [...lot.steps]
    .sort((a, b) => a.position - b.position)
    .filter((s) => s.marks.some((m) => m.at <= addition.at))
    .at(-1)?.formulaStepId;
}

/**
 * The formula as this lot really goes: what was weighed in place of what was said, what was left out gone, extras in, the batch to
 * its size, a cloth by the weight that came through it. What follows another line or the yield then follows the real figure.
 * @param cup school of cups it was begun under
 * @example contentAsWeighed(lot, 'us').lines.length // 2
 */
export function contentAsWeighed(lot: Made, cup: CupSchool | null): FormulaContent {
  const { content } = lot.product;
  const planned = amountsPlanned(lot, cup);
  const known = recorded(lot);
  const follows = new Set(content.lines.flatMap((l) => (l.basis?.per === 'line' ? [l.basis.lineId] : [])));
  const lines: FormulaLine[] = content.lines.flatMap((line, i) => {
    const grams = known.get(line.id);
    if (grams !== undefined) {
      if (grams === 0) return follows.has(line.id) ? [line] : [];
      return asWent(lot, line);
    }
    const batch = line.basis === undefined || line.basis.per === 'batch';
    return [batch && planned[i]!.grams !== null ? inGrams(line, planned[i]!.grams!) : line];
  });
  const extras = standing(lot.additions).filter((a) => a.lineId === null && a.grams > 0);
  for (const extra of extras) {
    const at = formulaStepOf(lot, extra);
    lines.push({
      id: `extra ${extra.id}`,
      said: `${extra.grams} g`,
      ingredientId: extra.ingredientId,
      ...(at ? { stepId: at } : {}),
    });
  }
  const bottles = content.bottles && Math.max(1, Math.round(content.bottles * lot.scale));
  return withYields(lot, cup, { ...content, lines, ...(bottles ? { bottles } : {}) }, known);
}

/** What was weighed after trimming is what is used: nothing is trimmed off it a second time. A weighed straining takes the place of its share. */
function withYields(
  lot: Made,
  cup: CupSchool | null,
  content: FormulaContent,
  known: ReadonlyMap<string, number>,
): FormulaContent {
  let made = content;
  for (const step of content.steps) {
    let keeps = step.keeps;
    const here = lot.product.content.lines.filter(
      (l) => (l.stepId ?? content.steps[0]?.id) === step.id && known.has(l.id),
    );
    if (step.kind === 'prepare' && here.length > 0) keeps = undefined;
    const strained = step.kind === 'strain' ? strainedAs(lot, step.id) : null;
    if (strained !== null)
      keeps = keptByWeight(made, { stepId: step.id, ...strained }, weighingOf(lot, cup), lot.elevationMetres);
    if (keeps !== step.keeps)
      made = {
        ...made,
        steps: made.steps.map((s) =>
          s.id === step.id ? { ...s, keeps, ...(strained !== null ? { cloth: undefined } : {}) } : s,
        ),
      };
  }
  return made;
}

/** A line of the run sheet: as the formula says it, and as it comes to after what was really weighed. */
export interface LotLine {
  lineId: string;
  formulaStepId: string | null;
  ingredientId: string;
  name: string;
  said: string;
  /** As planned, g, after trimming; null where the formula leaves it open. */
  grams: number | null;
  /** As it follows from what was weighed, g; the planned amount where nothing it follows differs. */
  now: number | null;
  /** What it follows, in words; null for an amount of its own. */
  follows: string | null;
  /** It goes in jar by jar, while they are filled. */
  byJar: boolean;
}

/**
 * Lines of a lot with the amounts planned and the amounts that now go in. @param cup school of cups of the lot
 * @example lotLines(lot, 'us').map((line) => line.name) // ['Sour cherries, stoned', 'Sugar, white']
 */
export function lotLines(lot: LotRecord, cup: CupSchool | null): LotLine[] {
  const { content } = lot.product;
  const catalogue = catalogueOf(lot);
  const planned = amountsPlanned(lot, cup);
  const made = contentAsWeighed(lot, cup);
  const now = new Map(
    lineAmounts(made, weighingOf(lot, cup), lot.elevationMetres).map((a) => [a.lineId, a.used]),
  );
  const nameOf = (id: string) => {
    const line = content.lines.find((l) => l.id === id);
    return line ? catalogue.get(line.ingredientId).name.toLowerCase() : 'another line';
  };
  return content.lines.map((line, i) => {
    const basis = line.basis ?? { per: 'batch' };
    return {
      lineId: line.id,
      formulaStepId: line.stepId ?? content.steps[0]?.id ?? null,
      ingredientId: line.ingredientId,
      name: catalogue.get(line.ingredientId).name,
      said: line.said,
      grams: planned[i]!.used,
      now:
        (basis.per === 'bottle' ? gramsTicked(lot, line.id, cup) : null) ??
        now.get(line.id) ??
        planned[i]!.used,
      byJar: basis.per === 'bottle',
      follows:
        basis.per === 'line'
          ? nameOf(basis.lineId)
          : basis.per === 'yield'
            ? 'what was strained'
            : basis.per === 'cover'
              ? 'what it covers'
              : null,
    };
  });
}
