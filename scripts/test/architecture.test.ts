import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../src/machine/root.mjs';

const text = readFileSync(join(ROOT, 'ARCHITECTURE.md'), 'utf8');

/** `a/{b,c}.ts` as `a/b.ts` and `a/c.ts`. */
function expanded(path: string): string[] {
  const match = /^(.*?)\{([^}]*)\}(.*)$/.exec(path);
  return match ? match[2]!.split(',').flatMap((one) => expanded(`${match[1]}${one}${match[3]}`)) : [path];
}

const FOLDERS = 'core|contract|server|web|demo|e2e|scripts';
const named = [...text.matchAll(new RegExp(`(?:\`|\\s)((?:${FOLDERS})/[\\w./{},-]+)`, 'g'))].flatMap(
  ([, path]) => expanded(path!.replace(/[.,]$/, '')),
);

describe('ARCHITECTURE.md', () => {
  it('names a hundred files and more, and each is there', () => {
    const paths = [...new Set(named)];
    expect(paths.length).toBeGreaterThan(100);
    expect(paths.filter((path) => !existsSync(join(ROOT, path)))).toEqual([]);
  });
});
