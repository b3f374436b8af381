import {
  type Entries,
  type EntryKind,
  entries,
  type Fields,
  type Noun,
  type PostedNoun,
  type Said,
  type StrikeableNoun,
  strikeable,
} from '@inch/core/record';
import { Id, Why } from '@inch/core/value';
import { z } from 'zod';
import { happened } from './values.ts';

type Input<F extends Fields> = keyof F extends never ? unknown : z.input<z.ZodObject<F>>;
type Flat<T> = { [K in keyof T]: T[K] };
interface Base {
  id: string;
  at?: string | undefined;
}

/** What is posted of an entry: its id, what is said, and when it happened. */
export type EntryBody<N extends Noun> = z.ZodType<
  Flat<Base & Said<Entries[N]>>,
  Flat<Base & Input<Entries[N]['said']> & Input<Entries[N]['asked']>>
>;
export type EntryInput<N extends Noun> = z.input<EntryBody<N>>;
export type EntrySaid<N extends Noun> = z.output<EntryBody<N>>;

const bodies = new Map<Noun, z.ZodType>();

/** The schema of what is posted of an entry; one and the same for a noun wherever it is asked for. */
export function bodyOf<N extends Noun>(noun: N): EntryBody<N> {
  const { said, asked } = entries[noun] as EntryKind;
  const body = bodies.get(noun) ?? z.strictObject({ id: Id, ...said, ...asked, ...happened });
  bodies.set(noun, body);
  return body as never;
}

/** Strikes an entry: it stays as it was. */
export const NewStrike = z.strictObject({
  id: Id.optional(),
  noun: z.enum(
    strikeable as [StrikeableNoun, ...StrikeableNoun[]],
    `What is struck? One of: ${strikeable.join(', ')}.`,
  ),
  entryId: Id,
  why: Why,
  ...happened,
});

/** Nouns of what a person posts to a lot, in the order in which they are declared. */
export const postedNouns = (Object.keys(entries) as Noun[]).filter(
  (noun): noun is PostedNoun => entries[noun].path !== null && entries[noun].of === 'lot',
);
