import { z } from 'zod';
import { type Entries, entries, type Noun } from './entries.ts';
import { said } from './field.ts';
import { type EntryKind, type Recorded, shownOf } from './kind.ts';

const Struck = z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable();

type Flat<T> = { [K in keyof T]: T[K] };

/** An entry as it is read back, with what a view lays over it: nothing is left out, whatever may be when it is said. */
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
    ...Object.fromEntries(Object.entries(shownOf(entry)).map(([name, field]) => [name, said(field)])),
    ...more,
  });
}
