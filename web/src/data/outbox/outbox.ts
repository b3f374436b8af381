import { useSyncExternalStore } from 'react';
import { ApiProblem, post, ServerAway } from '../api.ts';
import { base } from '../base.ts';
import { oneAtATime } from '../deviceLock.ts';
import { readAgain } from '../keys.ts';
import { serverNow } from '../serverClock.ts';
import { allWaiting, changeWaiting, dropWaiting, putWaiting } from './store.ts';
import type { Deed, Waiting } from './waiting.ts';

const EVERY_MS = 4000;

/** What came of a write: the server's answer, or that it waits on this device. */
export type OutcomeOf<A> = { sent: true; answer: A } | { sent: false };
export type Outcome = OutcomeOf<unknown>;

/** Whether nobody can say if the server has it: it did not answer, or fell over while it wrote. */
const unsure = (error: unknown): boolean =>
  error instanceof ServerAway || (error instanceof ApiProblem && error.status >= 500);

/**
 * The one way in which anything is recorded: sent at once where the server answers, kept on the device and sent in order where it does
 * not. The id in its body goes with every attempt, and the server writes an id once, so a lost answer never writes twice.
 * What the server refuses is shown and never dropped.
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

  /** Writes a deed: sent at once where nothing waits before it, kept on the device where the server does not answer. */
  async write(deed: Deed): Promise<Outcome> {
    const queued = this.waiting.some((w) => w.problem === null);
    if (!queued) {
      try {
        const answer = await post(deed.address, deed.body);
        return { sent: true, answer };
      } catch (error) {
        if (!unsure(error)) throw error;
      }
    }
    await putWaiting({ ...deed, since: serverNow(), accountId: this.accountId!, problem: null });
    await this.read();
    if (queued) void this.send();
    return { sent: false };
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

  private async read(): Promise<void> {
    this.publish(await allWaiting());
  }

  private publish(waiting: readonly Waiting[]): void {
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
    const touched = new Set<Deed['of']>();
    await oneAtATime(`inch-outbox${base}`, async () => {
      await this.read();
      for (let entry = this.next(); entry; entry = this.next()) {
        const outcome = await trySending(entry);
        if (outcome === 'away') break;
        if (outcome === 'sent') {
          await dropWaiting(entry.number);
          touched.add(entry.of);
          this.publish(this.waiting.filter((w) => w.number !== entry.number));
          continue;
        }
        await changeWaiting({ ...entry, problem: outcome.problem });
        await this.read();
      }
    });
    await Promise.all([...touched].map(readAgain));
  }

  private next(): Waiting | undefined {
    return this.waiting.find((w) => w.problem === null && w.accountId === this.accountId);
  }
}

async function trySending(entry: Waiting): Promise<'sent' | 'away' | { problem: string }> {
  try {
    await post(entry.address, entry.body);
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
