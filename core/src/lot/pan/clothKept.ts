import { amountsOf, readLine, takesOut, walk } from '../../formula/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { weighingOf } from '../catalogue.ts';
import type { LotRecord } from '../record.ts';
import { contentAsWeighed, strainedAs } from './asWeighed.ts';

/** What stayed in the cloth of a straining: a by-product that may be kept. */
export interface ClothKept {
  /** The lot's step. */
  stepId: string;
  /** When it was strained: the last mark of that step. */
  at: string;
  grams: number;
  /** What went in before it, the most first. */
  of: string[];
  /** Whether what came through was weighed or poured into a jug. */
  weighed: boolean;
}

/**
 * What each straining of a lot left behind, by what went in before it less what came through.
 * @param lot its record; @param cup school of cups it was begun under
 * @returns g for every straining that was begun and takes the pieces out, in the order of the steps
 * @example clothKept({ ...lot, steps: [] }, 'us') // []
 */
export function clothKept(lot: LotRecord, cup: CupSchool | null): ClothKept[] {
  const content = contentAsWeighed(lot, cup);
  const lines = content.lines.map((line) => readLine(line, weighingOf(lot, cup)));
  const walked = walk(content, lines, { elevationMetres: lot.elevationMetres });
  const amounts = amountsOf(lines, walked);
  return lot.steps.flatMap((step) => {
    const place = content.steps.findIndex((s) => s.id === step.formulaStepId);
    const at = step.marks.at(-1)?.at;
    const outcome = walked.outcomes.find((o) => o.stepId === step.formulaStepId);
    if (!at || !outcome || !takesOut(content.steps[place]!) || !(outcome.retained > 0)) return [];
    const before = new Set(content.steps.slice(0, place).map((s) => s.id));
    const of = amounts
      .filter(({ ingredient, grams }, i) => {
        const stepId = content.lines[i]!.stepId ?? content.steps[0]!.id;
        return ingredient && ingredient.family !== 'water' && (grams ?? 0) > 0 && before.has(stepId);
      })
      .sort((a, b) => b.grams! - a.grams!)
      .map(({ ingredient }) => ingredient!.name.toLowerCase());
    const weighed = strainedAs(lot, step.formulaStepId) !== null;
    return [{ stepId: step.id, at, grams: outcome.retained, of: [...new Set(of)], weighed }];
  });
}
