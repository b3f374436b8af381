import { signs } from '@inch/core/bottling';
import { gates, lotBottles, minutesAskedOf, movesOf, standing, whyNotCounted } from '@inch/core/lot';
import { creditedAt, type Entries, type Said } from '@inch/core/record';
import { containersOf } from '../container/routes.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import type { StoredLot } from '../lot/store.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { takeLids } from '../stock/withdraw.ts';
import { decideLot, fullLot } from './change.ts';
import { refuseNumbers } from './heat.ts';
import type { Judge } from './judge.ts';
import { moveItself } from './moving.ts';

/** Takes bottles whose seal failed out of the groups they stand in, first group first. */
async function takeFailed(w: Writing, lot: StoredLot, failed: number, at: string): Promise<void> {
  let left = failed;
  for (const group of lotBottles(lot).groups) {
    const count = Math.min(left, group.count);
    if (count <= 0) break;
    const out = { kind: 'failed-seal', from: group.place, to: null, count, at } as const;
    await moveItself(w, lot.id, group.bottlingId, out);
    left -= count;
  }
}

/** The lot is bottled once every lid was pressed in its time and the fate of every failure is recorded. */
async function bottledWhereChecked(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  const seal = gates(lot, { timeZone: lot.timeZone, labelMissing: [] }).find((g) => g.id === 'seal')!;
  if (seal.open && lot.state === 'resting') await decideLot(w, lot, 'check-seals', { at });
}

function refuseImpossible(said: Said<Entries['seal-check']>, left: number): void {
  if (left === 0) throw invalid('checked', 'There are no bottles to check.');
  if (said.failed > said.checked) throw invalid('failed', 'More failed than were pressed.');
  if (said.checked > left) throw invalid('checked', `There are only ${left} bottles.`);
  const named = new Set(said.failedBottles);
  if (said.failedBottles.length > 0 && named.size !== said.failed)
    throw invalid('failedBottles', 'As many numbers as bottles that failed, each once.');
  const unknown = said.signs.find((id) => !signs.some((s) => s.id === id));
  if (unknown) throw invalid('signs', `"${unknown}" is no sign this program knows. Write it as a note.`);
}

/** Records a seal check; failed bottles leave the shelf, and signs of spoilage hold the lot. */
export const judgeSealCheck: Judge<'seal-check'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  refuseImpossible(said, lotBottles(lot).left);
  refuseNumbers(lot, said.numbers, said.checked);
  return {
    kept: {},
    after: async () => {
      await takeFailed(w, lot, said.failed, at);
      await bottledWhereChecked(w, lot.id, at);
      const holding = signs.find((s) => s.holds && said.signs.includes(s.id));
      const after = await fullLot(w, lot.id);
      if (holding && after.state !== 'held')
        await decideLot(w, after, 'hold', { why: `${holding.shows}. ${holding.todo}`, at });
    },
  };
};

/** Puts back what a seal check took out of the count, once the check is struck. */
export async function giveBack(w: Writing, lot: StoredLot, checkId: string): Promise<void> {
  const check = lot.sealChecks.find((c) => c.id === checkId)!;
  if (lot.fates.some((f) => f.checkId === checkId))
    throw new Problem(
      409,
      'What became of its failed bottles is recorded already, so the check stays. Record a new check beside it.',
    );
  const took = movesOf(lot).filter(
    (m) => m.kind === 'failed-seal' && m.at === check.at && m.recordedAt === check.recordedAt,
  );
  for (const { bottlingId, from, count } of took)
    await moveItself(w, lot.id, bottlingId, { kind: 'taken-back', from: null, to: from, count, at: w.now });
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

function refuseNotProcessed(lot: StoredLot, checkAt: string): void {
  const again = standing(lot.heatProcesses).some(
    (p) => p.at > checkAt && whyNotCounted(lot, p).length === 0 && p.minutes >= minutesAskedOf(lot, p),
  );
  if (!again) throw new Problem(409, 'Record the process they went through again first, then say so here.');
}

/** What became of bottles whose seal failed: chilled for the kitchen, processed again with a new lid, or discarded. */
export const judgeFate: Judge<'fate'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const check = standing(lot.sealChecks).find((c) => c.id === said.checkId);
  if (!check) throw invalid('checkId', 'That seal check was undone. Choose another.');
  const recorded = lot.fates.filter((f) => f.checkId === check.id).reduce((sum, f) => sum + f.count, 0);
  if (said.count > check.failed - recorded)
    throw invalid('count', `Of this check ${check.failed - recorded} are still open.`);
  refuseBefore(at, check.at, 'the seal check');
  refuseLate(lot, check.at, said.fate, creditedAt({ id: said.id, at, recordedAt: w.entered.at }, lot));
  const again = said.fate === 'processed-again';
  if (again) refuseNotProcessed(lot, check.at);
  const bottling = standing(lot.bottlings).at(-1)!;
  const cause = { kind: 'filled', lotId: lot.id, entryId: bottling.id, at } as const;
  return {
    kept: {},
    after: async () => {
      if (again) {
        const back = { kind: 'processed-again', from: null, to: said.place, count: said.count, at } as const;
        await moveItself(w, lot.id, bottling.id, back);
        const containers = await containersOf(w.tx, w.kitchen.id);
        await takeLids(w, containers.find((c) => c.id === bottling.containerId)!, said.count, cause);
      }
      await bottledWhereChecked(w, lot.id, at);
    },
  };
};
