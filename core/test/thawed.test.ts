import { addDays } from '@inch/core/calendar';
import { lotBottles, lotKeeping, thawedGroups, timesIn } from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { releasable, T } from './support/lot.ts';

/** A lot of cherry syrup, cooked and cooled open, that went into the freezer. */
function frozen() {
  const lot = releasable();
  lot.storage = 'frozen';
  for (const b of lot.bottlings) Object.assign(b, { closing: 'cooled', hoursTo21: 1, hoursToCold: 3 });
  const stored = lot.movements[0]!;
  lot.movements.push({
    ...stored,
    id: 't',
    kind: 'thawed',
    from: stored.to,
    to: 'fridge',
    count: 3,
    at: T(600),
  });
  return lot;
}

describe('bottles that are thawed', () => {
  it('have the time of the cold, and never longer than their lot', () => {
    const lot = frozen();
    const keeping = lotKeeping(lot, { timeZone: 'UTC' });
    const [group] = thawedGroups(lot, keeping, T(700));
    expect(group).toMatchObject({ place: 'fridge' });
    // Cooked, under pH 4.2: a month in the cold, its shortest counted, the day of thawing being day 1.
    expect(group!.until).toBe(addDays(group!.thawedOn!, 27));
    const short = { ...keeping, bestBy: addDays(group!.thawedOn!, 4) };
    expect(thawedGroups(lot, short, T(700))[0]!.until).toBe(short.bestBy);
  });
  it('lose the days they were cold before they were frozen', () => {
    const lot = frozen();
    lot.storageChanges.push({
      id: 'c',
      at: T(24 * 5),
      recordedAt: T(24 * 5),
      by: 'Wren',
      from: 'cold',
      to: 'frozen',
      why: 'too many',
    });
    const keeping = lotKeeping(lot, { timeZone: 'UTC' });
    const without = thawedGroups(frozen(), lotKeeping(frozen(), { timeZone: 'UTC' }), T(700))[0]!;
    expect(thawedGroups(lot, { ...keeping, bestBy: null }, T(700))[0]!.until < without.until).toBe(true);
  });
  it('are neither lost nor doubled', () => {
    const { filled, left, groups } = lotBottles(frozen());
    expect(left).toBe(filled);
    expect(groups.reduce((sum, g) => sum + g.count, 0)).toBe(filled);
  });
});

describe('when bottles stood in a place', () => {
  it('is from the arrival that found it empty to the departure that left it so', () => {
    const lot = frozen();
    expect(timesIn(lot, 'fridge')).toEqual([{ from: T(600), to: null }]);
    lot.movements.push({
      ...lot.movements.at(-1)!,
      id: 'out',
      kind: 'given',
      from: 'fridge',
      to: null,
      at: T(700),
    });
    expect(timesIn(lot, 'fridge')).toEqual([{ from: T(600), to: T(700) }]);
  });
});
