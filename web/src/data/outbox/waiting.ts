/** What may be written of a lot while the server is away. */
export type LotDeed = 'mark' | 'add' | 'measure' | 'place';
/** Shops are out of the kitchen's reach: a tick in the basket waits as well. It is of no lot. */
export type Deed = LotDeed | 'tick';

/** Something written on this device that the server has not got yet. */
export interface Waiting {
  number: number;
  deed: Deed;
  /** Empty for what is of no lot. */
  lotId: string;
  code: string;
  /** Who wrote it: it is sent only while the same person is signed in. */
  accountId: string;
  body: { id: string; at: string } & Record<string, unknown>;
  /** How it reads, for the list of what waits. */
  words: string;
  /** Why the server would not take it; it then stays here until somebody looks at it. */
  problem: string | null;
}
