import { ENDED, type LotState } from '@inch/core/lot';
import { fromSql, rows, wroteTo } from '../database/pool.ts';
import { notFound, Problem } from '../http/problem.ts';
import type { ChainEnd } from '../journal/append.ts';
import type { Writing } from '../journal/writing.ts';

/** The few columns of a lot that most entries are judged by: a reading does not wait for the whole record. */
export interface LotHead {
  id: string;
  code: string;
  state: LotState;
  begunAt: string;
  /** Its formula's content, as JSON. */
  content: string;
}

async function readHead(w: Writing, idOrCode: string): Promise<LotHead> {
  const [row] = await rows<Omit<LotHead, 'begunAt'> & { begun_at: string }>(
    w.tx,
    'SELECT l.id, l.code, l.state, l.begun_at, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.kitchen_id = ? AND (l.id = ? OR l.code = ?)',
    [w.kitchen.id, idOrCode, idOrCode.toUpperCase()],
  );
  if (!row) throw notFound('lot');
  const { begun_at, ...head } = row;
  return { ...head, begunAt: fromSql(begun_at) };
}

/** Heads that a transaction read, as long as it writes to no lot. */
const heads = new WeakMap<ChainEnd, Map<string, LotHead>>();

/** The head of a lot of this kitchen, by its id or its code. Writes that share a transaction share what was read of a lot, while it stands so. */
export async function lotHeadOf(w: Writing, idOrCode: string): Promise<LotHead> {
  if (w.chain.lotsMoved || wroteTo(w.tx, 'lot')) return readHead(w, idOrCode);
  const known = heads.get(w.chain) ?? new Map<string, LotHead>();
  heads.set(w.chain, known);
  const head = known.get(idOrCode) ?? (await readHead(w, idOrCode));
  known.set(idOrCode, head);
  return head;
}

/** What is ended is not written to any more. */
export function refuseEnded(lot: Pick<LotHead, 'code' | 'state'>): void {
  if (ENDED.includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}; nothing more is written to it.`);
}
