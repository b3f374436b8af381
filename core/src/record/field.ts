import { z } from 'zod';

/** Fields of an entry: each says its question to whoever leaves it out, or answers what cannot be. */
export type Fields = Readonly<Record<string, z.ZodType>>;

/** The values of some fields, as they stand once they were read. */
export type Values<F extends Fields> = { -readonly [K in keyof F]: z.output<F[K]> };

const figure = (n: number) => n.toLocaleString('en');

/** Words of so many characters at most. */
export const text = (max: number, ask: string, min = 0) =>
  z
    .string(ask)
    .trim()
    .min(min, ask)
    .max(max, `${ask} At most ${figure(max)} characters.`);

/** What is taken to the letter, spaces at its ends too: a password. */
export const exactly = (max: number, ask: string) =>
  z.string(ask).max(max, `${ask} At most ${figure(max)} characters.`);

/** A number with its bounds, both included, unless it has to lie over the lower one: "A whole number from 1 to 10,000." */
export function number(
  min: number,
  max: number,
  ask: string,
  { over = false, whole = false }: { over?: boolean; whole?: boolean } = {},
): z.ZodNumber {
  const kind = whole ? 'A whole number' : 'A number';
  const bounds = over
    ? `over ${figure(min)}, at most ${figure(max)}`
    : `from ${figure(min)} to ${figure(max)}`;
  const error = `${ask} ${kind} ${bounds}.`;
  const any = whole ? z.int(error) : z.number(error);
  return (over ? any.gt(min, error) : any.min(min, error)).max(max, error);
}

/** A whole number of things, at least one. */
export const count = (ask: string) => number(1, 10_000, ask, { whole: true });

/** One of a few words. */
export const choice = <const T extends readonly string[]>(of: T, ask: string) =>
  z.enum(of, `${ask} One of: ${of.join(', ')}.`);

/** Yes or no; no where nothing is said. */
export const flag = (ask: string) => z.boolean(`${ask} Yes or no: true or false.`).default(false);

const references = z.registry<{ table: string; ask: string }>();

/** The id of a row of another table, which has to be there. */
export function reference(table: string, ask: string): z.ZodUUID {
  const id = z.uuid(ask);
  references.add(id, { table, ask });
  return id;
}

/** Several of the same. */
export const list = <T extends z.ZodType>(
  of: T,
  { min = 0, max }: { min?: number; max: number },
  ask: string,
) =>
  z
    .array(of, ask)
    .min(min, ask)
    .max(max, `${ask} At most ${figure(max)}.`);

/** Fields that stand together. */
export const group = <F extends Fields>(of: F, ask: string) => z.object(of, ask);

type Said<T extends z.ZodType> = T extends z.ZodDefault<infer I extends z.ZodType> ? I : T;

/**
 * A field without what stands where nothing is said.
 * @example said(entries.tally.said.how).safeParse(undefined).success // false
 */
export const said = <T extends z.ZodType>(field: T): Said<T> =>
  (field instanceof z.ZodDefault ? field.unwrap() : field) as Said<T>;

/** What may be missing: null stands then. */
export const nullable = <T extends z.ZodType>(field: T): z.ZodDefault<z.ZodNullable<Said<T>>> =>
  z.nullable(said(field)).default(null as never);

/**
 * Whether nothing may stand in a field.
 * @example mayBeNull(entries.reading.said.celsius) // true
 */
export const mayBeNull = (field: z.ZodType): boolean => said(field) instanceof z.ZodNullable;

/**
 * What kind of value a field holds, whether or not it may be missing.
 * @example kindOfField(entries.reading.said.celsius).safeParse(null).success // false
 */
export const kindOfField = (field: z.ZodType): z.ZodType =>
  field instanceof z.ZodDefault || field instanceof z.ZodNullable
    ? kindOfField(field.unwrap() as z.ZodType)
    : field;

/**
 * The table whose row a field names, and the question that it answers; undefined where it is no reference.
 * @example referenceOf(entries.reading.said.instrumentId).table // 'instrument'
 */
export const referenceOf = (field: z.ZodType): { table: string; ask: string } | undefined =>
  references.get(kindOfField(field) as z.ZodUUID);
