import { describe, expect, it } from 'vitest';
import { fuzzRun } from '../fuzz.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';

describe('malformed requests over every route, among others that fit', () => {
  it('are never answered with 5xx, and store nothing that a list cannot show', async () => {
    await ensureBuilt(['server']);
    const { routes, statuses, faults, unreadable } = await fuzzRun(1500, 7);
    expect(faults).toEqual([]);
    expect(unreadable).toEqual([]);
    expect(routes).toBeGreaterThan(80);
    // A third of them and more are stored: otherwise nothing is tried.
    expect(statuses[201]).toBeGreaterThan(500);
    expect(statuses[422]).toBeGreaterThan(100);
  }, 600_000);
});
