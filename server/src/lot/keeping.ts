import { whyNotKept } from '@inch/core/lot';
import type { Judge } from '../entry/judge.ts';
import { Problem } from '../http/problem.ts';
import { fullLot } from './change.ts';

/** Keeps a lot another way than it was begun for, while there is time: never for longer. */
export const judgeStorageChange: Judge<'storage-change'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const why = whyNotKept(lot, said.to, at);
  if (why) throw new Problem(409, why);
  return { kept: { from: lot.storage } };
};
