import { createHash } from 'node:crypto';
import { type LotRecord, recordAsOf } from '@inch/core/lot';
import { canonicalJson } from '../journal/append.ts';

/** SHA-256 of a lot's record as it stood at an instant: what a signature of that instant is bound to. */
export const recordHash = (lot: LotRecord, at: string): string =>
  createHash('sha256')
    .update(canonicalJson(recordAsOf(lot, at)))
    .digest('hex');
