import { acidsFromPhAndTa, equilibriumPh } from '@inch/core/acid';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

describe('the catalogue', () => {
  it('has at least 40 entries with unique ids and a source each', () => {
    expect(catalogue.length).toBeGreaterThanOrEqual(40);
    expect(new Set(catalogue.map((i) => i.id)).size).toBe(catalogue.length);
    for (const entry of catalogue) expect(entry.source, entry.id).not.toBe('');
  });

  it('never adds up to more than the whole', () => {
    for (const entry of catalogue) {
      const sum = Object.values(entry.per100g).reduce((a, b) => a + b, 0);
      const acid = entry.acidity.kind === 'juice' ? entry.acidity.taPer100g[1] : 0;
      expect(sum + acid, entry.id).toBeLessThanOrEqual(100.6);
    }
  });

  it('marks the low-acid things of the trade', () => {
    const ids = [
      'fig',
      'date',
      'papaya',
      'melon',
      'banana',
      'mango',
      'white-peach',
      'persimmon',
      'elderberry',
      'cherry',
      'mulberry',
      'tomato',
      'cucumber',
      'watermelon',
      'pumpkin',
      'carrot',
      'beet',
      'celery',
      'chilli',
      'lychee',
      'coconut-water',
      'ginger',
      'mint',
      'elderflower',
      'spruce-tip',
      'vanilla',
      'black-tea',
      'coffee',
    ];
    for (const id of ids) expect(catalogue.find((i) => i.id === id)?.lowAcid, id).toBe(true);
    expect(catalogue.find((i) => i.id === 'hibiscus')?.lowAcid).toBe(false);
  });

  const juices = catalogue.filter((i) => i.acidity.kind === 'juice');
  it.each(juices.map((i) => [i.id, i] as const))('%s: its acids give back its published pH', (_, entry) => {
    if (entry.acidity.kind !== 'juice') throw new Error('not a juice');
    const { ph, taPer100g, split } = entry.acidity;
    for (const [p, ta] of [
      [ph[1], taPer100g[1]],
      [ph[2], taPer100g[0]],
    ] as const) {
      const juice = acidsFromPhAndTa({ ph: p, taCitric: (ta * 1000) / entry.per100g.water, split });
      if (p === ph[1]) expect(juice.flags).not.toContain('refused');
      const back = equilibriumPh(juice).ph;
      expect(back).toBeGreaterThanOrEqual(ph[0] - 1e-6);
      expect(back).toBeLessThanOrEqual(ph[2] + 1e-6);
    }
  });
});

describe('crystals of acid', () => {
  const crystals = shippedCatalogue.all.filter(
    (e) => e.acidity.kind === 'acid' && !e.liquid && e.gramsPerMl?.spoon,
  );
  it.each(crystals.map((e) => [e.id, e] as const))(
    'a tablespoon of %s weighs between 8 and 20 g',
    (_, entry) => {
      const spoon = 14.787 * entry.gramsPerMl!.spoon!;
      expect(spoon).toBeGreaterThan(8);
      expect(spoon).toBeLessThan(20);
      // Of the same crystals a mL weighs the same in a cup as in a spoon.
      expect(entry.gramsPerMl!.cup).toBe(entry.gramsPerMl!.spoon);
    },
  );
});
