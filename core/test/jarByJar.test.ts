import { CLOSURES, checkSaid, closures } from '@inch/core/bottling';
import { type FormulaContent, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import {
  amountDoubt,
  gates,
  gramsInJar,
  gramsTicked,
  type LotRecord,
  linesNotRecorded,
  lotLines,
  readingDoubt,
} from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { entry, releasable, T } from './support/lot.ts';

const acid = {
  id: 'acid',
  said: '1 g',
  ingredientId: 'citric-anhydrous',
  basis: { per: 'bottle', ml: 250 },
} as const;

/** A lot with a gram of acid to each 250 mL, filled into six of 250 and four of 500 mL. */
function jarred(ticked: number): LotRecord {
  const lot = releasable();
  const { content } = lot.product;
  const [bottling] = lot.bottlings;
  return {
    ...lot,
    product: { ...lot.product, content: { ...content, lines: [...content.lines, acid] } },
    bottlings: [
      { ...bottling!, id: 'small', count: 6, nominalMl: 250 },
      { ...bottling!, id: 'large', count: 4, nominalMl: 500 },
    ],
    ticks: Array.from({ length: ticked }, (_, i) => ({
      ...entry(`tick ${i}`, T(4)),
      lineId: 'acid',
      bottle: i + 1,
    })) as LotRecord['ticks'],
  };
}

describe('what goes in jar by jar', () => {
  it('follows the size of the jar', () => {
    const lot = jarred(0);
    expect(gramsInJar(lot, 'acid', 250, 'us')).toBeCloseTo(1, 9);
    expect(gramsInJar(lot, 'acid', 500, 'us')).toBeCloseTo(2, 9);
    expect(gramsInJar(lot, 'sugar', 250, 'us')).toBeNull();
  });
  it('comes to the sum of the jars that were ticked', () => {
    expect(gramsTicked(jarred(0), 'acid', 'us')).toBeNull();
    expect(gramsTicked(jarred(6), 'acid', 'us')).toBeCloseTo(6, 9);
    expect(gramsTicked(jarred(8), 'acid', 'us')).toBeCloseTo(10, 9);
    expect(gramsTicked(jarred(10), 'acid', 'us')).toBeCloseTo(14, 9);
    expect(lotLines(jarred(10), 'us').find((l) => l.lineId === 'acid')).toMatchObject({
      byJar: true,
      now: 14,
    });
  });
  it('is no hindrance to the filling, and one to the release', () => {
    const lot = jarred(10);
    expect(linesNotRecorded(lot, 'the pan')).toEqual([]);
    expect(linesNotRecorded(lot)).toEqual(['Citric acid, anhydrous']);
    const open = gates(lot, { timeZone: 'UTC', labelMissing: [] });
    expect(open.find((g) => g.id === 'everything-in')!.open).toBe(false);
    expect(
      gates(jarred(9), { timeZone: 'UTC', labelMissing: [] }).find((g) => g.id === 'count')!.missing,
    ).toMatch(/Not ticked.*bottle 10/);
  });
  it('spends no evidence as the sum of the ticked jars, and does as anything else or as far more', () => {
    const lot = jarred(10);
    const sum = (ingredientId: string, grams: number): LotRecord => ({
      ...lot,
      additions: [
        ...lot.additions,
        { ...lot.additions[0]!, ...entry('sum', T(9)), lineId: 'acid', ingredientId, grams, why: null },
      ],
    });
    const spent = (of: LotRecord) =>
      gates(of, { timeZone: 'UTC', labelMissing: [] })
        .find((g) => g.id === 'count')!
        .missing?.includes('went in after') ?? false;
    expect(spent(sum('citric-anhydrous', 14))).toBe(false);
    expect(spent(sum('cucumber-juice', 14))).toBe(true);
    expect(spent(sum('citric-anhydrous', 400))).toBe(true);
  });
  it('asks where less acid is written down than the jars ticked for it have', () => {
    const said = (grams: number) => amountDoubt(jarred(10), { lineId: 'acid', grams, more: false }, 'us');
    expect(said(14)).toBeNull();
    expect(said(12)).toMatch(/Acid is what keeps it/);
  });
});

describe('a jar topped up to its headspace', () => {
  const content: FormulaContent = {
    lines: [
      { id: 'fruit', said: '150 g', ingredientId: 'sour-cherry', basis: { per: 'bottle' } },
      { id: 'sugar', said: '100 g', ingredientId: 'sugar', basis: { per: 'bottle' } },
      { id: 'water', said: 'to the headspace', ingredientId: 'water', basis: { per: 'bottle', fills: true } },
    ],
    steps: [{ id: 'jar', kind: 'draw', method: 'jar', title: 'In the jar' }],
    storage: 'shelf',
    bottleMl: 475,
    bottles: 12,
  };
  const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
  it('takes what the jars hold less all else in them', () => {
    const f = forecast(content, setting);
    expect(f.bottles).toBe(12);
    // 475 mL, less some 140 mL of cherries and 100 g of dissolved sugar, some 62 mL: about 270 g of water in each.
    expect(f.lines[2]!.grams! / 12).toBeGreaterThan(230);
    expect(f.lines[2]!.grams! / 12).toBeLessThan(310);
    expect(f.millilitres / 12).toBeGreaterThan(440);
    expect(f.millilitres / 12).toBeLessThan(490);
  });
  it('asks for how many, and where they are full already', () => {
    expect(forecast({ ...content, bottles: undefined, bottleMl: 150 }, setting).lines[2]!.asks).toMatch(
      /how many/,
    );
  });
});

describe('each closure', () => {
  it.each(CLOSURES)('%s has a check of its own, and only a two-piece lid is pressed', (id) => {
    const { check, failed, use } = closures[id];
    expect(check.startsWith('Press')).toBe(id === 'two-piece-lid');
    expect([check, failed, use].every((text) => text.length > 10)).toBe(true);
  });
  it('is spoken of by its own name', () => {
    expect(checkSaid(['swing-top'])).toBe('stoppers pulled');
    expect(checkSaid(['cork', 'swing-top'])).toBe('closures checked');
    const lot = { ...releasable(), storage: 'cold' as const };
    const swing = {
      ...lot,
      sealChecks: [],
      bottlings: lot.bottlings.map((b) => ({ ...b, closure: 'swing-top' })),
    };
    const seal = gates(swing, { timeZone: 'UTC', labelMissing: [] }).find((g) => g.id === 'seal')!;
    expect(seal.missing).toMatch(/stoppers/);
    expect(seal.missing).not.toMatch(/[Pp]ress|lid/);
  });
});

describe('a reading of the finished product', () => {
  const lot = releasable();
  const doubt = (kind: 'ph' | 'brix', value: number, of = lot, sample: 'finished' | 'pan' = 'finished') =>
    readingDoubt(of, { kind, sample, value }, 'us');
  // What the same formula is forecast at, by the forecast of a formula.
  const made = forecast(lot.product.content, {
    cup: 'us',
    catalogue: shippedCatalogue,
    elevationMetres: 719,
    criticalPh: 4.2,
  });
  it('is asked about three tenths off its own forecast, and not as it was forecast', () => {
    const expected = made.ph!.middle;
    expect(doubt('ph', expected)).toBeNull();
    expect(doubt('ph', expected + 0.2)).toBeNull();
    expect(doubt('ph', expected + 0.31)).toMatch(/forecast/);
    expect(doubt('ph', expected - 0.31)).toMatch(/forecast/);
    expect(doubt('brix', made.brix + 3)).toBeNull();
    expect(doubt('brix', made.brix - 9)).toMatch(/forecast/);
  });
  it('a very sour one that was forecast so is no question', () => {
    const sour = (grams: number): LotRecord => ({
      ...lot,
      additions: [
        ...lot.additions,
        {
          ...lot.additions[0]!,
          id: 'extra',
          lineId: null,
          ingredientId: 'citric-anhydrous',
          grams,
          why: 'sharper',
        },
      ],
    });
    const low = 1.75;
    expect(doubt('ph', low)).toMatch(/forecast/);
    expect(doubt('ph', low, sour(2500))).toBeNull();
  });
  it('in the pan may be anything still', () => expect(doubt('ph', 6, lot, 'pan')).toBeNull());
});
