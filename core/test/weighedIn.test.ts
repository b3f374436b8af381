import { amountDoubt, gates, type LotRecord, lotLines, weighedIn } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { releasable, T } from './support/lot.ts';

/** A lot of 4 kg of cherries and 2 kg of sugar, with the cherries in these parts. */
function inParts(parts: readonly { grams: number; more: boolean }[]): LotRecord {
  const lot = releasable();
  const [fruit, ...others] = lot.additions;
  const own = parts.map((part, i) => ({ ...fruit!, ...part, id: `part${i}`, at: T(i / 100) }));
  return { ...lot, additions: [...own, ...others] };
}
const shut = (lot: LotRecord) =>
  gates(lot, { timeZone: 'UTC', labelMissing: [] })
    .filter((g) => !g.open)
    .map((g) => g.id);
const line = releasable().additions[0]!.lineId!;

describe('a line that goes in in parts', () => {
  it('is open until somebody says that this is all', () => {
    const half = inParts([{ grams: 2000, more: true }]);
    expect(weighedIn(half, line)).toMatchObject({ grams: 2000, open: true });
    expect(shut(half)).toContain('everything-in');
    const all = inParts([
      { grams: 2000, more: true },
      { grams: 2000, more: false },
    ]);
    expect(weighedIn(all, line)).toMatchObject({ grams: 4000, open: false });
    expect(shut(all)).not.toContain('everything-in');
  });

  it('parts sum to the line, however it is parted, and what follows it follows the sum', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 50, max: 1500 }), { minLength: 1, maxLength: 6 }), (grams) => {
        const total = grams.reduce((sum, g) => sum + g, 0);
        const parted = inParts(grams.map((g, i) => ({ grams: g, more: i < grams.length - 1 })));
        const whole = inParts([{ grams: total, more: false }]);
        expect(weighedIn(parted, line).grams).toBe(total);
        expect(lotLines(parted, 'us').map((l) => l.now)).toEqual(lotLines(whole, 'us').map((l) => l.now));
      }),
      { numRuns: draws(40) },
    ));

  it('while more follows, what depends on it goes by the formula', () => {
    const none = inParts([]);
    const some = inParts([{ grams: 500, more: true }]);
    expect(lotLines(some, 'us').map((l) => l.now)).toEqual(lotLines(none, 'us').map((l) => l.now));
  });
});

describe('an amount unlike the formula', () => {
  const asked = (grams: number, more = false, before: { grams: number; more: boolean }[] = []) =>
    amountDoubt(inParts(before), { lineId: line, grams, more }, 'us');
  it.each([
    [4000, false, null],
    [3000, false, null],
    [2000, false, /so little/],
    [400, false, /so little/],
    [400, true, null],
    [8000, false, /so much/],
    [40_000, true, /so much/],
  ])('%d g (more follows: %s) of 4 kg', (grams, more, question) => {
    if (question === null) expect(asked(grams, more)).toBeNull();
    else expect(asked(grams, more)).toMatch(question);
  });
  it('is judged with what is in already', () => {
    expect(asked(2000, false, [{ grams: 2000, more: true }])).toBeNull();
    expect(asked(6000, false, [{ grams: 2000, more: true }])).toMatch(/this makes 8.000 g/);
  });
  it('of an acid asks for every shortfall', () => {
    const lot = inParts([]);
    const [first] = lot.product.content.lines;
    const acid = { id: 'acid', said: '30 g', ingredientId: 'citric-anhydrous', stepId: first!.stepId };
    const sour = {
      ...lot,
      product: { ...lot.product, content: { ...lot.product.content, lines: [first!, acid] } },
    };
    const at = (grams: number, more = false) => amountDoubt(sour, { lineId: 'acid', grams, more }, 'us');
    expect(at(30)).toBeNull();
    expect(at(28)).toMatch(/Acid is what keeps it/);
    expect(at(28, true)).toBeNull();
    expect(amountDoubt(sour, { lineId: null, grams: 9, more: false }, 'us')).toBeNull();
  });
});
