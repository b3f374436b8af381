// @vitest-environment happy-dom
import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { queryClient } from '../src/data/api.ts';
import { useLive } from '../src/data/live.ts';
import { usePlanning } from '../src/data/planning.ts';
import { SessionContext, useMayWrite, useSessionQuery } from '../src/data/session.tsx';
import { server, session } from './page.tsx';
import { formula, jar } from './planningFixture.ts';

const inPage = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>
    <SessionContext value={session}>{children}</SessionContext>
  </QueryClientProvider>
);

/** Answers by address: a status and a body, or a broken line. */
function answering(answers: Record<string, { status: number; body: unknown } | 'broken'>) {
  vi.stubGlobal('fetch', async (address: string) => {
    const answer = answers[address.split('?')[0]!] ?? { status: 404, body: { detail: 'not there' } };
    if (answer === 'broken') throw new TypeError('no way there');
    return Response.json(answer.body, { status: answer.status });
  });
}

describe('the session of a device', () => {
  const asked = async () => {
    const { result } = renderHook(() => useSessionQuery(), { wrapper: inPage });
    await waitFor(() => expect(result.current.isFetching).toBe(false));
    return result.current;
  };

  it('is who is signed in', async () => {
    answering({ '/api/session': { status: 200, body: session } });
    expect((await asked()).data).toMatchObject({ account: { name: 'Wren' } });
  });

  it.each([
    [true, 'set up'],
    [false, 'sign in'],
  ] as const)('is none where nobody is: setup needed %s leads to %s', async (needed, leads) => {
    answering({
      '/api/session': { status: 401, body: { detail: 'Sign in first.' } },
      '/api/setup': { status: 200, body: { needed } },
    });
    expect((await asked()).data).toBe(leads);
  });

  it('a server that fails or does not answer signs nobody out', async () => {
    answering({
      '/api/session': { status: 500, body: { detail: 'Something broke.' } },
      '/api/setup': { status: 200, body: { needed: true } },
    });
    expect(await asked()).toMatchObject({ isError: true, data: undefined });
    queryClient.clear();
    answering({ '/api/session': 'broken', '/api/setup': { status: 200, body: { needed: true } } });
    expect(await asked()).toMatchObject({ isError: true, data: undefined });
  });

  it('of a reader may not write', () => {
    const as = (role: 'owner' | 'maker' | 'reader') =>
      renderHook(() => useMayWrite(), {
        wrapper: ({ children }) => (
          <SessionContext value={{ ...session, account: { ...session.account, role } }}>
            {children}
          </SessionContext>
        ),
      }).result.current;
    expect([as('owner'), as('maker'), as('reader')]).toEqual([true, true, false]);
  });
});

describe('what a plan is worked out from', () => {
  const READS = {
    '/api/formulas': [formula],
    '/api/vessels': [],
    '/api/stock': [],
    '/api/packs': [],
    '/api/containers': [jar],
    '/api/past-lots': [],
    '/api/ingredients/own': { entered: [], ingredients: [], measures: [], prices: {} },
    '/api/heat-processes': [],
  };

  it('is there once all of it was read', async () => {
    for (const [address, body] of Object.entries(READS)) server.current.reads.set(address, body);
    const { result } = renderHook(() => usePlanning(), { wrapper: inPage });
    expect(result.current).toBeNull();
    await waitFor(() => expect(result.current).not.toBeNull());
    expect(result.current!.formulas).toHaveLength(1);
    expect(result.current!.containers).toHaveLength(1);
  });

  it.each(['/api/formulas', '/api/vessels', '/api/stock', '/api/packs', '/api/containers', '/api/past-lots'])(
    'is not there while %s is missing',
    async (missing) => {
      answering({
        ...Object.fromEntries(Object.entries(READS).map(([a, body]) => [a, { status: 200, body }])),
        [missing]: { status: 500, body: { detail: 'Something broke.' } },
      });
      const { result } = renderHook(() => usePlanning(), { wrapper: inPage });
      await waitFor(() => expect(queryClient.isFetching()).toBe(0));
      expect(result.current).toBeNull();
    },
  );
});

describe('the stream of the kitchen', () => {
  class FakeStream {
    static last: FakeStream;
    onmessage: ((message: { data: string }) => void) | null = null;
    closed = false;
    constructor() {
      FakeStream.last = this;
    }
    close() {
      this.closed = true;
    }
    say(sequence: number, now = new Date().toISOString()) {
      act(() => this.onmessage?.({ data: JSON.stringify({ sequence, now }) }));
    }
  }

  let read: ReturnType<typeof vi.fn<(filters: unknown) => void>>;
  beforeEach(() => {
    vi.stubGlobal('EventSource', FakeStream);
    Object.defineProperty(navigator, 'locks', {
      configurable: true,
      value: { request: (_: string, __: unknown, work: () => Promise<void>) => work() },
    });
    read = vi.fn<(filters: unknown) => void>();
    vi.spyOn(queryClient, 'invalidateQueries').mockImplementation(async (filters) => read(filters ?? 'all'));
  });
  afterEach(() => vi.restoreAllMocks());

  it('reads again what is older than the stream, then all of it whenever the record grew, and not otherwise', () => {
    const { unmount } = renderHook(() => useLive());
    const stream = FakeStream.last;
    stream.say(7);
    expect(read).toHaveBeenCalledTimes(1);
    const { predicate: older } = read.mock.calls[0]![0] as { predicate: (query: unknown) => boolean };
    const at = (dataUpdatedAt: number) => older({ state: { dataUpdatedAt } });
    expect([at(1), at(0), at(Date.now() + 60_000)]).toEqual([true, false, false]);
    stream.say(7);
    expect(read).toHaveBeenCalledTimes(1);
    stream.say(8);
    expect(read).toHaveBeenCalledTimes(2);
    expect(read.mock.calls[1]![0]).toBe('all');
    unmount();
    expect(stream.closed).toBe(true);
  });
});
