import { ageingEvidence } from '@inch/core/ageing';
import { dayOf, spokenDay } from '@inch/core/calendar';
import { bringsCaffeine } from '@inch/core/label';
import { asMade, awayOf, cameBackTo, lotBottles, thawedGroups } from '@inch/core/lot';
import type { Entries, Recorded, Said } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import type { Judge } from '../entry/judge.ts';
import { writeEntry } from '../entry/write.ts';
import { invalid, Problem } from '../http/problem.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import { fullLot, lackingNow, refusePast } from './change.ts';
import { evidenceFor, lotsOfFormula } from './evidence.ts';
import type { StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

type Movement = Recorded<Entries['movement']>;

/** Every sale and every gift asks all release checks again, and the date: what was released once may not leave for ever. */
async function refuseLeaving(w: Writing, lot: StoredLot): Promise<void> {
  const lacking = await lackingNow(w, lot);
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

/** Nothing leaves before it was released, and nothing moves before it was filled. */
function refuseTooEarly(lot: StoredLot, { bottlingId, kind }: Said<Entries['movement']>, at: string): void {
  const filling = lot.bottlings.find((b) => b.id === bottlingId);
  if (filling) refuseBefore(at, filling.at, 'they were filled');
  const released = lot.decisions.findLast((d) => d.to === 'released');
  if (LEAVES.has(kind) && released) refuseBefore(at, released.at, `lot ${lot.code} was released`);
}

/** % by volume from which a drink is asked about for its spirit. */
const SPIRIT = 0.05;

/** Who may not drink of everything is asked about before it is given: raw juice, honey, caffeine, spirit. */
function refuseForAnybody(w: Writing, lot: StoredLot, note: string | null): void {
  if (note?.trim()) return;
  const { content } = judgeLot(lot, w.kitchen).label;
  const why = [
    ...(content.warning ? ['it was never heated, so not to children, the pregnant, the old or the ill'] : []),
    ...(content.infantLine ? ['honey is in it, so not to infants under a year'] : []),
    ...(content.abv >= SPIRIT ? ['spirit is in it'] : []),
    ...(asMade(lot).lines.some((line) => line.ingredient && bringsCaffeine(line.ingredient.id))
      ? ['caffeine is in it']
      : []),
  ];
  if (why.length > 0) throw invalid('note', `Write whom it is for: ${why.join('; ')}.`);
}

/** Kinds of movements that take bottles to somebody. */
const LEAVES: ReadonlySet<string> = new Set(['sold', 'given']);
/** Kinds that leave bottles in the kitchen, in another place. */
const STAYS: ReadonlySet<string> = new Set(['moved', 'retained', 'thawed', 'returned']);

/** The bottles that are to move: never more than stand there, of what came back never more than went. */
function refuseMore(lot: StoredLot, said: Said<Entries['movement']>): void {
  if (said.kind === 'returned') {
    const away = awayOf(lot, said.bottlingId);
    if (said.count > away) throw invalid('count', `Only ${away} of this filling are with somebody.`);
    return;
  }
  const group = lotBottles(lot).groups.find((g) => g.bottlingId === said.bottlingId && g.place === said.from);
  if (!group) throw invalid('from', `No bottles of lot ${lot.code} stand in "${said.from}".`);
  if (said.count > group.count) throw invalid('count', `Only ${group.count} stand in ${said.from}.`);
  if (!LEAVES.has(said.kind)) return;
  const left = group.count - cameBackTo(lot, said.bottlingId, said.from);
  if (said.count > left)
    throw invalid(
      'count',
      `Of those in ${said.from} ${Math.max(0, left)} never left: what came back is not sold or given again.`,
    );
}

/** What leaves the kitchen: only of a released lot, asked anew at that moment. */
async function refuseUnfit(w: Writing, lot: StoredLot, said: Said<Entries['movement']>): Promise<void> {
  if (lot.state !== 'released')
    throw new Problem(
      409,
      `Lot ${lot.code} is ${lot.state}, not released. Nothing of it leaves the kitchen yet.`,
    );
  await refuseLeaving(w, lot);
  refuseThawed(w, lot, said);
  await refuseUnsupported(w, lot);
  if (said.kind === 'given') refuseForAnybody(w, lot, said.note);
}

/** Moves, sells, gives, breaks, drinks or retains bottles of one filling; never more than stand there, never a sale before release. */
export const judgeMovement: Judge<'movement'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  refuseMore(lot, said);
  if (LEAVES.has(said.kind)) await refuseUnfit(w, lot, said);
  refuseTooEarly(lot, said, at);
  if (said.kind === 'thawed' && lot.storage !== 'frozen')
    throw invalid('kind', `Lot ${lot.code} is not kept frozen, so that there is nothing to thaw.`);
  if (said.kind === 'thawed' && said.to === said.from)
    throw invalid('to', 'Say where it is kept cold: thawed bottles do not stand among frozen ones.');
  if (['drunk', 'tasted'].includes(said.kind) && ['recalled', 'discarded'].includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}: nothing of it is drunk.`);
  const stays = STAYS.has(said.kind);
  if (stays && !said.to) throw invalid('to', 'Where do they go?');
  const from = said.kind === 'returned' ? null : said.from;
  return { kept: { kind: said.kind, from, to: stays ? said.to : null } };
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
