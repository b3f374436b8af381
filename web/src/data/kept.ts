import type { PersistedClient, Persister } from '@tanstack/react-query-persist-client';
import { openDB } from 'idb';
import { base } from './base.ts';

const db = () =>
  openDB(`inch-kept${base}`, 1, {
    upgrade: (store) => {
      store.createObjectStore('views');
    },
  });

/** What was last read from the server, kept on this device: the stove is shown from it while the server is away. */
export const kept: Persister = {
  persistClient: async (client: PersistedClient) => {
    await (await db()).put('views', client, 'client');
  },
  restoreClient: async () => (await db()).get('views', 'client'),
  removeClient: async () => {
    await (await db()).delete('views', 'client');
  },
};
