import type { Progress } from '@inch/contract/kitchen/export';
import type { Pool } from 'mysql2/promise';
import { rows, run, toSql } from '../database/pool.ts';

const EVERY_MS = 500;

/** How far something is that takes a while, written down for the page that waits for it: twice a second at most, and at its end. */
export class Steps {
  readonly #pool: Pool;
  readonly #id: string | undefined;
  #written = 0;
  #told: Omit<Progress, 'fault' | 'ended'> = { what: '', done: 0, total: 0 };
  constructor(pool: Pool, id: string | undefined) {
    this.#pool = pool;
    this.#id = id;
  }

  async #write(fault: string | null, ended: boolean): Promise<void> {
    if (this.#id === undefined) return;
    const { what, done, total } = this.#told;
    const at = toSql(new Date().toISOString());
    const cells = [what, done, total, fault?.slice(0, 1000) ?? null, ended, at];
    await run(
      this.#pool,
      `INSERT INTO progress (what, done, total, fault, ended, at, id) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON DUPLICATE KEY UPDATE what = ?, done = ?, total = ?, fault = ?, ended = ?, at = ?`,
      [...cells, this.#id, ...cells],
    );
  }

  /** Hears of it: so many of so many. */
  readonly tell = (what: string, done: number, total: number): void => {
    this.#told = { what, done, total };
    if (Date.now() - this.#written < EVERY_MS) return;
    this.#written = Date.now();
    // Who waits for it loses nothing but a figure.
    this.#write(null, false).catch(() => {});
  };

  /** Its end: with why, where it did not come to it. */
  async end(fault: string | null): Promise<void> {
    await this.#write(fault, true).catch(() => {});
    await run(this.#pool, 'DELETE FROM progress WHERE at < UTC_TIMESTAMP() - INTERVAL 1 DAY', []).catch(
      () => {},
    );
  }
}

type Row = Omit<Progress, 'ended'> & { ended: number };

/** How far something is, by the id it was begun with; null where nothing was begun with it. */
export async function progressOf(pool: Pool, id: string): Promise<Progress | null> {
  const [row] = await rows<Row>(pool, 'SELECT what, done, total, fault, ended FROM progress WHERE id = ?', [
    id,
  ]);
  return row ? { ...row, done: Number(row.done), total: Number(row.total), ended: row.ended === 1 } : null;
}
