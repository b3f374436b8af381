import { kitchenRoutes } from '@inch/contract/kitchen/kitchen';
import { entryRoutes } from '@inch/contract/making/lot';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, call, newId, ServerAway } from '../src/data/api.ts';
import { places } from '../src/shell/places.ts';

const answer = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const fetching = (reply: () => Response | Promise<Response>) => {
  const fetch = vi.fn((_address: string, _options: RequestInit) => Promise.resolve().then(reply));
  vi.stubGlobal('fetch', fetch);
  return fetch;
};
afterEach(() => vi.unstubAllGlobals());

describe('calling a route', () => {
  it('fills in the path, the query and the body', async () => {
    const fetch = fetching(() => answer(201, { id: 'x' }));
    await call(entryRoutes.print, { params: { id: '7F4H' }, body: { id: newId(), copies: 12 } });
    const [address, options] = fetch.mock.calls[0]!;
    expect(address).toBe('/api/lots/7F4H/prints');
    expect(options).toMatchObject({ method: 'POST', credentials: 'same-origin' });
    expect(JSON.parse(options.body as string)).toMatchObject({ copies: 12 });
  });
  it('gives the answer back', async () => {
    fetching(() => answer(200, { name: 'Hollin Rigg Kitchen' }));
    expect(await call(kitchenRoutes.read)).toEqual({ name: 'Hollin Rigg Kitchen' });
  });
  it('turns a problem into its sentence and its fields', async () => {
    fetching(() =>
      answer(422, {
        type: 'urn:inch:doubtful-reading',
        title: 'No',
        status: 422,
        detail: 'Read it again.',
        errors: [{ path: 'because', message: 'What is different?' }],
      }),
    );
    const problem = await call(kitchenRoutes.read).catch((error) => error);
    expect(problem).toBeInstanceOf(ApiProblem);
    expect(problem).toMatchObject({
      status: 422,
      message: 'Read it again.',
      kind: 'urn:inch:doubtful-reading',
      fields: { because: 'What is different?' },
    });
  });
  it('has a sentence even where the answer has none', async () => {
    fetching(() => new Response('<html>', { status: 500 }));
    const problem = await call(kitchenRoutes.read).catch((error) => error);
    expect(problem.message).toBe('That did not work. Try again.');
  });
  it.each([502, 504])('tells a server away from a server that said no (%d)', async (status) => {
    fetching(() => answer(status, {}));
    await expect(call(kitchenRoutes.read)).rejects.toBeInstanceOf(ServerAway);
  });
  it('tells when the server cannot be reached at all', async () => {
    fetching(() => Promise.reject(new TypeError('Failed to fetch')));
    await expect(call(kitchenRoutes.read)).rejects.toThrow(/Nothing you typed is lost/);
  });
  it('makes ids that sort by when they were made', () => {
    const ids = Array.from({ length: 50 }, newId);
    expect([...ids].sort()).toEqual(ids);
    expect(new Set(ids).size).toBe(50);
  });
});

describe('the places', () => {
  it('have a path, a name and a letter of their own', () => {
    for (const key of ['path', 'name', 'letter'] as const)
      expect(new Set(places.map((p) => p[key])).size).toBe(places.length);
  });
  it('hang each state of an open lot in one place only', () => {
    const states = places.flatMap((p) => p.states);
    expect(new Set(states).size).toBe(states.length);
    for (const state of ['planned', 'making', 'resting', 'bottled', 'held']) expect(states).toContain(state);
  });
});
