import { type FormulaContent, type FormulaLine, forecast, lineAmounts } from '@inch/core/formula';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const line = (ingredientId: string, said: string, stepId?: string): FormulaLine => ({
  id: `${ingredientId} ${said}`,
  said,
  ingredientId,
  ...(stepId ? { stepId } : {}),
});
const plain = (lines: FormulaLine[], more: Partial<FormulaContent> = {}): FormulaContent => ({
  lines,
  steps: [{ id: 'cook', kind: 'draw', title: 'Cook', killStep: true }],
  storage: 'cold',
  bottleMl: 250,
  ...more,
});

const cherry = plain(
  [
    line('sour-cherry', '4 kg', 'cook'),
    line('water', '3 cups', 'cook'),
    line('sugar', '1.9 kg', 'boil'),
    line('citric-anhydrous', '15 g', 'boil'),
  ],
  {
    steps: [
      { id: 'cook', kind: 'draw', title: 'Simmer', killStep: true },
      { id: 'drip', kind: 'strain', title: 'Drip', keeps: 0.72 },
      { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix: 52 },
    ],
    storage: 'shelf',
    processId: 'berry-syrup',
  },
);

describe('the forecast of a formula', () => {
  it('of sugar and water is their mass fraction', () => {
    const f = forecast(plain([line('sugar', '500 g'), line('water', '500 g')]), setting);
    expect(f.brix).toBeCloseTo((100 * 500 * 0.999) / 1000, 1);
    expect(f.grams).toBeCloseTo(1000, 6);
    expect(f.millilitres).toBeCloseTo(1000 / 1.2293, 0); // NBS C440 at 49.95 °Bx
  });

  it('of citric acid in water is the equilibrium pH', () => {
    const f = forecast(plain([line('citric-anhydrous', '19.25 g'), line('water', '1000 g')]), setting);
    expect(f.ph!.middle).toBeCloseTo(2.08, 1);
    expect(f.taPercent).toBeCloseTo((100 * 19.21) / 1019.25, 1);
  });

  it('of a fruit alone is its own published pH, inside its band', () => {
    for (const entry of catalogue) {
      // A dried fruit is no juice by itself: its figures are the fresh fruit's.
      if (entry.acidity.kind !== 'juice' || entry.family === 'sugar' || entry.dried) continue;
      const f = forecast(plain([line(entry.id, '1000 g')]), setting);
      expect(f.ph!.middle, entry.id).toBeCloseTo(entry.acidity.ph[1], 1);
      expect(f.ph!.high, entry.id).toBeGreaterThan(entry.acidity.ph[1]);
      expect(f.ph!.low, entry.id).toBeLessThan(entry.acidity.ph[1]);
    }
  });

  it('stops a reduction at its Brix by boiling water off, and never by adding any', () => {
    const f = forecast(cherry, setting);
    const boiled = f.steps.find((s) => s.stepId === 'boil')!;
    expect(f.brix).toBeGreaterThanOrEqual(51.9);
    if (boiled.evaporated === 0) expect(boiled.note).toMatch(/nothing is boiled off/);
    const stiffer = forecast(
      { ...cherry, steps: cherry.steps.map((s) => (s.id === 'boil' ? { ...s, toBrix: 65 } : s)) },
      setting,
    );
    expect(stiffer.brix).toBeCloseTo(65, 1);
    expect(stiffer.steps.at(-1)!.evaporated).toBeGreaterThan(0);
  });

  it('of spirit is its share of the volume', () => {
    const steps: FormulaContent['steps'] = [{ id: 'cook', kind: 'add', title: 'Stir in, cold' }];
    const cold = forecast(plain([line('vodka', '15 ml'), line('water', '485 ml')], { steps }), setting);
    expect(cold.abv).toBeCloseTo(1.2, 1);
  });

  it('counts acetic acid from the vinegar by weight', () => {
    const f = forecast(plain([line('cider-vinegar', '500 g'), line('water', '500 g')]), setting);
    expect(f.aceticPercent).toBeCloseTo(2.5, 2);
  });

  it('shows the heat process of its altitude and the sentence that says what carries it', () => {
    const published = {
      ...cherry,
      lines: cherry.lines.filter((l) => l.ingredientId !== 'citric-anhydrous'),
      steps: cherry.steps.map((s) => (s.id === 'boil' ? { ...s, toBrix: 60 } : s)),
    };
    const f = forecast(published, setting);
    expect(f.processMinutes).toBe(15);
    expect(f.holds).toBeNull();
    expect(f.keeping.class).toBe('shelf');
    expect(f.reason).toMatch(/^If it comes out as forecast/);
    expect(f.reason).toMatch(/Measure pH before you release it/);
    expect(f.reason).not.toMatch(/\bsafe\b/i);
  });

  it.each<[string, Partial<FormulaContent>, RegExp]>([
    ['with an acid that the source has not', {}, /tested without citric anhydrous/],
    ['thinner than the source’s proportions', {}, /55 to 64 °Bx, this is forecast at 52\.0/],
    ['in a larger jar', { bottleMl: 950 }, /its largest jar holds 475 mL, this one 950 mL/],
    ['by a process in no list', { processId: 'a-neighbour-says' }, /in no list/],
  ])('never promises a year %s: it would not be released', (_, more, why) => {
    const f = forecast({ ...cherry, ...more }, setting);
    expect(f.keeping.class).toBe('none');
    expect(f.processFault).toMatch(why);
    expect(f.reason).toMatch(/^It would not be released: /);
    expect(f.reason).toMatch(why);
    expect(f.reason).not.toMatch(/month|measured/);
  });

  it('holds a process against the kind of product, where it is known', () => {
    expect(forecast(cherry, { ...setting, kind: 'shrub' }).processFault).toMatch(
      /tested for a syrup, not for a shrub/,
    );
    expect(forecast({ ...cherry, storage: 'cold' }, setting).processFault).toBeNull();
  });
});

describe('low-acid things', () => {
  it.each(['spruce-tip', 'fig', 'elderflower', 'ginger', 'carrot', 'tomato', 'coffee', 'watermelon'])(
    '%s in syrup is caught by the forecast, whatever its name',
    (id) => {
      const f = forecast(plain([line(id, '400 g'), line('water', '1 kg'), line('sugar', '900 g')]), setting);
      expect(f.lowAcid).toBe(true);
      expect(f.holds).toMatch(/low-acid/);
      expect([f.ph, f.taPercent]).toEqual([null, null]);
    },
  );
  it('are not caught as a pinch beside sharp fruit', () => {
    const f = forecast(
      plain([line('sour-cherry', '2 kg'), line('vanilla', '1 each'), line('sugar', '1 kg')]),
      setting,
    );
    expect(f.lowAcid).toBe(false);
    expect(f.holds).toBeNull();
    expect(f.cautions.some((c) => /low-acid/.test(c.text))).toBe(true);
  });
  it('plain sugar syrup has nothing acid in it and would be held', () => {
    expect(forecast(plain([line('sugar', '1 kg'), line('water', '1 kg')]), setting).holds).toMatch(
      /nothing acid/,
    );
  });
  it('a vinegar of unknown strength gives no figure', () => {
    const f = forecast(plain([line('home-vinegar', '500 g'), line('damson', '1 kg')]), setting);
    expect(f.ph).toBeNull();
    expect(f.phWhy).toMatch(/home-made vinegar/);
  });
});

describe('laws', () => {
  const some = fc.constantFrom(
    'sour-cherry',
    'damson',
    'lemon-juice',
    'sugar',
    'water',
    'citric-anhydrous',
    'cider-vinegar',
    'honey',
  );
  const lines = fc
    .array(fc.tuple(some, fc.integer({ min: 5, max: 3000 })), { minLength: 1, maxLength: 8 })
    .map((list) =>
      list.map(([id, grams], i) => ({ ...line(id, `${grams} g`, i % 2 ? 'boil' : 'cook'), id: String(i) })),
    );
  const steps = (keeps: number, toBrix: number): FormulaContent['steps'] => [
    { id: 'cook', kind: 'draw', title: 'Cook', killStep: true },
    { id: 'drip', kind: 'strain', title: 'Drip', keeps },
    { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix },
  ];

  it('what goes in is what comes out, what stays in the cloth and what boils off', () => {
    fc.assert(
      fc.property(
        lines,
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.integer({ min: 20, max: 70 }),
        (list, keeps, toBrix) => {
          const f = forecast({ ...plain(list), steps: steps(keeps, toBrix) }, setting);
          const inGrams = f.lines.reduce((sum, l) => sum + l.grams!, 0);
          const out = f.steps.reduce((sum, s) => sum + s.retained + s.evaporated, f.grams);
          // What fruit added after the cloth does not dissolve stays in the bottle and is not liquid.
          const undissolved = list
            .filter((l) => l.stepId === 'boil')
            .reduce(
              (sum, l) =>
                sum +
                (Number.parseFloat(l.said) *
                  catalogue.find((c) => c.id === l.ingredientId)!.per100g.insoluble) /
                  100,
              0,
            );
          expect(out + undissolved).toBeCloseTo(inGrams, 0);
        },
      ),
      { numRuns: draws(60) },
    );
  });

  it('k times everything is k times the mass, with the same °Bx, pH and a_w but for what the longer boil of it splits', () => {
    fc.assert(
      fc.property(lines, fc.integer({ min: 2, max: 9 }), (list, k) => {
        const scaled = list.map((l) => ({ ...l, said: `${Number.parseFloat(l.said) * k} g` }));
        const [one, many] = [
          forecast({ ...plain(list), steps: steps(0.7, 50) }, setting),
          forecast({ ...plain(scaled), steps: steps(0.7, 50) }, setting),
        ];
        // A larger batch boils longer. At the most all its sucrose splits: it takes up 5.3 % of its weight in water, and two sugars hold more.
        expect(Math.abs(many.grams / one.grams / k - 1)).toBeLessThan(0.055);
        expect(Math.abs(many.brix - one.brix)).toBeLessThan(0.5 + 0.055 * Math.max(one.brix, many.brix));
        expect(Math.abs((many.waterActivity ?? 0) - (one.waterActivity ?? 0))).toBeLessThan(0.06);
        expect(Math.abs((many.ph?.middle ?? 0) - (one.ph?.middle ?? 0))).toBeLessThan(0.15);
      }),
      { numRuns: draws(40) },
    );
  });

  it('more acid never raises the pH', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 60 }), (grams, more) => {
        const ph = (g: number) =>
          forecast(
            plain([line('damson', '2 kg'), line('sugar', '1 kg'), line('citric-anhydrous', `${g + 1} g`)]),
            setting,
          ).ph!.middle;
        expect(ph(grams + more)).toBeLessThanOrEqual(ph(grams) + 1e-6);
      }),
      { numRuns: draws(25) },
    );
  });
});

describe('a line that cannot be weighed', () => {
  it.each([
    ['sugar', '8 oz', 'weight-or-volume'],
    ['water', '8 oz', 'weight-or-volume'],
  ])('%s, %s asks', (id, said, kind) => {
    const [amount] = lineAmounts(plain([line(id, said)]), setting, 719);
    expect(amount).toMatchObject({ grams: null, askKind: kind });
  });
  it('asks which country’s cup while the kitchen has not said', () => {
    const nowhere = { ...setting, cup: undefined };
    expect(lineAmounts(plain([line('sugar', '2 cups')]), nowhere, 719)[0]).toMatchObject({
      grams: null,
      askKind: 'cup-school',
    });
  });
  it('is left out and asked about, never invented', () => {
    const f = forecast(plain([line('damson', '1 kg'), line('sugar', ''), line('nothing', '3 g')]), setting);
    expect(f.complete).toBe(false);
    expect(f.lines.filter((l) => l.asks)).toHaveLength(2);
    expect(f.grams).toBeLessThan(1000);
  });
});
