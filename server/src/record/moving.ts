import {
  awayOf,
  type BottleLife,
  isSpoilage,
  keepsShort,
  lotBottles,
  movesOf,
  openedInCount,
} from '@inch/core/lot';
import { kindByName, placeNames } from '@inch/core/place';
import type { Entries, Recorded, Said } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { writeEntry } from '../entry/write.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import type { StoredLot } from '../lot/store.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { fullLot, refusePast } from './change.ts';
import type { Judge } from './judge.ts';
import { lifeIn, refuseForAnybody, refuseSpent, refuseStopped, refuseUnfit } from './leaving.ts';

type Movement = Recorded<Entries['movement']>;
type Moving = Said<Entries['movement']>;

/** Kinds of movements that take bottles to somebody. */
const LEAVES: ReadonlySet<string> = new Set(['sold', 'given']);
/** Kinds by which somebody drinks of them. */
const DRUNK: ReadonlySet<string> = new Set(['drunk', 'tasted']);
/** Kinds that leave bottles in the kitchen, in another place. */
const STAYS: ReadonlySet<string> = new Set(['moved', 'retained', 'thawed', 'returned']);
/** What may still become of bottles once their lot is closed, called back or discarded. */
const AT_THE_END: ReadonlySet<string> = new Set(['returned', 'thrown-away', 'destroyed']);

/** Nothing leaves before it was released, and nothing moves before it was filled. */
function refuseTooEarly(lot: StoredLot, { bottlingId, kind }: Moving, at: string): void {
  const filling = lot.bottlings.find((b) => b.id === bottlingId);
  if (filling) refuseBefore(at, filling.at, 'they were filled');
  const released = lot.decisions.findLast((d) => d.to === 'released');
  if (LEAVES.has(kind) && released) refuseBefore(at, released.at, `lot ${lot.code} was released`);
}

/** The bottles that are to move: never more than stand there, of what came back never more than went; what is kept back or came back is neither sold nor given. */
function refuseMore(lot: StoredLot, said: Moving, life: BottleLife | undefined): void {
  if (said.kind === 'returned') {
    const away = awayOf(lot, said.bottlingId);
    if (said.count > away) throw invalid('count', `Only ${away} of this filling are with somebody.`);
    return;
  }
  if (!life) throw invalid('from', `No bottles of lot ${lot.code} stand in "${said.from}".`);
  if (said.count > life.count) throw invalid('count', `Only ${life.count} stand in ${said.from}.`);
  if (!LEAVES.has(said.kind)) return;
  const opened = openedInCount(lot);
  const left = lotBottles(lot).left - opened;
  const free = Math.max(0, Math.min(life.count - life.keptBack - life.cameBack, left));
  if (said.count <= free) return;
  const why = [
    ...(life.keptBack > 0 ? [`${life.keptBack} are kept back`] : []),
    ...(life.cameBack > 0 ? [`${life.cameBack} came back`] : []),
    ...(opened > 0 ? [`${opened} was opened to be measured, and is recorded as tasted first`] : []),
  ].join(', ');
  throw invalid(
    'count',
    `Of those in ${said.from} ${free} never left: ${why}, and those are not sold or given.`,
  );
}

/** What was ended moves no more, but for what comes back, and is thrown away. */
function refuseEndedLot(lot: StoredLot, kind: string): void {
  if (kind === 'moved' && lot.state === 'recalled') return;
  if (['closed', 'recalled', 'discarded'].includes(lot.state) && !AT_THE_END.has(kind))
    throw new Problem(
      409,
      `Lot ${lot.code} is ${lot.state}: bottles of it only come back, are thrown away, or destroyed.`,
    );
}

/** Thawed is never frozen again, and what is thawed goes to another place. */
function refuseFreezing(lot: StoredLot, said: Moving, life: BottleLife | undefined): void {
  const of = placeNames(lot.places ?? []);
  if (said.kind === 'thawed' && lot.storage !== 'frozen')
    throw invalid('kind', `Lot ${lot.code} is not kept frozen, so that there is nothing to thaw.`);
  if (said.kind === 'thawed' && said.to && of(said.to) === of(said.from))
    throw invalid('to', 'Say where it is kept cold: thawed bottles do not stand among frozen ones.');
  if (!said.to || !life?.thawedAt || said.kind === 'returned') return;
  const kind = (lot.places ?? []).findLast((p) => p.kind !== null && of(p.name) === of(said.to!))?.kind;
  const frozenThere = movesOf(lot).some(
    (m) =>
      m.bottlingId === said.bottlingId && m.kind === 'stored' && m.to !== null && of(m.to) === of(said.to!),
  );
  const called = kindByName(said.to);
  if (kind === 'freezer' || called === 'freezer' || (called === null && kind === undefined && frozenThere))
    throw new Problem(409, `The bottles in ${life.place} were thawed: thawed is never frozen again.`);
}

/** What is drunk in the house: nothing with signs of spoilage in its lot, nothing made with what is held, nothing too warm or past its last day. */
async function refuseDrunk(w: Writing, lot: StoredLot, life: BottleLife | undefined): Promise<void> {
  if (lot.deviations.some((d) => isSpoilage(d.kind) && !d.closed))
    throw new Problem(409, `Lot ${lot.code} has signs of spoilage: do not taste it, do not open it.`);
  await refuseStopped(w, lot);
  if (life) refuseSpent(w, lot, life);
  if (keepsShort(lot)) refusePast(w, lot);
}

/** Something that is destroyed is seen by somebody besides, who is named; what is thrown away has its reason. */
function refuseUnsaid({ kind, note }: Moving): void {
  if (kind === 'destroyed' && !note?.trim()) throw invalid('note', 'Write who saw it, and how it was done.');
  if (kind === 'thrown-away' && !note?.trim())
    throw invalid('note', 'Write why: past its date, too warm, spoiled.');
}

/** Moves, sells, gives, breaks, drinks, keeps back or throws away bottles of one filling; never more than stand there, never a sale before release. */
export const judgeMovement: Judge<'movement'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const { kind } = said;
  refuseEndedLot(lot, kind);
  const life = kind === 'returned' ? undefined : lifeIn(w, lot, said);
  refuseMore(lot, said, life);
  refuseUnsaid(said);
  if (LEAVES.has(kind)) {
    await refuseUnfit(w, lot, life);
    if (kind === 'given') refuseForAnybody(w, lot, said.note);
  }
  refuseTooEarly(lot, said, at);
  refuseFreezing(lot, said, life);
  if (DRUNK.has(kind)) await refuseDrunk(w, lot, life);
  const stays = STAYS.has(kind);
  if (stays && !said.to) throw invalid('to', 'Where do they go?');
  const from = kind === 'returned' ? null : (life?.place ?? said.from);
  return { kept: { kind, from, to: stays ? said.to : null } };
};

/** Whoever has bottles of a recalled lot was told. */
export const judgeTelling: Judge<'telling'> = ({ lot, named }) => {
  if (lot.state !== 'recalled')
    throw new Problem(409, `Lot ${lot.code} is not recalled: there is nothing to tell.`);
  if (!LEAVES.has(String(named.movementId!.kind)))
    throw invalid('movementId', 'Nobody got bottles by that. Choose a sale or a gift.');
  return { kept: {} };
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

/** Where the bottle that is opened stands; refuses one that does not. */
export function standsIn(lot: StoredLot, bottlingId: string, place: string | null): string {
  const of = placeNames(lot.places ?? []);
  const groups = lotBottles(lot).groups.filter((g) => g.bottlingId === bottlingId && g.count > 0);
  if (place === null) throw invalid('place', 'Where did it stand?');
  const group = groups.find((g) => of(g.place) === of(place));
  if (!group) throw invalid('place', `No bottles of lot ${lot.code} stand in "${place}".`);
  return group.place;
}
