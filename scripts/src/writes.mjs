import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { reading } from './kitchenClient.mjs';

/** One of each kind of write that a busy kitchen makes, in turns: what is posted where, and the table whose row it makes. */
const KINDS = [
  ({ lot }, i) => ({ path: `/api/lots/${lot}/readings`, table: 'reading', body: reading(i) }),
  ({ formulaId }) => ({ path: '/api/lots', table: 'lot', body: { id: randomUUID(), formulaId } }),
  ({ lot }, i) => ({ path: `/api/lots/${lot}/readings`, table: 'reading', body: reading(i) }),
  () => ({
    path: '/api/stock',
    table: 'stock_lot',
    body: { id: randomUUID(), kind: 'ingredient', thing: 'sugar', quantity: 5000, gotOn: '2026-11-01' },
  }),
  ({ lot }) => ({
    path: `/api/lots/${lot}/additions`,
    table: 'addition',
    body: { id: randomUUID(), ingredientId: 'sugar', grams: 1, from: 'the jar', why: 'to taste' },
  }),
  () => ({
    path: '/api/plans',
    table: 'plan',
    body: { id: randomUUID(), content: { name: 'The fair', due: null, items: [], steps: [] } },
  }),
  ({ lot }) => ({
    path: `/api/lots/${lot}/deviations`,
    table: 'deviation',
    body: { id: randomUUID(), what: 'A jar was dropped.' },
  }),
];

export const writeOf = (kitchen, i) => KINDS[i % KINDS.length](kitchen, i);

/** Sends one write until it is acknowledged, under the same id each time, as a device with a queue does. @returns how often it was tried again, and its 5xx */
export async function sendUntilKept(house, client, { path, body }) {
  const seen = { retried: 0, fiveHundreds: 0 };
  for (let attempt = 0; attempt < 400; attempt++) {
    seen.retried = attempt;
    try {
      const response = await fetch(`${house.url}${path}`, {
        method: 'POST',
        headers: client.headers(),
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(10_000),
      });
      const answer = await response.text();
      if (response.status === 201) return seen;
      // 503 says that the database is away: that is asked for where it is killed.
      if (response.status >= 500 && response.status !== 503) seen.fiveHundreds += 1;
      if (response.status < 500)
        throw Object.assign(new Error(`${path} was refused with ${response.status}: ${answer}`), {
          final: true,
        });
    } catch (error) {
      if (error.final) throw error;
    }
    await sleep(50);
  }
  throw new Error(`${path} was not acknowledged in 400 tries`);
}
