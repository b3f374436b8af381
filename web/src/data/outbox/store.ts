import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Waiting } from './waiting.ts';

interface OutboxDb extends DBSchema {
  waiting: { key: number; value: Waiting };
}

let opened: Promise<IDBPDatabase<OutboxDb>> | null = null;

const db = () => {
  opened ??= openDB<OutboxDb>('inch-outbox', 1, {
    upgrade: (base) => {
      base.createObjectStore('waiting', { keyPath: 'number', autoIncrement: true });
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
