import {
  type FormulaContent,
  forecast,
  SWEET_AIMS,
  sameWith,
  sweetExchanges,
  sweetMeasures,
} from '@inch/core/formula';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const sugar = shippedCatalogue.get('sugar');
const to = (id: string, aim: Parameters<typeof sweetExchanges>[2], grams = 1000) =>
  sweetExchanges(sugar, grams, aim, catalogue).find((one) => one.ingredient.id === id);

describe('a sugar exchanged for what it is there for', () => {
  it('is as sweet: xylitol by its weight, erythritol by half as much again, an intense one by a few grams', () => {
    expect(to('xylitol', 'sweetness')!.grams).toBeCloseTo(1004, 0);
    expect(to('erythritol', 'sweetness')!.grams).toBeCloseTo(999 / (0.65 * 0.995), 0);
    expect(to('sucralose', 'sweetness')!.grams).toBeLessThan(2);
    expect(to('stevia', 'sweetness')!.grams).toBeLessThan(6);
  });

  it('keeps its figure, whichever it is, and tells what of the others is lost or gained', () => {
    for (const { aim } of SWEET_AIMS)
      for (const other of sweetExchanges(sugar, 1000, aim, catalogue)) {
        const [before, after] = [
          sweetMeasures(sugar)[aim] * 1000,
          sweetMeasures(other.ingredient)[aim] * other.grams,
        ];
        expect(after / before, `${aim} ${other.ingredient.id}`).toBeCloseTo(1, 9);
      }
    expect(to('sucralose', 'sweetness')!.changes.join('; ')).toMatch(
      /dissolved solids is lost.*body is lost.*keeping is lost/,
    );
    expect(to('dextrose', 'solids')!.changes.join('; ')).toMatch(/30 % less sweetness/);
    expect(to('dextrose', 'solids')!.changes.join('; ')).toMatch(/90 % more keeping/);
  });

  it('never offers an intense sweetener by weight, body or keeping', () => {
    for (const aim of ['solids', 'body', 'keeping'] as const)
      for (const id of ['stevia', 'sucralose', 'monk-fruit', 'saccharin', 'acesulfame', 'aspartame'])
        expect(to(id, aim), `${aim} ${id}`).toBeUndefined();
    expect(sweetExchanges(shippedCatalogue.get('sucralose'), 1, 'solids', catalogue)).toEqual([]);
  });

  it('is nothing for what is not sweet', () => {
    expect(sweetExchanges(shippedCatalogue.get('water'), 100, 'sweetness', catalogue)).toEqual([]);
  });
});

describe('a fruit for another', () => {
  const setting = { cup: 'us' as const, elevationMetres: 0, criticalPh: 4.2, catalogue: shippedCatalogue };
  const content: FormulaContent = {
    lines: [
      { id: 'fruit', said: '2 kg', ingredientId: 'sour-cherry', stepId: 'cook' },
      { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'cook' },
    ],
    steps: [{ id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', killStep: true }],
    storage: 'cold',
    bottleMl: 250,
  };

  it('says what its label and its keeping say otherwise', () => {
    const swap = sameWith(content, setting, {
      lineId: 'fruit',
      ingredientId: 'dried-apricot',
      kind: 'syrup',
    });
    expect(swap.label.join('; ')).toMatch(
      /names dried apricots.*no longer names sour cherries.*allergen: sulphites/,
    );
    const low = sameWith(content, setting, { lineId: 'fruit', ingredientId: 'fig', kind: 'syrup' });
    expect(forecast(content, setting).keeping.time).not.toEqual(low.after.keeping.time);
    expect(low.keeping).toMatch(/^It keeps .+, where it was .+/);
  });
});
