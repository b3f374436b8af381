import { netMl, tallyUp } from '@inch/core/bottling';
import { fillDoubt, finishedBrix, gapSaid, linesNotRecorded, lotBottles, standing } from '@inch/core/lot';
import { COLD } from '@inch/core/place';
import { densityAt20 } from '@inch/core/sugar';
import { containersOf } from '../container/routes.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import type { StoredLot } from '../lot/store.ts';
import { asked, invalid, Problem } from '../problem/problem.ts';
import { takePackaging, wastePieces } from '../stock/withdraw.ts';
import { vesselOf } from '../vessel/learned.ts';
import { decideLot, fullLot, holdWhereAsked } from './change.ts';
import { openOutOfLimits } from './deviations.ts';
import type { Judge } from './judge.ts';
import { holdTooWarm } from './leaving.ts';
import { moveItself } from './moving.ts';

const containerOf = async (w: Writing, id: string) =>
  (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === id)!;

function refuseUntold(lot: StoredLot): void {
  const open = lot.state === 'making' ? linesNotRecorded(lot, 'the pan') : [];
  if (open.length > 0)
    throw new Problem(
      409,
      `Is everything recorded? Not recorded yet: ${open.join(', ')}. Weigh it in, or leave it out and say why; then fill.`,
    );
}

/** Counts bottles into a place; the lot then rests until its seals are checked, or is held where its record asks for it. */
export const judgeBottling: Judge<'bottling'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  refuseUntold(lot);
  const container = await containerOf(w, said.containerId);
  if (said.why === null) {
    const vessel = await vesselOf(w.tx, w.kitchen, lot);
    const doubt = asked('count', () =>
      fillDoubt(
        lot,
        { cup: lot.cupSchool, vessel },
        { count: said.count, nominalMl: container.nominalMl },
        at,
      ),
    );
    if (doubt) throw invalid('why', doubt);
  }
  const cause = { kind: 'filled', lotId: lot.id, entryId: said.id, at } as const;
  return {
    kept: { headspaceInches: said.headspaceInches ?? container.headspaceInches },
    after: async () => {
      const stored = { kind: 'stored', from: null, to: said.place, count: said.count, at } as const;
      await moveItself(w, lot.id, said.id, stored);
      await takePackaging(w, container, said.count, cause);
      await decideLot(w, lot, 'fill', { at });
      await openOutOfLimits(w, lot.id, at);
      await holdWhereAsked(w, lot.id, at);
    },
  };
};

/** Ticks that something of a line went into one bottle. */
export const judgeTick: Judge<'tick'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  const line = lot.product.content.lines.find((l) => l.id === said.lineId);
  if (line?.basis?.per !== 'bottle') throw invalid('lineId', 'That line does not go in bottle by bottle.');
  const there = standing(lot.ticks).find((t) => t.lineId === said.lineId && t.bottle === said.bottle);
  return { kept: {}, ...(there ? { already: there.id } : {}) };
};

const RETIRED: Record<string, string> = {
  'bent-ring': 'ring:two-piece',
  'rusty-ring': 'ring:two-piece',
  'lid-used-once': 'lid:two-piece',
};

/** Retires a nicked rim, a crack, a bent ring or a used lid; it leaves the stock as wasted. */
export const judgeFault: Judge<'fault'> = ({ w, lot, said, at }) => {
  const thing = RETIRED[said.fault] ?? `bottle:${said.containerId}`;
  const why = `${said.fault.replace(/-/g, ' ')}, lot ${lot.code}`;
  return {
    kept: {},
    after: () => wastePieces(w, thing, said.count, { lotId: lot.id, why, at }),
  };
};

/** Accounts for every millilitre; a gap over the kitchen's tolerance is taken only with a reason. */
export const judgeTally: Judge<'tally'> = async ({ w, lot: head, said }) => {
  const { filled, millilitres } = lotBottles(await fullLot(w, head.id));
  if (filled === 0) throw invalid('inPanMl', 'Count the bottles first.');
  const { inPanMl, parts, why } = said;
  const { gapMl, gapPercent, asks } = asked('inPanMl', () =>
    tallyUp({ inPanMl, filledMl: millilitres, parts }, w.kitchen.fillTolerancePercent),
  );
  if (asks && !why)
    throw invalid(
      'why',
      gapMl > 0
        ? `${gapSaid(gapMl)}, ${gapPercent.toFixed(1)} % of the lot. Say where it went, or why.`
        : `${gapSaid(gapMl)}. Measure again, or say why.`,
    );
  return { kept: { filledMl: millilitres, gapMl, asks } };
};

/** Weighs a filled bottle: its net contents at 20 °C by the lot's own measured °Bx. */
export const judgeWeighing: Judge<'weighing'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const bottling = fillingOf(lot, said.bottlingId, at);
  const brix = finishedBrix(lot);
  if (brix === null)
    throw invalid('grossGrams', 'Measure the finished product’s °Bx first: its density is in it.');
  const container = await containerOf(w, bottling.containerId);
  const tareGrams = said.tareGrams ?? container.tareGrams;
  if (tareGrams === null)
    throw invalid('tareGrams', 'Weigh an empty bottle with its closure too, and enter that.');
  if (tareGrams >= said.grossGrams) throw invalid('grossGrams', `Empty it weighs ${tareGrams} g already.`);
  return {
    kept: { tareGrams, netMl: netMl(said.grossGrams, tareGrams, densityAt20(brix)) },
    after: () => openOutOfLimits(w, lot.id, at),
  };
};

/** The filling that an entry is of, which still stands and was before it. */
function fillingOf(lot: StoredLot, id: string, at: string): StoredLot['bottlings'][number] {
  const bottling = standing(lot.bottlings).find((b) => b.id === id);
  if (!bottling) throw invalid('bottlingId', 'That filling was undone. Choose another.');
  refuseBefore(at, bottling.at, 'they were filled');
  return bottling;
}

/** Reads bottles that cool open; each of the two stages is met by the first reading at or under its temperature. */
export const judgeCooling: Judge<'cooling'> = async ({ w, lot: head, said, at }) => {
  const bottling = fillingOf(await fullLot(w, head.id), said.bottlingId, at);
  if (bottling.closing !== 'cooled')
    throw invalid('bottlingId', 'These were closed hot: they have no cooling clock.');
  return {
    kept: {},
    after: async () => {
      await openOutOfLimits(w, head.id, at);
      if (said.celsius <= COLD) return;
      await holdTooWarm(w, head.id, { id: said.id, at }, (_, life) => life.bottlingId === said.bottlingId);
    },
  };
};
