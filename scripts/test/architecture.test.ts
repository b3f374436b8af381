import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../src/root.mjs';

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
  it.each([...new Set(named)])('names %s, which is there', (path) => {
    expect(existsSync(join(ROOT, path))).toBe(true);
  });

  it('has a table that leads to a hundred files and more', () => {
    expect(new Set(named).size).toBeGreaterThan(100);
  });

  it('leads a reading from its field to the journal through nine files at most', () => {
    const walk = text.slice(
      text.indexOf('## A reading from field to journal'),
      text.indexOf('## Where to find'),
    );
    const files = [...walk.matchAll(/^.*$/gm)].flatMap(([line]) => [...line.matchAll(/\b\d (\S+\.tsx?)\b/g)]);
    expect(files).toHaveLength(9);
    for (const [, path] of files) expect(existsSync(join(ROOT, path!)), path).toBe(true);
  });
});
