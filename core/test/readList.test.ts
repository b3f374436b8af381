import { readIngredientList } from '@inch/core/formula';
import { kitchenCatalogue, namedIn, shippedCatalogue, warningFor } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const one = (text: string) => readIngredientList(text, shippedCatalogue)[0]!;

describe('a pasted line', () => {
  it.each([
    ['2 kg sour cherries, stoned', '2 kg', 'sour-cherry'],
    ['- 2 1/4 cups white sugar', '2 1/4 cups', 'sugar'],
    ['500g damsons', '500 g', 'damson'],
    ['3) 1 lb 6 oz brown sugar', '1 lb 6 oz', 'brown-sugar'],
    ['sugar, 750 g', '750 g', 'sugar'],
    ['Water: 1½ litres', '1½ litres', 'water'],
    ['300 ml apple cider vinegar (5%)', '300 ml', 'cider-vinegar'],
    ['juice of 2 lemons', '2', 'lemon-juice'],
    ['zest of 1 orange', '1', 'orange-peel'],
    ['8 or 9 sprigs of mint', '8 or 9 sprigs', 'mint'],
    ['10 cloves', '10', 'clove'],
    ['20 g citric acid', '20 g', 'citric-anhydrous'],
    ['a glug of brandy', 'a glug', 'brandy'],
    ['1 kg frozen raspberries', '1 kg', 'frozen-raspberry'],
    ['1 kg raspberries', '1 kg', 'raspberry'],
  ])('"%s" is %s of %s', (text, said, ingredientId) => {
    const line = one(text);
    expect({ said: line.said, ingredientId: line.ingredientId, query: line.query }).toEqual({
      said,
      ingredientId,
      query: undefined,
    });
  });

  it.each([
    ['a cup of sugar per litre of juice', { per: 'yield', by: 'volume' }, 'a cup'],
    ['1 teaspoon lemon juice in each jar', { per: 'bottle' }, '1 teaspoon'],
  ])('"%s" keeps its basis', (text, basis, said) => {
    expect(one(text)).toMatchObject({ basis, said });
  });

  it('that has no amount, or names nothing known, is asked about and not dropped', () => {
    expect(one('water')).toMatchObject({
      said: '',
      ingredientId: 'water',
      query: expect.stringMatching(/How much/),
    });
    expect(one('2 cups moonbeams')).toMatchObject({
      said: '2 cups',
      ingredientId: '',
      query: expect.stringMatching(/not in the catalogue/),
    });
  });
  it('of a poisonous plant is refused with the reason', () => {
    expect(one('1 cup lily of the valley')).toMatchObject({
      ingredientId: '',
      query: expect.stringMatching(/poisonous/),
    });
    expect(warningFor('Rhubarb leaves, chopped')!.why).toMatch(/stalks/);
    expect(warningFor('rhubarb')).toBeUndefined();
    expect(warningFor('yewless')).toBeUndefined();
  });
});

describe('a pasted list', () => {
  it('follows the fruit, the juice and named lines', () => {
    const lines = readIngredientList(
      'For the cordial:\n\n1 kg gooseberries\nas much sugar as fruit\nhalf the weight of the fruit in honey\nequal volume of cider vinegar to juice\ntwice as much water as sugar\n',
      shippedCatalogue,
    );
    expect(lines.map((l) => [l.number, l.said, l.ingredientId, l.basis])).toEqual([
      [3, '1 kg', 'gooseberry', undefined],
      [4, '1', 'sugar', { per: 'line', lineId: 'line3', by: 'weight' }],
      [5, '1/2', 'honey', { per: 'line', lineId: 'line3', by: 'weight' }],
      [6, '1', 'cider-vinegar', { per: 'yield', by: 'volume' }],
      [7, '2', 'water', { per: 'line', lineId: 'line4', by: 'weight' }],
    ]);
  });
  it('asks where a line follows what is not there', () => {
    expect(readIngredientList('as much sugar as quince', shippedCatalogue)[0]!.query).toMatch(
      /not in the list/,
    );
  });
  it('knows the kitchen’s own measures and things', () => {
    const own = kitchenCatalogue({
      measures: [{ name: 'ladle', ingredientId: null, grams: null, millilitres: 120 }],
    });
    expect(readIngredientList('2 ladles sugar', own)[0]).toMatchObject({
      said: '2 ladles',
      ingredientId: 'sugar',
    });
  });
});

describe('a name', () => {
  it('that fits several is told with all of them', () => {
    const { entry, others } = namedIn('currants', shippedCatalogue);
    expect(entry).toBeUndefined();
    expect(others.map((o) => o.id)).toEqual(expect.arrayContaining(['redcurrant']));
  });
  it('of nothing is nothing', () => {
    expect(namedIn('of the', shippedCatalogue)).toEqual({ entry: undefined, others: [] });
  });
  it('finds every entry of the catalogue by the name it has', () => {
    const missed = shippedCatalogue.all.filter((e) => namedIn(e.name, shippedCatalogue).entry?.id !== e.id);
    expect(missed.map((e) => e.name)).toEqual([]);
  });
});
