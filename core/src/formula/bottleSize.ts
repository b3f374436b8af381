import type { FormulaContent } from './content.ts';

/**
 * A formula filled into bottles of another size: what is said in each bottle stays said of its own size and goes by the size, and
 * the number of bottles in the batch follows.
 * @param content the formula; @param bottleMl what one bottle holds, mL, over 0
 * @throws RangeError where it holds nothing
 * @example inBottlesOf(cherry, 500).bottleMl // 500
 */
export function inBottlesOf(content: FormulaContent, bottleMl: number): FormulaContent {
  if (!(bottleMl > 0)) throw new RangeError(`A bottle of ${bottleMl} mL holds nothing`);
  if (bottleMl === content.bottleMl) return content;
  const { bottles } = content;
  return {
    ...content,
    bottleMl,
    ...(bottles ? { bottles: Math.max(1, Math.round((bottles * content.bottleMl) / bottleMl)) } : {}),
    lines: content.lines.map((line) =>
      line.basis?.per === 'bottle' ? { ...line, basis: { ml: content.bottleMl, ...line.basis } } : line,
    ),
  };
}
