import { cannerFill, euNetContents, tolerableNegativeError } from '@inch/core/bottling';
import { volumeAtDepth } from '@inch/core/pan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('the tolerable negative error', () => {
  it('is the directive’s table, and meets itself at every edge', () => {
    // Directive 76/211/EEC, Annex I, 2.4; percentages rounded up to a tenth of a millilitre, 2.5.
    const table: [number, number][] = [
      [50, 4.5],
      [75, 4.5],
      [100, 4.5],
      [33, 3],
      [150, 6.8],
      [187, 8.5],
      [375, 11.3],
      [200, 9],
      [250, 9],
      [300, 9],
      [400, 12],
      [500, 15],
      [750, 15],
      [1000, 15],
      [1425, 21.4],
      [2000, 30],
    ];
    for (const [ml, error] of table) expect(tolerableNegativeError(ml), `${ml} mL`).toBeCloseTo(error, 9);
    expect(() => tolerableNegativeError(4)).toThrow(RangeError);
  });

  it('never falls as bottles grow', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 9990, noNaN: true }), (ml) => {
        expect(tolerableNegativeError(ml + 10)).toBeGreaterThanOrEqual(tolerableNegativeError(ml) - 1e-9);
      }),
    );
  });
});

describe('net contents by the packers’ rules', () => {
  it('are met by bottles that are right on average, none far short', () => {
    expect(euNetContents(250, [252, 249, 251, 250]).reasons).toEqual([]);
  });

  it('are not met under the label on average, nor with one short in ten, nor with one far short', () => {
    expect(euNetContents(250, [249, 249.5]).reasons).toEqual([
      expect.stringMatching(/on average they hold 249\.3 mL/),
    ]);
    const tenth = [240, ...Array(9).fill(252)];
    expect(euNetContents(250, tenth)).toMatchObject({
      short: 1,
      farShort: 0,
      reasons: [expect.stringMatching(/1 of 10/)],
    });
    const far = [231, ...Array(99).fill(252)];
    expect(euNetContents(250, far)).toMatchObject({
      farShort: 1,
      reasons: [expect.stringMatching(/not to be sold/)],
    });
    expect(() => euNetContents(250, [])).toThrow(RangeError);
  });
});

describe('water in a canner', () => {
  const canner = {
    kind: 'frusta' as const,
    frusta: [{ heightMm: 250, lowerDiameterMm: 300, upperDiameterMm: 320 }],
  };
  const jars = { count: 7, heightMm: 98, displacesMl: 320 };

  it('and jars come together to an inch over the lids', () => {
    const fill = cannerFill(canner, jars, 15);
    expect(fill.withJarsMm).toBeCloseTo(15 + 98 + 25.4, 9);
    expect(fill.waterMl + 7 * 320).toBeCloseTo(volumeAtDepth(canner, fill.withJarsMm), 6);
    expect(volumeAtDepth(canner, fill.beforeMm)).toBeCloseTo(fill.waterMl, 3);
    expect(fill.beforeMm).toBeLessThan(fill.withJarsMm);
  });

  it('is less the more jars there are', () => {
    expect(cannerFill(canner, { ...jars, count: 9 }, 15).waterMl).toBeCloseTo(
      cannerFill(canner, jars, 15).waterMl - 2 * 320,
      6,
    );
  });

  it('says where the canner is too low, or full of jars', () => {
    expect(() => cannerFill(canner, { ...jars, heightMm: 190 }, 15)).toThrow(/want a canner 256 mm deep/);
    expect(() => cannerFill(canner, { ...jars, count: 60 }, 15)).toThrow(/no place for water/);
  });
});
