import { catalogue } from '@inch/core/ingredient';
import {
  allergensIn,
  ingredientStatement,
  labelCheck,
  labelMissing,
  netContents,
  netContentsHeight,
} from '@inch/core/label';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { labelWordsOf } from './support/label.ts';

describe('the ingredient statement', () => {
  it('is in common names, heaviest first, like names joined', () => {
    const { text, parts } = ingredientStatement([
      { ingredientId: 'citric-anhydrous', grams: 15 },
      { ingredientId: 'sour-cherry', grams: 4000 },
      { ingredientId: 'sugar', grams: 1000 },
      { ingredientId: 'sugar', grams: 900 },
      { ingredientId: 'citric-monohydrate', grams: 5 },
      { ingredientId: 'water', grams: 0 },
    ]);
    expect(text).toBe('sour cherries, sugar, citric acid');
    expect(parts.map((p) => p.grams)).toEqual([4000, 1900, 20]);
    expect(parts[2]!.ingredientIds).toEqual(['citric-anhydrous', 'citric-monohydrate']);
  });
  it('keeps the weight, sums to 100 % and never climbs', () => {
    const anyLine = fc.record({
      ingredientId: fc.constantFrom(...catalogue.map((c) => c.id)),
      grams: fc.double({ min: 0.1, max: 5000, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(anyLine, { minLength: 1, maxLength: 12 }), (lines) => {
        const { parts } = ingredientStatement(lines);
        expect(parts.reduce((s, p) => s + p.grams, 0)).toBeCloseTo(
          lines.reduce((s, l) => s + l.grams, 0),
          6,
        );
        expect(parts.reduce((s, p) => s + p.percent, 0)).toBeCloseTo(100, 8);
        for (let i = 1; i < parts.length; i++)
          expect(parts[i]!.grams).toBeLessThanOrEqual(parts[i - 1]!.grams * (1 + 1e-9));
      }),
    );
  });
  it('refuses what is not in the catalogue', () => {
    expect(() => ingredientStatement([{ ingredientId: 'moonbeam', grams: 1 }])).toThrow(/moonbeam/);
  });
});

describe('allergens', () => {
  const one = (ingredientId: string) => [{ ingredientId, grams: 10 }];
  it('follow the pack', () => {
    expect(allergensIn(one('almond'), 'us')).toEqual(['tree-nuts']);
    expect(allergensIn(one('bottled-lemon-juice'), 'us')).toEqual(['sulphites']);
    expect(allergensIn(one('celery'), 'us')).toEqual([]);
    expect(allergensIn(one('celery'), 'eu')).toEqual(['celery']);
    expect(allergensIn([{ ingredientId: 'almond', grams: 0 }], 'us')).toEqual([]);
  });
});

describe('net contents', () => {
  it('are never rounded up', () => {
    expect(netContents(237, 'us')).toBe('8 fl oz (237 mL)');
    expect(netContents(250, 'us')).toBe('8.4 fl oz (250 mL)');
    expect(netContents(250, 'eu')).toBe('250 mL');
    expect(netContents(1000, 'eu')).toBe('1 L');
  });
  it('stand at least as high as the pack asks', () => {
    // 98 × 75 mm jar: 40 % of 98 × π × 75 = 92.4 cm² = 14.3 in² → 1/8 in
    expect(netContentsHeight('us', { nominalMl: 237, heightMm: 98, diameterMm: 75 })).toBeCloseTo(
      25.4 / 8,
      6,
    );
    expect(netContentsHeight('us', { nominalMl: 50, heightMm: 60, diameterMm: 35 })).toBeCloseTo(
      25.4 / 16,
      6,
    );
    expect(
      [50, 200, 237, 1000, 1500].map((nominalMl) =>
        netContentsHeight('eu', { nominalMl, heightMm: 98, diameterMm: 75 }),
      ),
    ).toEqual([2, 3, 4, 4, 6]);
  });
});

const words = labelWordsOf();
const kitchen = { name: 'A kitchen', place: 'a place', rulePack: 'eu' as const, localStatement: '' };

describe('the label check', () => {
  it('stops on each missing element and names the rule', () => {
    expect(labelMissing(labelCheck(words, kitchen))).toEqual([]);
    for (const key of ['name', 'statement', 'netContents', 'dateLine', 'keepLine', 'lotLine'] as const)
      expect(labelMissing(labelCheck({ ...words, [key]: '' }, kitchen)).length, key).toBeGreaterThan(0);
    expect(labelMissing(labelCheck(words, { ...kitchen, place: '' }))).toHaveLength(1);
    for (const row of labelCheck(words, kitchen)) expect(row.rule).not.toBe('');
  });
  it('flags words that claim health', () => {
    expect(
      labelCheck({ ...words, name: 'Immune elder tonic' }, kitchen).some((c) => c.element === 'Claims'),
    ).toBe(true);
    expect(labelCheck(words, kitchen).some((c) => c.element === 'Claims')).toBe(false);
  });
});
