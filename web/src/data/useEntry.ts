import { type LotView, lotRoutes } from '@inch/contract/lot';
import type { z } from 'zod';
import { call, newId } from './api.ts';

import { useWrite } from './useWrite.ts';

type Entry =
  | 'bottle'
  | 'origin'
  | 'tick'
  | 'fault'
  | 'tally'
  | 'weigh'
  | 'cool'
  | 'process'
  | 'load'
  | 'markLoad'
  | 'curve'
  | 'checkSeals'
  | 'fate'
  | 'deviate'
  | 'closeDeviation';

export const numberOrNull = (text: string): number | null => (text.trim() === '' ? null : Number(text));

/** What an entry says, without the id, which is made here. */
type Said<E extends Entry> = Omit<z.input<NonNullable<(typeof lotRoutes)[E]['body']>>, 'id'>;

/** Writes one entry of a lot's record. */
export function useEntry<E extends Entry>(
  lot: Pick<LotView, 'id'>,
  entry: E,
  options: Parameters<typeof useWrite>[1] & { after?: () => void } = {},
) {
  return useWrite(
    (said: Said<E>) =>
      call(lotRoutes[entry] as (typeof lotRoutes)['bottle'], {
        params: { id: lot.id },
        body: { id: newId(), ...said } as never,
      }),
    options,
  );
}
