import { describe, expect, it } from 'vitest';
import { shownSeconds } from '../src/shell/clock.ts';
import { lotFor } from '../src/shell/jotLot.ts';

describe('a running clock', () => {
  const said = '2026-11-25T12:00:00.000Z';
  it('counts down from what the server said, whenever the page was loaded', () => {
    expect(shownSeconds({ elapsedSeconds: 60, leftSeconds: 600 }, said, '2026-11-25T12:01:30.000Z')).toBe(
      510,
    );
  });
  it('counts up where no time is planned', () => {
    expect(shownSeconds({ elapsedSeconds: 60, leftSeconds: null }, said, '2026-11-25T12:00:05.000Z')).toBe(
      65,
    );
  });
  it('goes on past its time', () => {
    expect(shownSeconds({ elapsedSeconds: 600, leftSeconds: 5 }, said, '2026-11-25T12:01:00.000Z')).toBe(-55);
  });
});

describe('the lot a jotting goes to', () => {
  const open = (...states: string[]) =>
    states.map((state, i) => ({ code: `7F${i + 2}H`, name: 'Syrup', colour: '#8E1230', state }));
  it('is the one named in it, before all', () =>
    expect(lotFor('7K4M', '/stove/7F2H', open('making'))).toBe('7K4M'));
  it('is the one on screen', () => {
    for (const place of ['stove', 'bottling', 'labels', 'records'])
      expect(lotFor(null, `/${place}/7F9H`, open('making'))).toBe('7F9H');
  });
  it('is the only one being made, from anywhere else', () => {
    expect(lotFor(null, '/', open('making', 'held'))).toBe('7F2H');
    expect(lotFor(null, '/shelf', open('making', 'making'))).toBeNull();
    expect(lotFor(null, '/formulas/x', open())).toBeNull();
  });
});
