import { makingOf, partsFor, usualContainer } from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { axisOf, instantOn, lengthOf, placeOf } from '../src/plan/axis.ts';
import { kept, type LaidLot, movedTo } from '../src/plan/hours.ts';
import { formula, jar, planning, swing } from './planningFixture.ts';

const HOUR = 3_600_000;

describe('the rule of hours', () => {
  const day = (n: number) => ({ from: n * 24 * HOUR + 8 * HOUR, to: n * 24 * HOUR + 18 * HOUR });
  const axis = axisOf([day(0), day(1), day(9)], 6 * HOUR, 9 * 24 * HOUR + 20 * HOUR);

  it('every instant has its place, later ones further on, and a place leads back to its instant', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6 * 60, max: (9 * 24 + 20) * 60 - 1 }), (minute) => {
        const ms = minute * 60_000;
        const x = placeOf(axis, ms);
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(lengthOf(axis));
        expect(instantOn(axis, x)).toBeCloseTo(ms, -2);
        expect(placeOf(axis, ms + 60_000)).toBeGreaterThanOrEqual(x);
      }),
    );
  });

  it('a week in which nothing is done takes less room than two working hours', () => {
    const idle = placeOf(axis, day(9).from) - placeOf(axis, day(1).to);
    expect(idle).toBeLessThan(placeOf(axis, 10 * HOUR) - placeOf(axis, 8 * HOUR));
  });
});

describe('a step moved by hand', () => {
  const origin = '2026-12-17T08:00:00.000Z';
  const lot: LaidLot = {
    partId: 'one',
    name: 'Syrup',
    colour: '#8E1230',
    begun: null,
    day: {
      id: 'one',
      steps: [
        { id: 'reduce', title: 'Reduce', kind: 'reduce', minutes: 40, needs: {}, learned: 0, attended: true },
        {
          id: 'fill',
          title: 'Fill',
          kind: 'fill',
          minutes: 20,
          needs: { hands: 1 },
          learned: 0,
          atOnce: true,
        },
        { id: 'rest', title: 'Rest', kind: 'rest', minutes: 60, needs: {}, learned: 0 },
      ],
    },
  };
  const laid = kept(
    [
      { lotId: 'one', stepId: 'reduce', from: 0, to: 40 },
      { lotId: 'one', stepId: 'fill', from: 40, to: 60 },
      { lotId: 'one', stepId: 'rest', from: 60, to: 120 },
    ],
    [lot],
    origin,
  );

  it('is kept as instants, with whether somebody has to be there', () => {
    expect(laid.map((s) => [s.from.slice(11, 16), s.to.slice(11, 16), s.attended])).toEqual([
      ['08:00', '08:40', true],
      ['08:40', '09:00', true],
      ['09:00', '10:00', false],
    ]);
  });

  it('takes along what follows it at once, and nothing else; there and back is where it was', () => {
    const moved = movedTo(laid, [lot], laid[1]!, 30);
    expect(moved.map((s) => s.from.slice(11, 16))).toEqual(['08:30', '09:10', '09:00']);
    expect(movedTo(moved, [lot], moved[0]!, -30)).toEqual(laid);
  });
});

describe('the parts of a making', () => {
  const bottles = makingOf(formula, { by: 'bottles', bottles: 24 }, swing.id, planning);
  const fruit = makingOf(
    formula,
    { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: false },
    swing.id,
    planning,
  );

  it('together make the bottles wanted, and never more than the fruit there is', () => {
    const sum = (parts: { scale: number }[]) => parts.reduce((total, p) => total + p.scale, 0);
    expect(sum(partsFor(bottles, { by: 'bottles', bottles: 24 }, String))).toBeGreaterThanOrEqual(
      bottles.whole.scale,
    );
    const inHand = sum(
      partsFor(fruit, { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: false }, String),
    );
    expect(inHand * 3000).toBeLessThanOrEqual(11_000 + 1e-6);
    expect(inHand * 3000).toBeGreaterThan(10_990);
  });

  it('go into the bottle of the formula’s size, or into another, which changes how many there are', () => {
    expect(usualContainer(formula, planning)).toBe(swing.id);
    const small = makingOf(
      formula,
      { by: 'fruit', lineId: 'fruit', grams: 3000, trimmed: false },
      jar.id,
      planning,
    );
    expect(small.content.bottleMl).toBe(237);
  });

  it('need glass, what closes it and labels, one to a bottle', () => {
    const packaging = bottles.needs.filter((n) => n.kind === 'packaging');
    expect(packaging.map((n) => [n.name, n.amount])).toEqual([
      ['Swing top', 24],
      ['Swing-top rubbers', 24],
      ['Blank labels', 24],
    ]);
  });
});
