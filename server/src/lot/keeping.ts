import { whyNotKept } from '@inch/core/lot';
import { creditedAt } from '@inch/core/record';
import type { Judge } from '../entry/judge.ts';
import { Problem } from '../http/problem.ts';
import { fullLot } from './change.ts';

/** Keeps a lot another way than it was begun for, while there is time: never for longer. */
export const judgeStorageChange: Judge<'storage-change'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  // There is time from when it is written down: an earlier hour gives none.
  const why = whyNotKept(lot, said.to, creditedAt({ id: said.id, at, recordedAt: w.entered.at }, lot));
  if (why) throw new Problem(409, why);
  return { kept: { from: lot.storage } };
};
