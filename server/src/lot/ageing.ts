import { ageingEvidence, faultsOf, phMoved } from '@inch/core/ageing';
import { dayOf, daysBetween } from '@inch/core/calendar';
import { governingPh, type LotRecord, lotBottles, meterStanding } from '@inch/core/lot';
import type { Judge, Judging } from '../entry/judge.ts';
import { entriesOf } from '../entry/read.ts';
import { invalid, Problem } from '../http/problem.ts';
import type { Writing } from '../journal/writing.ts';
import { decideLot, fullLot } from './change.ts';
import { evidenceFor, lotsOfFormula } from './evidence.ts';
import { moveItself } from './moving.ts';
import { openDeviation } from './openDeviation.ts';
import { siblingsOf } from './siblings.ts';
import type { StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

/** Whether the meter of a look bore its pH that day. */
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

/** Where the bottle that is opened stands; refuses one that does not. */
function standsIn(lot: StoredLot, bottlingId: string, place: string | null): string {
  const groups = lotBottles(lot).groups.filter((g) => g.bottlingId === bottlingId && g.count > 0);
  if (place === null) throw invalid('place', 'Where did it stand?');
  if (!groups.some((g) => g.place === place))
    throw invalid('place', `No bottles of lot ${lot.code} stand in "${place}".`);
  return place;
}

/** Holds a lot for what was found in a bottle kept back, and names the lots that may have it too. */
async function holdFor(w: Writing, lotId: string, lookId: string, faults: readonly string[], at: string) {
  const lot = await fullLot(w, lotId);
  const siblings = await siblingsOf(w.tx, w.kitchen, lot);
  const others = siblings.map((s) => `${s.code} (${s.by})`).join(', ');
  const what =
    `A bottle kept back showed ${faults.join(', ')}.${others ? ` Look at ${others} as well.` : ''}`.slice(
      0,
      500,
    );
  await openDeviation(w, lot.id, { kind: 'bottle kept back', what, entryId: lookId, at });
  if (lot.state === 'released') await decideLot(w, lot, 'hold', { why: what, at });
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
  if (said.opened === 'closed' && (said.ph !== null || said.brix !== null || said.taste !== null))
    throw invalid('opened', 'pH, °Bx and taste are of an opened bottle: say that it was opened.');
  const counts = await phCounts(judging, lot);
  // A pH over the limit holds the lot even where its meter did not bear it: the default is to hold.
  const moved = phMoved(said.ph, counts ? phReleased(lot) : null, lot.criticalPh);
  // An opened bottle that went off while it was open says nothing of those that are closed.
  const faults = said.opened === 'open-already' ? [] : [...faultsOf(said), ...(moved ? [moved] : [])];
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
      if (faults.length > 0) await holdFor(w, lot.id, said.id, faults, at);
    },
  };
};

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** The owner's own date: shorter as they like; the longer row only where the table has one and their bottles support it. */
export const judgeDating: Judge<'dating'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  const { keeping } = judgeLot({ ...lot, datings: [] }, w.kitchen);
  if (keeping.bestBy === null)
    throw new Problem(409, 'Nothing preserves it yet, so that there is no date to set.');
  if (said.until === null && !said.longer)
    throw invalid('until', 'Until which day? Or take the longer row of the keeping table.');
  if (said.until !== null && (!DAY.test(said.until) || Number.isNaN(Date.parse(said.until))))
    throw invalid('until', 'A day is written 2027-06-30.');
  const evidence = ageingEvidence(await lotsOfFormula(w.tx, w.kitchen, lot), evidenceFor(lot, keeping));
  if (said.longer && !evidence.supportsLonger) throw invalid('longer', evidence.longer);
  const longest = said.longer
    ? judgeLot({ ...lot, datings: [asLonger(lot)] }, w.kitchen).keeping.bestBy
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

/** A dating that takes the longer row, for asking how long that is. */
const asLonger = (lot: StoredLot): StoredLot['datings'][number] => ({
  ...{ id: '', at: lot.begunAt, recordedAt: lot.begunAt, by: '' },
  ...{ until: null, longer: true, why: '', evidence: '' },
});
