import { grouped, METRIC, money, plural, unitsFrom, weight } from '@inch/core/quantity';
import { beforeEach, describe, expect, it } from 'vitest';
import { addressOf } from '../src/data/address.ts';
import {
  clockTime,
  dayAndTime,
  dayMonth,
  dayMonthYear,
  fromLocalInput,
  hourOnRule,
  kitchenDay,
  kitchenHour,
  localInput,
  longDay,
  showTimesOf,
} from '../src/ui/dates.ts';
import { duration, minutesInWords } from '../src/ui/format.ts';

describe('figures as they stand on a screen', () => {
  it('clocks', () => {
    expect([0, 59, 60, 1122, 5170, -34].map(duration)).toEqual([
      '0:00',
      '0:59',
      '1:00',
      '18:42',
      '1:26:10',
      '−0:34',
    ]);
  });
  it('hours along a rule, with the half of the day where the kitchen counts to twelve', () => {
    const rule = [6, 7, 11, 12, 13, 23].map((hour, i) => hourOnRule(hour, i === 0));
    expect(rule).toEqual(['6', '7', '11', '12', '13', '23']);
    unitsFrom(() => ({ ...METRIC, locale: 'en-US' }));
    try {
      const twelve = [6, 7, 11, 12, 13, 24].map((hour, i) => hourOnRule(hour, i === 0));
      expect(twelve).toEqual(['6 AM', '7', '11', '12 PM', '1', '12 AM']);
    } finally {
      unitsFrom(() => METRIC);
    }
  });
  it('spans of time in words', () => {
    expect([5, 89, 90, 120, 600, 1440, 2880].map(minutesInWords)).toEqual([
      '5 min',
      '89 min',
      '1 h 30 min',
      '2 h',
      '10 h',
      '24 h',
      '2 d',
    ]);
  });
  it('weights and thousands', () => {
    expect([2.5, 15, 640, 4000, 12_400].map(weight)).toEqual([
      '2.5 g',
      '15.0 g',
      '640 g',
      '4\u202f000 g',
      '12.4 kg',
    ]);
    expect(grouped(1234567)).toBe('1\u202f234\u202f567');
  });
  it('money from whole pennies', () => {
    expect([money(650, 'GBP'), money(1950, 'EUR'), money(5, 'USD')]).toEqual(['£6.50', '€19.50', 'US$0.05']);
  });
  it('counts', () => {
    expect([plural(1, 'lot'), plural(3, 'lot'), plural(2, 'loaf', 'loaves')]).toEqual([
      '1 lot',
      '3 lots',
      '2 loaves',
    ]);
  });
});

describe.each(['America/Denver', 'UTC', 'Pacific/Kiritimati'])('dates of a kitchen in %s', (zone) => {
  beforeEach(() => showTimesOf(zone));
  it('a calendar day is the same day wherever the kitchen and the device are', () => {
    expect([dayMonth('2026-11-25'), dayMonthYear('2026-11-25'), longDay('2026-11-25')]).toEqual([
      '25 Nov',
      '25 Nov 2026',
      'Wednesday 25 November',
    ]);
  });
  it('a time in a field comes back as it went, to the minute', () => {
    const instant = '2026-07-01T08:30:00.000Z';
    expect(fromLocalInput(localInput(instant))).toBe(instant);
    expect(localInput(instant).slice(11)).toBe(clockTime(instant));
    expect(fromLocalInput('')).toBeUndefined();
  });
});

describe('an instant', () => {
  const late = '2026-11-25T03:30:00.000Z';
  it.each([
    ['America/Denver', '24 Nov, 20:30', '2026-11-24', 20.5],
    ['UTC', '25 Nov, 03:30', '2026-11-25', 3.5],
    ['Pacific/Kiritimati', '25 Nov, 17:30', '2026-11-25', 17.5],
  ])('is shown by the kitchen’s clock in %s', (zone, shown, day, hour) => {
    showTimesOf(zone);
    expect([dayAndTime(late), kitchenDay(late), kitchenHour(late)]).toEqual([shown, day, hour]);
  });
});

describe('the address of a route', () => {
  it('has its parts filled in and written safely', () => {
    expect(addressOf('/api/lots/:id/label.pdf', { id: '7F4H' }, { size: 'usual', copies: 2 })).toBe(
      '/api/lots/7F4H/label.pdf?size=usual&copies=2',
    );
    expect(addressOf('/api/lots/:id', { id: 'a/b?c' })).toBe('/api/lots/a%2Fb%3Fc');
    expect(addressOf('/api/lots', {}, { before: undefined })).toBe('/api/lots');
  });
});
