import {
  differences,
  type FormulaContent,
  forecast,
  interchanged,
  interchanges,
  processFits,
  sameWith,
} from '@inch/core/formula';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const content: FormulaContent = {
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'gooseberry', stepId: 'cook' },
    { id: 'water', said: '2 kg', ingredientId: 'water', stepId: 'cook' },
    { id: 'sugar', said: '1.2 kg', ingredientId: 'sugar', stepId: 'add' },
    { id: 'acid', said: '20 g', ingredientId: 'citric-anhydrous', stepId: 'add' },
  ],
  steps: [
    { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', killStep: true },
    { id: 'strain', kind: 'strain', title: 'Strain', keeps: 0.8 },
    { id: 'add', kind: 'add', title: 'Stir in' },
  ],
  storage: 'cold',
  bottleMl: 250,
};
const like = (id: string, grams: number) => interchanges(shippedCatalogue.get(id), grams, catalogue);
const grams = (id: string, of: number, to: string) => like(id, of).find((i) => i.ingredient.id === to)!.grams;

describe('one thing for another', () => {
  it('citric crystals: the monohydrate is 1.0938 times the anhydrous, by molar mass', () => {
    expect(grams('citric-anhydrous', 100, 'citric-monohydrate')).toBeCloseTo(109.4 * (99.8 / 100), 0);
  });
  it('malic and tartaric by their equivalents', () => {
    expect(grams('citric-anhydrous', 100, 'malic-acid')).toBeCloseTo((100 * 67.04) / 64.04, 0);
    expect(grams('citric-anhydrous', 100, 'tartaric-acid')).toBeCloseTo((100 * 75.04) / 64.04, 0);
  });
  it('juice for crystals: bottled lemon at 4.6 g in 100 g stands in at about 22 times the weight', () => {
    expect(grams('citric-anhydrous', 10, 'bottled-lemon-juice')).toBeCloseTo((10 * 99.8) / 4.6, 0);
  });
  it('vinegars by their strength', () => {
    expect(grams('cider-vinegar', 600, 'wine-vinegar')).toBeCloseTo(500, 6);
    expect(like('cider-vinegar', 600).some((i) => i.ingredient.id === 'home-vinegar')).toBe(false);
  });
  it('sugar for honey by the sugars in them, with the water it brings', () => {
    const honey = like('sugar', 500).find((i) => i.ingredient.id === 'honey')!;
    expect(honey.grams).toBeCloseTo((500 * 99.9) / 77.6, 0);
    expect(honey.waterGrams).toBeCloseTo(honey.grams * 0.171 - 0.5, 0);
    expect(honey.changes.join()).toMatch(/infants/);
  });
  it('fruit goes only for itself, frozen, dried or fresh', () => {
    const forms = like('sour-cherry', 1000).map((i) => i.ingredient.id);
    expect(forms.sort()).toEqual(['dried-sour-cherry', 'frozen-sour-cherry']);
    expect(grams('sour-cherry', 1000, 'dried-sour-cherry')).toBeLessThan(250);
  });
  it('water, spirit and herbs have no like', () => {
    for (const id of ['water', 'vodka', 'mint']) expect(like(id, 100)).toEqual([]);
  });

  it('keeps the TA within 1 %, whatever acid stands in and however much of it', () => {
    const acids = like('citric-anhydrous', 20).map((i) => i.ingredient.id);
    fc.assert(
      fc.property(fc.constantFrom(...acids), fc.integer({ min: 5, max: 80 }), (id, of) => {
        const now: FormulaContent = {
          ...content,
          lines: content.lines.map((l) => (l.id === 'acid' ? { ...l, said: `${of} g` } : l)),
        };
        const to = like('citric-anhydrous', of).find((i) => i.ingredient.id === id)!;
        const { content: next } = interchanged(now, setting, 'acid', to);
        // Whole grams of a few move the figure by themselves.
        const exact = {
          ...next,
          lines: next.lines.map((l) => (l.id === 'acid' ? { ...l, said: `${to.grams} g` } : l)),
        };
        const total = (c: FormulaContent) => {
          const f = forecast(c, setting);
          return (f.taPercent! * f.grams) / 100;
        };
        expect(Math.abs(total(exact) / total(now) - 1)).toBeLessThan(0.01);
        expect(to.acidGrams).toBeCloseTo(0, 6);
      }),
      { numRuns: draws(40) },
    );
  });
  it('takes the water that comes with it off the water line, and says what it cannot', () => {
    const to = like('citric-anhydrous', 20).find((i) => i.ingredient.id === 'bottled-lemon-juice')!;
    const { content: next, left } = interchanged(content, setting, 'acid', to);
    expect(left).toEqual([]);
    expect(Number.parseFloat(next.lines[1]!.said)).toBeCloseTo(2000 - to.waterGrams, 0);
    const dry = { ...content, lines: content.lines.filter((l) => l.id !== 'water') };
    expect(interchanged(dry, setting, 'acid', to).left[0]).toMatch(/no water line can give up/);
    expect(() => interchanged(content, setting, 'salt', to)).toThrow(RangeError);
  });
});

describe('the same with another fruit', () => {
  const swap = (ingredientId: string, from = content) =>
    sameWith(from, setting, { lineId: 'fruit', ingredientId, kind: 'cordial' });
  it.each(['redcurrant', 'raspberry', 'rhubarb', 'plum'])(
    '%s comes back to the old °Bx, acid and yield',
    (id) => {
      const { before, after, unreached } = swap(id);
      expect(unreached).toEqual([]);
      expect(after.brix).toBeCloseTo(before.brix, 0);
      expect(after.taPercent!).toBeCloseTo(before.taPercent!, 1);
      expect(after.millilitres / before.millilitres).toBeCloseTo(1, 1);
    },
  );
  it('takes less of a fruit that is sharper by itself than the old product was, and keeps every line', () => {
    const mild = {
      ...content,
      lines: content.lines.map((l) => (l.id === 'acid' ? { ...l, said: '1 g' } : l)),
    };
    const { content: next, unreached, before, after } = swap('blackcurrant', mild);
    expect(unreached).toEqual([]);
    expect(next.lines.map((l) => l.id)).toEqual(mild.lines.map((l) => l.id));
    expect(after.taPercent!).toBeCloseTo(before.taPercent!, 1);
    const used = (f: typeof before) => f.lines.find((l) => l.lineId === 'fruit')!.grams!;
    expect(used(after)).toBeLessThan(used(before));
  });
  /** Nothing but fruit and sugar: two lines, and three figures to hold. */
  const plain: FormulaContent = {
    ...content,
    lines: [
      { id: 'fruit', said: '4 kg', ingredientId: 'sour-cherry', stepId: 'cook' },
      { id: 'sugar', said: '2 kg', ingredientId: 'sugar', stepId: 'add' },
    ],
  };
  it('of cherries with quinces keeps its sugar and its bottles, and says what acid it cannot hold', () => {
    const { content: next, before, after, unreached } = swap('quince', plain);
    expect(next.lines).toHaveLength(2);
    expect(after.brix).toBeCloseTo(before.brix, 0);
    expect(after.bottles).toBeGreaterThanOrEqual(before.bottles - 1);
    expect(unreached.join()).toMatch(/% acid is not reached: there is no acid in it/);
    expect(unreached.join()).not.toMatch(/°Bx is not reached|L is not reached/);
  });
  it('says what no amounts of the lines there are can hold', () => {
    const tied: FormulaContent = {
      ...plain,
      lines: [
        {
          id: 'fruit',
          said: '50 %',
          ingredientId: 'raspberry',
          stepId: 'cook',
          basis: { per: 'line', lineId: 'sugar', by: 'weight' },
        },
        { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'cook' },
      ],
    };
    const { unreached } = sameWith(tied, setting, {
      lineId: 'fruit',
      ingredientId: 'dried-apricot',
      kind: 'syrup',
    });
    expect(unreached.join()).toMatch(/ is not reached: no amounts of its lines do it/);
  });

  const FRUITS = [
    'sour-cherry',
    'raspberry',
    'redcurrant',
    'plum',
    'gooseberry',
    'blackcurrant',
    'strawberry',
  ];
  it('for itself changes nothing', () =>
    fc.assert(
      fc.property(fc.constantFrom(...FRUITS), fc.constantFrom(content, plain), (id, from) => {
        const of = {
          ...from,
          lines: from.lines.map((l) => (l.id === 'fruit' ? { ...l, ingredientId: id } : l)),
        };
        const same = swap(id, of);
        expect(same.content).toEqual(of);
        expect([...same.changed, ...same.unreached, ...same.processes, ...same.label]).toEqual([]);
      }),
      { numRuns: draws(20) },
    ));
  it('there and back comes home: every line as it was within rounding, and what it makes', () =>
    fc.assert(
      fc.property(fc.constantFrom(...FRUITS), fc.constantFrom(...FRUITS), (from, to) => {
        const of = {
          ...content,
          lines: content.lines.map((l) => (l.id === 'fruit' ? { ...l, ingredientId: from } : l)),
        };
        const there = swap(to, of);
        const water = (c: FormulaContent) => c.lines.find((l) => l.id === 'water')!.said;
        // Where water had to help, there are more lines than figures, and more than one way back.
        if (there.unreached.length > 0 || water(there.content) !== water(of)) return;
        const back = swap(from, there.content);
        expect(back.after.millilitres / there.before.millilitres).toBeCloseTo(1, 2);
        expect(back.after.brix).toBeCloseTo(there.before.brix, 0);
        expect(back.after.taPercent!).toBeCloseTo(there.before.taPercent!, 1);
        for (const line of back.after.lines) {
          const home = there.before.lines.find((l) => l.lineId === line.lineId)!.grams!;
          // Acid is held to a hundredth of a per cent of the whole: of little acid that is more.
          expect(Math.abs(line.grams! / home - 1), line.lineId).toBeLessThan(
            line.lineId === 'acid' ? 0.1 : 0.03,
          );
        }
      }),
      { numRuns: draws(30) },
    ));
  it('lists the tested process that it no longer matches, line by line', () => {
    const syrup: FormulaContent = {
      ...content,
      lines: [{ ...content.lines[0]!, ingredientId: 'raspberry' }, ...content.lines.slice(1)].filter(
        (line) => line.id !== 'acid',
      ),
      steps: [...content.steps, { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix: 60 }],
      processId: 'berry-syrup',
      storage: 'shelf',
      bottleMl: 237,
    };
    expect(processFits(syrup, 'syrup', setting).find((p) => p.id === 'berry-syrup')!.reasons).toEqual([]);
    const { processes } = sameWith(syrup, setting, {
      lineId: 'fruit',
      ingredientId: 'quince',
      kind: 'syrup',
    });
    expect(processes[0]!.reasons.join()).toMatch(/not with quince/);
  });
  it('brings the new fruit’s cautions, and no pH where it has none', () => {
    const { cautions, unreached, after } = swap('elderberry');
    expect(cautions.join()).toMatch(/poisonous/);
    expect(after.holds).toMatch(/low-acid/);
    expect(unreached.join()).toMatch(/No figure/);
  });
  it('knows no line and no ingredient that is not there', () => {
    expect(() => swap('moonbeam')).toThrow(RangeError);
    expect(() => sameWith(content, setting, { lineId: 'x', ingredientId: 'plum', kind: 'syrup' })).toThrow(
      RangeError,
    );
  });
});

describe('what changed', () => {
  it('is nothing between a formula and itself', () => {
    expect(differences(content, content, setting)).toEqual([]);
  });
  it('is told line by line, step by step, and for the rest', () => {
    const later: FormulaContent = {
      ...content,
      lines: [
        { ...content.lines[0]!, said: '2.5 kg' },
        content.lines[1]!,
        { ...content.lines[2]!, said: 'half', basis: { per: 'line', lineId: 'fruit', by: 'weight' } },
        { id: 'zest', said: '1 strip', ingredientId: 'lemon-peel', stepId: 'add' },
      ],
      steps: [
        content.steps[0]!,
        { ...content.steps[1]!, keeps: 0.7 },
        { ...content.steps[2]!, title: 'Stir clear' },
      ],
      bottleMl: 500,
    };
    const texts = differences(content, later, setting).map((d) => d.text);
    expect(texts).toContain('Gooseberries: 2 kg became 2.5 kg');
    expect(texts).toContain('Sugar, white: 1.2 kg became half of gooseberries, by weight');
    expect(texts).toContain('Lemon peel added: 1 strip');
    expect(texts).toContain('Citric acid, anhydrous left out: it was 20 g');
    expect(texts).toContain('Strain: 80 % kept became 70 % kept');
    expect(texts).toContain('"Stir in" is now "Stir clear"');
    expect(texts).toContain('Bottle, mL: 250 became 500');
  });
});
