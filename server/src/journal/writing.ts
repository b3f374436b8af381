import type { Account } from '@inch/contract/account';
import type { Kitchen } from '@inch/contract/kitchen';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { rows, run } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { KITCHEN_COLUMNS, type KitchenRow, kitchenFrom } from '../kitchen/store.ts';
import { appendJournal, type ChainEnd } from './append.ts';

/** One write: its transaction, who writes, in which kitchen, when, and where the kitchen's journal ends. */
export interface Writing {
  tx: PoolConnection;
  account: Account;
  kitchen: Kitchen;
  now: string;
  chain: ChainEnd;
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
  const accountId = w.account.id;
  return appendJournal(w.tx, w.chain, {
    kitchenId: w.kitchen.id,
    ...{ accountId, at: w.now, noun, nounId, lotId, action, payload },
  });
}

type Locked = KitchenRow & { sequence: number; hash: string };

/** Locks the kitchen and the end of its journal, always in this order and before anything else, so that writers of one kitchen take turns. */
async function lock(tx: PoolConnection, kitchenId: string): Promise<Pick<Writing, 'kitchen' | 'chain'>> {
  const [row] = await rows<Locked>(
    tx,
    `SELECT ${KITCHEN_COLUMNS}, h.sequence, h.hash FROM kitchen k JOIN journal_head h ON h.kitchen_id = k.id WHERE k.id = ? FOR UPDATE`,
    [kitchenId],
  );
  const { sequence, hash } = row!;
  return { kitchen: kitchenFrom(row!), chain: { sequence: Number(sequence), hash } };
}

/** One write of a kitchen: everything in it or nothing. The kitchen's settings are those of this moment. */
export function inWriting<T>(
  pool: Pool,
  who: { account: Account; kitchen: Pick<Kitchen, 'id'> },
  work: (w: Writing) => Promise<T>,
): Promise<T> {
  return inTransaction(pool, async (tx) => {
    const { kitchen, chain } = await lock(tx, who.kitchen.id);
    const from = chain.sequence;
    const result = await work({ tx, account: who.account, kitchen, now: new Date().toISOString(), chain });
    if (chain.sequence > from)
      await run(tx, 'UPDATE journal_head SET sequence = ?, hash = ? WHERE kitchen_id = ?', [
        chain.sequence,
        chain.hash,
        kitchen.id,
      ]);
    return result;
  });
}
