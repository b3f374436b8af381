import { warningsOf } from '@inch/core/label';
import { standing } from '@inch/core/lot';
import { refuseBefore } from '../journal/happened.ts';
import { artworkOf, drawnLabel, labelOf } from '../label/label.ts';
import { refuseUnseen } from '../label/seen.ts';
import { requireSheet } from '../label/sheets.ts';
import { judgeLot } from '../lot/view.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { takeLabels } from '../stock/withdraw.ts';
import { fullLot } from './change.ts';
import type { Judge } from './judge.ts';
import { refuseStopped, refuseTooWarm } from './leaving.ts';

/** Records a print of the label: refused where it may not be printed, or where what differs from the formula was not looked at. */
export const judgePrint: Judge<'print'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const label = await labelOf(w.tx, lot, w.kitchen);
  if (label.refusal) throw new Problem(409, label.refusal);
  await refuseStopped(w, lot);
  refuseTooWarm(w, lot);
  const [filled] = standing(lot.bottlings);
  if (filled) refuseBefore(at, filled.at, 'its bottles were filled');
  if (!said.differencesSeen) refuseUnseen(label);
  if (said.sheetId !== null) {
    const { measures } = await requireSheet(w.tx, w.kitchen.id, said.sheetId);
    const each = measures.rows * measures.columns;
    if (said.firstLabel !== null && said.firstLabel > each)
      throw invalid('firstLabel', `That sheet has ${each} labels.`);
  }
  if (said.reprintOf !== null && said.why === null)
    throw invalid('why', 'Say why it is printed anew: torn, smeared, lost.');
  const faces = drawnLabel(label).faces.length;
  const cause = { kind: 'printed', lotId: head.id, entryId: said.id, at } as const;
  return {
    kept: {
      statement: label.content.statement,
      differences: label.differences.map((d) => d.slice(0, 500)),
      bestBy: judgeLot(lot, w.kitchen).keeping.bestBy,
      says: warningsOf(label.content).map((text) => text.slice(0, 1000)),
      label: artworkOf(label, label.design),
    },
    after: () => takeLabels(w, said.copies * faces, cause),
  };
};

/** Labels of a print that did not go onto a bottle: never more than it printed. */
export const judgeSpoilt: Judge<'spoilt-label'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  const print = lot.prints.find((p) => p.id === said.printId)!;
  const before = lot.spoiltLabels.filter((s) => s.printId === print.id).reduce((sum, s) => sum + s.count, 0);
  if (before + said.count > print.copies)
    throw invalid('count', `That print was of ${print.copies}, and ${before} of them are spoilt already.`);
  return { kept: {} };
};
