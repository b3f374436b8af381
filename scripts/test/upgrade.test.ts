import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_OWNER } from '../src/demo.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';
import { freePort, startMariadb } from '../src/mariadb.mjs';
import { startServer } from '../src/server.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-upgrade-'));
const LANDED = join(import.meta.dirname, 'landed');
const run = promisify(execFile);

beforeAll(() => ensureBuilt(['server']), 300_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Lot {
  id: string;
  code: string;
  state: string;
  bestBy: string | null;
  /** How many are kept back. */
  retained: number;
  bottles: { left: number; groups: { bottlingId: string; place: string; count: number }[] };
}

/** Somebody who is signed in to the kitchen of a landed copy. */
async function signedIn(url: string) {
  const signIn = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO_OWNER),
  });
  const cookie = signIn.headers.get('set-cookie')!.split(';')[0]!;
  return async (method: string, path: string, body?: object) => {
    const answer = await fetch(`${url}${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    return { status: answer.status, body: await answer.json() };
  };
}

describe('a kitchen of an earlier version', () => {
  it.each(readdirSync(LANDED))(
    '%s comes up to date: what was sold before is sold still, or Today says why not',
    async (file) => {
      const data = join(folder, file);
      await run(process.execPath, ['scripts/restore.mjs', join(LANDED, file), '--data', data]);
      const db = await startMariadb(data);
      try {
        const server = await startServer({ ...db, port: await freePort(), log: 'error' });
        const ask = await signedIn(server.url);
        const { lots } = (await ask('GET', '/api/lots')).body as { lots: Lot[] };
        const states = new Set(lots.map((lot) => lot.state));
        for (const state of ['making', 'resting', 'released', 'held', 'recalled'])
          expect(states).toContain(state);
        const today = (await ask('GET', '/api/today')).body;
        const named = new Set([
          ...today.obstacles.map((o: { lot: { code: string } }) => o.lot.code),
          ...today.earlierRules.map((lot: { code: string }) => lot.code),
        ]);
        const day = new Date().toISOString().slice(0, 10);
        const sold: string[] = [];
        // What is kept back was never for sale: it is looked at.
        const forSale = lots.filter((one) => one.state === 'released' && one.bottles.left > one.retained);
        for (const lot of forSale) {
          const [group] = lot.bottles.groups;
          const sale = await ask('POST', `/api/lots/${lot.id}/movements`, {
            id: crypto.randomUUID(),
            kind: 'sold',
            count: 1,
            note: 'a buyer',
            bottlingId: group!.bottlingId,
            from: group!.place,
          });
          if (sale.status === 201) sold.push(lot.code);
          else if (lot.bestBy !== null && lot.bestBy < day)
            expect(sale.body.detail).toMatch(/The date of lot/);
          else expect(named, `${lot.code}: ${sale.body.detail}`).toContain(lot.code);
          // Nothing that was on sale is held by its first sale.
          if (sale.status === 201)
            expect((await ask('GET', `/api/lots/${lot.id}`)).body.state, lot.code).toBe('released');
        }
        expect(
          sold.length + lots.filter((lot) => lot.bestBy !== null && lot.bestBy < day).length,
        ).toBeGreaterThan(0);
        // A lot that today's rules would ask more of is settled by its owner, signed, and is then named no more.
        for (const { code } of today.earlierRules.slice(0, 1)) {
          const settled = await ask('POST', `/api/lots/${code}/settlings`, {
            id: crypto.randomUUID(),
            why: 'made as it always was',
            password: DEMO_OWNER.password,
          });
          expect(settled.status, JSON.stringify(settled.body)).toBe(201);
          const after = (await ask('GET', '/api/today')).body.earlierRules;
          expect(after.map((lot: { code: string }) => lot.code)).not.toContain(code);
        }
        await server.stop();
      } finally {
        await db.stop();
      }
    },
    600_000,
  );
});
