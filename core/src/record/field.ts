declare const stands: unique symbol;

/** What a field is, as plain data: its bounds, and how it is asked for. */
export type FieldData = (
  | { type: 'text'; min: number; max: number; exact?: boolean }
  | { type: 'number'; min: number; max: number; over: boolean; whole: boolean }
  | { type: 'choice'; of: readonly string[] }
  | { type: 'flag' }
  | { type: 'reference'; to: string }
  | { type: 'list'; of: FieldData; min: number; max: number }
  | { type: 'group'; of: Readonly<Record<string, FieldData>> }
  | { type: 'document'; name: string }
) & {
  /** The question that it answers: "How many bottles?". Said to whoever leaves it out or answers what cannot be. */
  ask: string;
  nullable: boolean;
  /** Stands where nothing is said; absent where it has to be said. */
  default?: unknown;
};

/** A field of an entry whose value is a `T`; one that is optional may be left out when it is said. */
export type Field<T, Optional extends boolean = false> = FieldData & {
  readonly [stands]?: { value: T; optional: Optional };
};

// biome-ignore lint/suspicious/noExplicitAny: fields of every type
export type Fields = Readonly<Record<string, Field<any, boolean>>>;

type ValueOf<F> = F extends Field<infer T, boolean> ? T : never;

/** The values of some fields. */
export type Values<F extends Fields> = { -readonly [K in keyof F]: ValueOf<F[K]> };

const base = { nullable: false };

/** Words of so many characters at most. */
export const text = (max: number, ask: string, min = 0): Field<string> => ({
  ...base,
  type: 'text',
  min,
  max,
  ask,
});

/** What is taken to the letter, spaces at its ends too: a password. */
export const exactly = (max: number, ask: string): Field<string> => ({
  ...base,
  type: 'text',
  min: 0,
  max,
  exact: true,
  ask,
});

/** A number with its bounds, both included, unless it has to lie over the lower one. */
export const number = (
  min: number,
  max: number,
  ask: string,
  options: { over?: boolean; whole?: boolean } = {},
): Field<number> => ({
  ...base,
  type: 'number',
  min,
  max,
  over: options.over ?? false,
  whole: options.whole ?? false,
  ask,
});

/** A whole number of things, at least one. */
export const count = (ask: string): Field<number> => number(1, 10_000, ask, { whole: true });

/** One of a few words. */
export const choice = <const T extends string>(of: readonly T[], ask: string): Field<T> => ({
  ...base,
  type: 'choice',
  of,
  ask,
});

/** Yes or no; no where nothing is said. */
export const flag = (ask: string): Field<boolean, true> => ({ ...base, type: 'flag', ask, default: false });

/** The id of a row of another table, which has to be there. */
export const reference = (to: string, ask: string): Field<string> => ({
  ...base,
  type: 'reference',
  to,
  ask,
});

/** Several of the same. */
export const list = <T>(
  of: Field<T, boolean>,
  bounds: { min?: number; max: number },
  ask: string,
): Field<T[]> => ({ ...base, type: 'list', of, min: bounds.min ?? 0, max: bounds.max, ask });

/** Fields that stand together. */
export const group = <F extends Fields>(of: F, ask: string): Field<Values<F>> => ({
  ...base,
  type: 'group',
  of,
  ask,
});

/** A document of another noun, kept as it stood, such as the kitchen's own entry of an ingredient. */
export const document = <T>(name: string): Field<T> => ({ ...base, type: 'document', name, ask: name });

/** What may be missing: null stands then. */
export const nullable = <T>(field: Field<T, boolean>): Field<T | null, true> => ({
  ...(field as FieldData),
  nullable: true,
  default: null,
});

/** What may be left out: something else stands then. */
export const otherwise = <T>(field: Field<T, boolean>, value: T): Field<T, true> => ({
  ...(field as FieldData),
  default: value,
});
