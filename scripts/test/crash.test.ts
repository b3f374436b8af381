import { describe, expect, it } from 'vitest';
import { crashRun } from '../crash.mjs';
import { ensureBuilt } from '../src/build.mjs';

describe('killing the server and MariaDB during 500 readings', () => {
  it('loses nothing acknowledged, keeps nothing twice, and leaves the chain whole', async () => {
    await ensureBuilt(['server']);
    const result = await crashRun();
    expect(result).toMatchObject({ acknowledged: 500, missing: 0, twice: 0, unasked: 0 });
    expect(result.kills).toBeGreaterThanOrEqual(6);
    expect(result.retried).toBeGreaterThan(0);
    expect(result.chain).toMatch(/the chain is whole/);
  }, 300_000);
});
