import type { Judge } from '../entry/judge.ts';
import { Problem } from '../http/problem.ts';
import { fullLot } from '../lot/change.ts';
import { takeLabels } from '../stock/withdraw.ts';
import { labelOf } from './label.ts';

/** Refuses a label whose differences from the formula nobody looked at. */
export function refuseUnseen({ differences }: { differences: readonly string[] }): void {
  if (differences.length === 0) return;
  throw new Problem(
    409,
    `What went in differs from the formula. ${differences.join(' ')} Look at it, then print.`,
  );
}

/** Records a print of the label: refused where it may not be printed, or where what differs from the formula was not looked at. */
export const judgePrint: Judge<'print'> = async ({ w, lot: head, said, at }) => {
  const label = await labelOf(w.tx, await fullLot(w, head.id), w.kitchen);
  if (label.refusal) throw new Problem(409, label.refusal);
  if (!said.differencesSeen) refuseUnseen(label);
  const cause = { kind: 'printed', lotId: head.id, entryId: said.id, at } as const;
  return {
    kept: { statement: label.content.statement, label: label.content },
    after: () => takeLabels(w, said.copies, cause),
  };
};
