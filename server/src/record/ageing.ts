import { ageingEvidence, faultsOf, isGood, phMoved, signsIn } from '@inch/core/ageing';
import { dayOf, daysBetween } from '@inch/core/calendar';
import { governingPh, type LotRecord, meterStanding, movesOf, whyNotKept } from '@inch/core/lot';
import { creditedAt } from '@inch/core/record';
import { rows } from '../database/pool.ts';
import { entriesOf } from '../entry/read.ts';
import type { Writing } from '../journal/writing.ts';
import { evidenceFor } from '../lot/evidence.ts';
import type { StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { fullLot, holdWhereShut } from './change.ts';
import type { Judge, Judging } from './judge.ts';
import { moveItself, standsIn } from './moving.ts';
import { holdForSigns } from './spoilage.ts';

async function phCounts({ w, said, at, named }: Judging<'look'>, lot: StoredLot): Promise<boolean> {
  if (said.ph === null || said.phInstrumentId === null) return false;
  if (named.phInstrumentId?.kind !== 'ph-meter')
    throw invalid('phInstrumentId', 'That instrument does not measure pH.');
  const calibrations = (await entriesOf(w.tx, 'calibration', [said.phInstrumentId])).map((c) => c.entry);
  return meterStanding({ value: said.ph, at }, calibrations, lot.timeZone).counts;
}

/** pH of the lot at its release, as it was read. */
const phReleased = (lot: LotRecord): number | null => {
  const ph = governingPh(lot);
  return ph ? ph.ph - ph.margin : null;
};

/** Whether a bottle of a filling was opened by then: an open one left the count when it was. */
const openedBefore = (lot: StoredLot, bottlingId: string, at: string): boolean =>
  movesOf(lot).some((m) => m.bottlingId === bottlingId && OPENED.has(m.kind) && m.at <= at);
const OPENED: ReadonlySet<string> = new Set(['opened', 'tasted', 'drunk', 'returned', 'sold', 'given']);

/** A look that speaks for a shorter date speaks of every lot of its formula: whose labels say more is held. */
async function holdOthersWhereShut(w: Writing, lot: StoredLot): Promise<void> {
  const others = await rows<{ id: string }>(
    w.tx,
    `SELECT l.id FROM formula_version v JOIN lot l ON l.version_id = v.id
     WHERE v.formula_id = ? AND l.kitchen_id = ? AND l.state = 'released' AND l.id <> ? ORDER BY l.id`,
    [lot.product.formulaId, w.kitchen.id, lot.id],
  );
  for (const { id } of others) await holdWhereShut(w, id, w.now);
}

/** A look at a bottle kept back: opened, it leaves the stock; a fault holds the lot. */
export const judgeLook: Judge<'look'> = async (judging) => {
  const { w, lot: head, said, at } = judging;
  const lot = await fullLot(w, head.id);
  const filled = lot.bottlings.find((b) => b.id === said.bottlingId)!;
  if (filled.struck !== null) throw invalid('bottlingId', 'That filling was struck.');
  if (at < filled.at) throw invalid('at', 'It was not filled yet then.');
  if (said.opened === 'open-already' && said.daysOpen === null)
    throw invalid('daysOpen', 'How many days has it been open?');
  if (said.opened === 'open-already' && !openedBefore(lot, said.bottlingId, at))
    throw invalid(
      'opened',
      'No bottle of this filling was opened: say that it is opened now, and where it stood.',
    );
  if (said.opened === 'closed' && (said.ph !== null || said.brix !== null || said.taste !== null))
    throw invalid('opened', 'pH, °Bx and taste are of an opened bottle: say that it was opened.');
  const counts = await phCounts(judging, lot);
  // A pH over the limit holds the lot even where its meter did not bear it: the default is to hold.
  const moved = phMoved(said.ph, counts ? phReleased(lot) : null, lot.criticalPh);
  // An opened bottle that went off while it was open says nothing of those that are closed.
  const told = signsIn(said.note ?? '').filter((sign) => !faultsOf(said).includes(sign));
  const faults =
    said.opened === 'open-already'
      ? []
      : [...faultsOf(said), ...(moved ? [moved] : []), ...told].slice(0, 12);
  const place = said.opened === 'opened' ? standsIn(lot, said.bottlingId, said.place) : null;
  return {
    kept: {
      ageDays: daysBetween(dayOf(filled.at, lot.timeZone), dayOf(at, lot.timeZone)),
      phCounts: counts,
      faults,
    },
    after: async () => {
      if (place !== null)
        await moveItself(w, lot.id, said.bottlingId, { kind: 'opened', from: place, to: null, count: 1, at });
      if (faults.length > 0)
        await holdForSigns(w, await fullLot(w, lot.id), {
          what: `A bottle that was looked at showed ${faults.join(', ')}.`,
          entryId: said.id,
          at,
        });
      if (!isGood(said)) await holdOthersWhereShut(w, lot);
    },
  };
};

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** The owner's own date: shorter as they like; the longer row only where the table has one and their bottles support it. */
export const judgeDating: Judge<'dating'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  // What the table gives: the looks bear less, and an owner says why that is not so.
  const { keeping } = judgeLot({ ...lot, datings: [], aged: [] }, w.kitchen);
  if (keeping.bestBy === null)
    throw new Problem(409, 'Nothing preserves it yet, so that there is no date to set.');
  const own = [...lot.datings].reverse().find((d) => d.until !== null);
  if (said.longer && said.until === null && own)
    throw invalid(
      'until',
      `Its owner set ${own.until}: ${own.why} Write the new last day, and in the reason why that does not hold any more.`,
    );
  if (said.until === null && !said.longer)
    throw invalid('until', 'Until which day? Or take the longer row of the keeping table.');
  if (said.until !== null && (!DAY.test(said.until) || Number.isNaN(Date.parse(said.until))))
    throw invalid('until', 'A day is written 2027-06-30.');
  const evidence = ageingEvidence(lot.aged ?? [], evidenceFor(lot, keeping));
  if (said.longer && !evidence.supportsLonger) throw invalid('longer', evidence.longer);
  const longest = said.longer
    ? judgeLot({ ...lot, datings: [asLonger(lot)], aged: [] }, w.kitchen).keeping.bestBy
    : keeping.bestBy;
  if (said.until !== null && longest !== null && said.until > longest)
    throw invalid(
      'until',
      `The keeping table gives ${longest} at the longest: a date may be earlier, not later.`,
    );
  if (said.until !== null && said.until < keeping.madeOn)
    throw invalid('until', 'That is before it was filled.');
  return { kept: { evidence: said.longer ? evidence.longer : (evidence.shorter ?? '') } };
};

const asLonger = (lot: StoredLot): StoredLot['datings'][number] => ({
  id: '',
  at: lot.begunAt,
  recordedAt: lot.begunAt,
  by: '',
  until: null,
  longer: true,
  why: '',
  evidence: '',
});

/** Keeps a lot another way than it was begun for, while there is time: never for longer. */
export const judgeStorageChange: Judge<'storage-change'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  // There is time from when it is written down: an earlier hour gives none.
  const why = whyNotKept(lot, said.to, creditedAt({ id: said.id, at, recordedAt: w.entered.at }, lot));
  if (why) throw new Problem(409, why);
  return { kept: { from: lot.storage } };
};
