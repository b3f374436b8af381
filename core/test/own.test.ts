import { type FormulaContent, forecast } from '@inch/core/formula';
import { kitchenCatalogue, measuredEntry, ownEntry, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const damson = shippedCatalogue.get('damson');
const on = '2026-09-14';
const plain = (ingredientId: string): FormulaContent => ({
  lines: [{ id: 'f', said: '1 kg', ingredientId }],
  steps: [],
  storage: 'cold',
  bottleMl: 250,
});
const read = (entry: ReturnType<typeof ownEntry>) =>
  forecast(plain(entry.id), {
    cup: 'us',
    elevationMetres: 0,
    criticalPh: 4.2,
    catalogue: kitchenCatalogue({ ingredients: [entry] }),
  });

describe('a fruit measured by the kitchen', () => {
  it('is forecast as it was measured, before the typical figures', () => {
    const f = read(measuredEntry(damson, { brix: 15.2, ph: 3.12, taPer100g: 1.7, on }));
    expect(f.brix).toBeCloseTo(15.2, 0);
    expect(f.ph!.middle).toBeCloseTo(3.12, 2);
    expect(f.taPercent!).toBeCloseTo((1.7 * 100) / (100 - damson.per100g.insoluble), 1);
  });
  it('keeps what was not measured typical, and narrows only what was', () => {
    const entry = measuredEntry(damson, { ph: 3.0, on });
    expect(entry).toMatchObject({
      acidity: { ph: [2.95, 3.0, 3.05], taPer100g: [1.6, 2.0, 2.5] },
      own: { from: 'measured', on },
    });
    expect(entry.per100g).toEqual(damson.per100g);
  });
  it('gives a low-acid thing a pH without making it any less low-acid', () => {
    const fig = measuredEntry(shippedCatalogue.get('fig'), { ph: 4.9, taPer100g: 0.2, on });
    expect(fig.lowAcid).toBe(true);
    expect(read(fig).ph!.middle).toBeCloseTo(4.9, 1);
  });
  it.each([
    [{ ph: 7, on }, /outside 1.5 to 6/],
    [{ brix: 90, on }, /outside 0 to 70/],
    [{ ph: 2.0, taPer100g: 0.3, on }, /no pH under/],
  ])('%j is refused with the reason', (measured, message) => {
    expect(() => measuredEntry(damson, measured)).toThrow(message);
  });
  it('is not how a vinegar or a crystal is known', () => {
    expect(() => measuredEntry(shippedCatalogue.get('cider-vinegar'), { ph: 2.8, on })).toThrow(/strength/);
  });
});

describe('a thing entered from its label', () => {
  const label = {
    id: 'own-x',
    name: 'X',
    labelName: 'x',
    family: 'juice' as const,
    sugars: 11,
    allergens: [],
    source: 'label',
    on,
  };
  it('has its acidity within a tenth of the label, and its pH within a tenth', () => {
    expect(ownEntry({ ...label, ph: 3.2, taPer100g: 0.8 }).acidity).toMatchObject({
      ph: [3.1, 3.2, 3.3].map((ph) => expect.closeTo(ph, 9)),
      taPer100g: [0.72, 0.8, 0.88].map((ta) => expect.closeTo(ta, 9)),
    });
  });
  it('counts as low-acid while its pH is not said, and gives no pH', () => {
    const entry = ownEntry(label);
    expect(entry.lowAcid).toBe(true);
    expect(read(entry).ph).toBeNull();
    expect(read(entry).brix).toBeCloseTo(11, 1);
  });
  it('with a measured pH and acidity is forecast as any other', () => {
    const f = read(ownEntry({ ...label, ph: 3.3, taPer100g: 0.9 }));
    expect(f.ph!.middle).toBeCloseTo(3.3, 2);
    expect(f.lowAcid).toBe(false);
  });
  it('of acids not known by kind keeps the higher pH of citric and malic both', () => {
    const entry = ownEntry({ ...label, ph: 3.3, taPer100g: 0.9 });
    const acidity = entry.acidity as Extract<typeof entry.acidity, { kind: 'juice' }>;
    const soured = (split: typeof acidity.split, splitUnknown: boolean) =>
      forecast(
        {
          ...plain(entry.id),
          lines: [...plain(entry.id).lines, { id: 'a', said: '6 g', ingredientId: 'citric-anhydrous' }],
        },
        {
          cup: 'us',
          elevationMetres: 0,
          criticalPh: 4.2,
          catalogue: kitchenCatalogue({
            ingredients: [{ ...entry, acidity: { ...acidity, split, splitUnknown } }],
          }),
        },
      ).ph!.middle;
    const [citric, malic] = [soured({ citric: 1 }, false), soured({ malic: 1 }, false)];
    expect(citric).not.toBeCloseTo(malic, 2);
    expect(soured({ citric: 1, malic: 1 }, true)).toBeCloseTo(Math.max(citric, malic), 6);
  });
  it('too weakly acid to be reckoned from pH and TA gives no pH', () => {
    expect(read(ownEntry({ ...label, ph: 5.4, taPer100g: 0.1 })).phWhy).toMatch(/not known well enough/);
  });
  it('as vinegar gives its acetic acid by weight; without a strength it is unknown', () => {
    expect(read(ownEntry({ ...label, family: 'vinegar', sugars: 0, acetic: 5.6 })).aceticPercent).toBeCloseTo(
      5.6,
      2,
    );
    expect(read(ownEntry({ ...label, family: 'vinegar', sugars: 0 })).ph).toBeNull();
  });
  it('cannot hold more than 100 g in 100 g', () => {
    expect(() => ownEntry({ ...label, sugars: 60, water: 60 })).toThrow(/more than 100 g/);
  });
});
