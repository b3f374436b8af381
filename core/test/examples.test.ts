import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { inExamples } from './support/examples.ts';

const ROOT = join(import.meta.dirname, '..', 'src');

/** `@example expression // value`, in the comment of a function. */
const EXAMPLE = /^\s*(?:\/\*)?\*+ .*?@example (.+?) \/\/ (.+?)(?: \*\/)?$/;

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.ts'));

const examples = files.flatMap((file) =>
  readFileSync(join(ROOT, file), 'utf8')
    .split('\n')
    .flatMap((line) => {
      const match = EXAMPLE.exec(line);
      return match ? [{ file, expression: match[1]!, value: match[2]! }] : [];
    }),
);

const evaluated = (expression: string, exports: Record<string, unknown>): unknown =>
  new Function(...Object.keys(exports), `return (${expression});`)(...Object.values(exports));

/** Figures within what the example shows of them; everything else as it stands. */
function alike(found: unknown, shown: unknown): void {
  if (typeof found === 'number' && typeof shown === 'number') {
    const digits = String(shown).split('.')[1]?.length ?? 0;
    expect(found).toBeCloseTo(shown, digits);
  } else if (found !== null && typeof found === 'object' && shown !== null && typeof shown === 'object') {
    if (Array.isArray(shown)) expect(found).toHaveLength(shown.length);
    for (const [key, value] of Object.entries(shown)) alike((found as Record<string, unknown>)[key], value);
  } else expect(found).toEqual(shown);
}

/** Values that a room's door offers, types left out. */
const offeredBy = (index: string): string[] =>
  [...index.matchAll(/export \{([^}]*)\} from/g)].flatMap((match) =>
    match[1]!
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== '' && !name.startsWith('type '))
      .map((name) => name.split(' as ')[0]!.trim()),
  );

/** Exported functions of a file, each with the comment before it. */
function functionsOf(text: string): { name: string; doc: string }[] {
  const FUNCTION = /^export (?:function\*? (\w+)|const (\w+) = (?:<[^\n]*?>)?\()/gm;
  return [...text.matchAll(FUNCTION)].map((match) => {
    const before = text.slice(0, match.index).trimEnd();
    return {
      name: (match[1] ?? match[2])!,
      doc: before.endsWith('*/') ? before.slice(before.lastIndexOf('/**')) : '',
    };
  });
}

describe('the example of a function is what it gives', () => {
  it.each(examples)('$file: $expression', async ({ file, expression, value }) => {
    const exports = { ...inExamples, ...((await import(join(ROOT, file))) as object) };
    alike(evaluated(expression, exports), evaluated(value, {}));
  });

  it('is there for every function of a room that others may call', () => {
    const rooms = files.filter((file) => /^\w+\/index\.ts$/.test(file));
    expect(rooms.length).toBeGreaterThan(12);
    const without = rooms.flatMap((index) => {
      const room = index.split('/')[0]!;
      const offered = new Set(offeredBy(readFileSync(join(ROOT, index), 'utf8')));
      return files
        .filter((file) => file.startsWith(`${room}/`) && file !== index)
        .flatMap((file) => functionsOf(readFileSync(join(ROOT, file), 'utf8')))
        .filter(({ name, doc }) => offered.has(name) && !/@example .+ \/\/ /.test(doc))
        .map(({ name }) => `${room} ${name}`);
    });
    expect(without).toEqual([]);
  });
});
