import type { MeasureText } from './art.ts';

/** So many widths are kept; then it begins anew. */
const MOST_KEPT = 20_000;

/**
 * What measures texts by their advance widths, each worked out once: a label's words are set in many sizes until they fit, and a width grows as
 * its size.
 * @param emsOf width of a text in ems; @returns width in mm at a size in mm
 * @example measuredBy((text) => text.length / 2)('four', 3, false) // 6
 */
export function measuredBy(emsOf: (text: string, bold: boolean) => number): MeasureText {
  const kept = new Map<string, number>();
  return (text, sizeMm, bold) => {
    const key = `${bold ? 'b' : 'r'}${text}`;
    let ems = kept.get(key);
    if (ems === undefined) {
      ems = emsOf(text, bold);
      if (kept.size >= MOST_KEPT) kept.clear();
      kept.set(key, ems);
    }
    return ems * sizeMm;
  };
}
