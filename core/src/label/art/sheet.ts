import { z } from 'zod';
/** Paper a sheet of labels is of, mm. */
export const PAPERS = {
  A4: { widthMm: 210, heightMm: 297 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

const PAPER_NAMES = Object.keys(PAPERS) as [Paper, ...Paper[]];
const mm = (least: number, most: number, ask: string) =>
  z.number(ask).min(least, `${ask} From ${least} to ${most}.`).max(most, `${ask} From ${least} to ${most}.`);

/** A sheet of labels by its measures, mm: no maker's numbers. */
export const SheetMeasures = z.strictObject({
  paper: z.enum(PAPER_NAMES, `Which paper? One of: ${PAPER_NAMES.join(', ')}.`),
  rows: z.int('How many rows? A whole number.').min(1, 'At least one row.').max(40, 'At most 40 rows.'),
  columns: z
    .int('How many columns? A whole number.')
    .min(1, 'At least one column.')
    .max(20, 'At most 20 columns.'),
  /** From the paper's edge to the first label. */
  leftMm: mm(0, 200, 'How far from the left edge, mm?'),
  topMm: mm(0, 280, 'How far from the top edge, mm?'),
  /** Between labels. */
  acrossMm: mm(0, 100, 'How much between columns, mm?'),
  downMm: mm(0, 100, 'How much between rows, mm?'),
  labelWidthMm: mm(5, 300, 'How wide is a label, mm?'),
  labelHeightMm: mm(5, 300, 'How high is a label, mm?'),
  round: z.boolean(),
  /** By how much prints are moved to make good what the printer is off by, as the calibration page shows it: to the right, and down. */
  shiftXMm: mm(-10, 10, 'By how much are prints moved to the right, mm?').default(0),
  shiftYMm: mm(-10, 10, 'By how much are prints moved down, mm?').default(0),
});
export type SheetMeasures = z.infer<typeof SheetMeasures>;

/** Where a label stands on which page. */
export interface SheetPlace {
  page: number;
  xMm: number;
  yMm: number;
}

/** Most that a printer may be off by and still be set right, mm. */
const MOST_SHIFT = 10;

/**
 * What is wrong with a sheet's measures, with what to do; null where they make a sheet.
 * @example whyNoSheet({ paper: 'A4', rows: 7, columns: 3, leftMm: 7, topMm: 10, acrossMm: 2, downMm: 1, labelWidthMm: 64, labelHeightMm: 38, round: false, shiftXMm: 0, shiftYMm: 0 }) // null
 */
export function whyNoSheet(s: SheetMeasures): string | null {
  const paper = PAPERS[s.paper];
  const right = s.leftMm + s.columns * s.labelWidthMm + (s.columns - 1) * s.acrossMm;
  const bottom = s.topMm + s.rows * s.labelHeightMm + (s.rows - 1) * s.downMm;
  const over = (mm: number) => `${Math.round(mm * 10) / 10} mm`;
  if (right > paper.widthMm + 1e-6)
    return `${s.columns} labels and their gaps reach ${over(right - paper.widthMm)} over the paper's right edge. Measure the left margin, the width and the gap again.`;
  if (bottom > paper.heightMm + 1e-6)
    return `${s.rows} labels and their gaps reach ${over(bottom - paper.heightMm)} under the paper's lower edge. Measure the top margin, the height and the gap again.`;
  if (s.round && Math.abs(s.labelWidthMm - s.labelHeightMm) > 0.1)
    return 'A round label is as high as it is wide.';
  if (Math.abs(s.shiftXMm) > MOST_SHIFT || Math.abs(s.shiftYMm) > MOST_SHIFT)
    return `A printer is not off by more than ${MOST_SHIFT} mm: measure the calibration page again, printed without scaling.`;
  return null;
}

/**
 * Places of labels on their sheets, row by row from a place on; the next sheet begins at its first.
 * @param s measures, mm; @param first place on the first sheet, 1 for the first; @param count labels
 * @throws RangeError on measures that make no sheet, and on a place that it does not have
 * @example sheetPlaces({ paper: 'A4', rows: 7, columns: 3, leftMm: 7, topMm: 10, acrossMm: 2, downMm: 1, labelWidthMm: 64, labelHeightMm: 38, round: false, shiftXMm: 0, shiftYMm: 0 }, 4, 1) // [{ page: 0, xMm: 7, yMm: 49 }]
 */
export function sheetPlaces(s: SheetMeasures, first: number, count: number): SheetPlace[] {
  const wrong = whyNoSheet(s);
  if (wrong) throw new RangeError(wrong);
  const each = s.rows * s.columns;
  if (!Number.isInteger(first) || first < 1 || first > each)
    throw new RangeError(`The sheet has labels 1 to ${each}; ${first} is none of them.`);
  return Array.from({ length: count }, (_, i) => {
    const n = first - 1 + i;
    const on = n % each;
    return {
      page: Math.floor(n / each),
      xMm: s.leftMm + s.shiftXMm + (on % s.columns) * (s.labelWidthMm + s.acrossMm),
      yMm: s.topMm + s.shiftYMm + Math.floor(on / s.columns) * (s.labelHeightMm + s.downMm),
    };
  });
}

/**
 * Sheets that so many labels take.
 * @example sheetsFor({ rows: 7, columns: 3 }, 4, 19) // 2
 */
export const sheetsFor = (s: Pick<SheetMeasures, 'rows' | 'columns'>, first: number, count: number): number =>
  Math.ceil((first - 1 + count) / (s.rows * s.columns));
