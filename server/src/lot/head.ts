import { ENDED, type LotState } from '@inch/core/lot';
import { validate as isId } from 'uuid';
import { fromSql, rows } from '../database/pool.ts';
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

/** Reads the head of a lot of this kitchen, by its id or its code. */
export async function lotHeadOf(w: Writing, idOrCode: string): Promise<LotHead> {
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

/** What is ended is not written to any more. */
export function refuseEnded(lot: Pick<LotHead, 'code' | 'state'>): void {
  if (ENDED.includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}; nothing more is written to it.`);
}
