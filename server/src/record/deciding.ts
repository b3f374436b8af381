import type { Account } from '@inch/contract/kitchen/account';
import type { NewStrike } from '@inch/contract/route/entry';
import { holdingOf, lotBottles, movesOf, RESTED_ON, RULE_SET, retainedGroups } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { type EntryKind, entries, MOVED_BY_HAND, type StrikeableNoun } from '@inch/core/record';
import type { Pool } from 'mysql2/promise';
import type { z } from 'zod';
import { checkPassword } from '../account/checkPassword.ts';
import { rows, toSql, update } from '../database/pool.ts';
import { refuseBefore } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lotHeadOf, refuseEnded } from '../lot/head.ts';
import { recordHash } from '../lot/recordHash.ts';
import { readLot, type StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';
import { decideLot, followDecision, fullLot, holdWhereShut, refusePast, stateAfter } from './change.ts';
import { closeHolds } from './deviations.ts';
import type { Judge } from './judge.ts';
import { refuseStopped, refuseTooWarm } from './leaving.ts';
import { isOfEarlierRules } from './rules.ts';
import { giveBack } from './seals.ts';
import { refuseUnlooked } from './spoilage.ts';

function refuseMissing(w: Writing, lot: StoredLot): void {
  const missing = judgeLot(lot, w.kitchen).gates.filter((g) => !g.open);
  if (missing.length === 0 || lot.state === 'held') return;
  throw new Problem(
    409,
    `${missing.length === 1 ? 'A release check is' : `${missing.length} release checks are`} missing: ${missing.map((g) => g.missing).join(' ')}`,
    { errors: missing.map((g) => ({ path: `gates.${g.id}`, message: g.missing! })) },
  );
}

/** What a signature is: that it was given, what it means, and the record that it was put under. */
const signatureOf = (w: Writing, lot: StoredLot, event: string, signed: boolean) => ({
  signed,
  meaning: signed ? `${event === 'recall' ? 'recalled' : 'released'} by` : null,
  recordHash: signed ? recordHash(lot, w.entered.at) : null,
  ruleSet: event === 'release' ? RULE_SET.id : null,
});

/** Everybody who had a hand in a lot: who made, weighed, measured, filled, processed or sealed it. */
function handsIn(lot: StoredLot): Set<string> {
  const evidence = Object.values(RESTED_ON).flatMap((field): readonly { by: string }[] => lot[field]);
  const marks = [...lot.steps, ...lot.loads].flatMap(({ marks: of }) => of as readonly { by: string }[]);
  return new Set([lot.begunBy, ...[...evidence, ...marks].map((entry) => entry.by)]);
}

/** Where the kitchen asks for it, nobody who had a hand in a lot releases it. */
function refuseAlone(w: Writing, lot: StoredLot, event: string): void {
  if (!w.kitchen.secondPerson || event !== 'release' || !handsIn(lot).has(w.account.name)) return;
  throw new Problem(
    403,
    'This kitchen asks for a second person: nobody who made, measured, filled, processed, sealed or weighed a lot releases it.',
  );
}

/** Where the kitchen asks for a second person, whoever held a lot does not resume it alone. */
function refuseOwnFault(w: Writing, lot: StoredLot, event: string): void {
  if (!w.kitchen.secondPerson || event !== 'resume') return;
  if (lot.decisions.findLast((d) => d.to === 'held')?.by !== w.account.name) return;
  throw new Problem(
    403,
    'This kitchen asks for a second person: who held a lot, or wrote down what holds it, does not resume it.',
  );
}

/** When something of a record was there to rest on: of what is brought in, when it happened; of the rest, when it was written down. */
const thereAt = (w: Writing, entry: { at: string; recordedAt: string }): string =>
  w.entered.fromFile && entry.recordedAt === w.entered.at ? entry.at : entry.recordedAt;

interface There {
  at: string;
  recordedAt: string;
  struck?: { at: string } | null;
  closed?: { at: string; recordedAt?: string | undefined } | null;
}

/** Every moment at which a record grew: an entry, its striking, the closing of a deviation. */
const momentsOf = (w: Writing, entry: There): string[] => [
  thereAt(w, entry),
  ...(entry.struck ? [entry.struck.at] : []),
  ...(entry.closed ? [thereAt(w, { recordedAt: entry.closed.at, ...entry.closed })] : []),
];

/** What is never refused for its hour: a device that was away may bring it days later, and it holds from when it comes. */
const LATE_TRUTH: ReadonlySet<string> = new Set(['hold', 'recall']);

/** A decision that lets something go on is never dated before what it rests on. */
function refuseBeforeEvidence(w: Writing, lot: StoredLot, event: string, at: string): void {
  if (LATE_TRUTH.has(event)) return;
  const { movements, prints, deviations } = lot;
  const evidence = Object.values(RESTED_ON).map((field): readonly There[] => lot[field]);
  const rests = [...evidence, movements, prints, deviations].flat();
  const newest = [...rests, ...lot.decisions]
    .flatMap((entry: There) => momentsOf(w, entry))
    .sort()
    .at(-1);
  if (newest !== undefined) refuseBefore(at, newest, 'something that it rests on was written down');
}

/** Closing asks about the bottles that still stand, but for those kept back: what becomes of them is said. */
function refuseOpenEnd(lot: StoredLot, why: string | null): void {
  const left = lotBottles(lot).groups.filter((g) => g.count > 0);
  const kept = retainedGroups(lot).reduce((sum, g) => sum + g.count, 0);
  const count = left.reduce((sum, g) => sum + g.count, 0) - kept;
  if (count <= 0 || why) return;
  const places = [...new Set(left.map((g) => g.place))].join(', ');
  throw invalid(
    'why',
    `${plural(count, 'bottle')} still ${count === 1 ? 'stands' : 'stand'} in ${places}. Sell, give or throw them away first, or write what becomes of them: nothing moves once it is closed.`,
  );
}

/** The lot with what holds it closed, as it is judged when it is resumed. */
const asResumed = (lot: StoredLot, at: string): StoredLot => {
  const holding = new Set(holdingOf(lot).map((d) => d.id));
  const closed = { cause: '', done: '', at, by: '' };
  return {
    ...lot,
    deviations: lot.deviations.map((d) => (holding.has(d.id) ? { ...d, closed } : d)),
  };
};

/** Releases, holds or closes a lot. */
export const judgeDecision: Judge<'decision'> = async ({ w, lot: head, said, at, signed }) => {
  const lot = await fullLot(w, head.id);
  const { id, event, why } = said;
  refuseBeforeEvidence(w, lot, event, at);
  refuseAlone(w, lot, event);
  if (event === 'hold' && !why) throw invalid('why', 'Say why it is held.');
  if (event === 'release') {
    refuseMissing(w, lot);
    refusePast(w, lot);
    await refuseStopped(w, lot);
    refuseTooWarm(w, lot);
  }
  if (event === 'close') refuseOpenEnd(lot, why);
  const to = stateAfter(w, lot, event);
  return {
    kept: { event, from: lot.state, to, ...signatureOf(w, lot, event, signed) },
    after: () => followDecision(w, lot, { id, event, to, why, at }),
  };
};

/** Resumes a held lot with its cause and its cure, discards it, or recalls it. */
export const judgeRuling: Judge<'ruling'> = async ({ w, lot: head, said, at, signed }) => {
  const lot = await fullLot(w, head.id);
  const { id, event, why, done } = said;
  refuseBeforeEvidence(w, lot, event, at);
  refuseOwnFault(w, lot, event);
  const resumes = event === 'resume' && lot.state === 'held';
  if (resumes && !done)
    throw invalid(
      'done',
      'Say what was done about it: a held lot is resumed only with its cause and its cure.',
    );
  if (resumes) {
    await refuseUnlooked(w, lot);
    await refuseStopped(w, lot);
    refuseTooWarm(w, lot);
  }
  const to = stateAfter(w, resumes ? asResumed(lot, at) : lot, event);
  const signature = signatureOf(w, lot, event, signed);
  return {
    kept: {
      event,
      from: lot.state,
      to,
      ...signature,
      ...(resumes && to === 'released' ? { ruleSet: RULE_SET.id } : {}),
    },
    after: async () => {
      if (resumes) await closeHolds(w, lot, { cause: why, done: done!, at });
      await followDecision(w, lot, { id, event, to, why, at });
    },
  };
};

/** Keeps a lot that was released under earlier rules as it is, whatever today's would ask: its owner answers for it. */
export const judgeSettling: Judge<'settling'> = async ({ w, lot: head, signed }) => {
  const lot = await fullLot(w, head.id);
  if (!isOfEarlierRules(lot))
    throw new Problem(409, `Lot ${lot.code} is not one that was released under earlier rules.`);
  return {
    kept: { ruleSet: RULE_SET.id, signed, recordHash: signed ? recordHash(lot, w.entered.at) : null },
  };
};

/** Checks that a release is signed: the password of the account itself, again, and not too often wrong. */
export async function checkSignature(
  pool: Pool,
  account: Account,
  password: string | null,
  address: string,
  done = 'released',
): Promise<void> {
  if (!password) throw invalid('password', 'This is signed: write your password again.');
  if (await checkPassword(pool, account.name, password, address, 'signature')) return;
  throw invalid('password', `That is not your password. Nothing was ${done}.`);
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
  if (movesOf(lot).some((m) => m.bottlingId === entryId && m.kind !== 'stored'))
    throw new Problem(
      409,
      'Bottles of this filling were already moved or sold. Undo those first, or bring the bottles back.',
    );
}

/** Kinds of entry of which the program moves nothing by itself: undoing one leaves a released lot released. */
const ASIDE: ReadonlySet<string> = new Set(['movement', 'print']);

/** What somebody moved, sold or gave may be undone while nothing went on from where it brought the bottles. */
function refuseGoneOn(lot: StoredLot, entryId: string): void {
  const move = lot.movements.find((m) => m.id === entryId)!;
  if (!(MOVED_BY_HAND as readonly string[]).includes(move.kind))
    throw new Problem(409, 'The program moved these bottles by an entry of its own: undo that entry.');
  const without = lotBottles({ ...lot, movements: lot.movements.filter((m) => m.id !== entryId) });
  if (without.groups.some((group) => group.count < 0) || without.left < 0)
    throw new Problem(
      409,
      `Bottles went on from ${move.to ?? 'there'} afterwards: undo what happened to them first.`,
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
  if (found.struck_at) throw new Problem(409, `That ${spoken(noun)} is undone already: ${found.struck_why}`);
  refuseEnded(head);
  const lot = await fullLot(w, head.id);
  if (noun === 'bottling') refuseMoved(lot, entryId);
  if (noun === 'seal-check') await giveBack(w, lot, entryId);
  if (noun === 'movement') refuseGoneOn(lot, entryId);
  if (lot.state === 'released' && !ASIDE.has(noun))
    await decideLot(w, lot, 'hold', { why: `A ${spoken(noun)} was undone after release: ${why}`, at: w.now });
  await update(w.tx, table, entryId, { struck_at: toSql(w.now), struck_by: w.account.id, struck_why: why });
  await journal(w, noun, entryId, 'strike', { lotId: lot.id, why }, lot.id);
  // With bottles back, or a label gone, everything is asked again.
  if (lot.state === 'released' && ASIDE.has(noun)) await holdWhereShut(w, lot.id, w.now);
  return { id: entryId };
}
