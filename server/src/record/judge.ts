import type { Entries, Kept, PostedNoun, Said } from '@inch/core/record';
import type { Referenced } from '../entry/references.ts';
import type { Writing } from '../journal/writing.ts';
import type { LotHead } from '../lot/head.ts';

/** What an entry is judged by. */
export interface Judging<N extends PostedNoun> {
  w: Writing;
  lot: LotHead;
  said: Said<Entries[N]> & { id: string };
  at: string;
  /** Rows that it names: its step, its instrument. */
  named: Referenced;
  /** Whether the account's password was asked for it again. */
  signed: boolean;
}

/** What the program makes of an entry. */
export interface Judged<N extends PostedNoun> {
  /** What it works out and keeps beside what was said. */
  kept: Kept<Entries[N]>;
  /** What follows from it, once it is written. */
  after?: () => Promise<unknown>;
  /** The id of an entry that says the same already: nothing is written, and that one is the answer. */
  already?: string;
}

/** Judges one kind of entry: refuses what cannot be, works out the rest. */
export type Judge<N extends PostedNoun> = (judging: Judging<N>) => Judged<N> | Promise<Judged<N>>;
