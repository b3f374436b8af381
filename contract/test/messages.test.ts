import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import '../src/route/messages.ts';
import { allRoutes } from '../src/route/routes.ts';

const said = (schema: z.ZodType, value: unknown): string => schema.safeParse(value).error!.issues[0]!.message;

describe('what a schema says where it has no sentence of its own', () => {
  it.each([
    [z.number(), Number.NaN, 'Write a number.'],
    [z.number(), 'x', 'Write a number.'],
    [z.string(), 3, 'Write some text.'],
    [z.boolean(), 'yes', 'Say true or false.'],
    [z.array(z.string()), 'a', 'Send a list.'],
    [z.object({ a: z.string() }), { a: undefined }, 'This is missing.'],
    [z.enum(['hot', 'cold']), 'warm', 'One of: hot, cold.'],
    [z.number().min(3), 2, 'At least 3.'],
    [z.number().gt(0), 0, 'More than 0.'],
    [z.number().max(1000), 2000, 'At most 1,000.'],
    [z.number().lt(5), 5, 'Less than 5.'],
    [z.string().max(2), 'abc', 'At most 2 characters.'],
    [z.array(z.number()).min(2), [1], 'At least 2 of them.'],
    [z.iso.date(), '27.11.2026', 'Write a date such as 2026-11-25.'],
    [z.uuid(), 'x', 'Give it an id that is a UUID.'],
    [z.strictObject({ a: z.number() }), { a: 1, b: 2 }, 'There is no field called "b" here.'],
    [z.union([z.number(), z.boolean()]), 'x', 'In none of the forms that are taken here.'],
  ] as const)('%#: in plain words', (schema, value, sentence) => {
    expect(said(schema as z.ZodType, value)).toBe(sentence);
  });

  it('leaves a schema its own sentence', () => {
    expect(said(z.number('How many bottles?'), 'x')).toBe('How many bottles?');
  });

  it.each(
    allRoutes.filter((r) => r.body).map((r) => [`${r.method} ${r.path}`, r.body as z.ZodType] as const),
  )('%s never answers nonsense in a library’s words', (_, body) => {
    for (const nonsense of [undefined, null, 3, 'x', [], {}, { id: 3, at: 'now', count: 'many' }])
      for (const { message } of body.safeParse(nonsense).error?.issues ?? [])
        expect(message).not.toMatch(/Invalid|expected|received|Unrecognized|NaN|undefined/);
  });
});
