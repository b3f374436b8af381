import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

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
    for (const [key, value] of Object.entries(shown)) alike((found as Record<string, unknown>)[key], value);
  } else expect(found).toEqual(shown);
}

describe('the example of a function is what it gives', () => {
  it.each(examples)('$file: $expression', async ({ file, expression, value }) => {
    const exports = (await import(join(ROOT, file))) as Record<string, unknown>;
    alike(evaluated(expression, exports), evaluated(value, {}));
  });

  it('is there for the sums that everything else rests on', () => {
    const with_ = new Set(examples.map((e) => e.file.split('/')[0]));
    for (const room of ['calendar', 'quantity', 'sugar', 'acid', 'heat', 'keeping', 'bottling', 'stock'])
      expect(with_, room).toContain(room);
  });
});
