import { describe, expect, it } from 'vitest';
import { fuzzRun } from '../fuzz.mjs';
import { LONG } from '../src/draws.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';

const REQUESTS = LONG ? 1500 : 400;

describe('malformed requests over every route, among others that fit', () => {
  it('are never answered with 5xx, and store nothing that a list cannot show', async () => {
    await ensureBuilt(['server']);
    const { routes, statuses, faults, unreadable } = await fuzzRun(REQUESTS, 7);
    expect(faults).toEqual([]);
    expect(unreadable).toEqual([]);
    expect(routes).toBeGreaterThan(80);
    // A third of them and more are stored: otherwise nothing is tried.
    expect(statuses[201]).toBeGreaterThan(REQUESTS / 3);
    expect(statuses[422]).toBeGreaterThan(REQUESTS / 15);
  }, 600_000);
});
