import { jottedAt, parseJot } from '@inch/core/jot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('the time of a jotted line', () => {
  it.each([
    ['t 88 at 9:40', 'temperature', { clock: '09:40', yesterday: false }],
    ['ph 3.42 10 min ago', 'ph', { minutesAgo: 10 }],
    ['b 31.4 @27 half an hour ago', 'brix', { minutesAgo: 30 }],
    ['m 2.41 kg, an hour ago', 'mass', { minutesAgo: 60 }],
    ['add 12 g citric acid yesterday at 5 pm', 'add', { clock: '17:00', yesterday: true }],
    ['9:40 am t 88', 'temperature', { clock: '09:40', yesterday: false }],
  ] as const)('%s', (line, kind, when) => {
    const jot = parseJot(line);
    expect(jot.kind).toBe(kind);
    expect(jot.when).toEqual(when);
  });
  it('is none where a figure is a reading: a dip at 27 degrees is no time', () => {
    for (const line of [
      'b 31.4 at 27',
      't 88',
      'sg 1.250 @22',
      'boil 1 min',
      't 96 held 1 min',
      'v 2.4 l @85',
    ]) {
      expect(parseJot(line).when, line).toBeNull();
      expect(parseJot(line).kind, line).not.toBe('note');
    }
  });
  it('is never in the future, never a day back, and says when it was yesterday', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1439 }),
        fc.integer({ min: 0, max: 1439 }),
        fc.constantFrom('UTC', 'America/Denver', 'Asia/Kolkata', 'Pacific/Auckland'),
        (minute, nowMinute, zone) => {
          const clock = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
          const now = new Date(Date.UTC(2026, 6, 14) + nowMinute * 60_000).toISOString();
          const { at, words } = jottedAt({ clock, yesterday: false }, now, zone);
          expect(at <= now).toBe(true);
          expect(Date.parse(now) - Date.parse(at)).toBeLessThan(86_400_000);
          expect(words).toContain(clock);
        },
      ),
    ));
  it('what nearly is a reading asks and is not kept; what is words is a note, and a note keeps every word', () => {
    for (const line of [
      'ph 3,4.2',
      'b 31.4 at 27 at',
      't 88 89',
      'm 2.41 kgs of',
      'd 3 5/8 of it',
      'added 12',
    ])
      expect(parseJot(line).asks, line).toMatch(/begin with “note”/);
    for (const line of [
      'cloudy, second strain',
      'note ph 3,4.2',
      'boiled over at 9:40',
      'two lids bent, 14 left',
    ])
      expect(parseJot(line).asks, line).toBeUndefined();
    expect(parseJot('boiled over at 9:40').note).toBe('boiled over at 9:40');
  });
});
