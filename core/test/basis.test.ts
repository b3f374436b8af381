import { type FormulaContent, type FormulaLine, forecast, lineAmounts } from '@inch/core/formula';
import { kitchenCatalogue, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const steps: FormulaContent['steps'] = [
  { id: 'trim', kind: 'prepare', title: 'Trim', keeps: 0.8 },
  { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', killStep: true },
  { id: 'drip', kind: 'strain', title: 'Drip', keeps: 0.75 },
  { id: 'add', kind: 'add', title: 'Stir in' },
];
const fruit: FormulaLine = { id: 'fruit', said: '2 kg', ingredientId: 'damson', stepId: 'trim' };
const make = (
  line: Omit<FormulaLine, 'id' | 'ingredientId'> & { ingredientId?: string },
  more: Partial<FormulaContent> = {},
) => ({
  lines: [fruit, { id: 'it', ingredientId: 'sugar', ...line }],
  steps,
  storage: 'cold' as const,
  bottleMl: 250,
  ...more,
});
const amount = (content: FormulaContent, weighing = setting) => lineAmounts(content, weighing, 719).at(-1)!;

describe('a line that follows another', () => {
  const follows = (said: string, by: 'weight' | 'volume' = 'weight') =>
    amount(make({ said, stepId: 'cook', basis: { per: 'line', lineId: 'fruit', by } }));
  it.each([
    ['as much', 1600],
    ['half', 800],
    ['1:2', 800],
    ['3/4', 1200],
    ['60 %', 960],
    ['twice', 3200],
  ])('"%s" of 2 kg of fruit, trimmed to 1.6 kg, is %d g', (said, grams) => {
    expect(follows(said).grams).toBeCloseTo(grams, 6);
  });
  it('by so much a kilogram of it', () => {
    expect(follows('250 g').grams).toBeCloseTo(400, 6);
  });
  it('by volume goes by what a cup of each weighs', () => {
    // A cup of damsons is 160 g, of sugar 200 g: 1,600 g of fruit is ten cups.
    expect(follows('equal', 'volume').grams).toBeCloseTo(2000, 0);
  });
  it('takes a range, and says both ends', () => {
    expect(follows('1/2 to 3/4')).toMatchObject({ grams: 1000, range: [800, 1200] });
  });
  it('goes along when the other changes', () => {
    const content = make({
      said: 'half',
      stepId: 'cook',
      basis: { per: 'line', lineId: 'fruit', by: 'weight' },
    });
    const more = { ...content, lines: [{ ...fruit, said: '3 kg' }, content.lines[1]!] };
    expect(amount(more).grams! / amount(content).grams!).toBeCloseTo(1.5, 9);
  });
  it('asks where the other has no amount, goes in later, or is itself', () => {
    const open = make({
      said: 'half',
      stepId: 'cook',
      basis: { per: 'line', lineId: 'fruit', by: 'weight' },
    });
    expect(amount({ ...open, lines: [{ ...fruit, said: '' }, open.lines[1]!] }).asks).toMatch(
      /no amount yet/,
    );
    expect(amount({ ...open, lines: [{ ...fruit, stepId: 'add' }, open.lines[1]!] }).asks).toMatch(
      /goes in later/,
    );
    expect(amount(make({ said: 'half', basis: { per: 'line', lineId: 'it', by: 'weight' } })).asks).toMatch(
      /Which line/,
    );
  });
  it('a ring of lines asks instead of going round', () => {
    const ring = make({ said: 'half', basis: { per: 'line', lineId: 'fruit', by: 'weight' } });
    const round: FormulaContent = {
      ...ring,
      lines: [{ ...fruit, said: 'half', basis: { per: 'line', lineId: 'it', by: 'weight' } }, ring.lines[1]!],
    };
    for (const line of lineAmounts(round, setting, 719)) expect(line.asks).toBeDefined();
  });
});

describe('a line by the juice', () => {
  const byJuice = (said: string, by: 'weight' | 'volume', stepId = 'add') =>
    amount(make({ said, stepId, basis: { per: 'yield', by } }));
  it('is what drained, by weight', () => {
    const drained = forecast({ ...make({ said: '' }), lines: [fruit] }, setting).grams;
    expect(byJuice('as much', 'weight').grams).toBeCloseTo(drained, 6);
  });
  it('a cup a litre is 200 g for each litre that drained', () => {
    const litres = forecast({ ...make({ said: '' }), lines: [fruit] }, setting).millilitres / 1000;
    expect(byJuice('1 cup', 'volume').grams).toBeCloseTo(200 * litres, 0);
  });
  it('asks where nothing has drained yet', () => {
    expect(byJuice('as much', 'weight', 'trim').asks).toMatch(/no liquid in the pan/);
  });
});

describe('a line in each bottle', () => {
  const spoon = (bottles?: number) =>
    amount(
      make(
        { said: '1 tsp', ingredientId: 'bottled-lemon-juice', stepId: 'add', basis: { per: 'bottle' } },
        bottles ? { bottles } : {},
      ),
    );
  it('is so much for each bottle that the batch fills, the spoonfuls with it', () => {
    const content = make({
      said: '1 tsp',
      ingredientId: 'bottled-lemon-juice',
      stepId: 'add',
      basis: { per: 'bottle' },
    });
    const f = forecast(content, setting);
    const bottles = f.millilitres / 250;
    expect(f.lines[1]!.grams!).toBeCloseTo(bottles * 4.92892 * 1.03, 1);
  });
  it('is counted for the bottles that were said', () => {
    expect(spoon(12).grams).toBeCloseTo(12 * 4.92892 * 1.03, 1);
  });
  it.each([
    [250, 80],
    [500, 40],
    [125, 160],
  ])('said for a bottle of %i mL it goes by the size of the one it is filled into', (ml, grams) => {
    const line = { said: '10 g', stepId: 'add', basis: { per: 'bottle' as const, ml } };
    expect(amount(make(line, { bottles: 8 })).grams).toBeCloseTo(grams, 9);
  });
  it('what fills the bottles is asked about where another line has filled them', () => {
    const fills = { said: '', stepId: 'add', basis: { per: 'bottle' as const, fills: true as const } };
    const water: FormulaLine = { id: 'w', said: '998.2 g', ingredientId: 'water', stepId: 'add' };
    const full = (bottles: number) =>
      amount({ ...make(fills, { bottles }), lines: [water, { id: 'it', ingredientId: 'sugar', ...fills }] });
    expect(full(4)).toMatchObject({ grams: null, asks: expect.stringMatching(/For how many bottles/) });
    expect(full(5).grams).toBeGreaterThan(100);
  });
  it('asks for how many where everything is by the bottle', () => {
    const all: FormulaContent = {
      lines: [{ ...fruit, said: '200 g', basis: { per: 'bottle' } }],
      steps: [{ id: 'trim', kind: 'draw', title: 'In the jar', method: 'jar' }],
      storage: 'cold',
      bottleMl: 500,
    };
    expect(lineAmounts(all, setting, 719)[0]!.asks).toMatch(/how many bottles/);
    expect(lineAmounts({ ...all, bottles: 6 }, setting, 719)[0]!.grams).toBeCloseTo(1200, 9);
    expect(forecast({ ...all, bottles: 6 }, setting)).toMatchObject({ bottles: 6, shortMl: 0 });
  });
  it('says when a bottle cannot hold what goes into it, and that acid jar by jar is ticked', () => {
    const content = make(
      { said: '300 ml', ingredientId: 'bottled-lemon-juice', stepId: 'add', basis: { per: 'bottle' } },
      { bottles: 4 },
    );
    const texts = forecast(content, setting).cautions.map((c) => c.text);
    expect(texts.some((t) => /would have to hold/.test(t))).toBe(true);
    expect(texts.some((t) => /tick every jar/.test(t))).toBe(true);
  });
});

describe('the kitchen’s own measures', () => {
  const own = kitchenCatalogue({
    measures: [
      { name: 'mug', ingredientId: null, grams: null, millilitres: 320 },
      { name: 'cup', ingredientId: 'raspberry', grams: 128, millilitres: null },
      { name: 'sprig', ingredientId: 'mint', grams: 2.4, millilitres: null },
    ],
  });
  const weighed = (said: string, ingredientId: string) =>
    amount(make({ said, ingredientId, stepId: 'add' }), { ...setting, catalogue: own });
  it('a mug holds what was said, of anything with a known density', () => {
    expect(weighed('2 mugs', 'sugar').grams).toBeCloseTo((640 * 200) / 236.588, 1);
  });
  it('my cup of this, weighed once, counts before the table’s', () => {
    expect(weighed('3 cups', 'raspberry')).toMatchObject({
      grams: 384,
      assumption: expect.stringMatching(/your cup of it/),
    });
    expect(weighed('1 cup', 'sugar').grams).toBeCloseTo(200, 0);
  });
  it('so does a piece', () => {
    expect(weighed('5 sprigs', 'mint').grams).toBeCloseTo(12, 9);
  });
  it('an unknown one is asked about', () => {
    expect(weighed('2 glugs', 'cider-vinegar').asks).toMatch(/What one glug/);
  });
});
