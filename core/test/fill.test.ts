import { type BottlesToHand, fillBottles } from '@inch/core/bottling';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

/** Every way to fill, tried one by one. */
function bruteForce(ml: number, toHand: readonly BottlesToHand[]): { filled: number; bottles: number } {
  let best = { filled: 0, bottles: 0 };
  const walk = (i: number, filled: number, bottles: number): void => {
    if (filled > ml) return;
    if (filled > best.filled || (filled === best.filled && bottles < best.bottles))
      best = { filled, bottles };
    const size = toHand[i];
    if (!size) return;
    for (let n = 0; n <= size.count; n++) walk(i + 1, filled + n * size.millilitres, bottles + n);
  };
  walk(0, 0, 0);
  return best;
}

describe('a batch into bottles of mixed sizes', () => {
  it('leaves as little over as any way tried one by one, in no more bottles', () => {
    const size = fc.record({
      millilitres: fc.integer({ min: 20, max: 500 }),
      count: fc.integer({ min: 0, max: 6 }),
    });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), fc.array(size, { maxLength: 3 }), (ml, sizes) => {
        const toHand = sizes.map((s, i) => ({ id: `${i}`, ...s }));
        const best = bruteForce(ml, toHand);
        const { bottles, filled, short } = fillBottles(ml, toHand);
        expect(filled).toBe(best.filled);
        expect(bottles.reduce((sum, b) => sum + b.count, 0)).toBe(best.bottles);
        expect(
          bottles.reduce((sum, b) => sum + b.count * toHand.find((t) => t.id === b.id)!.millilitres, 0),
        ).toBe(filled);
        expect(filled + short).toBe(ml);
        for (const b of bottles)
          expect(b.count).toBeLessThanOrEqual(toHand.find((t) => t.id === b.id)!.count);
      }),
      { numRuns: draws(200) },
    );
  });

  it('3.4 L: twelve large and two small leave less over than thirteen large', () => {
    // 13 × 250 leaves 150; 12 × 250 and 2 × 190 leave 20.
    const toHand = [
      { id: 'large', millilitres: 250, count: 20 },
      { id: 'small', millilitres: 190, count: 2 },
    ];
    expect(fillBottles(3400, toHand)).toEqual({
      bottles: [
        { id: 'large', count: 12 },
        { id: 'small', count: 2 },
      ],
      filled: 3380,
      short: 20,
    });
  });

  it('nothing to fill with leaves all of it; what cannot be is refused', () => {
    expect(fillBottles(900, [])).toEqual({ bottles: [], filled: 0, short: 900 });
    expect(() => fillBottles(-1, [])).toThrow(RangeError);
    expect(() => fillBottles(10, [{ id: 'x', millilitres: 0, count: 1 }])).toThrow(RangeError);
  });

  it('sixty litres are found at once', () => {
    const toHand = [237, 250, 475, 500].map((millilitres) => ({
      id: `${millilitres}`,
      millilitres,
      count: 120,
    }));
    expect(fillBottles(60_000, toHand).short).toBe(0);
  });
});
