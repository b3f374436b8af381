import { shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';
import { amountTyped } from '../src/plan/amount.ts';
import { withTicks } from '../src/plan/basket.ts';
import { receiptFromCsv } from '../src/plan/receipt.ts';
import { shoppingRows } from '../src/plan/shopping.ts';
import { formula, planning, swing } from './planningFixture.ts';

describe('the shopping list of plans', () => {
  const part = (id: string, lot: { id: string; code: string } | null) => ({ id, scale: 1, lot });
  const plan = (parts: ReturnType<typeof part>[]) => ({
    id: 'p',
    name: 'The fair',
    due: null,
    revision: 1,
    done: false,
    savedAt: '',
    savedBy: '',
    steps: [],
    items: [
      {
        id: 'i',
        formulaId: formula.id,
        want: { by: 'bottles' as const, bottles: 12 },
        containerId: swing.id,
        priceMinor: null,
        bought: null,
        parts,
      },
    ],
  });

  it('is of what is not begun yet, less what is in stock, in packs', () => {
    const two = shoppingRows([plan([part('a', null), part('b', null)])], planning).find(
      (r) => r.thing === 'sugar',
    )!;
    expect(two).toMatchObject({
      amount: expect.closeTo(3600, 6),
      inStock: 1000,
      short: expect.closeTo(2600, 6),
      packs: '3 × bag of 1 kg',
      shop: 'Shop',
    });
    const begun = { id: 'l', code: '7K2A' };
    const one = shoppingRows([plan([part('a', begun), part('b', null)])], planning).find(
      (r) => r.thing === 'sugar',
    )!;
    expect(one).toMatchObject({
      amount: expect.closeTo(1800, 6),
      short: expect.closeTo(800, 6),
      packs: '1 × bag of 1 kg',
    });
  });
});

describe('an amount and a price as they are typed', () => {
  const sugar = { kind: 'ingredient' as const, thing: 'sugar' };

  it('a bare number is grams, or pieces; a measure is converted', () => {
    expect(amountTyped('250', sugar, shippedCatalogue, 'us')).toBe(250);
    expect(amountTyped('2 kg', sugar, shippedCatalogue, 'us')).toBe(2000);
    expect(amountTyped('24', { kind: 'packaging', thing: 'label' }, shippedCatalogue, null)).toBe(24);
    expect(amountTyped('2.5', { kind: 'packaging', thing: 'label' }, shippedCatalogue, null)).toMatch(
      /whole number/,
    );
    expect(amountTyped('2 kg', { kind: 'ingredient', thing: '' }, shippedCatalogue, null)).toMatch(
      /Choose what it is/,
    );
  });
});

describe('ticks that wait on the phone', () => {
  const item = { kind: 'ingredient' as const, thing: 'sugar', said: '2 × bag', amount: 2000, paidMinor: 250 };
  const tick = (number: number, taken: boolean, problem: string | null = null) => ({
    number,
    noun: 'basket',
    of: 'basket' as const,
    address: '/api/basket',
    since: '2026-11-25T10:00:00.000Z',
    lotId: '',
    code: 'Basket',
    accountId: 'a',
    words: '',
    problem,
    body: { id: `${number}`, item, taken },
  });
  const things = (waiting: ReturnType<typeof tick>[]) => withTicks([], waiting).map((b) => b.thing);

  it('count as the last one says, and not where the server would not take them', () => {
    expect(things([tick(1, true)])).toEqual(['sugar']);
    expect(things([tick(1, true), tick(2, false)])).toEqual([]);
    expect(things([tick(1, true), tick(2, true)])).toEqual(['sugar']);
    expect(things([tick(1, true, 'refused')])).toEqual([]);
  });
});

describe('a receipt out of a file', () => {
  it('is read by name, with its price and date, commas or semicolons', () => {
    const lines = receiptFromCsv(
      'what;amount;paid;best by;words\nwhite sugar;2 kg;2,50;2027-04-30;two bags\nFlat lids;24;;;\n',
      planning,
    );
    expect(lines).toMatchObject([
      {
        kind: 'ingredient',
        thing: 'sugar',
        amount: '2 kg',
        paid: '2,50',
        bestBy: '2027-04-30',
        words: 'two bags',
      },
      { kind: 'packaging', thing: 'lid:two-piece', amount: '24', paid: '' },
    ]);
  });

  it.each([
    ['what\nsugar', 'the header needs the columns "what" and "amount"'],
    ['what,amount', 'no line under the header'],
    ['what,amount\nstardust,2 kg', 'Line 2: "stardust" is not in the catalogue'],
    ['what,amount\nsugar,some', 'Line 2:'],
    ['what,amount,paid\nsugar,2 kg,dear', 'Line 2: "dear" is not a price'],
    ['what,amount,best by\nsugar,2 kg,30/4/27', 'Line 2: write the date as 2027-04-30'],
    ['what,amount\nsugar,2 kg,extra,more', 'Line 2: it has not as many columns'],
  ])('%j is refused with what to do', (text, says) => {
    expect(() => receiptFromCsv(text, planning)).toThrow(says);
  });
});
