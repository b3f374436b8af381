import { newId } from './api.ts';

/** A form as it was left: what was typed, and the id of what it will write. */
export interface Draft<V> {
  id: string;
  values: V;
  /** Whether it was left by an earlier visit. */
  restored: boolean;
}

const address = (accountId: string, key: string) => `inch-draft ${accountId} ${key}`;

/** The draft of a form on this device (none where it has no key), or an empty one with an id of its own. It survives leaving, reload and sign-out. */
export function openDraft<V extends object>(accountId: string, key: string, empty: V): Draft<V> {
  const kept = key === '' ? null : localStorage.getItem(address(accountId, key));
  if (kept) {
    try {
      const { id, values } = JSON.parse(kept) as { id: string; values: V };
      return { id, values: { ...empty, ...values }, restored: true };
    } catch {
      // A draft that cannot be read is none.
    }
  }
  return { id: newId(), values: empty, restored: false };
}

export function keepDraft<V extends object>(
  accountId: string,
  key: string,
  draft: Pick<Draft<V>, 'id' | 'values'>,
): void {
  if (key !== '')
    localStorage.setItem(address(accountId, key), JSON.stringify({ id: draft.id, values: draft.values }));
}

export const dropDraft = (accountId: string, key: string): void =>
  localStorage.removeItem(address(accountId, key));
