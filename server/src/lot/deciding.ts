import type { Account } from '@inch/contract/account';
import type { NewStrike } from '@inch/contract/entry';
import { type EntryKind, entries, type StrikeableNoun } from '@inch/core/record';
import type { Pool } from 'mysql2/promise';
import type { z } from 'zod';
import { passwordMatches } from '../account/password.ts';
import { ATTEMPT_WINDOW_SECONDS, accountNamed, attemptsUsedUp, recordAttempt } from '../account/store.ts';
import { rows, run, toSql } from '../database/pool.ts';
import type { Judge } from '../entry/judge.ts';
import { invalid, notFound, Problem, tooMany } from '../http/problem.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { decideLot, followDecision, fullLot, holdWhereShut, refusePast, stateAfter } from './change.ts';
import { closeHolds } from './deviations.ts';
import { lotHeadOf, refuseEnded } from './head.ts';
import { readLot, type StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

/** A refused release says what is missing, check by check. */
function refuseMissing(w: Writing, lot: StoredLot): void {
  const missing = judgeLot(lot, w.kitchen).gates.filter((g) => !g.open);
  if (missing.length === 0 || lot.state === 'held') return;
  throw new Problem(
    409,
    `${missing.length === 1 ? 'A release check is' : `${missing.length} release checks are`} missing: ${missing.map((g) => g.missing).join(' ')}`,
    { errors: missing.map((g) => ({ path: `gates.${g.id}`, message: g.missing! })) },
  );
}

/** Releases, holds or closes a lot. */
export const judgeDecision: Judge<'decision'> = async ({ w, lot: head, said, at, signed }) => {
  const lot = await fullLot(w, head.id);
  const { id, event, why } = said;
  if (event === 'hold' && !why) throw invalid('why', 'Say why it is held.');
  if (event === 'release') {
    refuseMissing(w, lot);
    refusePast(w, lot);
  }
  const to = stateAfter(w, lot, event);
  return {
    kept: { event, from: lot.state, to, signed },
    after: () => followDecision(w, lot, { id, event, to, why, at }),
  };
};

/** Resumes a held lot with its cause and its cure, discards it, or recalls it. */
export const judgeRuling: Judge<'ruling'> = async ({ w, lot: head, said, at, signed }) => {
  const lot = await fullLot(w, head.id);
  const { id, event, why, done } = said;
  const resumes = event === 'resume' && lot.state === 'held';
  if (resumes && !done)
    throw invalid(
      'done',
      'Say what was done about it: a held lot is resumed only with its cause and its cure.',
    );
  const to = stateAfter(w, lot, event);
  return {
    kept: { event, from: lot.state, to, signed },
    after: async () => {
      if (resumes) await closeHolds(w, lot, { cause: why, done: done!, at });
      await followDecision(w, lot, { id, event, to, why, at });
    },
  };
};

/** Checks that a release is signed: the password of the account itself, again, and not too often wrong. */
export async function checkSignature(pool: Pool, account: Account, password: string | null): Promise<void> {
  if (!password) throw invalid('password', 'A release is signed: write your password again.');
  if (await attemptsUsedUp(pool, account.name))
    throw tooMany('Too many attempts with this name. Wait a quarter of an hour.', ATTEMPT_WINDOW_SECONDS);
  const known = await accountNamed(pool, account.name);
  if (known && (await passwordMatches(known.passwordHash, password))) return;
  await recordAttempt(pool, account.name);
  throw invalid('password', 'That is not your password. Nothing was released.');
}

/** Journals a decision that was refused, with who tried and why not: the record shows attempts too. */
export async function journalRefusal(w: Writing, lotId: string, event: string, why: string): Promise<void> {
  const lot = await readLot(w.tx, w.kitchen, lotId);
  if (!lot) return;
  const said = { code: lot.code, state: lot.state, role: w.account.role, why: why.slice(0, 1000) };
  await journal(w, 'lot', lot.id, `${event} refused`, said, lot.id);
  // What shut a check was found by trying: the lot is held from then on.
  await holdWhereShut(w, lot.id, w.now);
}

interface Struck {
  struck_at: string | null;
  struck_why: string | null;
}

/** What was filled and moved on is not struck: its bottles are somewhere. */
function refuseMoved(lot: StoredLot, entryId: string): void {
  if (lot.movements.some((m) => m.bottlingId === entryId && m.kind !== 'stored'))
    throw new Problem(
      409,
      'Bottles of this filling were already moved or sold. Bring them back in the count before striking it.',
    );
}

const spoken = (noun: StrikeableNoun): string => noun.replace(/-/g, ' ');

/** Strikes an entry: it stays as it was, with who, when and why. Striking it again for the same reason is answered as the first time. */
export async function strike(
  w: Writing,
  lotId: string,
  { noun, entryId, why }: Pick<z.output<typeof NewStrike>, 'noun' | 'entryId' | 'why'>,
): Promise<{ id: string }> {
  const head = await lotHeadOf(w, lotId);
  const { table }: EntryKind = entries[noun];
  const [found] = await rows<Struck>(
    w.tx,
    `SELECT struck_at, struck_why FROM ${table} WHERE id = ? AND lot_id = ?`,
    [entryId, head.id],
  );
  if (!found) throw notFound(spoken(noun));
  if (found.struck_at && found.struck_why === why) return { id: entryId };
  if (found.struck_at) throw new Problem(409, `That ${spoken(noun)} is struck already: ${found.struck_why}`);
  refuseEnded(head);
  const lot = await fullLot(w, head.id);
  if (noun === 'bottling') refuseMoved(lot, entryId);
  if (lot.state === 'released')
    await decideLot(w, lot, 'hold', { why: `A ${spoken(noun)} was struck after release: ${why}`, at: w.now });
  await run(w.tx, `UPDATE ${table} SET struck_at = ?, struck_by = ?, struck_why = ? WHERE id = ?`, [
    toSql(w.now),
    w.account.id,
    why,
    entryId,
  ]);
  await journal(w, noun, entryId, 'strike', { lotId: lot.id, why }, lot.id);
  return { id: entryId };
}

/** The lot as everyone may read it. */
export async function requireLot(
  db: Parameters<typeof readLot>[0],
  kitchen: Parameters<typeof readLot>[1],
  idOrCode: string,
): Promise<StoredLot> {
  const lot = await readLot(db, kitchen, idOrCode);
  if (!lot) throw notFound('lot');
  return lot;
}
