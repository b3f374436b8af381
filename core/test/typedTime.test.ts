import { addDays, readClock, readDay, readMoment, spokenDay } from '@inch/core/calendar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const TODAY = '2026-11-27';
const days = fc.integer({ min: 0, max: 36_500 }).map((n) => addDays('2000-01-01', n));

describe('a day as it is typed', () => {
  it('is read back as it is shown, in ISO, with points, and with the month first', () =>
    fc.assert(
      fc.property(days, (day) => {
        const [year, month, date] = day.split('-') as [string, string, string];
        const [d, m, y] = spokenDay(day).split(' ') as [string, string, string];
        for (const said of [
          day,
          spokenDay(day),
          `${date}.${month}.${year}`,
          `${m} ${d}, ${y}`,
          `${d}${m}${y}`,
        ])
          expect(readDay(said, TODAY), said).toEqual({ value: day });
      }),
    ));

  it.each([
    ['27 November 2026', '2026-11-27'],
    ['3rd Dec', '2026-12-03'],
    ['Dec 3', '2026-12-03'],
    ['3.12.26', '2026-12-03'],
    ['13/2/2026', '2026-02-13'],
    ['2/13/2026', '2026-02-13'],
    ['5/5/2026', '2026-05-05'],
    ['2026-2-3', '2026-02-03'],
    // Of the year that brings it nearest: in late November January is the next one's, October this one's.
    ['10 Jan', '2027-01-10'],
    ['10 Oct', '2026-10-10'],
    ['today', '2026-11-27'],
    ['Tomorrow', '2026-11-28'],
    ['yesterday', '2026-11-26'],
  ])('%s is %s', (said, value) => expect(readDay(said, TODAY)).toEqual({ value }));

  it.each([
    '31 Nov 2026',
    '29 Feb 2026',
    '32.1.2026',
    'soon',
    '27 Ju 2026',
    '5 Nov 1999',
    '2101-01-01',
    '27',
  ])('%s is asked again', (said) => expect(readDay(said, TODAY).problem).toMatch(/27 Nov 2026/));

  it('that could be two days is asked, never guessed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }), (a, b) => {
        fc.pre(a !== b);
        expect(readDay(`${a}/${b}/2026`, TODAY).problem).toMatch(/could be two days/);
      }),
    );
  });
});

describe('a time of day as it is typed', () => {
  it('is read back by 24 hours and by twelve', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 }), (h, m) => {
        const two = (n: number) => String(n).padStart(2, '0');
        const value = `${two(h)}:${two(m)}`;
        const twelve = `${h % 12 === 0 ? 12 : h % 12}:${two(m)} ${h < 12 ? 'am' : 'pm'}`;
        for (const said of [value, value.replace(':', '.'), `${two(h)}${two(m)}`, twelve])
          expect(readClock(said), said).toEqual({ value });
      }),
    ));

  it.each([
    ['5pm', '17:00'],
    ['12 am', '00:00'],
    ['12 pm', '12:00'],
    ['9:05 p.m.', '21:05'],
    ['', null],
  ])('%s is %s', (said, value) => expect(readClock(said)).toEqual({ value }));

  it.each(['24:00', '9', '9:60', '13 pm', '0 am', 'noon', '-1:00'])('%s is asked again', (said) =>
    expect(readClock(said).problem).toMatch(/17:30/),
  );
});

describe('a day and a time as they are typed', () => {
  it.each([
    ['27 Nov 2026, 17:30', '2026-11-27T17:30'],
    ['27 Nov, 5:30 pm', '2026-11-27T17:30'],
    ['2026-11-26T09:10', '2026-11-26T09:10'],
    ['2026-11-26T09:10:30', '2026-11-26T09:10'],
    ['26.11.2026 9.10', '2026-11-26T09:10'],
    ['yesterday 21:15', '2026-11-26T21:15'],
    ['9:10', '2026-11-27T09:10'],
    ['9 pm', '2026-11-27T21:00'],
    ['', null],
  ])('%s is %s', (said, value) => expect(readMoment(said, TODAY)).toEqual({ value }));

  it.each([
    '27 Nov 2026',
    '27.11.2026',
    '31 Nov 2026, 10:00',
    '27 Nov 2026, 25:00',
    'later',
    '11/12/2026 10:00',
  ])('%s is asked again', (said) => expect(readMoment(said, TODAY).problem).toBeTruthy());
});
