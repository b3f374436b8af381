import { beforeAll, describe, expect, it } from 'vitest';
import { crashRun, migrationRun, parallelRun } from '../crash.mjs';
import { LONG } from '../src/draws.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';

const WRITES = LONG ? 500 : 170;
const KILLS = LONG ? 6 : 2;

beforeAll(() => ensureBuilt(['server']), 300_000);

describe('killing the server and MariaDB during writes of all kinds', () => {
  it('loses nothing acknowledged, keeps nothing twice, and leaves the record as its journal says', async () => {
    const result = await crashRun(WRITES);
    expect(result).toMatchObject({ lost: 0, doubled: 0, fiveHundreds: 0 });
    expect(result.acknowledged).toBeGreaterThanOrEqual(WRITES);
    expect(result.kills).toBeGreaterThanOrEqual(LONG ? 6 : 4);
    expect(result.retried).toBeGreaterThan(0);
    expect(result.chain).toMatch(/the chain is whole, and the record is as it says/);
  }, 600_000);
});

describe('eight writers at once', () => {
  it('lose nothing, double nothing, and none is answered with 5xx', async () => {
    const result = await parallelRun(WRITES / 2);
    expect(result).toMatchObject({ lost: 0, doubled: 0, fiveHundreds: 0 });
    expect(result.acknowledged).toBeGreaterThanOrEqual(WRITES / 2);
    expect(result.chain).toMatch(/the chain is whole/);
  }, 600_000);
});

describe('killing MariaDB under the migrations', () => {
  it('leaves the tables as they are without a kill', async () => {
    expect(await migrationRun(KILLS)).toEqual({ kills: KILLS, same: true });
  }, 600_000);
});
