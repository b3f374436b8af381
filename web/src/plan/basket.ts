import { type Basket, type BasketItem, stockRoutes } from '@inch/contract/stock';
import { useQuery } from '@tanstack/react-query';
import type { z } from 'zod';
import { call, newId, refresh } from '../data/api.ts';
import { outbox, useWaiting } from '../data/outbox/outbox.ts';
import type { Waiting } from '../data/outbox/waiting.ts';

type Item = z.output<typeof BasketItem>;

/** The basket as it is once the ticks that wait on this device have arrived. */
export function withTicks(basket: Basket, waiting: readonly Waiting[]): Basket {
  let now = basket;
  for (const { deed, body, problem } of waiting) {
    if (deed !== 'tick' || problem !== null) continue;
    const { item, taken, at } = body as unknown as { item: Item; taken: boolean; at: string };
    now = now.filter((b) => b.thing !== item.thing);
    if (taken) now = [...now, { ...item, by: '', at }];
  }
  return now;
}

/** What is in the basket, ticks of this device that wait for the server among it. */
export function useBasket(): Basket | undefined {
  const { data } = useQuery({ queryKey: ['basket'], queryFn: () => call(stockRoutes.basket) });
  const waiting = useWaiting();
  return data && withTicks(data, waiting);
}

/** Puts a thing into the basket or back: sent at once, or kept on the phone until the kitchen is in reach again. */
export async function tickOff(name: string, item: Item, taken: boolean): Promise<void> {
  const sent = await outbox.write({
    deed: 'tick',
    lotId: '',
    code: 'Basket',
    words: `${name} ${taken ? 'taken' : 'put back'}`,
    body: { id: newId(), item, taken },
  });
  if (sent === 'sent') await refresh();
}
