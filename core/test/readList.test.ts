import { readIngredientList } from '@inch/core/formula';
import { kitchenCatalogue, namedIn, shippedCatalogue, warningFor } from '@inch/core/ingredient';
import fc from 'fast-check';
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

  // Each has a form or a kind that its plain name has not: it is that entry, and never the plain one.
  it.each(
    [
      '1 tsp almond extract|almond-extract;2 drops rose water|rose-water;a sprig of lemon balm|lemon-balm;1 tsp lemon oil|lemon-oil',
      '1 tsp vanilla essence|vanilla-essence;200 ml orange blossom water|orange-flower-water;100 ml rice vinegar|rice-vinegar',
      '3 prickly pears|cactus-pear;2 kg sugar cane|sugar-cane;5 sprigs lemon verbena|lemon-verbena;5 sprigs lemon thyme|lemon-thyme',
      '1 l almond milk|almond-milk;1 cup coconut milk|coconut-milk;30 g candied ginger|candied-ginger;10 g ginger powder|ground-ginger',
      '1 cup rhubarb juice|rhubarb-juice;1 tsp mint extract|peppermint-extract;1 tsp peppermint oil|peppermint-oil;100 g fig leaves|fig-leaf',
      '2 kg dried figs|dried-fig;1 kg frozen mango|frozen-mango;10 g apple pectin|pectin;1 cup grape juice|grape-juice;1 l birch syrup|birch-syrup',
      '200 g honeydew|honeydew;500 ml sparkling water|sparkling-water;5 g black salt|black-salt;3 blood oranges|blood-orange;2 lemons|lemon',
      '2 cups beet sugar|beet-sugar;1 cup tomato juice|tomato-juice;1 tbsp celery seed|celery-seed;10 g chilli flakes|chilli-flakes',
    ].flatMap((lines) => lines.split(';').map((line) => line.split('|') as [string, string])),
  )('"%s" is %s', (text, ingredientId) => {
    const { ingredientId: found, query } = one(text);
    expect({ found, query }).toEqual({ found: ingredientId, query: undefined });
  });

  it.each([
    ['1 kg damsons (pricked)', 'damson'],
    ['2 cups sugar (about 400 g)', 'sugar'],
    ['1 kg red currants, stripped', 'redcurrant'],
    ['1 kg red-currants', 'redcurrant'],
    ['10 elder-flower heads', 'elderflower'],
    ['500 ml cider vinegar (5%)', 'cider-vinegar'],
    ['1 kg cherries, sour, stoned', 'sour-cherry'],
    ['250 g fresh ginger root, peeled and finely grated', 'ginger'],
    ['200 ml freshly squeezed lemon juice', 'lemon-juice'],
  ])('"%s" is understood, every word of it', (text, ingredientId) => {
    const { ingredientId: found, query } = one(text);
    expect({ found, query }).toEqual({ found: ingredientId, query: undefined });
  });

  it('asks where brackets say something else, or an amount does not become grams', () => {
    expect(one('1 cup cherry (blossom)').query).toMatch(/cherry \(blossom\)/);
    expect(one('a glug of brandy').query).toMatch(/weigh/i);
    expect(one('4 oz lemon juice').query).toMatch(/weight or by volume/);
  });

  it('is never understood with a word put in that nobody knows', () => {
    const words = ['quux', 'zorbel', 'nectar', 'kernel', 'cream', 'jam', 'schnapps', 'smoked'];
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedCatalogue.all.map((entry) => entry.name)),
        fc.constantFrom(...words),
        fc.boolean(),
        (name, word, before) => {
          const line = one(`500 g ${before ? `${word} ${name}` : `${name} ${word}`}`);
          expect(line.query === undefined).toBe(false);
        },
      ),
    );
  });

  it.each([
    'foxgloves',
    'lily-of-the-valley',
    'monkshood root',
    'deadly nightshade berries',
    'leaves of rhubarb',
    'cherry-stones',
    'yew berries',
    'Holly berries',
    'apricot kernels, crushed',
    'oleanders',
    'stones of plums',
    'tomato leaves',
  ])('"%s" is refused', (name) => {
    expect(one(`1 cup ${name}`)).toMatchObject({ ingredientId: '', query: expect.any(String) });
    expect(warningFor(name)?.refuse).toBe(true);
  });

  it('with what is poisonous taken out is not refused', () => {
    for (const text of [
      'cherries, stones removed',
      'peaches without stones',
      'rhubarb, leaves removed',
      'cherry juice',
    ])
      expect(warningFor(text)).toBeUndefined();
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

describe('a jar told by its ounces', () => {
  it.each(['per 8 ounce jar', 'per 8-oz jar', 'in each 8 ounce jar', 'for every 8 oz jar'])(
    '“%s” is a bottle of what it holds, and no fruit',
    (said) => {
      const [line] = readIngredientList(`1/4 tsp citric acid ${said}\n1 kg plums`, shippedCatalogue);
      expect(line).toMatchObject({ ingredientId: 'citric-anhydrous', basis: { per: 'bottle', ml: 237 } });
      expect(line!.query).toBeUndefined();
    },
  );
});
