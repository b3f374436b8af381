import { type Pack, packsToBuy } from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

/** Every way to buy, one by one: dear in time, and right. */
function bruteForce(need: number, packs: readonly Pack[]): { cost: number; bought: number } {
  let best = { cost: Number.POSITIVE_INFINITY, bought: Number.POSITIVE_INFINITY };
  const walk = (i: number, cost: number, bought: number): void => {
    if (i === packs.length) {
      if (bought < need) return;
      if (cost < best.cost || (cost === best.cost && bought < best.bought)) best = { cost, bought };
      return;
    }
    const pack = packs[i]!;
    const most = Math.min(pack.available ?? 99, Math.ceil(need / pack.size));
    for (let n = 0; n <= most; n++) walk(i + 1, cost + n * pack.priceMinor, bought + n * pack.size);
  };
  walk(0, 0, 0);
  return best;
}

const pack = fc.record({
  size: fc.integer({ min: 1, max: 12 }),
  priceMinor: fc.integer({ min: 1, max: 300 }),
  available: fc.option(fc.integer({ min: 0, max: 4 }), { nil: undefined }),
});

describe('packs to buy', () => {
  it('are the cheapest cover there is: never dearer, nor more over, than any way tried one by one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.array(pack, { minLength: 1, maxLength: 4 }),
        (need, made) => {
          const packs = made.map((p, i) => ({
            id: `p${i}`,
            size: p.size,
            priceMinor: p.priceMinor,
            ...(p.available === undefined ? {} : { available: p.available }),
          }));
          const { cost, bought } = bruteForce(need, packs);
          if (cost === Number.POSITIVE_INFINITY) {
            expect(() => packsToBuy({ need, packs })).toThrow(RangeError);
            return;
          }
          const cover = packsToBuy({ need, packs });
          expect(cover.costMinor).toBe(cost);
          expect(cover.bought).toBe(bought);
          const counted = cover.packs.reduce(
            (sum, c) => sum + c.count * packs.find((p) => p.id === c.id)!.size,
            0,
          );
          expect(counted).toBe(cover.bought);
          expect(cover.leftOver).toBe(cover.bought - need);
        },
      ),
      { numRuns: draws(300) },
    );
  });

  it('a sack and a bag before three bags, where the sack is cheaper by the kilo', () => {
    const packs = [
      { id: 'sack 5 kg', size: 5000, priceMinor: 480 },
      { id: 'bag 1 kg', size: 1000, priceMinor: 125 },
    ];
    // 6.2 kg: a sack and two bags cost 730, two sacks 960, seven bags 875.
    expect(packsToBuy({ need: 6200, packs })).toEqual({
      packs: [
        { id: 'sack 5 kg', count: 1 },
        { id: 'bag 1 kg', count: 2 },
      ],
      costMinor: 730,
      bought: 7000,
      leftOver: 800,
    });
  });

  it('of two at one price the one that leaves less over', () => {
    const packs = [
      { id: 'ten', size: 10, priceMinor: 100 },
      { id: 'eight', size: 8, priceMinor: 100 },
    ];
    expect(packsToBuy({ need: 7, packs }).packs).toEqual([{ id: 'eight', count: 1 }]);
  });

  it('nothing for nothing, and says when there is not enough to be had', () => {
    expect(packsToBuy({ need: 0, packs: [] })).toMatchObject({ packs: [], costMinor: 0 });
    expect(() =>
      packsToBuy({ need: 5, packs: [{ id: 'last', size: 2, priceMinor: 9, available: 2 }] }),
    ).toThrow(/come to 4, and 5 is needed/);
    expect(() => packsToBuy({ need: 5, packs: [{ id: 'odd', size: 0, priceMinor: 9 }] })).toThrow(
      /size has to be over 0/,
    );
  });

  it('hundreds of bottles are found at once', () => {
    const packs = [24, 12, 6, 1].map((size) => ({ id: `${size}`, size, priceMinor: size * 50 + 40 }));
    expect(packsToBuy({ need: 500, packs }).bought).toBeGreaterThanOrEqual(500);
  });
});
