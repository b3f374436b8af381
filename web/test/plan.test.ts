import type { Container } from '@inch/contract/container';
import { shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountTyped, minorTyped } from '../src/plan/amount.ts';
import { axisOf, instantOn, lengthOf, placeOf } from '../src/plan/axis.ts';
import { kept, type LaidLot, movedTo } from '../src/plan/hours.ts';
import type { Kit } from '../src/plan/kit.ts';
import { makingOf, partsFor, usualContainer } from '../src/plan/making.ts';
import { receiptFromCsv } from '../src/plan/receipt.ts';
import { shoppingRows } from '../src/plan/shopping.ts';

const HOUR = 3_600_000;
const jar: Container = {
  id: '01930000-0000-7000-8000-000000000001',
  name: 'Half-pint jar',
  nominalMl: 237,
  heightMm: 98,
  diameterMm: 75,
  closure: 'two-piece lid',
};
const swing: Container = {
  ...jar,
  id: '01930000-0000-7000-8000-000000000002',
  name: 'Swing top',
  nominalMl: 250,
  closure: 'swing top',
};
const formula = {
  id: '01930000-0000-7000-8000-0000000000f1',
  name: 'Damson shrub',
  kind: 'shrub' as const,
  colour: '#4A2A5E',
  version: 1,
  versionId: 'v',
  savedAt: '2026-01-01T00:00:00.000Z',
  savedBy: 'Wren',
  lots: 0,
  archived: false,
  content: {
    lines: [
      { id: 'fruit', said: '3 kg', ingredientId: 'damson', stepId: 'wash' },
      { id: 'sugar', said: '1.8 kg', ingredientId: 'sugar', stepId: 'heat' },
    ],
    steps: [
      { id: 'wash', kind: 'prepare' as const, title: 'Wash', minutes: 40 },
      { id: 'heat', kind: 'heat' as const, title: 'Heat', minutes: 20 },
    ],
    storage: 'cold' as const,
    bottleMl: 250,
  },
};
const stockLot = (thing: string, quantity: number) => ({
  id: thing,
  code: 'S1',
  kind: 'ingredient' as const,
  thing,
  name: thing,
  quantity,
  left: quantity,
  said: '',
  words: '',
  supplier: '',
  costMinor: null,
  gotOn: '2026-11-01',
  bestBy: null,
  measured: null,
  allergens: [],
  leftBy: null,
  dividedFrom: null,
  by: 'Wren',
  takings: [],
  whyUnfit: null,
});
const kit: Kit = {
  kitchen: {
    id: 'k',
    name: 'Test',
    place: '',
    elevationMetres: 0,
    cupSchool: 'us',
    rulePack: 'eu',
    localStatement: '',
    criticalPh: 4.2,
    currency: 'GBP',
    timeZone: 'UTC',
    revision: 1,
    workshop: {
      burners: 2,
      hands: 1,
      cannerHolds: 7,
      cannerLoads: 2,
      hours: [],
      kwhMinor: 28,
      handsHourMinor: 1200,
      freezerGrams: 0,
    },
  },
  formulas: [formula],
  stock: [stockLot('sugar', 1000)],
  packs: [
    {
      id: 'bag',
      kind: 'ingredient',
      thing: 'sugar',
      said: 'bag of 1 kg',
      size: 1000,
      priceMinor: 125,
      supplier: 'Shop',
    },
  ],
  pans: [],
  containers: [jar, swing],
  past: [],
  catalogue: shippedCatalogue,
  setting: { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 },
  today: '2026-11-25',
};

describe('the rule of hours', () => {
  const day = (n: number) => ({ from: n * 24 * HOUR + 8 * HOUR, to: n * 24 * HOUR + 18 * HOUR });
  const axis = axisOf([day(0), day(1), day(9)], 6 * HOUR, 9 * 24 * HOUR + 20 * HOUR);

  it('every instant has its place, later ones further on, and a place leads back to its instant', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6 * 60, max: (9 * 24 + 20) * 60 - 1 }), (minute) => {
        const ms = minute * 60_000;
        const x = placeOf(axis, ms);
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(lengthOf(axis));
        expect(instantOn(axis, x)).toBeCloseTo(ms, -2);
        expect(placeOf(axis, ms + 60_000)).toBeGreaterThanOrEqual(x);
      }),
    );
  });

  it('a week in which nothing is done takes less room than two working hours', () => {
    const idle = placeOf(axis, day(9).from) - placeOf(axis, day(1).to);
    expect(idle).toBeLessThan(placeOf(axis, 10 * HOUR) - placeOf(axis, 8 * HOUR));
  });
});

describe('a step moved by hand', () => {
  const origin = '2026-12-17T08:00:00.000Z';
  const lot: LaidLot = {
    partId: 'one',
    name: 'Syrup',
    colour: '#8E1230',
    begun: null,
    day: {
      id: 'one',
      steps: [
        { id: 'reduce', title: 'Reduce', kind: 'reduce', minutes: 40, needs: {}, learned: 0, attended: true },
        {
          id: 'fill',
          title: 'Fill',
          kind: 'fill',
          minutes: 20,
          needs: { hands: 1 },
          learned: 0,
          atOnce: true,
        },
        { id: 'rest', title: 'Rest', kind: 'rest', minutes: 60, needs: {}, learned: 0 },
      ],
    },
  };
  const laid = kept(
    [
      { lotId: 'one', stepId: 'reduce', from: 0, to: 40 },
      { lotId: 'one', stepId: 'fill', from: 40, to: 60 },
      { lotId: 'one', stepId: 'rest', from: 60, to: 120 },
    ],
    [lot],
    origin,
  );

  it('is kept as instants, with whether somebody has to be there', () => {
    expect(laid.map((s) => [s.from.slice(11, 16), s.to.slice(11, 16), s.attended])).toEqual([
      ['08:00', '08:40', true],
      ['08:40', '09:00', true],
      ['09:00', '10:00', false],
    ]);
  });

  it('takes along what follows it at once, and nothing else; there and back is where it was', () => {
    const moved = movedTo(laid, [lot], laid[1]!, 30);
    expect(moved.map((s) => s.from.slice(11, 16))).toEqual(['08:30', '09:10', '09:00']);
    expect(movedTo(moved, [lot], moved[0]!, -30)).toEqual(laid);
  });
});

describe('the parts of a making', () => {
  const bottles = makingOf(formula, { by: 'bottles', bottles: 24 }, swing.id, kit);
  const fruit = makingOf(
    formula,
    { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: false },
    swing.id,
    kit,
  );

  it('together make the bottles wanted, and never more than the fruit there is', () => {
    const sum = (parts: { scale: number }[]) => parts.reduce((total, p) => total + p.scale, 0);
    expect(sum(partsFor(bottles, { by: 'bottles', bottles: 24 }, String))).toBeGreaterThanOrEqual(
      bottles.whole.scale,
    );
    const inHand = sum(
      partsFor(fruit, { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: false }, String),
    );
    expect(inHand * 3000).toBeLessThanOrEqual(11_000 + 1e-6);
    expect(inHand * 3000).toBeGreaterThan(10_990);
  });

  it('go into the bottle of the formula’s size, or into another, which changes how many there are', () => {
    expect(usualContainer(formula, kit)).toBe(swing.id);
    const small = makingOf(
      formula,
      { by: 'fruit', lineId: 'fruit', grams: 3000, trimmed: false },
      jar.id,
      kit,
    );
    expect(small.content.bottleMl).toBe(237);
  });

  it('need glass, what closes it and labels, one to a bottle', () => {
    const packaging = bottles.needs.filter((n) => n.kind === 'packaging');
    expect(packaging.map((n) => [n.name, n.amount])).toEqual([
      ['Swing top', 24],
      ['Swing-top rubbers', 24],
      ['Blank labels', 24],
    ]);
  });
});

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
    const two = shoppingRows([plan([part('a', null), part('b', null)])], kit).find(
      (r) => r.thing === 'sugar',
    )!;
    expect(two).toMatchObject({
      amount: 3600,
      inStock: 1000,
      short: 2600,
      packs: '3 × bag of 1 kg',
      shop: 'Shop',
    });
    const begun = { id: 'l', code: '7K2A' };
    const one = shoppingRows([plan([part('a', begun), part('b', null)])], kit).find(
      (r) => r.thing === 'sugar',
    )!;
    expect(one).toMatchObject({ amount: 1800, short: 800, packs: '1 × bag of 1 kg' });
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

  it('a price is in hundredths, with point or comma; anything else is none', () => {
    expect([minorTyped('12.50'), minorTyped('12,5'), minorTyped(''), minorTyped('dear')]).toEqual([
      1250,
      1250,
      null,
      null,
    ]);
  });
});

describe('a receipt out of a file', () => {
  it('is read by name, with its price and date, commas or semicolons', () => {
    const lines = receiptFromCsv(
      'what;amount;paid;best by;words\nwhite sugar;2 kg;2,50;2027-04-30;two bags\nFlat lids;24;;;\n',
      kit,
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
    expect(() => receiptFromCsv(text, kit)).toThrow(says);
  });
});
