import type { Fields, Values } from './field.ts';

/** Fields of an entry by where they come from and where they go. */
export interface Groups {
  /** What a person says, kept as said. */
  said: Fields;
  /** What is said with it and written elsewhere: a stock taking, a movement, a password. */
  asked: Fields;
  /** What the program works out when it is recorded, kept beside it. */
  kept: Fields;
  /** What is kept and not shown with the entry. */
  stored: Fields;
  /** What is looked up when it is read. */
  shown: Fields;
}

/** One kind of entry, declared once: everything else that is known of it is derived from this. */
export interface EntryKind extends Groups {
  /** What it is called in the API, the journal and the kitchen file. */
  noun: string;
  table: string;
  /** What it is an entry of: its table has a column of that name with `_id`. */
  of: 'lot' | 'instrument';
  /** Last part of the address that it is posted to; null where the program writes it itself. */
  path: string | null;
  /** What recording it does, for the description of the API. */
  summary: string;
  /** Who may record it. */
  who: 'maker' | 'owner';
  /** What the journal says was done. */
  verb: string;
  /** Whether it can be struck. What cannot is answered by another entry. */
  strikeable: boolean;
}

type Nothing = Record<never, never>;
type Head = Omit<EntryKind, keyof Groups | 'of' | 'who' | 'strikeable'> &
  Partial<Pick<EntryKind, 'of' | 'who' | 'strikeable'>>;
type Declared<D extends Head & Partial<Groups>> = Pick<D, 'noun' | 'table' | 'path' | 'summary' | 'verb'> & {
  of: D['of'] extends string ? D['of'] : 'lot';
  who: D['who'] extends string ? D['who'] : 'maker';
  strikeable: D['strikeable'] extends true ? true : false;
} & { [K in keyof Groups]: D[K] extends Fields ? D[K] : Nothing };

/** Declares a kind of entry: of a lot, recorded by makers and not strikeable unless it says so. */
export const kind = <const D extends Head & Partial<Groups>>(declared: D): Declared<D> =>
  ({
    of: 'lot',
    who: 'maker',
    strikeable: false,
    said: {},
    asked: {},
    kept: {},
    stored: {},
    shown: {},
    ...declared,
  }) as never;

/** What every entry has: it is never changed, only struck. */
export interface Entry {
  id: string;
  /** When it happened: ISO 8601, UTC. */
  at: string;
  /** When it was written down, never before `at` but for a clock's slack. */
  recordedAt: string;
  by: string;
  struck: { at: string; by: string; why: string } | null;
}

type Flat<T> = { [K in keyof T]: T[K] };

/** What is said with an entry, as it stands once it was read: every field there. */
export type Said<E extends EntryKind> = Flat<Values<E['said']> & Values<E['asked']>>;
/** What the program adds to it. */
export type Kept<E extends EntryKind> = Flat<Values<E['kept']> & Values<E['stored']>>;
/** An entry as it is read back. */
export type Recorded<E extends EntryKind> = Flat<
  (E['strikeable'] extends true ? Entry : Omit<Entry, 'struck'>) &
    Omit<Values<E['said']>, keyof E['kept']> &
    Values<E['kept']> &
    Values<E['shown']>
>;

/**
 * The columns that an entry is kept in, besides who wrote it, when, and of what it is.
 * @example Object.keys(columnsOf(entries.cooling)).length > 0 // true
 */
export const columnsOf = ({ said, kept, stored }: EntryKind): Fields => ({ ...said, ...kept, ...stored });

/**
 * The fields that an entry is shown with.
 * @example Object.keys(shownOf(entries.addition)).includes('withdrawals') // true
 */
export const shownOf = ({ said, kept, shown }: EntryKind): Fields => ({ ...said, ...kept, ...shown });

/**
 * Name of a column: `lineId` is kept in `line_id`.
 * @example columnOf('fillCelsius') // 'fill_celsius'
 */
export const columnOf = (field: string): string => field.replace(/[A-Z0-9]+/g, (c) => `_${c.toLowerCase()}`);
