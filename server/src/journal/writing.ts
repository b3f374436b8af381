import type { Account } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import { type Database, fromSql, rows, type Touched, toSql, watchRows } from '../database/pool.ts';
import { atEnd, inTransaction } from '../database/transaction.ts';
import { readKitchen } from '../kitchen/store.ts';
import { appendJournal, type ChainEnd, writeJournal } from './append.ts';
import { writtenRows } from './rows.ts';
import { signEnd } from './sign.ts';
import { lotsOf, stocksOf, touchStandings } from './touch.ts';

/** One write: its transaction, in whose name, in which kitchen, when it happens, and where the kitchen's journal ends. */
export interface Writing {
  tx: PoolConnection;
  account: Account;
  kitchen: Kitchen;
  now: string;
  /** Who writes it down, and when: of what is brought in from a kitchen file others than who did it and when. */
  entered: { at: string; by: Account; fromFile: boolean };
  chain: ChainEnd;
}

const MOST_WAITING = 200;

/** Journals a change in the transaction that makes it: it is written before that ends. */
export async function journal(
  w: Writing,
  noun: string,
  nounId: string,
  action: string,
  payload: object,
  lotId: string | null = null,
): Promise<void> {
  const { at, by } = w.entered;
  const apart = {
    ...(w.now === at ? {} : { happenedAt: w.now }),
    ...(w.account.id === by.id ? {} : { inNameOf: w.account.id }),
  };
  appendJournal(w.chain, {
    kitchenId: w.kitchen.id,
    accountId: by.id,
    at,
    noun,
    nounId,
    lotId,
    action,
    payload: { ...payload, ...apart },
  });
  // A kitchen that comes in as a file is written as it goes: what waits stays small.
  if (w.chain.waiting.length >= MOST_WAITING) await writeJournal(w.tx, w.chain);
}

/**
 * Journals the rows of the record that a write changed, whole, so that the record can be rebuilt from its journal, and says which lots'
 * and stock lots' standings are older than that.
 */
export async function journalRows(w: Writing, touched: Touched): Promise<void> {
  const lots = new Set<string>();
  const stocks = new Set<string>();
  for await (const written of writtenRows(w.tx, touched)) {
    await journal(w, 'rows', w.kitchen.id, 'write', written);
    for (const id of await lotsOf(w.tx, written)) lots.add(id);
    for (const id of await stocksOf(w.tx, written)) stocks.add(id);
  }
  touchStandings(w.tx, 'lot', w.kitchen.id, w.chain.sequence, lots);
  touchStandings(w.tx, 'stock', w.kitchen.id, w.chain.sequence, stocks);
}

/** Writes what was appended to a kitchen's journal, and moves its end, signed: both as the transaction ends. */
export async function moveEnd(tx: Database, kitchenId: string, chain: ChainEnd): Promise<void> {
  await writeJournal(tx, chain, atEnd);
  const { sequence, hash, writtenAt } = chain;
  atEnd(
    tx,
    'UPDATE journal_head SET sequence = ?, hash = ?, signature = ?, written_at = ? WHERE kitchen_id = ?',
    [sequence, hash, signEnd(kitchenId, sequence, hash), writtenAt && toSql(writtenAt), kitchenId],
  );
}

interface Locked {
  revision: number;
  sequence: number;
  hash: string;
  written_at: string | null;
}

/** Locks the kitchen and the end of its journal, always in this order and before anything else, so that writers of one kitchen take turns. */
const LOCK =
  'SELECT k.revision, h.sequence, h.hash, h.written_at FROM kitchen k JOIN journal_head h ON h.kitchen_id = k.id WHERE k.id = ? FOR UPDATE';

/** A kitchen by its id, or as it was read just before: with its settings as of their revision. */
export type KnownKitchen = Pick<Kitchen, 'id'> | Kitchen;

/** Reads the kitchen with its settings of this moment, unless whoever writes knows them of the same revision. */
const kitchenNow = async (tx: PoolConnection, known: KnownKitchen, revision: number): Promise<Kitchen> =>
  'revision' in known && known.revision === revision ? known : readKitchen(tx, known.id);

/** Whoever writes, and what is asked of their account once more in the transaction: its role may have changed since the request came. */
export interface Writer {
  account: Account;
  kitchen: KnownKitchen;
  /** Refuses an account, as it is now, what it wants to write; null where it is disabled. */
  admit?: (account: Account | null) => void;
}

type Begun = Pick<Writing, 'tx' | 'kitchen' | 'chain'>;

/** The hour of a write: the clock's, or just after the last write where the clock stands behind that. The order of the journal is the order of its hours. */
const hourAfter = (last: string | null, now: string): string =>
  last === null || now > last ? now : new Date(Date.parse(last) + 1).toISOString();

function writingOf(begun: Begun, account: Account): Writing {
  const now = new Date().toISOString();
  const at = hourAfter(begun.chain.writtenAt, now);
  begun.chain.writtenAt = at;
  return { ...begun, account, now, entered: { at, by: account, fromFile: false } };
}

/** Asks of whoever writes whether they still may: the kitchen is locked, so that nobody's role moves meanwhile. */
async function admitNow(tx: PoolConnection, { account, admit }: Writer): Promise<void> {
  if (!admit) return;
  const [found] = await rows<Account & { disabled_at: string | null }>(
    tx,
    'SELECT id, name, role, disabled_at FROM account WHERE id = ?',
    [account.id],
  );
  const { disabled_at, ...now } = found!;
  admit(disabled_at === null ? now : null);
}

/** Writes in a kitchen in one transaction: everything or nothing, after whoever wrote before. */
export function inWriting<T>(pool: Pool, writer: Writer, work: (w: Writing) => Promise<T>): Promise<T> {
  const { id } = writer.kitchen;
  const whole = async (tx: PoolConnection, [row]: RowDataPacket[]) => {
    const { revision, sequence, hash, written_at } = row as unknown as Locked;
    const kitchen = await kitchenNow(tx, writer.kitchen, revision);
    await admitNow(tx, writer);
    const from = Number(sequence);
    const chain: ChainEnd = {
      sequence: from,
      hash,
      waiting: [],
      writtenAt: written_at && fromSql(written_at),
    };
    const touched = watchRows(tx);
    const w = writingOf({ tx, kitchen, chain }, writer.account);
    const result = await work(w);
    await journalRows(w, touched);
    if (chain.sequence > from) await moveEnd(tx, id, chain);
    return result;
  };
  return inTransaction(pool, whole, { sql: LOCK, values: [id] });
}
