import type { LotRecord } from '@inch/core/lot';
import {
  boiledOffBefore,
  minutesOf,
  type PastLot,
  pastLot,
  spreadOf,
  yieldMemory,
} from '@inch/core/planning';
import { describe, expect, it } from 'vitest';
import { releasable, T } from './support/lot.ts';

/** A lot of 4 kg of sour cherries, 12 jars of 237 mL. */
const lot = (change: (lot: LotRecord) => void = () => {}): LotRecord => {
  const made = releasable();
  change(made);
  return made;
};

const fruitOf = (grams: number): LotRecord => {
  const [fruit, ...others] = lot().additions;
  return { ...lot(), additions: [{ ...fruit!, grams }, ...others] };
};

describe('what a past lot gave', () => {
  it('is its bottles over the fruit that went in', () => {
    const past = pastLot(lot(), 'us', 41)!;
    expect(past.litresPerKg).toBeCloseTo((12 * 0.237) / 4, 9);
    expect(past).toMatchObject({
      ingredientId: 'sour-cherry',
      bottles: 12,
      kg: 4,
      trimLoss: null,
      boiledOff: 41,
    });
  });

  it('counts the fruit that was really weighed, and what trimming took of it', () => {
    const past = pastLot(
      lot((l) => {
        l.additions[0]!.grams = 3600;
        l.additions[0]!.beforeTrimming = 4000;
      }),
      'us',
      null,
    )!;
    expect(past.trimLoss).toBeCloseTo(0.1, 9);
    expect(past.litresPerKg).toBeCloseTo((12 * 0.237) / 3.6, 9);
  });

  it('counts all that went in: parts, an extra, a line topped up by another ingredient', () => {
    const plain = pastLot(lot(), 'us', null)!;
    // Half as much of everything on top, some of it as frozen cherries and as another line: half as much again in bottles is as good a lot.
    const more = pastLot(
      lot((l) => {
        const [fruit, sugar] = l.additions as [(typeof l.additions)[0], (typeof l.additions)[0]];
        l.additions = [
          { ...fruit, more: true },
          { ...fruit, id: 'a3', ingredientId: 'frozen-sour-cherry', grams: 2000 },
          { ...sugar, more: true },
          { ...sugar, id: 'a4', grams: 500 },
          { ...sugar, id: 'a5', grams: 500, lineId: null, why: 'more of it' },
        ];
        l.bottlings[0]!.count = 18;
      }),
      'us',
      null,
    )!;
    expect(more.kg).toBeCloseTo(6, 9);
    expect(more.litresPerKg).toBeCloseTo(plain.litresPerKg, 9);
    // Frozen cherries give a little less water than fresh ones by their tables.
    expect(Math.abs(more.ofPromised / plain.ofPromised - 1)).toBeLessThan(0.03);
  });
  it('is never over what was in the pan, where the formula holds for what was weighed in', () => {
    const doubled = pastLot(
      lot((l) => {
        l.additions[1]!.grams = 4000;
      }),
      'us',
      null,
    )!;
    // Twice the sugar makes more syrup: the same bottles are then less of what was promised.
    expect(doubled.ofPromised).toBeLessThan(pastLot(lot(), 'us', null)!.ofPromised);
  });

  it('has what came through the cloth, where the pan was weighed after it', () => {
    const strained = lot((l) => {
      l.product = {
        ...l.product,
        content: {
          ...l.product.content,
          steps: [...l.product.content.steps, { id: 'drip', kind: 'strain', title: 'Drip', cloth: 'drip' }],
        },
      };
      l.steps.push({
        id: 'step 2',
        position: 2,
        kind: 'strain',
        title: 'Drip',
        minutes: 60,
        killStep: false,
        formulaStepId: 'drip',
        marks: [{ kind: 'start', at: T(1), by: 'Wren' }],
      });
      l.readings.push({
        ...l.readings[0]!,
        id: 'm',
        stepId: 'step 2',
        kind: 'mass',
        value: 3000,
        at: T(1.5),
      });
    });
    expect(pastLot(strained, 'us', null)!.juicePerKg).toBe(0.75);
    expect(pastLot(lot(), 'us', null)!.juicePerKg).toBeNull();
  });

  it('half of everything for the same bottles is twice of what was promised', () => {
    const half = lot((l) => {
      l.additions = l.additions.map((a) => ({ ...a, grams: a.grams / 2 }));
    });
    const [one, two] = [pastLot(half, 'us', null)!, pastLot(fruitOf(4000), 'us', null)!];
    // A smaller pan loses a little more of its water.
    expect(Math.abs(one.ofPromised / two.ofPromised - 2)).toBeLessThan(0.02);
  });
  it('is nothing without bottles, or with its fruit struck', () => {
    expect(pastLot({ ...lot(), bottlings: [] }, 'us', null)).toBeNull();
    const struck = { at: T(1), by: 'Wren', why: 'typed twice' };
    const [fruit, ...others] = lot().additions;
    const without = { ...lot(), additions: [{ ...fruit!, struck }, ...others] };
    expect(pastLot(without, 'us', null)).toBeNull();
  });

  it('has the minutes of its steps, pauses left out', () => {
    const past = pastLot(
      lot((l) => {
        l.steps[0]!.marks = [
          { kind: 'start', at: T(0), by: 'Wren' },
          { kind: 'pause', at: T(0.5), by: 'Wren' },
          { kind: 'start', at: T(2), by: 'Wren' },
          { kind: 'done', at: T(2.25), by: 'Wren' },
        ];
      }),
      'us',
      null,
    )!;
    expect(past.steps).toEqual([{ formulaStepId: 'cook', minutes: 45, kg: 4, bottles: 12 }]);
  });
});

const past = (n: number, more: Partial<PastLot> = {}): PastLot => ({
  lotId: `${n}`,
  code: `${n}`,
  begunAt: T(n * 24),
  formulaId: 'cherry',
  name: 'Sour cherry syrup',
  ingredientId: 'sour-cherry',
  ingredient: 'Sour cherries',
  method: 'cooked',
  kg: 4,
  trimLoss: null,
  juicePerKg: null,
  litresPerKg: 0.6 + n / 100,
  ofPromised: 1,
  bottles: 12,
  boiledOff: null,
  steps: [],
  ...more,
});

describe('yield memory', () => {
  const next = { formulaId: 'cherry', ingredientId: 'sour-cherry', method: 'cooked' };

  it('is of the last five lots of the formula, and says so', () => {
    const memory = yieldMemory(
      [1, 2, 3, 4, 5, 6].map((n) => past(n)),
      next,
    )!;
    expect(memory.litresPerKg.count).toBe(5);
    expect(memory.sentence).toMatch(/^Your last five gave 0.64 L per kg, 0.62 to 0.66/);
  });

  it('is of the same fruit drawn alike where the formula has under two lots, else of the fruit, else nothing', () => {
    const other = { formulaId: 'other' };
    expect(yieldMemory([past(1, other), past(2, other)], next)?.of).toBe('this fruit, drawn alike');
    expect(
      yieldMemory([past(1, { ...other, method: 'cold' }), past(2, { ...other, method: 'cold' })], next)?.of,
    ).toBe('this fruit');
    expect(yieldMemory([past(1, { ...other, ingredientId: 'quince' })], next)).toBeNull();
    expect(yieldMemory([past(1)], next)?.sentence).toBe('Your last one gave 0.61 L per kg.');
  });

  it('tells the middle, and where eight of ten fall once there are five', () => {
    expect(spreadOf([3, 1, 2])).toMatchObject({ low: 1, middle: 2, high: 3 });
    expect(spreadOf([10, 20, 30, 40, 50])).toMatchObject({ low: 14, middle: 30, high: 46 });
    expect(spreadOf([])).toBeNull();
  });
});

describe('minutes of the next lot', () => {
  const step = { id: 'stone', kind: 'prepare', minutes: 45 };
  const lots = [2, 4].map((kg, n) =>
    past(n, { steps: [{ formulaStepId: 'stone', minutes: kg * 15, kg, bottles: 3 * kg }] }),
  );

  it('are by the kilo where the fruit is worked', () => {
    expect(minutesOf(step, { kg: 6, bottles: 18, scale: 1.5 }, lots, 'cherry')).toEqual({
      minutes: 90,
      lots: 2,
    });
  });

  it('are the same for any size where only a clock runs', () => {
    const drip = { id: 'stone', kind: 'strain', minutes: 60 };
    expect(minutesOf(drip, { kg: 60, bottles: 1, scale: 9 }, lots, 'cherry').minutes).toBe(45);
  });

  it('are the formula’s own, at the size, until a lot was made', () => {
    expect(minutesOf(step, { kg: 8, bottles: 0, scale: 2 }, [], 'cherry')).toEqual({ minutes: 90, lots: 0 });
  });
});

describe('what past lots boiled off', () => {
  const lot = (boiledOff: number | null, formulaId = 'f') => ({ formulaId, boiledOff }) as never;
  it('is their middle, a single lot trusted to a quarter, and nothing of another formula', () => {
    expect(boiledOffBefore([lot(20)], 'f')).toEqual([15, 20, 25]);
    expect(boiledOffBefore([lot(18), lot(20), lot(26), lot(null), lot(90, 'other')], 'f')).toEqual([
      18, 20, 26,
    ]);
    expect(boiledOffBefore([lot(20)], 'g')).toBeNull();
  });
});
