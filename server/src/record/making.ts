import type { FormulaContent } from '@inch/core/formula';
import { amountDoubt, asLeft, type LotState, standing } from '@inch/core/lot';
import { asDrawn } from '@inch/core/stock';
import { catalogueNow } from '../ingredient/store.ts';
import type { Writing } from '../journal/writing.ts';
import type { LotHead } from '../lot/head.ts';
import { leftByOf } from '../lot/leftBy.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { chooseStock, type Withdrawn, withdraw } from '../stock/withdraw.ts';
import { decideLot, fullLot } from './change.ts';
import type { Judge, Judging } from './judge.ts';

/** States in which a lot is in its bottles. */
const FILLED: ReadonlySet<LotState> = new Set(['resting', 'bottled', 'released']);

/** Starts, pauses, finishes or reopens a step. */
export const judgeMark: Judge<'mark'> = () => ({ kept: {} });

/** Says afterwards, in words, where something that went in came from. */
export const judgeOrigin: Judge<'origin'> = ({ named }) => {
  if (named.additionId!.from) throw new Problem(409, 'Where it came from was said when it went in.');
  return { kept: {} };
};

/** Says which vessel the lot is in from now on. */
export const judgePlacing: Judge<'placing'> = () => ({ kept: {} });

/**
 * Closed bottles take nothing more, but the sum of what went in jar by jar; what is to be worked over again is held first. What went into the pan before
 * they were filled and is written down only now, by a device that was away, is taken, and holds the lot.
 */
function refuseClosed(
  lot: LotHead,
  { lineId, ingredientId }: Judging<'addition'>['said'],
  isLate: boolean,
): void {
  if (isLate) return;
  const lines = (JSON.parse(lot.content) as FormulaContent).lines;
  const line = lines.find((l) => l.id === lineId);
  // Another thing in its place is put in afterwards, and no sum.
  const byJar = line?.basis?.per === 'bottle' && line.ingredientId === ingredientId;
  if (byJar && ['resting', 'bottled'].includes(lot.state)) return;
  if (['resting', 'bottled', 'released'].includes(lot.state))
    throw new Problem(
      409,
      `Lot ${lot.code} is in its bottles, so nothing goes in any more. Hold it first if it is to be worked over.`,
    );
}

function refuseUnlikely(said: Judging<'addition'>['said'], content: string): void {
  const lines = (JSON.parse(content) as { lines: { id: string }[] }).lines;
  if (said.lineId !== null && !lines.some((line) => line.id === said.lineId))
    throw invalid('lineId', 'That line is not one of this formula.');
  if (said.grams === 0 && !said.why) throw invalid('why', 'Left out: write a reason.');
  if (said.beforeTrimming !== null && said.beforeTrimming < said.grams)
    throw invalid('beforeTrimming', 'Before trimming it weighed at least as much. Weigh again.');
}

/** The stock lots that an addition comes from; so much leaves them as was weighed, before trimming where that was. */
const stockFor = ({ w, said, at }: Judging<'addition'>): Promise<Withdrawn[]> =>
  chooseStock(
    w,
    {
      thing: said.ingredientId,
      amount: said.grams === 0 ? 0 : (said.beforeTrimming ?? said.grams),
      chosen: said.stock,
      why: said.why,
    },
    at,
  );

/** What is written down as put in after the bottles were filled holds them, until somebody says that it was in the pan. */
async function holdLate(w: Writing, lotId: string, name: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  const why = `Written down after the bottles were filled: ${name}. Was it in the pan?`;
  if (FILLED.has(lot.state)) await decideLot(w, lot, 'hold', { why, at: w.now });
}

/** Records what went in, or that it was left out and why; it leaves the stock, the oldest first. */
export const judgeAddition: Judge<'addition'> = async (judging) => {
  const { w, lot, said, at } = judging;
  const full = await fullLot(w, lot.id);
  const filledAt = standing(full.bottlings)[0]?.at;
  const isLate = filledAt !== undefined && at < filledAt;
  refuseClosed(lot, said, isLate);
  const entry = (await catalogueNow(w.tx, w.kitchen.id)).find(said.ingredientId);
  if (!entry) throw invalid('ingredientId', 'Choose an ingredient of the catalogue.');
  refuseUnlikely(said, lot.content);
  const doubt = said.why ? null : amountDoubt(full, said, full.cupSchool);
  if (doubt) throw invalid('why', doubt, 'urn:inch:doubtful-amount');
  const taken = entry.family === 'water' && said.stock === null ? [] : await stockFor(judging);
  let asItIs = taken.reduce((own, { stock }) => asDrawn(own, stock), entry);
  for (const { stock } of taken) {
    const from = await leftByOf(w, stock.id);
    if (from) asItIs = asLeft(asItIs, from.lot, from.takenAt);
  }
  const cause = { kind: 'used', lotId: lot.id, entryId: said.id, at } as const;
  return {
    kept: { entry: asItIs.own || asItIs !== entry ? asItIs : null },
    after: async () => {
      for (const { stock, amount } of taken) await withdraw(w, { stockId: stock.id, amount }, cause);
      if (isLate && said.grams > 0) await holdLate(w, lot.id, entry.name.toLowerCase());
    },
  };
};
