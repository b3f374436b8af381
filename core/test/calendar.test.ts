import {
  addDays,
  addMonths,
  dayOf,
  daysBetween,
  instantOf,
  spokenDay,
  startOfDay,
  wallOf,
} from '@inch/core/calendar';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

const ZONES = [
  'Pacific/Honolulu',
  'America/Los_Angeles',
  'America/Denver',
  'America/St_Johns',
  'UTC',
  'Europe/London',
  'Europe/Berlin',
  'Asia/Kolkata',
  'Australia/Lord_Howe',
  'Pacific/Auckland',
  'Pacific/Kiritimati',
];
const instants = fc
  .integer({
    min: Date.parse('2000-01-01T00:00:00Z') / 60_000,
    max: Date.parse('2040-01-01T00:00:00Z') / 60_000,
  })
  .map((minute) => new Date(minute * 60_000).toISOString());

describe('the kitchen’s day', () => {
  test.each([
    ['2026-11-25T00:30:00.000Z', 'America/Denver', '2026-11-24'],
    ['2026-11-25T06:59:00.000Z', 'America/Denver', '2026-11-24'],
    ['2026-11-25T07:00:00.000Z', 'America/Denver', '2026-11-25'],
    ['2026-11-24T10:30:00.000Z', 'Pacific/Kiritimati', '2026-11-25'],
    ['2026-07-01T23:30:00.000Z', 'Europe/London', '2026-07-02'],
    ['2026-11-25T18:29:00.000Z', 'Asia/Kolkata', '2026-11-25'],
    ['2026-11-25T18:30:00.000Z', 'Asia/Kolkata', '2026-11-26'],
  ])('%s in %s is %s', (instant, zone, day) => {
    expect(dayOf(instant, zone)).toBe(day);
  });

  test('an instant lies within the day that it is said to be of', () => {
    fc.assert(
      fc.property(instants, fc.constantFrom(...ZONES), (instant, zone) => {
        const day = dayOf(instant, zone);
        expect(startOfDay(day, zone) <= instant).toBe(true);
        expect(instant < startOfDay(addDays(day, 1), zone)).toBe(true);
      }),
    );
  });
});

describe('the clock on the wall', () => {
  test.each([
    ['2026-07-01 09:00', 'Europe/London', '2026-07-01T08:00:00.000Z'],
    ['2026-12-01 09:00', 'Europe/London', '2026-12-01T09:00:00.000Z'],
    // Clocks go back: the hour comes twice, and the second one is taken on both sides of the ocean.
    ['2026-10-25 01:30', 'Europe/London', '2026-10-25T01:30:00.000Z'],
    ['2026-11-01 01:30', 'America/New_York', '2026-11-01T06:30:00.000Z'],
    ['2026-04-05 02:30', 'Pacific/Auckland', '2026-04-04T14:30:00.000Z'],
    // Clocks go forward: the hour is skipped, and what was said moves on with them.
    ['2026-03-29 01:30', 'Europe/London', '2026-03-29T01:30:00.000Z'],
    ['2026-03-08 02:30', 'America/New_York', '2026-03-08T07:30:00.000Z'],
    ['2026-09-27 02:30', 'Pacific/Auckland', '2026-09-26T14:30:00.000Z'],
  ])('%s in %s is %s', (wall, zone, instant) => {
    expect(instantOf(wall, zone)).toBe(instant);
  });

  test('a wall-clock time read off an instant leads back to a time that shows the same', () => {
    fc.assert(
      fc.property(instants, fc.constantFrom(...ZONES), (instant, zone) => {
        const wall = wallOf(instant, zone);
        const back = instantOf(wall, zone);
        expect(wallOf(back, zone)).toBe(wall);
        expect(Math.abs(Date.parse(back) - Date.parse(instant)) <= 3_600_000).toBe(true);
      }),
    );
  });

  test('a time may be moved by days, and keeps its clock over a change of the clocks', () => {
    expect(instantOf('2026-10-24 09:00', 'Europe/London', 1)).toBe('2026-10-25T09:00:00.000Z');
    expect(instantOf('2026-07-01 09:00', 'America/Denver', 1)).toBe('2026-07-02T15:00:00.000Z');
  });

  test.each(['2026-13-01 09:00', '2026-11-03', '', 'today'])('"%s" is no time', (wall) => {
    expect(() => instantOf(wall, 'UTC')).toThrow(RangeError);
  });
  test('an unknown zone is refused', () => {
    expect(() => dayOf('2026-11-25T00:00:00.000Z', 'Mars/Olympus')).toThrow(RangeError);
  });
});

describe('days', () => {
  test('days added and days between agree', () => {
    fc.assert(
      fc.property(instants, fc.integer({ min: -800, max: 800 }), (instant, count) => {
        const day = dayOf(instant, 'UTC');
        expect(daysBetween(day, addDays(day, count))).toBe(count);
      }),
    );
  });
  test('a month from the last day of January is the last of February', () => {
    expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(addMonths('2028-01-31', 1)).toBe('2028-02-29');
    expect(addMonths('2026-11-30', 3)).toBe('2027-02-28');
    expect(addMonths('2026-03-31', -1)).toBe('2026-02-28');
  });
  test('a day is said in words', () => expect(spokenDay('2026-12-05')).toBe('5 Dec 2026'));
});
