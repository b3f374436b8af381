import type { LineAmount } from './amounts.ts';
import type { FormulaContent } from './content.ts';
import type { Outlook } from './forecast/outlook.ts';

/** What the sugar of a formula is there for, so that it is known before it is cut. */
export type SugarRole = 'draws' | 'keeps' | 'taste';

const WORDS: Record<SugarRole, string> = {
  draws: 'It draws the juice here: with less of it less comes out.',
  keeps: 'It is part of what keeps this: cut it and the date is shorter.',
  taste: 'For taste and body; it does not preserve.',
};

/**
 * What each line of sugar is there for: to draw the juice cold, as part of what keeps it, or for taste.
 * @param content the formula; @param lines as weighed; @param outlook what keeps it; @returns words by line id
 */
export function sugarRoles(
  content: FormulaContent,
  lines: readonly LineAmount[],
  outlook: Pick<Outlook, 'keeping'>,
): Record<string, string> {
  const cold = new Set(
    content.steps.filter((s) => s.method === 'cold' || s.method === 'peel').map((s) => s.id),
  );
  const first = content.steps.findIndex((s) => cold.has(s.id));
  const order = new Map(content.steps.map((step, i) => [step.id, i]));
  return Object.fromEntries(
    lines.flatMap((line, i) => {
      if (line.ingredient?.family !== 'sugar' || line.grams === null) return [];
      const at = order.get(content.lines[i]!.stepId ?? '') ?? 0;
      const role: SugarRole =
        first >= 0 && at <= first ? 'draws' : outlook.keeping.row === 'cold-sugar' ? 'keeps' : 'taste';
      return [[line.lineId, WORDS[role]]];
    }),
  );
}
