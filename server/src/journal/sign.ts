import { createHmac } from 'node:crypto';

let key: Buffer | null = null;

/** Sets the key that the end of every journal is signed with. It is kept outside the database. */
export function useJournalKey(hex: string | undefined): void {
  if (hex !== undefined && !/^[0-9a-f]{64}$/.test(hex))
    throw new Error('The journal key cannot be read: it is 64 hexadecimal digits.');
  key = hex === undefined ? null : Buffer.from(hex, 'hex');
}

/** Whether there is a key to sign and to check with. */
export const hasJournalKey = (): boolean => key !== null;

/** HMAC-SHA-256 of where a kitchen's journal ends; null without a key. */
export const signEnd = (kitchenId: string, sequence: number, hash: string): string | null =>
  key && createHmac('sha256', key).update(`${kitchenId} ${sequence} ${hash}`).digest('hex');
