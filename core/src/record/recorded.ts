import { z } from 'zod';
import { type Entries, entries, type Noun } from './entries.ts';
import { said } from './field.ts';
import { type EntryKind, type Recorded, shownOf } from './kind.ts';

const Struck = z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable();

type Flat<T> = { [K in keyof T]: T[K] };
type With<More extends z.ZodRawShape> = keyof More extends never ? unknown : z.output<z.ZodObject<More>>;

/**
 * The schema of an entry as it is read back, with what a view lays over it: nothing is left out, whatever may be when it is said.
 * @example recordedOf('fault').safeParse({}).success // false
 */
export function recordedOf<N extends Noun, More extends z.ZodRawShape = Record<never, never>>(
  noun: N,
  more?: More,
): z.ZodType<Flat<Recorded<Entries[N]> & With<More>>> {
  const entry: EntryKind = entries[noun];
  return z.object({
    id: z.string(),
    at: z.string(),
    recordedAt: z.string(),
    by: z.string(),
    ...(entry.strikeable ? { struck: Struck } : {}),
    ...Object.fromEntries(Object.entries(shownOf(entry)).map(([name, field]) => [name, said(field)])),
    ...more,
  }) as never;
}
