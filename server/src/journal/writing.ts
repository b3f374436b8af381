import type { Account } from '@inch/contract/account';
import type { Kitchen } from '@inch/contract/kitchen';
import type { PoolConnection } from 'mysql2/promise';
import { appendJournal } from './append.ts';

/** One write: its transaction, who writes, in which kitchen, and when. */
export interface Writing {
  tx: PoolConnection;
  account: Account;
  kitchen: Kitchen;
  now: string;
}

/** Journals a change in the transaction that makes it. */
export function journal(
  w: Writing,
  noun: string,
  nounId: string,
  action: string,
  payload: unknown,
  lotId: string | null = null,
): Promise<void> {
  return appendJournal(w.tx, {
    kitchenId: w.kitchen.id,
    accountId: w.account.id,
    at: w.now,
    noun,
    nounId,
    lotId,
    action,
    payload,
  });
}
