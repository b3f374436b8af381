import { acidsFromPhAndTa, equilibriumPh, placeOfAcid } from '@inch/core/acid';
import { shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';
import { juiceTable } from '../src/formula/forecast/juiceTable.ts';

const juices = shippedCatalogue.all.filter(
  (e) => e.acidity.kind === 'juice' && Object.keys(e.acidity.split).length >= 2 && !e.acidity.splitUnknown,
);

describe('the acids of a fruit from picking to picking', () => {
  it.each(juices.map((e) => [e.id, e] as const))(
    '%s: the chief acid has a tenth more or less, the rest shares what is left',
    (_, entry) => {
      if (entry.acidity.kind !== 'juice') throw new Error('no juice');
      const { split } = entry.acidity;
      const total = Object.values(split).reduce((a, b) => a + b, 0);
      const chief = Object.entries(split).reduce((a, b) => (b[1] > a[1] ? b : a))[0] as 'citric';
      const table = juiceTable(entry, entry.acidity);
      const shareAt = (row: number) => {
        const drawn = table.at(0, 0, row);
        if (!drawn) return null;
        const all = drawn.acids.reduce((a, b) => a + b, 0);
        return drawn.acids[placeOfAcid(chief)]! / all;
      };
      const typical = split[chief]! / total;
      for (const [row, by] of [
        [0, 0],
        [1, 0.1],
        [2, -0.1],
      ] as const) {
        const share = shareAt(row);
        if (share !== null) expect(share).toBeCloseTo(Math.min(0.99, Math.max(0.01, typical + by)), 9);
      }
    },
  );
});

describe('a pH under what its acids alone would give', () => {
  const lemon = { citric: 1 };
  // 20 g of citric acid (192.124 g/mol) in a kg of water, and no base at all.
  const alone = equilibriumPh({ acids: { citric: 20 / 192.124 }, baseEquivalents: 0 }).ph;

  it('by a reading’s error is taken as no base, and said', () => {
    const found = acidsFromPhAndTa({ ph: alone - 0.08, taCitric: 20, split: lemon });
    expect(found.baseEquivalents).toBe(0);
    expect(found.flags).toContain('base-set-to-zero');
    expect(found.acids.citric).toBeGreaterThan((0.97 * 20) / 192.124);
    expect(found.acids.citric).toBeLessThan((1.05 * 20) / 192.124);
  });

  it('by more than that is refused, with the lowest pH they give', () => {
    const refusal = (() => {
      try {
        acidsFromPhAndTa({ ph: alone - 0.4, taCitric: 20, split: lemon });
        return '';
      } catch (error) {
        return (error as Error).message;
      }
    })();
    expect(Number(/no pH under ([\d.]+)/.exec(refusal)?.[1])).toBeCloseTo(alone, 1);
  });
});
