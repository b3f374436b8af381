import type { LabelView } from '@inch/contract/making/label';
import { Problem } from '../problem/problem.ts';

/** Refuses a label whose differences from the formula nobody looked at. */
export function refuseUnseen({ differences }: Pick<LabelView, 'differences'>): void {
  if (differences.length === 0) return;
  throw new Problem(
    409,
    `What went in differs from the formula. ${differences.join(' ')} Look at it, then print.`,
  );
}

/** Whether a print of the lot saw the very differences that there are now. */
export const wereSeen = (
  { differences }: Pick<LabelView, 'differences'>,
  prints: readonly { differences: readonly string[] }[],
): boolean => prints.some((p) => differences.every((d) => p.differences.includes(d)));
