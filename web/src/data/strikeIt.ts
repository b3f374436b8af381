import { lotRoutes } from '@inch/contract/making/lot';
import { type PostedNoun, type StrikeableNoun, strikeable } from '@inch/core/record';
import { toast } from 'sonner';
import { call } from './api.ts';
import { readAgain } from './keys.ts';

const OFFERED_MS = 10_000;
/** A tick is taken back where it was made, by pressing it again. */
const OF_ITSELF: ReadonlySet<PostedNoun> = new Set(['tick']);

const canBeStruck = (noun: PostedNoun): noun is PostedNoun & StrikeableNoun =>
  (strikeable as readonly PostedNoun[]).includes(noun) && !OF_ITSELF.has(noun);

/** For ten seconds what was just recorded can be taken back at once: it is struck, and stays in the record. Only the last of them is offered. */
export function offerToStrike(
  lot: { id: string; code: string },
  noun: PostedNoun,
  entryId: string,
  words: string | undefined,
): void {
  if (!canBeStruck(noun)) return;
  const strike = () =>
    void call(lotRoutes.strike, {
      params: { id: lot.id },
      body: { noun, entryId, why: 'a slip, undone at once' },
    }).then(
      () => readAgain('entry'),
      (error: Error) => toast.error(error.message),
    );
  toast(`${lot.code}: ${words ?? `${noun.replace('-', ' ')} recorded`}`, {
    id: 'strike-it',
    duration: OFFERED_MS,
    action: { label: 'Undo', onClick: strike },
  });
}
