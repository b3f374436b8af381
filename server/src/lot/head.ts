import { ENDED, type LotState } from '@inch/core/lot';
import { validate as isId } from 'uuid';
import { fromSql, rows, wroteTo } from '../database/pool.ts';
import type { AsOf } from '../journal/asOf.ts';
import type { Writing } from '../journal/writing.ts';
import { notFound, Problem } from '../problem/problem.ts';

/** The few columns of a lot that most entries are judged by: a reading does not wait for the whole record. */
export interface LotHead {
  id: string;
  code: string;
  state: LotState;
  begunAt: string;
  content: string;
}

/** A lot is asked for by its id or by its code. */
export const lotNamed = (idOrCode: string) =>
  isId(idOrCode) ? { column: 'l.id', value: idOrCode } : { column: 'l.code', value: idOrCode.toUpperCase() };

async function readHead(w: Writing, idOrCode: string): Promise<LotHead> {
  const { column, value } = lotNamed(idOrCode);
  const [row] = await rows<Omit<LotHead, 'begunAt'> & { begun_at: string }>(
    w.tx,
    `SELECT l.id, l.code, l.state, l.begun_at, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.kitchen_id = ? AND ${column} = ?`,
    [w.kitchen.id, value],
  );
  if (!row) throw notFound('lot');
  const { begun_at, ...head } = row;
  return { ...head, begunAt: fromSql(begun_at) };
}

/** Heads that were read of the record as it stands. */
const heads = new WeakMap<AsOf, Map<string, LotHead>>();

/** So many of them are kept at most. */
const MOST = 200;

/** The head of a lot of this kitchen, by its id or its code. What was read of a lot is shared by all writes until one of them changes a lot. */
export async function lotHeadOf(w: Writing, idOrCode: string): Promise<LotHead> {
  if (w.chain.lotsMoved || wroteTo(w.tx, 'lot')) return readHead(w, idOrCode);
  const known = heads.get(w.chain.asOf) ?? new Map<string, LotHead>();
  heads.set(w.chain.asOf, known);
  if (known.size > MOST) known.clear();
  const head = known.get(idOrCode) ?? (await readHead(w, idOrCode));
  known.set(idOrCode, head);
  return head;
}

/** What is ended is not written to any more. */
export function refuseEnded(lot: Pick<LotHead, 'code' | 'state'>): void {
  if (ENDED.includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}; nothing more is written to it.`);
}
