import { dangersIn, signsBesideName, signsIn } from '@inch/core/ageing';
import { isSpoilage, lotBottles, standing } from '@inch/core/lot';
import {
  type Entries,
  type EntryKind,
  entries,
  kindOfField,
  type PostedNoun,
  type Said,
} from '@inch/core/record';
import { z } from 'zod';
import type { Writing } from '../journal/writing.ts';
import { siblingsOf, siblingsOnHand } from '../lot/siblings.ts';
import type { StoredLot } from '../lot/store.ts';
import { Problem } from '../problem/problem.ts';
import { decideLot, fullLot, openDeviation } from './change.ts';

/** Kinds that tell what was done about it, or ask for it, and not what was seen. */
const NOT_SEEN: ReadonlySet<PostedNoun> = new Set([
  'decision',
  'ruling',
  'closing',
  'settling',
  'print',
  'spoilt-label',
  'tally',
]);
/** Fields that name something. */
const NAMES: ReadonlySet<string> = new Set(['from', 'to', 'place', 'ingredientId', 'lineId']);

const isWords = (field: z.ZodType): boolean => kindOfField(field) instanceof z.ZodString;

function wordsOf<N extends PostedNoun>(noun: N, said: Said<Entries[N]>): string {
  const values = said as Record<string, unknown>;
  if (NOT_SEEN.has(noun)) return '';
  const kind: EntryKind = entries[noun];
  return Object.entries(kind.said)
    .filter(([name, field]) => isWords(field) && !NAMES.has(name))
    .map(([name]) => values[name])
    .filter((value): value is string => typeof value === 'string')
    .join('. ');
}

/** States of a lot whose bottles are closed. */
const FILLED: ReadonlySet<string> = new Set(['resting', 'bottled', 'released', 'held', 'closed', 'recalled']);

/** How many of the lots that share something are named where a lot is held. */
const NAMED = 8;

/** Holds a lot for signs of spoilage, and names the lots that may have it too. */
export async function holdForSigns(
  w: Writing,
  lot: StoredLot,
  { what, entryId, at }: { what: string; entryId: string; at: string },
): Promise<void> {
  const { siblings, total } = await siblingsOf(w.tx, w.kitchen, lot, { limit: NAMED });
  const named = siblings.map((s) => `${s.code} (${s.by})`);
  const others = [...named, ...(total > NAMED ? [`${total - NAMED} more`] : [])].join(', ');
  const said = `${what}${others ? ` Look at ${others} as well.` : ''}`.slice(0, 500);
  await openDeviation(w, lot.id, { kind: 'spoilage', what: said, entryId, at });
  if (['resting', 'bottled', 'released'].includes(lot.state))
    await decideLot(w, lot, 'hold', { why: said, at });
}

/** Holds a filled lot where words that were written of it tell of gas, mould, a lifting lid, somebody ill. @param entryId the entry that they stand in */
export async function holdForWords(
  w: Writing,
  lotId: string,
  { words, entryId, at, isName = false }: { words: string; entryId: string; at: string; isName?: boolean },
): Promise<void> {
  const told = isName ? signsBesideName(words) : [...signsIn(words), ...dangersIn(words)];
  const found = [...new Set(told)];
  if (found.length === 0) return;
  const lot = await fullLot(w, lotId);
  if (!FILLED.has(lot.state) || standing(lot.bottlings).length === 0) return;
  if (lot.deviations.some((d) => (d.entryId === entryId || d.id === entryId) && isSpoilage(d.kind))) return;
  await holdForSigns(w, lot, { what: `Somebody wrote of ${found.join(', ')}.`, entryId, at });
}

/** The same of what was said with an entry. */
export const holdWhereSpoiled = <N extends PostedNoun>(
  w: Writing,
  noun: N,
  lotId: string,
  { said, at }: { said: Said<Entries[N]> & { id: string }; at: string },
): Promise<void> => {
  const { kind } = said as { kind?: string };
  // The note of a sale or a gift is whom it is for.
  const isName = noun === 'movement' && (kind === 'sold' || kind === 'given');
  return holdForWords(w, lotId, { words: wordsOf(noun, said), entryId: said.id, at, isName });
};

/** Whether a bottle of a lot was looked at and good, after an instant by the record. */
const lookedAt = (lot: StoredLot, after: string): boolean =>
  standing(lot.looks).some(
    (l) => l.recordedAt > after && l.opened !== 'open-already' && l.faults.length === 0,
  );

/** After signs of spoilage other bottles are looked at first: of the lot, and of the lots that share what went into it or its day. */
export async function refuseUnlooked(w: Writing, lot: StoredLot): Promise<void> {
  const signs = lot.deviations.filter((d) => isSpoilage(d.kind) && !d.closed);
  if (signs.length === 0) return;
  const since = signs
    .map((d) => d.recordedAt)
    .sort()
    .at(-1)!;
  const missing: string[] = [];
  if (lotBottles(lot).left > 0 && !lookedAt(lot, since)) missing.push(`lot ${lot.code} itself`);
  for (const sibling of await siblingsOnHand(w.tx, w.kitchen, lot)) {
    const other = await fullLot(w, sibling.id);
    if (lotBottles(other).left > 0 && !lookedAt(other, since))
      missing.push(`lot ${sibling.code} (${sibling.by})`);
  }
  if (missing.length > 0)
    throw new Problem(
      409,
      `After signs of spoilage other bottles are looked at first, and none was since of ${missing.join(', ')}. Record a look at each.`,
    );
}
