import type { Account } from '@inch/contract/account';
import type { NewDecision, NewRuling, NewStrike } from '@inch/contract/lotEntry';
import type { Pool } from 'mysql2/promise';
import type { z } from 'zod';
import { passwordMatches } from '../account/password.ts';
import { accountNamed, attemptsUsedUp, recordAttempt } from '../account/store.ts';
import { rows, run, toSql } from '../database/pool.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { decideLot, lockedLot, refuseEnded } from './change.ts';
import { closeHolds } from './deviations.ts';
import { readLot, type StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

/** Release, hold, take up again, discard, recall or close; a refused release says what is missing. */
export async function decide(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewDecision> | z.output<typeof NewRuling>,
  signed = false,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.decisions.some((d) => d.id === body.id)) return { id: body.id };
  if (body.event === 'hold' && !body.why) throw invalid('why', 'Say why it is held.');
  const at = happenedAt(w, body.at, lot.begunAt);
  const shut = judgeLot(lot, w.kitchen).gates.filter((g) => !g.open);
  if (body.event === 'release' && shut.length > 0 && lot.state !== 'held')
    throw new Problem(
      409,
      `${shut.length === 1 ? 'A gate is' : `${shut.length} gates are`} still shut: ${shut.map((g) => g.missing).join(' ')}`,
      {
        errors: shut.map((g) => ({ path: `gates.${g.id}`, message: g.missing! })),
      },
    );
  if (body.event === 'resume' && lot.state === 'held') {
    if (!body.done)
      throw invalid(
        'done',
        'Say what was done about it: a held lot is taken up only with its cause and its cure.',
      );
    await closeHolds(w, lot, { cause: body.why, done: body.done, at });
  }
  await decideLot(w, lot, body.event, { id: body.id, why: body.why ?? null, at, signed });
  return { id: body.id };
}

/** Checks that a release is signed: the password of the account itself, again, and not too often wrong. */
export async function checkSignature(
  pool: Pool,
  account: Account,
  password: string | undefined,
): Promise<void> {
  if (!password) throw invalid('password', 'A release is signed: write your password again.');
  if (await attemptsUsedUp(pool, account.name))
    throw new Problem(429, 'Too many attempts with this name. Wait a quarter of an hour.');
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
}

const TABLES = {
  addition: 'addition',
  reading: 'reading',
  bottling: 'bottling',
  'heat-process': 'heat_process',
  'seal-check': 'seal_check',
  photograph: 'photograph',
  tick: 'bottle_tick',
  fault: 'glass_fault',
  tally: 'tally',
  weighing: 'weighing',
  load: 'canner_load',
  curve: 'curve',
  cooling: 'cooling',
} as const;

/** Strikes an entry: it stays as it was, with who, when and why. */
export async function strike(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewStrike>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const table = TABLES[body.noun];
  const [found] = await rows<{ struck_at: string | null }>(
    w.tx,
    `SELECT struck_at FROM ${table} WHERE id = ? AND lot_id = ? FOR UPDATE`,
    [body.entryId, lot.id],
  );
  if (!found) throw notFound(body.noun.replace('-', ' '));
  if (found.struck_at) return { id: body.entryId };
  if (
    body.noun === 'bottling' &&
    lot.movements.some((m) => m.bottlingId === body.entryId && m.kind !== 'stored')
  )
    throw new Problem(
      409,
      'Bottles of this filling were already moved or sold. Bring them back in the count before striking it.',
    );
  if (lot.state === 'released')
    await decideLot(w, lot, 'hold', {
      why: `A ${body.noun.replace('-', ' ')} was struck after release: ${body.why}`,
    });
  await run(w.tx, `UPDATE ${table} SET struck_at = ?, struck_by = ?, struck_why = ? WHERE id = ?`, [
    toSql(w.now),
    w.account.id,
    body.why,
    body.entryId,
  ]);
  await journal(w, body.noun, body.entryId, 'strike', { why: body.why }, lot.id);
  return { id: body.entryId };
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
