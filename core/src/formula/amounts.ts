import type { Ingredient } from '../ingredient/index.ts';
import type { FormulaContent } from './content.ts';
import { type Walked, walk } from './pan/walk.ts';
import { bulkDensity, readLine, type SaidLine, type Weighing } from './said.ts';

/** A line with its grams, or with what stands in the way of them. */
export interface LineAmount {
  lineId: string;
  ingredient: Ingredient | null;
  grams: number | null;
  /** Grams after trimming, as they go into the pan. */
  used: number | null;
  /** Low and high in grams, where a range was said. */
  range?: [number, number];
  assumption?: string;
  /** What is asked before the line can count: a sentence for the cook. */
  asks?: string;
  /** Set where the answer is one of two words: "oz" by weight or by volume. */
  askKind?: 'weight-or-volume' | 'cup-school';
}

/** Why a line that was read still has no grams: what it follows is not there. */
function whyOpen(line: SaidLine, lines: readonly SaidLine[]): string {
  const { basis } = line;
  if (basis.per === 'bottle' && basis.fills)
    return 'For how many bottles is it? Say so under "Bottles in the batch"; they have to hold all that is in it.';
  if (basis.per === 'bottle') return 'For how many bottles is it? Say so under "Bottles in the batch".';
  if (basis.per === 'yield')
    return 'There is no liquid in the pan when it goes in. Let it go in after the straining.';
  if (basis.per === 'batch') return 'How much? Write an amount, as in "250 g".';
  if (basis.per === 'cover')
    return 'There is nothing in the pan to cover when it goes in: write an amount, or let it go in after the fruit.';
  const other = lines.find((l) => l.lineId === basis.lineId);
  if (!other || basis.lineId === line.lineId) return 'Which line does it follow? Choose one.';
  const name = other.ingredient?.name.toLowerCase() ?? 'the line it follows';
  if (!other.value) return `It follows ${name}, which has no amount yet.`;
  if (basis.by === 'volume' && !(bulkDensity(other.ingredient!) && bulkDensity(line.ingredient!)))
    return `No weight per cup is known for ${name} or for this. Let it follow by weight.`;
  return `It follows ${name}, which goes in later. Let it go in at the same step or after.`;
}

function amountOf(lines: readonly SaidLine[], walked: Walked, i: number): LineAmount {
  const line = lines[i]!;
  const grams = walked.grams[i] ?? null;
  const weighed = grams !== null && grams > 0 ? grams : null;
  const base = {
    lineId: line.lineId,
    ingredient: line.ingredient,
    grams: weighed,
    used: weighed === null ? null : walked.used[i]!,
  };
  if (!line.value) return { ...base, asks: line.asks!, ...(line.askKind ? { askKind: line.askKind } : {}) };
  if (weighed === null) return { ...base, asks: whyOpen(line, lines) };
  const { low, high, amount } = line.value;
  return {
    ...base,
    ...(low < high
      ? { range: [(weighed * low) / amount, (weighed * high) / amount] as [number, number] }
      : {}),
    ...(line.assumption ? { assumption: line.assumption } : {}),
  };
}

/**
 * The lines of a formula with what a walk through its steps made of them.
 * @param lines as read; @param walked what the walk came to
 * @example amountsOf([], { grams: [], used: [] }) // []
 */
export const amountsOf = (lines: readonly SaidLine[], walked: Walked): LineAmount[] =>
  lines.map((_, i) => amountOf(lines, walked, i));

/**
 * Grams of every line of a formula, those that follow another line, the yield or the bottles resolved through the steps.
 * @param content the formula; @param weighing cups and catalogue; @param elevationMetres of the kitchen, for what is boiled off on the way
 * @returns grams with the assumption made, or the question a line leaves open. Nothing is invented.
 * @example lineAmounts(cherry, setting, 0).map((line) => line.grams) // [4000, 2000]
 */
export function lineAmounts(
  content: FormulaContent,
  weighing: Weighing,
  elevationMetres: number,
): LineAmount[] {
  const lines = content.lines.map((line) => readLine(line, weighing));
  return amountsOf(lines, walk(content, lines, { elevationMetres }));
}
