import { Ingredient } from '@inch/core/ingredient';
import {
  type Entries,
  type EntryKind,
  entries,
  type Field,
  type FieldData,
  type Fields,
  type Noun,
  type PostedNoun,
  type Recorded,
  type Said,
  type StrikeableNoun,
  shownOf,
  strikeable,
} from '@inch/core/record';
import { Id, Why } from '@inch/core/value';
import { z } from 'zod';
import { happened } from './values.ts';

/** Documents of other nouns that an entry keeps, by name. */
const documents: Record<string, z.ZodType> = { ingredient: Ingredient, label: z.unknown() };

const listed = (words: readonly string[]) => words.join(', ');

/** A figure's bounds as they are said: "A whole number from 1 to 10,000." */
function boundsSaid(f: FieldData & { type: 'number' }): string {
  const figure = (n: number) => n.toLocaleString('en');
  const kind = f.whole ? 'A whole number' : 'A number';
  return f.over
    ? `${kind} over ${figure(f.min)}, at most ${figure(f.max)}.`
    : `${kind} from ${figure(f.min)} to ${figure(f.max)}.`;
}

function schemaAlone(f: FieldData): z.ZodType {
  switch (f.type) {
    case 'text': {
      const long = `${f.ask} At most ${f.max.toLocaleString('en')} characters.`;
      const words = f.exact ? z.string(f.ask) : z.string(f.ask).trim();
      return words.min(f.min, f.ask).max(f.max, long);
    }
    case 'number': {
      const error = `${f.ask} ${boundsSaid(f)}`;
      const number = f.whole ? z.int(error) : z.number(error);
      return (f.over ? number.gt(f.min, error) : number.min(f.min, error)).max(f.max, error);
    }
    case 'choice':
      return z.enum(f.of as [string, ...string[]], `${f.ask} One of: ${listed(f.of)}.`);
    case 'flag':
      return z.boolean(`${f.ask} Yes or no: true or false.`);
    case 'reference':
      return z.uuid(f.ask);
    case 'list':
      return z
        .array(schemaOf(f.of), f.ask)
        .min(f.min, f.ask)
        .max(f.max, `${f.ask} At most ${f.max.toLocaleString('en')}.`);
    case 'group':
      return z.object(shapeOf(f.of), f.ask);
    case 'document':
      return documents[f.name]!;
  }
}

/** The Zod schema of a field, with its bounds and with its own question as what it says where they are not kept. */
export function schemaOf(f: FieldData): z.ZodType {
  const alone = schemaAlone(f);
  const schema = f.nullable ? alone.nullable() : alone;
  return 'default' in f ? schema.default(f.default as never) : schema;
}

const shapeOf = (fields: Fields | Readonly<Record<string, FieldData>>): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, schemaOf(f)]));

/** As it is read back nothing is left out, whatever may be when it is said. */
const shownShape = (fields: Fields): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, asKept(f)]));

/** The schema of a field as it stands in the record: nothing is left out. */
export function asKept(f: FieldData): z.ZodType {
  const { default: _, ...plain } = f as FieldData & { default?: unknown };
  return schemaOf(plain as FieldData);
}

type Stands<F> = F extends Field<infer T, infer O> ? { value: T; optional: O } : never;
type MayBeLeftOut<F> = Stands<F> extends { optional: true } ? true : false;
type SaidInput<F extends Fields> = {
  [K in keyof F as MayBeLeftOut<F[K]> extends true ? K : never]?: Stands<F[K]>['value'] | undefined;
} & { [K in keyof F as MayBeLeftOut<F[K]> extends true ? never : K]: Stands<F[K]>['value'] };
type Flat<T> = { [K in keyof T]: T[K] };
interface Base {
  id: string;
  at?: string | undefined;
}

/** What is posted of an entry: its id, what is said, and when it happened. */
export type EntryBody<N extends Noun> = z.ZodType<
  Flat<Base & Said<Entries[N]>>,
  Flat<Base & SaidInput<Entries[N]['said']> & SaidInput<Entries[N]['asked']>>
>;
export type EntryInput<N extends Noun> = z.input<EntryBody<N>>;
export type EntrySaid<N extends Noun> = z.output<EntryBody<N>>;

const bodies = new Map<Noun, z.ZodType>();

/** The schema of what is posted of an entry; one and the same for a noun wherever it is asked for. */
export function bodyOf<N extends Noun>(noun: N): EntryBody<N> {
  const { said, asked } = entries[noun] as EntryKind;
  const body = bodies.get(noun) ?? z.strictObject({ id: Id, ...shapeOf({ ...said, ...asked }), ...happened });
  bodies.set(noun, body);
  return body as never;
}

const Struck = z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable();

/** An entry as it is read back, with what a view lays over it. */
export function recordedOf<N extends Noun>(noun: N): z.ZodType<Recorded<Entries[N]>>;
export function recordedOf<N extends Noun, More extends z.ZodRawShape>(
  noun: N,
  more: More,
): z.ZodType<Flat<Recorded<Entries[N]> & z.output<z.ZodObject<More>>>>;
export function recordedOf(noun: Noun, more: z.ZodRawShape = {}): z.ZodType {
  const entry: EntryKind = entries[noun];
  return z.object({
    id: z.string(),
    at: z.string(),
    recordedAt: z.string(),
    by: z.string(),
    ...(entry.strikeable ? { struck: Struck } : {}),
    ...shownShape(shownOf(entry)),
    ...more,
  });
}

/** Strikes an entry: it stays as it was. */
export const NewStrike = z.strictObject({
  id: Id.optional(),
  noun: z.enum(
    strikeable as [StrikeableNoun, ...StrikeableNoun[]],
    `What is struck? One of: ${listed(strikeable)}.`,
  ),
  entryId: Id,
  why: Why,
  ...happened,
});

/** Nouns of what a person posts to a lot, in the order in which they are declared. */
export const postedNouns = (Object.keys(entries) as Noun[]).filter(
  (noun): noun is PostedNoun => entries[noun].path !== null && entries[noun].of === 'lot',
);
