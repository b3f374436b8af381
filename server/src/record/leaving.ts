import { ageingEvidence } from '@inch/core/ageing';
import { dayOf, spokenDay } from '@inch/core/calendar';
import { bringsCaffeine } from '@inch/core/label';
import {
  asMade,
  type BottleLife,
  bottleLives,
  keepsShort,
  type LotRecord,
  lastDayOf,
  tooWarm,
} from '@inch/core/lot';
import { placeNames } from '@inch/core/place';
import { limitOfHeat } from '@inch/core/quantity';
import type { Writing } from '../journal/writing.ts';
import { evidenceFor } from '../lot/evidence.ts';
import type { StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { stoppedBy } from '../trace/reach.ts';
import { decideLot, fullLot, lackingNow, openDeviation, refusePast } from './change.ts';

/** Refuses what rests on a lot while something that it was made with is held, however far back. */
export async function refuseStopped(w: Writing, lot: StoredLot): Promise<void> {
  const stopped = await stoppedBy(w.tx, w.kitchen.id, lot);
  if (stopped.length === 0) return;
  throw new Problem(409, `Nothing of lot ${lot.code} leaves: ${stopped.map((s) => s.why).join('; ')}.`);
}

const hours = (life: BottleLife): string => life.hours.warm.toFixed(1);

/** What is said of bottles that were warm for too long. */
export const warmSaid = (life: BottleLife): string =>
  `The bottles in ${life.place} were over ${limitOfHeat(5)} for ${hours(life)} h in all: what keeps three or seven days is only discarded after two.`;

/** Refuses to let a lot go on while bottles of it stand that were warm for too long: they are thrown away first. */
export function refuseTooWarm(w: Writing, lot: StoredLot): void {
  const warm = tooWarm(lot, w.now);
  if (warm.length === 0) return;
  throw new Problem(409, `${warm.map(warmSaid).join(' ')} Throw them away, then go on.`);
}

/** The bottles of a filling in a place. */
export function lifeIn(
  w: Writing,
  lot: StoredLot,
  said: { bottlingId: string; from: string },
): BottleLife | undefined {
  const of = placeNames(lot.places ?? []);
  return bottleLives(lot, w.now).find(
    (life) => life.bottlingId === said.bottlingId && of(life.place) === of(said.from),
  );
}

/** Refuses bottles whose own life is over: warm for too long, thawed too long ago. */
export function refuseSpent(w: Writing, lot: StoredLot, life: BottleLife): void {
  if (keepsShort(lot) && life.tooWarmAt !== null && life.tooWarmAt <= w.now)
    throw new Problem(409, warmSaid(life));
  const { keeping } = judgeLot(lot, w.kitchen);
  const until = lastDayOf(lot, life, keeping);
  if (until === null || until >= dayOf(w.now, lot.timeZone)) return;
  const since =
    life.thawedAt === null
      ? `were never in the freezer as it is recorded`
      : `were thawed on ${spokenDay(dayOf(life.thawedAt, lot.timeZone))}`;
  throw new Problem(
    409,
    `The bottles in ${life.place} ${since} and could be kept until ${spokenDay(until)}: nothing of them leaves the kitchen.`,
  );
}

/** A longer date rests on bottles kept back: where they do not support it any more, nothing leaves under it. */
function refuseUnsupported(w: Writing, lot: StoredLot): void {
  if (!lot.datings.at(-1)?.longer) return;
  const { keeping } = judgeLot({ ...lot, datings: [] }, w.kitchen);
  const lots = lot.aged ?? [];
  const { supportsLonger, longer } = ageingEvidence(lots, evidenceFor(lot, keeping));
  if (!supportsLonger)
    throw new Problem(
      409,
      `The longer date of lot ${lot.code} is not supported any more: ${longer} Its owner sets it anew.`,
    );
}

/** % by volume from which a drink is asked about for its spirit. */
const SPIRIT = 0.05;

/** Who may not drink of everything is asked about before it is given: raw juice, honey, caffeine, spirit. */
export function refuseForAnybody(w: Writing, lot: StoredLot, note: string | null): void {
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

/** What leaves the kitchen: only of a released lot, with everything asked anew at that moment: its checks, its date, what it was made with, the bottles themselves. */
export async function refuseUnfit(w: Writing, lot: StoredLot, life: BottleLife | undefined): Promise<void> {
  if (lot.state !== 'released')
    throw new Problem(
      409,
      `Lot ${lot.code} is ${lot.state}, not released. Nothing of it leaves the kitchen yet.`,
    );
  const lacking = await lackingNow(w, lot);
  if (lacking !== null)
    throw new Problem(409, `A release check of lot ${lot.code} does not pass any more: ${lacking}`);
  refusePast(w, lot);
  await refuseStopped(w, lot);
  if (life) refuseSpent(w, lot, life);
  refuseUnsupported(w, lot);
}

/** Holds a lot of a short kind where bottles of it were warm for too long, by the entry that shows it: they are only discarded. @param of which of its bottles the entry is of */
export async function holdTooWarm(
  w: Writing,
  lotId: string,
  entry: { id: string; at: string },
  of: (lot: LotRecord, life: BottleLife) => boolean = () => true,
): Promise<void> {
  const lot = await fullLot(w, lotId);
  if (lot.storage === 'shelf') return;
  const warm = tooWarm(lot, w.now).filter((life) => of(lot, life));
  if (warm.length === 0 || lot.deviations.some((d) => d.kind === 'too warm' && !d.closed)) return;
  const what = warm.map(warmSaid).join(' ').slice(0, 500);
  await openDeviation(w, lot.id, { kind: 'too warm', what, entryId: entry.id, at: entry.at });
  if (lot.state === 'released') await decideLot(w, lot, 'hold', { why: what, at: entry.at });
}
