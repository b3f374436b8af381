import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { base } from '../base.ts';
import type { Waiting } from './waiting.ts';

interface OutboxDb extends DBSchema {
  waiting: { key: number; value: Waiting };
}

/** What an earlier version of the application left waiting: what it called a deed, and the lot it was of. */
type Earlier = Omit<Waiting, 'address' | 'of' | 'noun' | 'since'> & { deed: string };

const EARLIER: Record<string, { noun: string; path: string }> = {
  mark: { noun: 'mark', path: 'marks' },
  add: { noun: 'addition', path: 'additions' },
  measure: { noun: 'reading', path: 'readings' },
  place: { noun: 'placing', path: 'placings' },
};

/** What waited under an earlier version, as it waits now: nothing that was written is lost by a new version. */
export function asNow({ deed, ...entry }: Earlier): Waiting {
  const since = entry.body.at ?? new Date().toISOString();
  const known = EARLIER[deed];
  if (!known) return { ...entry, address: '/api/basket', of: 'basket', noun: 'basket', since };
  return {
    ...entry,
    address: `/api/lots/${entry.lotId}/${known.path}`,
    of: 'entry',
    noun: known.noun,
    since,
  };
}

let opened: Promise<IDBPDatabase<OutboxDb>> | null = null;

const db = () => {
  opened ??= openDB<OutboxDb>(`inch-outbox${base}`, 2, {
    upgrade: async (base, from, _to, tx) => {
      if (from < 1) base.createObjectStore('waiting', { keyPath: 'number', autoIncrement: true });
      if (from !== 1) return;
      const store = tx.objectStore('waiting');
      for (const entry of await store.getAll()) await store.put(asNow(entry as unknown as Earlier));
    },
  });
  return opened;
};

/** Everything that waits on this device, in the order in which it was written. */
export const allWaiting = async (): Promise<Waiting[]> => (await db()).getAll('waiting');

/** Keeps an entry; it is on the disk of the device when this resolves. */
export async function putWaiting(entry: Omit<Waiting, 'number'>): Promise<number> {
  const tx = (await db()).transaction('waiting', 'readwrite', { durability: 'strict' });
  const number = await tx.store.add(entry as Waiting);
  await tx.done;
  return number;
}

export const changeWaiting = async (entry: Waiting): Promise<void> => {
  await (await db()).put('waiting', entry);
};

export const dropWaiting = async (number: number): Promise<void> => {
  await (await db()).delete('waiting', number);
};
