import { type FormulaContent, type FormulaStep, forecast } from '@inch/core/formula';
import { isAcidifier, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;

const content = (steps: Omit<FormulaStep, 'id' | 'title'>[], late?: string): FormulaContent => ({
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'sour-cherry' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar' },
    { id: 'water', said: '1 kg', ingredientId: 'water' },
    ...(late
      ? [{ id: 'late', said: late, ingredientId: 'apple-juice', stepId: `s${steps.length - 1}` }]
      : []),
  ],
  steps: steps.map((step, i) => ({ id: `s${i}`, title: step.kind, ...step })),
  storage: 'shelf',
  bottleMl: 250,
});
const packOf = (steps: Omit<FormulaStep, 'id' | 'title'>[], late?: string) =>
  forecast(content(steps, late), setting).makeup.pack;

const cook = { kind: 'heat', celsius: 95, minutes: 10 } as const;

describe('a pan is packed', () => {
  it.each<[string, 'hot' | 'raw', Omit<FormulaStep, 'id' | 'title'>[]]>([
    ['hot off the fire', 'hot', [cook, { kind: 'fill' }]],
    ['hot through a quick cloth', 'hot', [cook, { kind: 'strain', cloth: 'press' }, { kind: 'fill' }]],
    ['hot after a short rest', 'hot', [cook, { kind: 'rest', minutes: 5 }, { kind: 'fill' }]],
    ['raw after a night', 'raw', [cook, { kind: 'rest', minutes: 720 }, { kind: 'fill' }]],
    ['raw after a rest of nobody knows how long', 'raw', [cook, { kind: 'rest' }, { kind: 'fill' }]],
    ['raw after a cloth that dripped', 'raw', [cook, { kind: 'strain', cloth: 'drip' }, { kind: 'fill' }]],
    ['raw held cool after the boil', 'raw', [cook, { kind: 'heat', celsius: 60, minutes: 10 }]],
    ['hot where it is heated again', 'hot', [cook, { kind: 'rest', minutes: 720 }, cook, { kind: 'fill' }]],
    [
      'hot where the rest is that of the filled bottles',
      'hot',
      [cook, { kind: 'fill' }, { kind: 'rest', minutes: 1440 }],
    ],
    ['raw where nothing is heated', 'raw', [{ kind: 'draw', method: 'cold', minutes: 1440 }]],
  ])('%s', (_, pack, steps) => expect(packOf(steps)).toBe(pack));

  it('raw where all that would heat it stands at its mark already', () => {
    expect(packOf([{ kind: 'reduce', toBrix: 60 }, { kind: 'fill' }])).toBe('hot');
    expect(packOf([{ kind: 'reduce', toBrix: 20 }, { kind: 'fill' }])).toBe('raw');
    expect(packOf([cook, { kind: 'reduce', toBrix: 20 }, { kind: 'fill' }])).toBe('hot');
  });

  it('raw where more than a fifth of it goes in cold afterwards', () => {
    expect(packOf([cook, { kind: 'add' }], '500 g')).toBe('hot');
    expect(packOf([cook, { kind: 'add' }], '1.5 kg')).toBe('raw');
  });
});

describe('a reduction', () => {
  const reduce = (toBrix: number, killStep?: boolean) =>
    forecast(content([{ kind: 'reduce', toBrix, ...(killStep === undefined ? {} : { killStep }) }]), setting)
      .makeup.killStep;
  it('is a heating where it boils something off', () => expect(reduce(60)).toBe(true));
  it('is none where it stands at its mark already, unless it is said to boil', () => {
    expect(reduce(20)).toBe(false);
    expect(reduce(20, true)).toBe(true);
  });
  it.each<[string, Partial<FormulaStep>]>([
    ['°Bx', { toBrix: 50 }],
    ['look', { toThickness: 'coats' }],
    ['part', { toFraction: 0.5 }],
    ['temperature', { toCelsius: 104 }],
    ['time', { minutes: 30 }],
  ])('is none in an empty pan, by its %s', (_, mark) => {
    const empty = content([{ kind: 'reduce', ...mark }, { kind: 'add' }]);
    const lines = empty.lines.map((line) => ({ ...line, stepId: 's1' }));
    expect(forecast({ ...empty, lines }, setting).makeup.killStep).toBe(false);
  });
  it.each([5, 20, 45, 120])(
    'is none there either where it is said for %i minutes, with spirit in it or without',
    (minutes) => {
      const passed = content([{ kind: 'reduce', toBrix: 20, minutes }]);
      expect(forecast(passed, setting).makeup.killStep).toBe(false);
      const spirit = { id: 'spirit', said: '500 g', ingredientId: 'vodka' };
      const lines = [...passed.lines, spirit];
      expect(forecast({ ...passed, lines }, setting).makeup.killStep).toBe(false);
    },
  );
});

describe('what is put in for its acid', () => {
  it.each(['citric-anhydrous', 'cider-vinegar', 'lemon-juice', 'bottled-lime-juice', 'lime-juice'])(
    '%s is',
    (id) => expect(isAcidifier(shippedCatalogue.get(id))).toBe(true),
  );
  it.each(['lemon', 'sour-cherry', 'orange-juice', 'sugar'])('%s is not', (id) =>
    expect(isAcidifier(shippedCatalogue.get(id))).toBe(false),
  );
});
