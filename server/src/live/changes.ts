import type { LiveChange, LiveEvent } from '@inch/contract/route/live';
import type { Pool } from 'mysql2/promise';
import { rows } from '../database/pool.ts';

type Listener = (event: LiveEvent) => void;

const EVERY_MS = 400;
/** So many changes are named one by one; after more, everything is read again. */
const MOST = 50;

/**
 * Tells listeners whenever a kitchen's journal grew. The journal in MariaDB is what is watched, once for every kitchen that
 * somebody looks at, so that a write through another server of the same database is seen too.
 */
export class Changes {
  private readonly listeners = new Map<string, Set<Listener>>();
  private readonly last = new Map<string, number>();
  private timer: NodeJS.Timeout | null = null;
  private looking = false;
  private readonly pool: Pool;

  constructor(pool: Pool) {
    this.pool = pool;
  }

  /** Listens to a kitchen until the returned function is called. */
  listen(kitchenId: string, listener: Listener): () => void {
    const own = this.listeners.get(kitchenId) ?? new Set();
    this.listeners.set(kitchenId, own.add(listener));
    // Whoever joins is told where the journal stands, so that it knows the next change for one.
    this.last.delete(kitchenId);
    this.timer ??= setInterval(() => void this.look(), EVERY_MS).unref();
    return () => {
      own.delete(listener);
      if (own.size > 0) return;
      this.listeners.delete(kitchenId);
      this.last.delete(kitchenId);
      if (this.listeners.size > 0 || !this.timer) return;
      clearInterval(this.timer);
      this.timer = null;
    };
  }

  private async look(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    try {
      const heads = await rows<{ kitchen_id: string; sequence: number }>(
        this.pool,
        'SELECT kitchen_id, sequence FROM journal_head',
      );
      for (const head of heads) await this.announce(head.kitchen_id, Number(head.sequence));
    } catch {
      // The database is away for the moment: the next look tells what came meanwhile.
    } finally {
      this.looking = false;
    }
  }

  private async announce(kitchenId: string, sequence: number): Promise<void> {
    const own = this.listeners.get(kitchenId);
    const from = this.last.get(kitchenId);
    if (!own || from === sequence) return;
    this.last.set(kitchenId, sequence);
    const what = from === undefined ? null : await this.written(kitchenId, from, sequence);
    const changed = from === undefined || what === null ? null : { from, what };
    for (const listener of own) listener({ sequence, now: new Date().toISOString(), changed });
  }

  /** What was written between two rows of a journal; null where it is too much to name. */
  private async written(kitchenId: string, from: number, until: number): Promise<LiveChange[] | null> {
    const found = await rows<LiveChange>(
      this.pool,
      `SELECT STRAIGHT_JOIN DISTINCT j.noun, j.noun_id AS id, l.code AS lot FROM journal j LEFT JOIN lot l ON l.id = j.lot_id
       WHERE j.kitchen_id = ? AND j.sequence > ? AND j.sequence <= ? AND j.noun <> 'rows' LIMIT ${MOST + 1}`,
      [kitchenId, from, until],
    );
    return found.length > MOST ? null : found;
  }
}
