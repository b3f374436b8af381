import type { LotHead } from '@inch/contract/making/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matches, placeOn, spanOf, warningOf } from '../src/shelf/span.ts';

const NOW = '2026-11-25T12:00:00.000Z';

function lot(more: Partial<LotHead>): LotHead {
  return {
    id: 'l',
    code: '7F4H',
    name: 'Damson shrub',
    colour: '#4A2860',
    kind: 'shrub',
    state: 'released',
    nextLooks: [],
    retained: 0,
    away: { count: 0, untold: 0 },
    stands: [],
    printed: true,
    begunAt: NOW,
    madeOn: '2026-10-01',
    readyOn: '2026-10-01',
    bestBy: '2027-10-01',
    dateWord: 'best-by',
    storage: 'cold',
    keepingClass: 'cold',
    step: null,
    gatesOpen: 6,
    gatesAll: 6,
    heldWhy: null,
    bottles: {
      filled: 12,
      millilitres: 3000,
      left: 7,
      sold: 5,
      groups: [{ bottlingId: 'b', container: 'Jar', nominalMl: 250, place: 'cold room', count: 7 }],
    },
    ...more,
  };
}

describe('the date rule', () => {
  it('runs over whole months, from the oldest lot to the furthest date', () => {
    const span = spanOf([lot({ madeOn: '2026-05-14' }), lot({ bestBy: '2027-08-20' })], NOW);
    expect(new Date(span.from).toISOString().slice(0, 10)).toBe('2026-05-01');
    expect(new Date(span.to).toISOString().slice(0, 10)).toBe('2027-11-01');
  });
  it('has room for today and the weeks after, with nothing on the shelf as well', () => {
    const span = spanOf([], NOW);
    expect(placeOn(span, NOW)).toBeGreaterThan(0);
    expect(placeOn(span, NOW)).toBeLessThan(60);
  });
  it('keeps the order of days, and everything between its ends', () => {
    const span = spanOf([lot({})], NOW);
    const day = fc
      .integer({ min: 0, max: 3000 })
      .map((n) => new Date(Date.UTC(2022, 0, 1 + n)).toISOString());
    fc.assert(
      fc.property(day, day, (a, b) => {
        fc.pre(a < b);
        expect(placeOn(span, a)).toBeLessThanOrEqual(placeOn(span, b));
        expect(placeOn(span, a)).toBeGreaterThanOrEqual(0);
        expect(placeOn(span, b)).toBeLessThanOrEqual(100);
      }),
    );
  });
  it('reaches back no further than a year and a bit', () => {
    const span = spanOf([lot({ madeOn: '2019-01-01' })], NOW);
    expect(new Date(span.from).getUTCFullYear()).toBe(2025);
  });
});

describe('what a hand should know of a lot', () => {
  it.each([
    [{}, null],
    [{ state: 'held' as const }, 'held'],
    [{ state: 'recalled' as const }, 'recalled: destroy unopened'],
    [{ state: 'resting' as const }, 'resting, not released'],
    [{ bestBy: '2026-11-24' }, 'past its date: 7 to take off'],
    [{ bestBy: '2026-11-25' }, 'best by 25 Nov'],
    [{ bestBy: '2026-12-09', dateWord: 'use-by' as const }, 'use by 9 Dec'],
    [{ bestBy: '2026-12-10' }, null],
    [{ readyOn: '2026-12-22' }, 'ready 22 Dec'],
  ])('%j: %s', (more, words) => {
    expect(warningOf(lot(more), NOW)?.words ?? null).toBe(words);
  });
  it('is a word and a shape of its own for each', () => {
    expect(warningOf(lot({ bestBy: '2026-11-24' }), NOW)?.tone).toBe('stop');
    expect(warningOf(lot({ state: 'held' }), NOW)?.tone).toBe('hold');
  });
});

describe('finding', () => {
  it.each(['7f4h', 'damson', ' COLD ', ''])('by "%s"', (text) => expect(matches(lot({}), text)).toBe(true));
  it('not by what it is not', () => expect(matches(lot({}), 'quince')).toBe(false));
});
