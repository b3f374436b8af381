import {
  type FormulaContent,
  forecast,
  type Simulation,
  simulate,
  simulation,
  withBand,
} from '@inch/core/formula';
import { kitchenCatalogue, measuredEntry, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';
import { atDeviation, chance, correlated } from '../src/formula/forecast/chance.ts';
import { compositionOf } from '../src/formula/forecast/composition.ts';
import { bufferError } from '../src/formula/forecast/forecast.ts';
import { juiceTable } from '../src/formula/forecast/juiceTable.ts';
import { nothing } from '../src/formula/pan/pan.ts';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const content: FormulaContent = {
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'sour-cherry', stepId: 'cook' },
    { id: 'water', said: '3 cups', ingredientId: 'water', stepId: 'cook' },
    { id: 'sugar', said: '900 g', ingredientId: 'sugar', stepId: 'boil' },
    { id: 'acid', said: '8 g', ingredientId: 'citric-anhydrous', stepId: 'boil' },
  ],
  steps: [
    { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', killStep: true },
    { id: 'drip', kind: 'strain', title: 'Drip', cloth: 'drip' },
    { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix: 50 },
  ],
  storage: 'cold',
  bottleMl: 250,
  targets: { ph: 3.4, brix: 48, bottles: 6 },
};
const once = simulate(content, setting, { scenarios: 2000, seed: 7 });
const total = (s: NonNullable<Simulation['ph']>) => s.bins.reduce((a, b) => a + b, 0);

describe('chance', () => {
  it('has the mean, spread and correlation it says', () => {
    const stream = chance(3);
    const pairs = Array.from({ length: 40_000 }, () => correlated(stream, -0.5));
    const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    const [xs, ys] = [pairs.map((p) => p[0]), pairs.map((p) => p[1])];
    expect(mean(xs)).toBeCloseTo(0, 1);
    expect(mean(xs.map((x) => x * x))).toBeCloseTo(1, 1);
    expect(mean(pairs.map(([x, y]) => x * y))).toBeCloseTo(-0.5, 1);
    expect(mean(ys.map((y) => y * y))).toBeCloseTo(1, 1);
  });
  it('reads the ends of a range as its 5th and 95th percentile', () => {
    expect(atDeviation([3, 3.4, 4], -1.6449)).toBeCloseTo(3, 9);
    expect(atDeviation([3, 3.4, 4], 0)).toBe(3.4);
    expect(atDeviation([3, 3.4, 4], 1.6449)).toBeCloseTo(4, 9);
  });
});

describe('the table of a juice', () => {
  it.each(['sour-cherry', 'lemon-juice', 'damson', 'quince'])('%s gives its typical acids back', (id) => {
    const entry = shippedCatalogue.get(id);
    if (entry.acidity.kind !== 'juice') throw new Error('not a juice');
    const typical = compositionOf(entry, 'typical').composition;
    const read = juiceTable(entry, entry.acidity).at(0, 0, 0)!;
    expect(read.baseEquivalents).toBeCloseTo(typical.baseEquivalents, 5);
    expect(typical.acids.some((mol) => mol > 0)).toBe(true);
    typical.acids.forEach((mol, place) => {
      expect(read.acids[place]).toBeCloseTo(mol, 5);
    });
  });
});

describe('a formula drawn many times', () => {
  it('gives the same answer with the same seed, and nearly the same with another', () => {
    expect(simulate(content, setting, { scenarios: 2000, seed: 7 })).toEqual(once);
    const other = simulate(content, setting, { scenarios: 2000, seed: 8 });
    expect(other.ph).not.toEqual(once.ph);
    expect(other.ph!.middle).toBeCloseTo(once.ph!.middle, 1);
  });
  it('has its middle at the forecast, and its band around it', () => {
    const f = forecast(content, setting);
    expect(once.ph!.middle).toBeCloseTo(f.ph!.middle, 1);
    expect(once.brix.middle).toBeCloseTo(f.brix, 0);
    expect(once.ph!.low).toBeLessThan(once.ph!.middle);
    expect(once.ph!.high).toBeGreaterThan(once.ph!.middle);
    expect(total(once.ph!)).toBeGreaterThan(0.99 * once.scenarios);
  });
  it('is never narrower than the model’s own error', () => {
    const pure: FormulaContent = {
      ...content,
      lines: [
        { id: 'a', said: '10 g', ingredientId: 'citric-anhydrous' },
        { id: 'w', said: '1000 g', ingredientId: 'distilled-water' },
      ],
      steps: [],
    };
    const { ph } = simulate(pure, setting, { scenarios: 4000, seed: 1 });
    expect(ph!.high - ph!.low).toBeGreaterThan(0.18);
    expect(ph!.high - ph!.low).toBeLessThan(0.22);
  });
  it('counts chances that fall as more is asked', () => {
    const { chances } = once;
    expect(chances.phUnderLimit).toBeGreaterThan(0.95);
    expect(chances.phUnderTarget).toBeLessThanOrEqual(chances.phUnderLimit!);
    expect(chances.brixOverTarget).toBeGreaterThan(0.8);
    const list = chances.bottles.map((b) => b.chance);
    expect(list).toEqual([...list].sort((a, b) => b - a));
    expect(chances.bottles.map((b) => b.count)).toContain(6);
  });
  it('is wider for a range, and for cups against grams', () => {
    const width = (said: string) => {
      const { brix } = simulate(
        {
          ...content,
          lines: content.lines.map((l) => (l.id === 'sugar' ? { ...l, said } : l)),
          steps: content.steps.slice(0, 2),
        },
        setting,
        { scenarios: 1500, seed: 2 },
      );
      return brix.high - brix.low;
    };
    expect(width('600 to 1200 g')).toBeGreaterThan(1.3 * width('900 g'));
    expect(width('4 1/2 cups')).toBeGreaterThan(width('900 g'));
  });
  it('is wider for a fruit whose °Bx this kitchen did not read, and for a cup of it weighed once than for scales', () => {
    const berries = (said: string, own: Partial<Parameters<typeof kitchenCatalogue>[0]>) => {
      const lines = [{ id: 'fruit', said, ingredientId: 'sour-cherry', stepId: 'cook' }];
      const drawn = simulate(
        { ...content, lines, steps: content.steps.slice(0, 2) },
        { ...setting, catalogue: kitchenCatalogue(own) },
        { scenarios: 2000, seed: 7 },
      );
      return { brix: drawn.brix.high - drawn.brix.low, ml: drawn.millilitres.high / drawn.millilitres.low };
    };
    const typical = shippedCatalogue.get('sour-cherry');
    const { water, insoluble } = typical.per100g;
    const brix = (100 * (100 - insoluble - water)) / (100 - insoluble);
    const read = berries('2 kg', { ingredients: [measuredEntry(typical, { brix, on: '2026-07-01' })] });
    expect(berries('2 kg', {}).brix).toBeGreaterThan(1.15 * read.brix);
    const cup = { name: 'cup', ingredientId: 'sour-cherry', grams: 150, millilitres: null };
    const [cups, scales] = ['8 cups', '1200 g'].map((said) => berries(said, { measures: [cup] }).ml);

    expect(cups).toBeGreaterThan((1 + 1.64 * 0.11) / (1 - 1.64 * 0.11));
    expect(cups).toBeGreaterThan(1.1 * scales!);
  });
  it('is wider in a strong buffer, where ions pair', () => {
    expect(bufferError({ ...nothing(), water: 1000, baseEquivalents: 0.1 })).toBe(0);
    expect(bufferError({ ...nothing(), water: 1000, baseEquivalents: 0.25 })).toBeCloseTo(0.07, 6);
    expect(bufferError({ ...nothing(), water: 1000, baseEquivalents: 9 })).toBeCloseTo(0.245, 6);
    const salted = (grams: number) => {
      const said = [
        { id: 'acid', said: '40 g', ingredientId: 'citric-anhydrous', stepId: 'mix' },
        { id: 'water', said: '1000 g', ingredientId: 'distilled-water', stepId: 'mix' },
        ...(grams ? [{ id: 'salt', said: `${grams} g`, ingredientId: 'sodium-citrate', stepId: 'mix' }] : []),
      ];
      const steps = [{ id: 'mix', kind: 'add' as const, title: 'Mix' }];
      const { ph } = forecast({ ...content, lines: said, steps, targets: {} }, setting);
      return ph!.high - ph!.low;
    };
    expect(salted(60)).toBeGreaterThan(salted(0) + 0.1);
  });
  it('takes each range at one value in a making, however often it is walked through for its bottles', () => {
    // 150 mL of each bottle of 250 are water that goes in at the end: the batch is two and a half times what it was, in every making.
    const fill: FormulaContent['steps'][number] = { id: 'fill', kind: 'fill', title: 'Fill' };
    const steps = [...content.steps.slice(0, 2), fill];
    const lines = content.lines.map((l) => (l.stepId === 'boil' ? { ...l, stepId: 'cook' } : l));
    const topped = {
      id: 'top',
      said: '149.73 g',
      ingredientId: 'water',
      stepId: 'fill',
      basis: { per: 'bottle' as const },
    };
    const of = (list: FormulaContent['lines']) =>
      simulate({ ...content, lines: list, steps }, setting, { scenarios: 1500, seed: 5 }).millilitres;
    const [plain, whole] = [of(lines), of([...lines, topped])];
    for (const at of ['low', 'middle', 'high'] as const)
      expect(Math.abs(whole[at] / plain[at] / 2.5 - 1)).toBeLessThan(0.01);
  });
  it('shows no pH where an acidity is not known', () => {
    const spruce = {
      ...content,
      lines: [
        { id: 't', said: '300 g', ingredientId: 'spruce-tip', stepId: 'cook' },
        ...content.lines.slice(1),
      ],
    };
    const s = simulate(spruce, setting, { scenarios: 500 });
    expect([s.ph, s.chances.phUnderLimit]).toEqual([null, null]);
    expect(s.brix.middle).toBeGreaterThan(10);
  });
  it('stops between slices where it is not asked to go on', () => {
    const run = simulation(content, setting, { scenarios: 1000, slice: 100 });
    expect([run.next().value, run.next().value]).toEqual([100, 200]);
    run.return(once);
    expect(run.next().done).toBe(true);
  });
});

describe('a forecast told with a drawn band', () => {
  it('is judged by the band’s upper end', () => {
    const f = forecast(content, setting);
    const near = withBand(f, content, setting, { low: 3, high: 4.4 });
    expect(near.hurdles.find((h) => h.id === 'acid')).toMatchObject({ level: 'pH 4.40', met: false });
    expect(near.keeping.row).toBe('cold-4.6');
    expect(withBand(f, content, setting, { low: 3, high: 3.4 }).keeping.row).toBe('cold-4.2');
  });
});
