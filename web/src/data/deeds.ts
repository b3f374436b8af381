import type { LotView } from '@inch/contract/lot';
import { newId, refresh } from './api.ts';
import { outbox } from './outbox/outbox.ts';
import type { LotDeed } from './outbox/waiting.ts';
import { useWrite } from './useWrite.ts';

/** A deed at the stove: its id is made here, so that it is kept once however often it is sent. */
export interface NewDeed {
  deed: LotDeed;
  words: string;
  body: Record<string, unknown>;
}

/** Writes deeds of a lot, through the device's outbox where the server is away. */
export function useDeed(lot: Pick<LotView, 'id' | 'code'>, options: { after?: () => void } = {}) {
  return useWrite(
    async ({ deed, words, body }: NewDeed) => {
      const entry = { deed, words, lotId: lot.id, code: lot.code, body: { id: newId(), ...body } };
      // What was sent is read back before the form lets go, so that nothing is recorded twice.
      if ((await outbox.write(entry)) === 'sent') await refresh();
    },
    { refreshes: true, ...(options.after ? { after: options.after } : {}) },
  );
}
