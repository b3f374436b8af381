import { ageingEvidence } from '@inch/core/ageing';
import { dayOf, spokenDay } from '@inch/core/calendar';
import { lotBottles, thawedGroups } from '@inch/core/lot';
import type { Entries, Recorded } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import type { Judge } from '../entry/judge.ts';
import { writeEntry } from '../entry/write.ts';
import { invalid, Problem } from '../http/problem.ts';
import type { Writing } from '../journal/writing.ts';
import { fullLot, lackingNow, refusePast } from './change.ts';
import { evidenceFor, lotsOfFormula } from './evidence.ts';
import type { StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

type Movement = Recorded<Entries['movement']>;

/** Every sale and every gift asks all release checks again, and the date: what was released once may not leave for ever. */
function refuseLeaving(w: Writing, lot: StoredLot): void {
  const lacking = lackingNow(w, lot);
  if (lacking !== null)
    throw new Problem(409, `A release check of lot ${lot.code} does not pass any more: ${lacking}`);
  refusePast(w, lot);
}

/** What was thawed has its own last day, and nothing of it leaves after that. */
function refuseThawed(w: Writing, lot: StoredLot, said: { bottlingId: string; from: string }): void {
  const { keeping } = judgeLot(lot, w.kitchen);
  const thawed = thawedGroups(lot, keeping).find(
    (t) => t.bottlingId === said.bottlingId && t.place === said.from,
  );
  if (thawed && thawed.until < dayOf(w.now, lot.timeZone))
    throw new Problem(
      409,
      `The bottles in ${said.from} were thawed on ${spokenDay(thawed.thawedOn)} and could be kept until ${spokenDay(thawed.until)}: nothing of them leaves the kitchen.`,
    );
}

/** A longer date rests on bottles kept back: where they do not support it any more, nothing leaves under it. */
async function refuseUnsupported(w: Writing, lot: StoredLot): Promise<void> {
  if (!lot.datings.at(-1)?.longer) return;
  const { keeping } = judgeLot({ ...lot, datings: [] }, w.kitchen);
  const lots = await lotsOfFormula(w.tx, w.kitchen, lot);
  const { supportsLonger, longer } = ageingEvidence(lots, evidenceFor(lot, keeping));
  if (!supportsLonger)
    throw new Problem(
      409,
      `The longer date of lot ${lot.code} is not supported any more: ${longer} Its owner sets it anew.`,
    );
}

/** Moves, sells, gives, breaks or retains bottles of one filling; never more than stand there, never a sale before release. */
export const judgeMovement: Judge<'movement'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  const group = lotBottles(lot).groups.find((g) => g.bottlingId === said.bottlingId && g.place === said.from);
  if (!group) throw invalid('from', `No bottles of lot ${lot.code} stand in "${said.from}".`);
  if (said.count > group.count) throw invalid('count', `Only ${group.count} stand in ${said.from}.`);
  if ((said.kind === 'sold' || said.kind === 'given') && lot.state !== 'released')
    throw new Problem(
      409,
      `Lot ${lot.code} is ${lot.state}, not released. Nothing of it leaves the kitchen yet.`,
    );
  if (said.kind === 'sold' || said.kind === 'given') {
    refuseLeaving(w, lot);
    refuseThawed(w, lot, said);
    await refuseUnsupported(w, lot);
  }
  if (said.kind === 'thawed' && lot.storage !== 'frozen')
    throw invalid('kind', `Lot ${lot.code} is not kept frozen, so that there is nothing to thaw.`);
  const stays = said.kind === 'moved' || said.kind === 'retained' || said.kind === 'thawed';
  if (said.kind === 'thawed' && said.to === said.from)
    throw invalid('to', 'Say where it is kept cold: thawed bottles do not stand among frozen ones.');
  if (stays && !said.to) throw invalid('to', 'Where do they go?');
  return { kept: { kind: said.kind, from: said.from, to: stays ? said.to : null } };
};

/** Moves bottles as the program does by itself: into their first place, out for a failed seal, back after a second process. */
export const moveItself = (
  w: Writing,
  lotId: string,
  bottlingId: string,
  { at, ...moved }: Pick<Movement, 'kind' | 'from' | 'to' | 'count' | 'at'>,
): Promise<void> =>
  writeEntry(w, 'movement', lotId, {
    id: newId(),
    at,
    values: { bottlingId, priceMinor: null, note: null, ...moved },
  });
