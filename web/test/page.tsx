import { usualLabelling } from '@inch/core/label';
import 'fake-indexeddb/auto';
import type { Session } from '@inch/contract/kitchen/account';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render, screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, vi } from 'vitest';
import { queryClient } from '../src/data/api.ts';
import { outbox } from '../src/data/outbox/outbox.ts';
import { SessionContext } from '../src/data/session.tsx';

// Many programs share the machine: what is waited for may take its time.
configure({ asyncUtilTimeout: 60_000 });

/** What a page sent that writes. */
export interface Sent {
  method: string;
  address: string;
  body: Record<string, unknown>;
}

/** What the server of a test does with the next write: answers it, refuses it, or writes it and loses the answer. */
export type Doing = 'answer' | 'lose' | { status: number; path: string; message: string };

export const session: Session = {
  account: { id: '01930000-0000-7000-8000-0000000000a1', name: 'Wren', role: 'owner' },
  kitchen: {
    id: '01930000-0000-7000-8000-0000000000b1',
    name: 'Test kitchen',
    place: '',
    elevationMetres: 719.328,
    cupSchool: 'us',
    rulePack: 'us',
    localStatement: '',
    criticalPh: 4.2,
    fillTolerancePercent: 3,
    secondPerson: false,
    idleMinutes: null,
    labelling: usualLabelling,
    currency: 'GBP',
    timeZone: 'America/Denver',
    units: { temperature: 'C', weight: 'metric', locale: 'en-GB' },
    workshop: {
      burners: 2,
      hands: 1,
      cannerHolds: 7,
      cannerLoads: 1,
      kwhMinor: 28,
      handsHourMinor: 1200,
      freezerGrams: 20_000,
      hours: Array.from({ length: 7 }, () => ({ from: '08:00', to: '18:00' })),
    },
    revision: 4,
  },
} as unknown as Session;

/** The kitchen's server as a page sees it: reads give what a test lays out, writes are noted. */
export class FakeServer {
  readonly sent: Sent[] = [];
  doing: Doing[] = [];
  reads = new Map<string, unknown>();

  readonly fetch = async (address: string, init: RequestInit = {}): Promise<Response> => {
    const method = init.method ?? 'GET';
    if (method === 'GET') return Response.json(this.reads.get(address.split('?')[0]!) ?? []);
    this.sent.push({ method, address, body: JSON.parse(String(init.body)) });
    const next = this.doing.shift() ?? 'answer';
    if (next === 'lose') throw new TypeError('the connection broke');
    if (next === 'answer') return Response.json({ id: 'written', code: 'ABCD' }, { status: 201 });
    const { status, path, message } = next;
    return Response.json({ status, detail: message, errors: [{ path, message }] }, { status });
  };
}

export const server = { current: new FakeServer() };

beforeEach(() => {
  server.current = new FakeServer();
  vi.stubGlobal('fetch', (address: string, init?: RequestInit) => server.current.fetch(address, init));
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: { request: (_: string, __: object, work: () => Promise<void>) => work() },
  });
  outbox.start(session.account.id);
});

afterEach(async () => {
  cleanup();
  queryClient.clear();
  localStorage.clear();
  for (const waiting of outbox.list()) await outbox.drop(waiting);
  vi.unstubAllGlobals();
});

/** Shows something as a signed-in person sees it. */
export function show(what: ReactNode) {
  const shown = render(
    <MemoryRouter>
      <QueryClientProvider client={queryClient}>
        <SessionContext value={session}>{what}</SessionContext>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  return { ...shown, user: userEvent.setup({ delay: null }) };
}

/** Types into a field by its label, in place of what stood there. */
export async function type(user: ReturnType<typeof userEvent.setup>, label: string | RegExp, text: string) {
  const field = screen.getByLabelText(label);
  await user.clear(field);
  await user.click(field);
  if (text !== '') await user.paste(text);
}

export { screen, within };
