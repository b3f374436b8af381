import type { WrittenNoun } from '../keys.ts';

/** Something to be written: where to, and the body with the id that it is written by. */
export interface Deed {
  /** Address that it is posted to. */
  address: string;
  /** What it is of: what is read again once it is sent. */
  of: WrittenNoun;
  /** Kind of entry, where it is one of a lot's: what waits is laid over the lot. */
  noun: string;
  /** The lot it is of; empty for what is of none. */
  lotId: string;
  /** How it is headed in the list of what waits: a lot's code, "Basket", an instrument's name. */
  code: string;
  words: string;
  body: { id: string; at?: string } & Record<string, unknown>;
}

/** Something written on this device that the server has not got yet. */
export interface Waiting extends Deed {
  number: number;
  since: string;
  /** Who wrote it: it is sent only while the same person is signed in. */
  accountId: string;
  /** Why the server would not take it; it then stays here until somebody looks at it. */
  problem: string | null;
}
