import type { NewFate, NewSealCheck } from '@inch/contract/lotEntry';
import { signs } from '@inch/core/bottling';
import { gates, lotBottles, standing, whyNotCounted } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { insert, toSql } from '../database/pool.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { takeLids } from '../stock/draw.ts';
import { decideLot, lockedLot, refuseEnded } from './change.ts';
import type { StoredLot } from './store.ts';

/** Takes bottles whose seal failed out of the groups they stand in, first group first. */
async function takeFailed(w: Writing, lot: StoredLot, failed: number, at: string): Promise<void> {
  let left = failed;
  for (const group of lotBottles(lot).groups) {
    const count = Math.min(left, group.count);
    if (count <= 0) break;
    await moveSealed(w, lot.id, group.bottlingId, {
      kind: 'failed seal',
      from: group.place,
      to: null,
      count,
      at,
    });
    left -= count;
  }
}

const moveSealed = (
  w: Writing,
  lotId: string,
  bottlingId: string,
  m: {
    kind: 'failed seal' | 'processed again';
    from: string | null;
    to: string | null;
    count: number;
    at: string;
  },
): Promise<void> =>
  insert(w.tx, 'movement', {
    id: newId(),
    lot_id: lotId,
    bottling_id: bottlingId,
    kind: m.kind,
    from_place: m.from,
    to_place: m.to,
    count: m.count,
    price_minor: null,
    note: null,
    at: toSql(m.at),
    account_id: w.account.id,
  });

/** The lot is bottled once every lid was pressed in its time and every failure told. */
async function bottledWhereChecked(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await lockedLot(w, lotId);
  const seal = gates(lot, { ...w.kitchen, labelMissing: [] }).find((g) => g.id === 'seal')!;
  if (seal.open && lot.state === 'resting') await decideLot(w, lot, 'check-seals', { at });
}

function checkAnswers(body: z.output<typeof NewSealCheck>, left: number): void {
  if (left === 0) throw invalid('checked', 'There are no bottles to check.');
  if (body.failed > body.checked) throw invalid('failed', 'More failed than were pressed.');
  if (body.checked > left) throw invalid('checked', `There are only ${left} bottles.`);
  const told = new Set(body.failedBottles);
  if (body.failedBottles.length > 0 && told.size !== body.failed)
    throw invalid('failedBottles', 'As many numbers as bottles that failed, each once.');
  const unknown = body.signs.find((id) => !signs.some((s) => s.id === id));
  if (unknown) throw invalid('signs', `"${unknown}" is no sign this program knows. Write it as a note.`);
}

/** Records a seal check; failed bottles leave the shelf, and signs of spoilage hold the lot. */
export async function checkSeals(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewSealCheck>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.sealChecks.some((check) => check.id === body.id)) return { id: body.id };
  refuseEnded(lot);
  checkAnswers(body, lotBottles(lot).left);
  const at = happenedAt(w, body.at, lot.begunAt);
  await insert(w.tx, 'seal_check', {
    id: body.id,
    lot_id: lot.id,
    checked: body.checked,
    failed: body.failed,
    failed_bottles: JSON.stringify(body.failedBottles),
    signs: body.signs.join('|'),
    at: toSql(at),
    account_id: w.account.id,
  });
  await takeFailed(w, lot, body.failed, at);
  const { id: _, ...said } = body;
  await journal(w, 'seal-check', body.id, 'check seals', { ...said, at }, lot.id);
  await bottledWhereChecked(w, lot.id, at);
  const holding = signs.find((s) => s.holds && body.signs.includes(s.id));
  const after = await lockedLot(w, lot.id);
  if (holding && after.state !== 'held')
    await decideLot(w, after, 'hold', { why: `${holding.shows}. ${holding.todo}`, at });
  return { id: body.id };
}

const DAY = 86_400_000;

/** Processed again within a day of the filling, with a process that counts recorded since the check. */
function refuseLate(lot: StoredLot, checkAt: string, fate: string, at: string): void {
  if (fate === 'discarded') return;
  const filled = standing(lot.bottlings).at(-1)!.at;
  const processed = standing(lot.heatProcesses).filter((p) => p.at <= checkAt);
  const last = Math.max(Date.parse(filled), Date.parse(processed.at(-1)?.at ?? filled));
  if (Date.parse(at) - last > DAY)
    throw new Problem(409, 'More than a day has gone by since it was filled and processed: it is discarded.');
}

/** What became of bottles whose seal failed: chilled for the kitchen, processed again with a new lid, or discarded. */
export async function tellFate(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewFate>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.fates.some((f) => f.id === body.id)) return { id: body.id };
  refuseEnded(lot);
  const check = standing(lot.sealChecks).find((c) => c.id === body.checkId);
  if (!check) throw notFound('seal check');
  const told = lot.fates.filter((f) => f.checkId === check.id).reduce((sum, f) => sum + f.count, 0);
  if (body.count > check.failed - told)
    throw invalid('count', `Of this check ${check.failed - told} are still to be told.`);
  const at = happenedAt(w, body.at, check.at);
  refuseLate(lot, check.at, body.fate, at);
  const bottling = standing(lot.bottlings).at(-1)!;
  if (body.fate === 'processed again') {
    const again = standing(lot.heatProcesses).some(
      (p) => p.at > check.at && whyNotCounted(lot, p).length === 0 && p.minutes >= p.requiredMinutes,
    );
    if (!again) throw new Problem(409, 'Record the process they went through again first, then say so here.');
  }
  await insert(w.tx, 'fate', {
    id: body.id,
    lot_id: lot.id,
    check_id: check.id,
    fate: body.fate,
    count: body.count,
    at: toSql(at),
    account_id: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(w, 'seal-check', check.id, 'fate', { ...said, at }, lot.id);
  if (body.fate === 'processed again') {
    await moveSealed(w, lot.id, bottling.id, {
      kind: 'processed again',
      from: null,
      to: body.place,
      count: body.count,
      at,
    });
    const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === bottling.containerId)!;
    await takeLids(w, container, body.count, { kind: 'filled', lotId: lot.id, entryId: bottling.id, at });
  }
  await bottledWhereChecked(w, lot.id, at);
  return { id: body.id };
}
