import { type Basket, NewReceipt, stockRoutes } from '@inch/contract/kitchen/stock';
import { plural, priceShown, signedWeight, weight } from '@inch/core/quantity';
import { useState } from 'react';
import type { FieldPath } from 'react-hook-form';
import { toast } from 'sonner';
import { newId } from '../data/api.ts';
import type { Planning } from '../data/planning.ts';
import { send } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { amountTyped } from './amount.ts';
import type { ReceiptLine } from './receipt.ts';

interface Answers {
  supplier: string;
  gotOn: string;
  lines: ReceiptLine[];
}

const fromBasket = (basket: Basket, names: ReadonlyMap<string, string>, currency: string): ReceiptLine[] =>
  basket.map((item) => ({
    key: newId(),
    kind: item.kind,
    thing: item.thing,
    name: names.get(item.thing) ?? item.thing,
    amount: item.kind === 'ingredient' ? weight(item.amount) : String(Math.round(item.amount)),
    paid: item.paidMinor == null ? '' : priceShown(item.paidMinor, currency),
    bestBy: '',
    words: item.said,
  }));

/** A line of an ingredient that was not on the list. */
export const lineOf = (thing: string, name: string): ReceiptLine => ({
  key: newId(),
  kind: 'ingredient',
  thing,
  name,
  amount: '',
  paid: '',
  bestBy: '',
  words: '',
});

/** The form of a receipt: each line under an id of its own, all of it written or nothing. */
export function useReceipt(
  planning: Planning,
  basket: Basket,
  names: ReadonlyMap<string, string>,
  onClose: () => void,
) {
  const { kitchen, catalogue, today } = planning;
  const [empty] = useState<Answers>(() => ({
    supplier: '',
    gotOn: today,
    lines: fromBasket(basket, names, kitchen.currency),
  }));
  return useDeedForm({
    of: 'stock',
    draft: 'receipt',
    empty,
    schema: NewReceipt,
    read: (a, fields) => ({
      supplier: a.supplier,
      gotOn: a.gotOn,
      lines: a.lines.map((line, i) => ({
        id: line.key,
        kind: line.kind,
        thing: line.thing,
        said: line.kind === 'ingredient' ? signedWeight(line.amount, 'light') : line.amount,
        amount: fields.taken(
          `lines.${i}.amount`,
          amountTyped(line.amount, line, catalogue, kitchen.cupSchool),
        ),
        paidMinor: fields.price(`lines.${i}.paid`, kitchen.currency),
        bestBy: line.bestBy || null,
        words: line.words,
      })),
    }),
    fieldAt: (path) =>
      (path.startsWith('lines.')
        ? path.replace(/^lines\.(\d+)$/, 'lines.$1.amount').replace('paidMinor', 'paid')
        : path) as FieldPath<Answers>,
    write: (body) =>
      send(stockRoutes.receive, {
        of: 'stock',
        code: 'Receipt',
        words: `${plural(body.lines.length, 'line')} added to stock`,
        body,
      }),
    after: (outcome) => {
      if (outcome.sent)
        toast.success(`Added to stock: ${outcome.answer.stock.map((s) => s.code).join(', ')}`, {
          description: 'Write the codes on the bags.',
        });
      onClose();
    },
  });
}
export type ReceiptForm = ReturnType<typeof useReceipt>;
