import { type Basket, type BasketItem, stockRoutes } from '@inch/contract/kitchen/stock';
import { useQuery } from '@tanstack/react-query';
import type { z } from 'zod';
import { call, newId } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { type Outcome, useWaiting } from '../data/outbox/outbox.ts';
import type { Waiting } from '../data/outbox/waiting.ts';
import { send } from '../data/record.ts';

type Item = z.output<typeof BasketItem>;

/** The basket as it is once the ticks that wait on this device have arrived. */
export function withTicks(basket: Basket, waiting: readonly Waiting[]): Basket {
  let now = basket;
  for (const { noun, body, problem, since } of waiting) {
    if (noun !== 'basket' || problem !== null) continue;
    const { item, taken } = body as unknown as { item: Item; taken: boolean };
    now = now.filter((b) => b.thing !== item.thing);
    if (taken) now = [...now, { ...item, by: '', at: since }];
  }
  return now;
}

/** What is in the basket, ticks of this device that wait for the server among it. */
export function useBasket(): Basket | undefined {
  const { data } = useQuery({ queryKey: keys.all('basket'), queryFn: () => call(stockRoutes.basket) });
  const waiting = useWaiting();
  return data && withTicks(data, waiting);
}

/** Puts a thing into the basket or back: sent at once, or kept on the phone until the kitchen is in reach again. */
export const tickOff = (name: string, item: Item, taken: boolean): Promise<Outcome> =>
  send(stockRoutes.tick, {
    of: 'basket',
    code: 'Basket',
    words: `${name} ${taken ? 'taken' : 'put back'}`,
    body: { id: newId(), item, taken },
  });
