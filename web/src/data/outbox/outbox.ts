import { lotRoutes } from '@inch/contract/lot';
import type { AnyRoute } from '@inch/contract/route';
import { stockRoutes } from '@inch/contract/stock';
import { useSyncExternalStore } from 'react';
import { ApiProblem, call, refresh, ServerAway } from '../api.ts';
import { serverNow } from '../serverClock.ts';
import { allWaiting, changeWaiting, dropWaiting, putWaiting } from './store.ts';
import type { Deed, Waiting } from './waiting.ts';

type NewBody = { body: { id: string } & Record<string, unknown> };

const EVERY_MS = 4000;

/**
 * Writes kept on the device while the server does not answer: sent in order when it does, each exactly once, since its id is made
 * here and the server keeps an id once. What the server refuses is shown and never dropped.
 */
class Outbox {
  private waiting: readonly Waiting[] = [];
  private readonly listeners = new Set<() => void>();
  private loaded: Promise<void> | null = null;
  private accountId: string | null = null;
  private sending: Promise<void> | null = null;

  /** Reads what an earlier page left on the device, and sends it as soon as it can be. */
  start(accountId: string): void {
    this.accountId = accountId;
    if (this.loaded) return;
    this.loaded = this.read();
    void this.loaded.then(() => this.send());
    window.addEventListener('online', () => void this.send());
    setInterval(() => void this.send(), EVERY_MS);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly list = (): readonly Waiting[] => this.waiting;

  /** Writes something of a lot: sent at once where the server answers and nothing waits before it, kept on the device otherwise. */
  async write(
    entry: Pick<Waiting, 'deed' | 'lotId' | 'code' | 'words'> & NewBody,
  ): Promise<'sent' | 'waiting'> {
    const queued = this.waiting.some((w) => w.problem === null);
    if (!queued) {
      try {
        await post(entry.deed, entry.lotId, entry.body);
        return 'sent';
      } catch (error) {
        if (!(error instanceof ServerAway)) throw error;
      }
    }
    await this.keep(entry);
    if (queued) void this.send();
    return 'waiting';
  }

  /** Tries a refused entry again, behind the others. */
  async again(entry: Waiting): Promise<void> {
    await changeWaiting({ ...entry, problem: null });
    await this.read();
    await this.send();
  }

  /** Takes a refused entry off this device, because somebody looked at it and said so. */
  async drop(entry: Waiting): Promise<void> {
    await dropWaiting(entry.number);
    await this.read();
  }

  private async keep(entry: Pick<Waiting, 'deed' | 'lotId' | 'code' | 'words'> & NewBody) {
    const body = { at: serverNow(), ...entry.body };
    await putWaiting({ ...entry, body, accountId: this.accountId!, problem: null });
    await this.read();
  }

  private async read(): Promise<void> {
    this.tell(await allWaiting());
  }

  private tell(waiting: readonly Waiting[]): void {
    this.waiting = waiting;
    for (const listener of this.listeners) listener();
  }

  private send(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
    return this.sending;
  }

  /** One tab of the device sends, the others wait for it. */
  private async sendAll(): Promise<void> {
    await this.loaded;
    if (!this.next()) return;
    let sent = 0;
    await navigator.locks.request('inch-outbox', async () => {
      await this.read();
      for (let entry = this.next(); entry; entry = this.next()) {
        const outcome = await trySending(entry);
        if (outcome === 'away') break;
        if (outcome === 'sent') {
          await dropWaiting(entry.number);
          sent++;
          this.tell(this.waiting.filter((w) => w.number !== entry.number));
          continue;
        }
        await changeWaiting({ ...entry, problem: outcome.problem });
        await this.read();
      }
    });
    if (sent > 0) await refresh();
  }

  private next(): Waiting | undefined {
    return this.waiting.find((w) => w.problem === null && w.accountId === this.accountId);
  }
}

const post = (deed: Deed, lotId: string, body: object): Promise<unknown> =>
  deed === 'tick'
    ? call(stockRoutes.tick as AnyRoute, { body })
    : call(lotRoutes[deed] as AnyRoute, { params: { id: lotId }, body });

async function trySending(entry: Waiting): Promise<'sent' | 'away' | { problem: string }> {
  try {
    await post(entry.deed, entry.lotId, entry.body);
    return 'sent';
  } catch (error) {
    if (error instanceof ApiProblem && ![401, 429].includes(error.status) && error.status < 500)
      return { problem: error.message };
    return 'away';
  }
}

export const outbox = new Outbox();

/** What waits on this device, newest last. */
export const useWaiting = (): readonly Waiting[] => useSyncExternalStore(outbox.subscribe, outbox.list);
