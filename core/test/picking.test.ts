import { dividePicking, type PickingUse, type Ripeness } from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const DAYS = ['2026-09-01', '2026-09-03', '2026-09-06'];

/** The most that whole kilos of a picking can earn, every way tried: dear in time, and right. */
function bruteForce(
  parts: readonly Ripeness[],
  uses: readonly PickingUse[],
  freezer: { room: number; marginPerKgMinor: number },
): number {
  const whole = parts.reduce((sum, p) => sum + p.grams, 0) / 1000;
  let best = Number.NEGATIVE_INFINITY;
  const feasible = (kilos: readonly number[]) =>
    DAYS.every((day) => {
      const worked = uses.reduce((sum, u, i) => (u.on >= day ? sum + kilos[i]! : sum), 0);
      return worked <= parts.reduce((sum, p) => (p.until >= day ? sum + p.grams / 1000 : sum), 0);
    });
  const walk = (i: number, kilos: number[]): void => {
    if (i === uses.length) {
      if (!feasible(kilos)) return;
      const worked = kilos.reduce((a, b) => a + b, 0);
      const frozen = Math.min(freezer.room / 1000, whole - worked);
      if (frozen < 0) return;
      const earned = kilos.reduce((sum, k, n) => sum + k * uses[n]!.marginPerKgMinor, 0);
      best = Math.max(best, earned + frozen * freezer.marginPerKgMinor);
      return;
    }
    const { least, most } = uses[i]!;
    walk(i + 1, [...kilos, 0]);
    for (let k = Math.max(least / 1000, 1); k <= most / 1000; k++) walk(i + 1, [...kilos, k]);
  };
  walk(0, []);
  return best;
}

const day = fc.constantFrom(...DAYS);
const part = fc.record({ kg: fc.integer({ min: 0, max: 5 }), until: day });
const use = fc.record({
  on: day,
  margin: fc.integer({ min: -200, max: 900 }),
  least: fc.integer({ min: 0, max: 3 }),
  more: fc.integer({ min: 0, max: 4 }),
});

describe('a picking divided', () => {
  it('earns as much as any way of dividing whole kilos, tried one by one; nothing is used twice or too late', () => {
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 3 }),
        fc.array(use, { maxLength: 3 }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 0, max: 500 }),
        (ps, us, room, worth) => {
          const parts = ps.map((p, i) => ({ id: `p${i}`, grams: p.kg * 1000, until: p.until }));
          const uses = us.map((u, i) => ({
            id: `u${i}`,
            on: u.on,
            marginPerKgMinor: u.margin,
            least: u.least * 1000,
            most: (u.least + u.more) * 1000,
          }));
          const freezer = { room: room * 1000, marginPerKgMinor: worth };
          const divided = dividePicking({ parts, uses, freezer });
          expect(divided.marginMinor).toBeGreaterThanOrEqual(bruteForce(parts, uses, freezer) - 1e-6);
          for (const p of parts) {
            const gone =
              divided.shares.filter((s) => s.ripenessId === p.id).reduce((sum, s) => sum + s.grams, 0) +
              divided.frozen.filter((f) => f.ripenessId === p.id).reduce((sum, f) => sum + f.grams, 0);
            expect(gone).toBeLessThanOrEqual(p.grams + 1e-6);
          }
          for (const s of divided.shares)
            expect(
              parts.find((p) => p.id === s.ripenessId)!.until >= uses.find((u) => u.id === s.useId)!.on,
            ).toBe(true);
          for (const u of uses) {
            const got = divided.shares.filter((s) => s.useId === u.id).reduce((sum, s) => sum + s.grams, 0);
            expect(got === 0 || (got >= u.least - 1e-6 && got <= u.most + 1e-6)).toBe(true);
          }
          const all = divided.shares.reduce((sum, s) => sum + s.grams, 0);
          const cold = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
          expect(all + cold + divided.over).toBeCloseTo(
            parts.reduce((sum, p) => sum + p.grams, 0),
            4,
          );
        },
      ),
      { numRuns: draws(300) },
    );
  });

  it('eleven kilos of damsons: the ripest to what is worked first, the shrub before the freezer, the rest frozen', () => {
    const divided = dividePicking({
      parts: [
        { id: 'ripe', grams: 4000, until: '2026-09-01' },
        { id: 'firm', grams: 7000, until: '2026-09-06' },
      ],
      uses: [
        { id: 'shrub', on: '2026-09-01', marginPerKgMinor: 500, least: 2000, most: 5000 },
        { id: 'syrup', on: '2026-09-03', marginPerKgMinor: 300, least: 3000, most: 3000 },
      ],
      freezer: { room: 6000, marginPerKgMinor: 250 },
    });
    expect(divided.shares).toEqual([
      { useId: 'shrub', ripenessId: 'ripe', grams: 4000 },
      { useId: 'shrub', ripenessId: 'firm', grams: 1000 },
      { useId: 'syrup', ripenessId: 'firm', grams: 3000 },
    ]);
    expect(divided.frozen).toEqual([{ ripenessId: 'firm', grams: 3000 }]);
    // 5 kg at 5.00, 3 kg at 3.00, 3 kg at 2.50
    expect(divided.marginMinor).toBe(2500 + 900 + 750);
    expect(divided.over).toBe(0);
  });

  it('says what finds no place, and refuses a most under a least', () => {
    const parts = [{ id: 'all', grams: 5000, until: '2026-09-01' }];
    expect(dividePicking({ parts, uses: [], freezer: { room: 2000, marginPerKgMinor: 100 } }).over).toBe(
      3000,
    );
    const wrong = { id: 'x', on: '2026-09-01', marginPerKgMinor: 1, least: 5, most: 2 };
    expect(() => dividePicking({ parts, uses: [wrong], freezer: { room: 0, marginPerKgMinor: 0 } })).toThrow(
      /most is the smaller/,
    );
  });
});
