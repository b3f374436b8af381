import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';

const load = async () => {
  vi.resetModules();
  return import('../src/data/serverClock.ts');
};
const iso = (ms: number) => new Date(ms).toISOString();
/** Noon on the device. */
const NOON = Date.parse('2026-11-27T12:00:00.000Z');
const aheadOf = (serverNow: () => string) => Date.parse(serverNow()) - Date.now();

describe('the server’s clock on a device', () => {
  beforeEach(() => vi.useFakeTimers({ now: NOON }));

  it('is the device’s own as long as nothing else can be true, however slow an answer was', async () => {
    const { learnServerClock, serverNow } = await load();
    // Asked at noon, written down at once, heard eight seconds later: the clocks may well agree.
    learnServerClock(iso(NOON + 100), NOON, NOON + 8000);
    expect(aheadOf(serverNow)).toBe(0);
  });

  it('of a device that is five minutes slow or fast is found to within the answer’s time', async () => {
    for (const off of [300_000, -300_000]) {
      const { learnServerClock, serverNow } = await load();
      learnServerClock(iso(NOON + off + 200), NOON, NOON + 600);
      expect(Math.abs(aheadOf(serverNow) - off)).toBeLessThanOrEqual(600);
    }
  });

  it('by what the server says of itself is never put before that', async () => {
    const { learnServerClock, serverNow } = await load();
    learnServerClock(iso(NOON - 4000), undefined, NOON);
    expect(aheadOf(serverNow)).toBe(0);
    learnServerClock(iso(NOON + 9000), undefined, NOON);
    expect(aheadOf(serverNow)).toBe(9000);
  });

  it('lies within every answer it could have had, and an unreadable one changes nothing', async () => {
    const { learnServerClock, serverNow } = await load();
    fc.assert(
      fc.property(
        fc.integer({ min: -600_000, max: 600_000 }),
        fc.array(fc.tuple(fc.nat(9000), fc.nat(9000)), { minLength: 1, maxLength: 8 }),
        (off, trips) => {
          for (const [there, back] of trips) {
            learnServerClock(iso(NOON + there + off), NOON, NOON + there + back);
            learnServerClock('soon', NOON, NOON);
            const ahead = aheadOf(serverNow);
            expect(ahead).toBeGreaterThanOrEqual(off - back);
            expect(ahead).toBeLessThanOrEqual(off + there);
          }
        },
      ),
    );
  });
});
