import { type AcidName, placeOfAcid } from '@inch/core/acid';
import type { FormulaContent, FormulaStep } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { boilingPoint } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { extractionMethods } from '../src/formula/methods.ts';
import { boilsAt } from '../src/formula/pan/fire.ts';
import { blendedPan, fruitOf, massOf, nothing, type Pan, volumeOf } from '../src/formula/pan/pan.ts';
import { walk } from '../src/formula/pan/walk.ts';
import { readLine } from '../src/formula/said.ts';

const weighing = { cup: 'us' as const, catalogue: shippedCatalogue };
const run = (content: Pick<FormulaContent, 'lines' | 'steps'>, elevationMetres = 719) => {
  const whole: FormulaContent = { ...content, storage: 'cold', bottleMl: 250 };
  return walk(
    whole,
    whole.lines.map((line) => readLine(line, weighing)),
    { elevationMetres },
  );
};

const THINGS = [
  'sour-cherry',
  'damson',
  'raspberry',
  'quince',
  'dried-apricot',
  'lemon-juice',
  'orange-peel',
  'sugar',
  'honey',
  'water',
  'citric-anhydrous',
  'cider-vinegar',
  'vodka',
  'mint',
] as const;

/** Steps that take nothing out of the pan but steam. */
const steaming = fc.oneof(
  fc.record({
    kind: fc.constant('draw' as const),
    method: fc.constantFrom('cold', 'cooked', 'infused', 'blended', 'peel', 'jar'),
    minutes: fc.integer({ min: 1, max: 200 }),
    lidOff: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('draw' as const), draws: fc.double({ min: 0.05, max: 1, noNaN: true }) }),
  fc.record({
    kind: fc.constant('reduce' as const),
    toBrix: fc.integer({ min: 10, max: 70 }),
    minutes: fc.integer({ min: 0, max: 120 }),
  }),
  fc.record({
    kind: fc.constant('reduce' as const),
    toFraction: fc.double({ min: 0.3, max: 1, noNaN: true }),
    minutes: fc.constant(20),
  }),
  fc.record({
    kind: fc.constant('reduce' as const),
    toCelsius: fc.double({ min: 98, max: 106, noNaN: true }),
    minutes: fc.constant(20),
  }),
  fc.record({ kind: fc.constant('reduce' as const), minutes: fc.integer({ min: 1, max: 60 }) }),
  fc.record({
    kind: fc.constant('heat' as const),
    minutes: fc.integer({ min: 1, max: 40 }),
    celsius: fc.constant(90),
  }),
  fc.record({ kind: fc.constant('add' as const) }),
);
const parting = fc.oneof(
  fc.record({
    kind: fc.constant('strain' as const),
    cloth: fc.constantFrom('press', 'drip', 'filter'),
  }),
  fc.record({ kind: fc.constant('strain' as const), keeps: fc.double({ min: 0.2, max: 1, noNaN: true }) }),
  fc.record({ kind: fc.constant('prepare' as const), keeps: fc.double({ min: 0.4, max: 1, noNaN: true }) }),
);
type Loose = Partial<FormulaStep> & { kind: FormulaStep['kind'] };
const asSteps = (list: readonly Loose[]): FormulaStep[] =>
  list.map((step, i) => ({ id: `s${i}`, title: 'Step', ...step }) as FormulaStep);
const linesOver = (count: number) =>
  fc
    .array(fc.tuple(fc.constantFrom(...THINGS), fc.integer({ min: 2, max: 2500 }), fc.nat(count - 1)), {
      minLength: 1,
      maxLength: 9,
    })
    .map((list) =>
      list.map(([ingredientId, grams, step], i) => ({
        id: `l${i}`,
        said: `${grams} g`,
        ingredientId,
        stepId: `s${step}`,
      })),
    );
const batches = (steps: fc.Arbitrary<Loose>) =>
  fc
    .array(steps as fc.Arbitrary<Loose>, { minLength: 1, maxLength: 7 })
    .chain((list) => fc.record({ steps: fc.constant(asSteps(list)), lines: linesOver(list.length) }));

/** Everything in a pan, fruit and liquid together; sugar as mol of simple sugar, which inversion does not change. */
const inventory = (pan: Pan) => {
  const [{ liquid }, fruit] = [pan, fruitOf(pan)];
  const sum = (of: (c: Pan['liquid']) => number) => of(liquid) + of(fruit);
  const acid = (name: AcidName) => sum((c) => c.acids[placeOfAcid(name)]!);
  return {
    hexose: sum((c) => (2 * c.sucrose) / 342.297 + (c.glucose + c.fructose) / 180.156),
    otherSolids: sum((c) => c.otherSolids),
    insoluble: sum((c) => c.insoluble),
    base: sum((c) => c.baseEquivalents),
    citric: acid('citric'),
    malic: acid('malic'),
    gluconic: acid('gluconic'),
  };
};
const poured = (content: Pick<FormulaContent, 'lines'>) =>
  run({ lines: content.lines.map(({ stepId: _, ...line }) => line), steps: [] }).pan;

describe('through any sequence of steps', () => {
  it('mass in is mass out, and what was trimmed, left in the cloth and boiled off', () => {
    fc.assert(
      fc.property(batches(fc.oneof(steaming, parting) as fc.Arbitrary<Loose>), (content) => {
        const { pan, outcomes } = run(content);
        const left = outcomes.reduce((sum, o) => sum + o.trimmed + o.retained + o.evaporated, 0);
        const out = massOf(blendedPan(pan)) + left;
        expect(out).toBeCloseTo(massOf(blendedPan(poured(content))), 4);
      }),
      { numRuns: draws(150) },
    );
  });

  it('the product is the same whether what each step does is told or not', () => {
    fc.assert(
      fc.property(
        batches(fc.oneof(steaming, parting) as fc.Arbitrary<Loose>),
        fc.boolean(),
        (content, stays) => {
          const steps = content.steps.map((s) => (s.kind === 'strain' ? { ...s, sugarStays: stays } : s));
          const whole: FormulaContent = { ...content, steps, storage: 'cold', bottleMl: 250 };
          const lines = whole.lines.map((line) => readLine(line, weighing));
          const [told, untold] = [false, true].map((u) =>
            walk(whole, lines, { elevationMetres: 719, untold: u }),
          );
          expect(untold!.product).toEqual(told!.product);
          expect(untold!.millilitres).toBe(told!.millilitres);
        },
      ),
      { numRuns: draws(100) },
    );
  });

  it('sugar, acids, base and solids are each conserved while only steam leaves', () => {
    fc.assert(
      fc.property(batches(steaming as fc.Arbitrary<Loose>), (content) => {
        const [before, after] = [inventory(poured(content)), inventory(run(content).pan)];
        for (const [name, amount] of Object.entries(before))
          expect(after[name as keyof typeof after], name).toBeCloseTo(amount, 6);
      }),
      { numRuns: draws(150) },
    );
  });

  it('acetic acid and alcohol only ever get less, and nothing is below zero', () => {
    fc.assert(
      fc.property(batches(fc.oneof(steaming, parting) as fc.Arbitrary<Loose>), (content) => {
        const { pan } = run(content);
        const start = poured(content);
        const total = (of: (c: Pan['liquid']) => number, p: Pan) => of(p.liquid) + of(fruitOf(p));
        for (const of of [
          (c: Pan['liquid']) => c.acids[placeOfAcid('acetic')]!,
          (c: Pan['liquid']) => c.ethanol,
        ])
          expect(total(of, pan)).toBeLessThanOrEqual(total(of, start) + 1e-9);
        for (const part of [pan.liquid, ...Object.values(pan.fruit)])
          for (const amount of [part.water, part.sucrose, part.ethanol, part.insoluble, ...part.acids])
            expect(amount).toBeGreaterThanOrEqual(-1e-9);
      }),
      { numRuns: draws(120) },
    );
  });

  it('k times every line is k times the pan with the same shares, where no step goes by the clock', () => {
    const byShare = fc.oneof(
      parting,
      fc.record({ kind: fc.constant('draw' as const), method: fc.constantFrom('cold', 'peel', 'blended') }),
      fc.record({
        kind: fc.constant('reduce' as const),
        toBrix: fc.integer({ min: 20, max: 60 }),
        minutes: fc.constant(30),
      }),
    );
    fc.assert(
      fc.property(batches(byShare as fc.Arbitrary<Loose>), fc.integer({ min: 2, max: 7 }), (content, k) => {
        const one = run(content).pan.liquid;
        const many = run({
          ...content,
          lines: content.lines.map((l) => ({ ...l, said: `${Number.parseFloat(l.said) * k} g` })),
        }).pan.liquid;
        for (const name of ['water', 'sucrose', 'glucose', 'otherSolids'] as const)
          expect(many[name]).toBeCloseTo(k * one[name], 3);
      }),
      { numRuns: draws(80) },
    );
  });
});

describe('the schools of drawing', () => {
  const fruit = { id: 'f', said: '1000 g', ingredientId: 'damson', stepId: 'd' };
  const drawnBy = (step: Partial<FormulaStep>) =>
    run({
      lines: [fruit],
      steps: [
        { id: 'd', kind: 'draw', title: 'Draw', minutes: 5, ...step },
        { id: 's', kind: 'strain', title: 'Strain', keeps: 1 },
      ],
    });
  it('draw more when cooked than when cold, and all but all of it when blended', () => {
    const [cold, cooked, blended, peel] = (['cold', 'cooked', 'blended', 'peel'] as const).map(
      (method) => drawnBy({ method }).millilitres,
    ) as [number, number, number, number];
    expect(peel).toBeLessThan(cold);
    expect(cold).toBeLessThan(cooked);
    expect(cooked).toBeLessThan(blended);
  });
  it('draw half and then half of what is left: three quarters', () => {
    const [once, all] = [0.75, 1].map((draws) => drawnBy({ draws }).millilitres) as [number, number];
    const twice = run({
      lines: [fruit],
      steps: [
        { id: 'd', kind: 'draw', title: 'Draw', draws: 0.5 },
        { id: 'd2', kind: 'draw', title: 'Draw again', draws: 0.5 },
        { id: 's', kind: 'strain', title: 'Strain', keeps: 1 },
      ],
    }).millilitres;
    expect(twice).toBeCloseTo(once, 6);
    expect(once / all).toBeCloseTo(0.75, 3);
  });
  it('leave fruit in the product where nothing strains it, and say so where nothing was drawn', () => {
    const jar = run({
      lines: [fruit],
      steps: [{ id: 'd', kind: 'draw', title: 'In the jar', method: 'jar' }],
    });
    expect(massOf(jar.product)).toBeCloseTo(1000, 4);
    const undrawn = run({
      lines: [{ ...fruit, stepId: 's' }],
      steps: [{ id: 's', kind: 'strain', title: 'Strain', cloth: 'drip' }],
    });
    expect(undrawn.outcomes[0]!.note).toMatch(/Nothing was extracted/);
  });
  it.each(Object.entries(extractionMethods))(
    '%s: the finer it is cut the more comes out, firm fruit in large pieces and dried fruit least',
    (_, { draws }) => {
      for (const end of [0, 1, 2] as const) {
        expect(draws.fine[end]).toBeGreaterThanOrEqual(draws.soft[end]);
        expect(draws.soft[end]).toBeGreaterThanOrEqual(draws.chopped[end]);
        expect(draws.chopped[end]).toBeGreaterThan(draws.firm[end]);
        expect(draws.soft[end]).toBeGreaterThanOrEqual(draws.dried[end]);
      }
      for (const [low, typical, high] of Object.values(draws)) {
        expect(low).toBeLessThan(typical);
        expect(typical).toBeLessThanOrEqual(high);
      }
    },
  );
  it('draw from each fruit of a pan by its own texture', () => {
    const drew = (said: string, ingredientId: string) =>
      run({
        lines: [{ id: 'f', said, ingredientId, stepId: 'd' }],
        steps: [{ id: 'd', kind: 'draw', title: 'Draw', method: 'cold' }],
      });
    const [firm, cut, fine, frozen] = (
      [
        ['1000 g', 'cranberry'],
        ['1000 g chopped', 'cranberry'],
        ['1000 g crushed', 'cranberry'],
        ['1000 g', 'frozen-cranberry'],
      ] as const
    ).map(([said, id]) => drew(said, id).outcomes[0]!.drew!) as [number, number, number, number];
    const { firm: asFirm, chopped, fine: asFine, soft } = extractionMethods.cold.draws;
    expect([firm, cut, fine, frozen]).toEqual(
      [asFirm, chopped, asFine, soft].map((range) => expect.closeTo(range[1], 6)),
    );
    // Two fruits in one pan: what comes out is the sum of what each gives on its own.
    const both = run({
      lines: [
        { id: 'f', said: '1000 g', ingredientId: 'cranberry', stepId: 'd' },
        { id: 'g', said: '700 g', ingredientId: 'raspberry', stepId: 'd' },
      ],
      steps: [{ id: 'd', kind: 'draw', title: 'Draw', method: 'cold' }],
    }).pan.liquid;
    const [alone, other] = [drew('1000 g', 'cranberry').pan.liquid, drew('700 g', 'raspberry').pan.liquid];
    for (const part of ['water', 'glucose', 'fructose', 'otherSolids'] as const)
      expect(both[part]).toBeCloseTo(alone[part] + other[part], 6);
  });
  it('press through pulp that a filter keeps back', () => {
    const pulp = (cloth: 'press' | 'filter') =>
      run({
        lines: [fruit],
        steps: [
          { id: 'd', kind: 'draw', title: 'Draw', method: 'cooked' },
          { id: 's', kind: 'strain', title: 'Strain', cloth },
        ],
      }).product.insoluble;
    expect(pulp('press')).toBeGreaterThan(1);
    expect(pulp('filter')).toBe(0);
  });
});

describe('on the fire', () => {
  it.each([
    ['sucrose', { sucrose: 60 }, {}],
    ['invert', { glucose: 30, fructose: 30 }, { glucose: 0.5, fructose: 0.5 }],
    ['two thirds sucrose', { sucrose: 40, glucose: 15, fructose: 5 }, { glucose: 0.25, fructose: 1 / 12 }],
  ])('boils where a syrup of %s does, by the shares of its sugars', (_, sugars, composition) => {
    expect(boilsAt({ ...nothing(), water: 40, ...sugars }, 719)).toBeCloseTo(
      boilingPoint({ brix: 60, elevationMetres: 719, composition }),
      9,
    );
  });

  const syrup = (
    step: Partial<FormulaStep>,
    lines = [{ id: 'j', said: '4000 g', ingredientId: 'apple-juice' }],
  ) => run({ lines, steps: [{ id: 'r', kind: 'reduce', title: 'Reduce', ...step }] });
  it('a reduction to half leaves half the volume', () => {
    const left = (toFraction: number) => syrup({ toFraction }).outcomes[0]!.millilitresAfter;
    expect(left(0.5) / left(1)).toBeCloseTo(0.5, 3);
  });
  it('a reduction to a temperature boils at it: 103.1 °C is 60 °Bx at sea level', () => {
    const sugarWater = [
      { id: 's', said: '600 g', ingredientId: 'sugar' },
      { id: 'w', said: '1400 g', ingredientId: 'water' },
    ];
    const whole: FormulaContent = {
      lines: sugarWater,
      steps: [{ id: 'r', kind: 'reduce', title: 'Reduce', toCelsius: 103.1 }],
      storage: 'cold',
      bottleMl: 250,
    };
    const sea = walk(
      whole,
      sugarWater.map((line) => readLine(line, weighing)),
      { elevationMetres: 0 },
    );
    expect(sea.outcomes[0]!.brixAfter).toBeCloseTo(60, 0);
    expect(sea.outcomes[0]!.boilsAt).toBeCloseTo(103.1, 1);
  });
  it('by the clock boils off the rate times the minutes, whatever the batch', () => {
    const gone = (said: string, ingredientId: string) =>
      syrup({ minutes: 40, evaporates: 20 }, [{ id: 'j', said, ingredientId }]).outcomes[0]!.evaporated;
    for (const said of ['3000 g', '6000 g']) expect(gone(said, 'water')).toBeCloseTo(800, 6);
    // A juice thickens on the way, and gives its water up a little more slowly.
    expect(gone('3000 g', 'apple-juice')).toBeLessThan(gone('6000 g', 'apple-juice'));
    expect(gone('3000 g', 'apple-juice')).toBeGreaterThan(790);
  });
  it('splits about half the sucrose in two hours at 85 °C and pH 3, and none in the cold', () => {
    const lines = [
      { id: 's', said: '500 g', ingredientId: 'sugar' },
      { id: 'w', said: '1000 g', ingredientId: 'distilled-water' },
      // 0.0023 mol per kg of water: pH 3.0 by the dissociation constant alone.
      { id: 'a', said: '0.44 g', ingredientId: 'citric-anhydrous' },
    ];
    const left = (celsius: number) =>
      run({ lines, steps: [{ id: 'h', kind: 'heat', title: 'Hold', celsius, minutes: 130 }] }, 0).product
        .sucrose / 499.5;
    expect(left(20)).toBe(1);
    expect(left(85)).toBeGreaterThan(0.45);
    expect(left(85)).toBeLessThan(0.55);
  });
  it('takes acetic acid off in proportion to the water, and says so', () => {
    const shrub = [
      { id: 'v', said: '1000 g', ingredientId: 'cider-vinegar' },
      { id: 's', said: '500 g', ingredientId: 'sugar' },
    ];
    const { product, outcomes } = syrup({ toFraction: 0.7 }, shrub);
    // 93.6 g of water in 100 g of 5 % vinegar, less what the splitting of sucrose takes up: 18.02 g to 342.3 g.
    const water = 936 - ((499.5 - product.sucrose) * 18.015) / 342.297;
    const share = product.water / water;
    expect((product.acids[placeOfAcid('acetic')]! * 60.05) / 50).toBeCloseTo(share, 2);
    expect(outcomes[0]!.evaporated).toBeGreaterThan(200);
  });
  it('keeps about 40 % of the alcohol through a quarter of an hour at the simmer', () => {
    const lines = [
      { id: 'b', said: '100 g', ingredientId: 'vodka' },
      { id: 'w', said: '900 g', ingredientId: 'water' },
    ];
    const { product } = run({
      lines,
      steps: [{ id: 'd', kind: 'draw', title: 'Simmer', method: 'cooked', minutes: 15 }],
    });
    expect(product.ethanol / 33.3).toBeCloseTo(0.4, 2);
  });
});

describe('the volume of a batch', () => {
  const steps: FormulaStep[] = [{ id: 'warm', kind: 'heat', title: 'Warm', minutes: 1 }];
  const made = (fruit: string) =>
    run({
      lines: [
        { id: 'water', said: '1 kg', ingredientId: 'water', stepId: 'warm' },
        ...(fruit ? [{ id: 'fruit', said: fruit, ingredientId: 'sour-cherry', stepId: 'warm' }] : []),
      ],
      steps,
    });

  it('grows by every gram of fruit that stays in, by no more than its solids and juice take up', () => {
    const [none, some, more] = ['', '500 g', '1 kg'].map((fruit) => made(fruit).millilitres);
    expect(some! - none!).toBeGreaterThan(400);
    expect(some! - none!).toBeLessThan(520);
    // What does not dissolve is heavier than water, so each further half kilo adds as much as the first.
    expect((more! - some!) / (some! - none!)).toBeCloseTo(1, 1);
  });

  it('is that of its liquid and of its solids, at 1.5 g/mL', () => {
    const { product, millilitres } = made('800 g');
    const liquid = { ...product, insoluble: 0 };
    expect(millilitres - volumeOf(liquid)).toBeCloseTo(product.insoluble / 1.5, 6);
    expect(product.insoluble).toBeGreaterThan(5);
  });
});
