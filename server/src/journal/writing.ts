import type { Account } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Waiting } from '../database/gathering.ts';
import {
  type Database,
  endGathering,
  fromSql,
  gatherInserts,
  marks,
  rows,
  sendGathered,
  type Touched,
  toSql,
  watchRows,
} from '../database/pool.ts';
import { atEnd, inTransaction } from '../database/transaction.ts';
import { readKitchen } from '../kitchen/store.ts';
import { appendJournal, type ChainEnd, writeJournal } from './append.ts';
import { asOfEnd, leaveAt } from './asOf.ts';
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

/** The kitchen with its settings of this moment: as whoever writes knows them, where they are of the same revision. */
async function kitchenNow(
  tx: PoolConnection,
  id: string,
  revision: number,
  known: readonly KnownKitchen[],
): Promise<Kitchen> {
  const same = known.find(
    (kitchen): kitchen is Kitchen => 'revision' in kitchen && kitchen.revision === revision,
  );
  return same ?? readKitchen(tx, id);
}

/** Whoever writes, and what is asked of their account once more in the transaction: its role may have changed since the request came. */
export interface Writer {
  account: Account;
  kitchen: KnownKitchen;
  /** Refuses an account, as it is now, what it wants to write; null where it is disabled. */
  admit?: (account: Account | null) => void;
}

/** What is to be written, and by whom. */
export interface Work<T> extends Writer {
  work: (w: Writing) => Promise<T>;
  /** Whether it reads nothing of what other writes in its transaction insert: their first inserts are then sent together. */
  gathers: boolean;
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

/** Asks of everybody who is about to write whether they still may: the kitchen is locked, so that nobody's role moves meanwhile. */
async function admitAll(tx: PoolConnection, works: readonly Work<unknown>[]): Promise<void> {
  const asked = works.filter((one) => one.admit);
  if (asked.length === 0) return;
  const ids = [...new Set(asked.map((one) => one.account.id))];
  const found = await rows<Account & { disabled_at: string | null }>(
    tx,
    `SELECT id, name, role, disabled_at FROM account WHERE id IN (${marks(ids)})`,
    ids,
  );
  for (const { admit, account } of asked) {
    const { disabled_at, ...now } = found.find((one) => one.id === account.id)!;
    admit!(disabled_at === null ? now : null);
  }
}

/** Journals the rows that some writes touched, after them. */
async function journalTouched(w: Writing, touched: Touched): Promise<void> {
  await journalRows(w, touched);
  w.chain.lotsMoved ||= touched.has('lot');
}

async function inTurn<T>(begun: Begun, works: readonly Work<T>[]): Promise<T[]> {
  const results: T[] = [];
  for (const { account, work } of works) {
    const touched = watchRows(begun.tx);
    const w = writingOf(begun, account);
    results.push(await work(w));
    await journalTouched(w, touched);
  }
  return results;
}

/** Each write as far as its first insert; these are sent together, and one write after the other goes on from there. Those of one account are journaled together. */
async function gathered<T>(begun: Begun, works: readonly Work<T>[]): Promise<T[]> {
  const { tx } = begun;
  const gathering = gatherInserts(tx);
  const turns: { w: Writing; doing: Promise<T>; waiting: Waiting | null; touched: Touched }[] = [];
  const results: T[] = [];
  try {
    for (const { account, work } of works) {
      const before = turns.at(-1);
      const touched = before?.w.account.id === account.id ? before.touched : watchRows(tx);
      const w = writingOf(begun, account);
      const came = gathering.next();
      const doing = work(w);
      const waiting = await Promise.race([doing.then(() => null), came]);
      turns.push({ w, doing, touched, waiting });
    }
    await sendGathered(tx, gathering);
    for (const [i, { w, doing, waiting, touched }] of turns.entries()) {
      watchRows(tx, touched);
      waiting?.goOn();
      results.push(await doing);
      if (turns[i + 1]?.touched !== touched) await journalTouched(w, touched);
    }
    return results;
  } catch (error) {
    // Whoever still waits hears of it; what becomes of them is told by the one that failed.
    for (const { doing } of turns) doing.catch(() => undefined);
    for (const one of gathering.waiting) one.fail(error);
    throw error;
  } finally {
    endGathering(tx);
  }
}

/**
 * Some writes of a kitchen in one transaction: all of them or none. The kitchen's settings are those of this moment.
 * @param taken says which, once the kitchen is locked; @param turn how often it is tried, and who hears that it is about to be committed
 */
export function writeAll<T>(
  pool: Pool,
  kitchenId: string,
  taken: () => readonly Work<T>[],
  turn: { tries?: number; leaving?: () => void } = {},
): Promise<T[]> {
  const all = async (tx: PoolConnection, [row]: RowDataPacket[]) => {
    const { revision, sequence, hash, written_at } = row as unknown as Locked;
    const works = taken();
    const known = works.map((one) => one.kitchen);
    const kitchen = await kitchenNow(tx, kitchenId, revision, known);
    await admitAll(tx, works);
    const from = Number(sequence);
    const asOf = asOfEnd(pool, kitchenId, hash);
    const writtenAt = written_at && fromSql(written_at);
    const chain: ChainEnd = { sequence: from, hash, waiting: [], lotsMoved: false, asOf, writtenAt };
    const begun = { tx, kitchen, chain };
    const together = works.length > 1 && works.every((one) => one.gathers);
    const results = await (together ? gathered(begun, works) : inTurn(begun, works));
    if (chain.sequence > from) await moveEnd(tx, kitchen.id, chain);
    leaveAt(pool, kitchen.id, chain.hash, chain.lotsMoved ? {} : asOf);
    return results;
  };
  return inTransaction(pool, all, { ...turn, first: { sql: LOCK, values: [kitchenId] } });
}

/** One write of a kitchen: everything in it or nothing. */
export const inWriting = async <T>(
  pool: Pool,
  writer: Writer,
  work: (w: Writing) => Promise<T>,
): Promise<T> => (await writeAll(pool, writer.kitchen.id, () => [{ ...writer, work, gathers: false }]))[0]!;
