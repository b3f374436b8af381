import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './src/machine/root.mjs';

const READ = ['web/src', 'core/src', 'contract/src', 'server/src', 'docs', 'README.md'];
const LIST = join(ROOT, 'docs', 'words.md');

const retired = () =>
  [...readFileSync(LIST, 'utf8').matchAll(/^- (.+?) → (.+)$/gm)].map(([, term, instead]) => ({
    term,
    instead,
  }));

function filesOf(path) {
  if (/\.[a-z]+$/.test(path)) return [path];
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesOf(join(path, entry.name)) : [join(path, entry.name)],
  );
}

/** Text as it is read: spaces alike. A term with a capital is a button's or a title's, and is looked for as it stands. */
const asRead = (text) => text.replace(/\s+/g, ' ');
const says = (text, term) => (/^[A-Z]/.test(term) ? text.includes(term) : text.toLowerCase().includes(term));

/** Refuses the terms that docs/words.md retired, wherever people read them. @returns what was found, a line each */
export function retiredWords() {
  const terms = retired();
  return READ.flatMap((path) => filesOf(join(ROOT, path)))
    .filter((file) => file !== LIST && /\.(tsx?|md)$/.test(file))
    .flatMap((file) => {
      const text = asRead(readFileSync(file, 'utf8'));
      return terms
        .filter(({ term }) => says(text, term))
        .map(({ term, instead }) => `${file.slice(ROOT.length + 1)}: "${term}" is retired, say "${instead}"`);
    });
}

if (process.argv[1] === import.meta.filename) {
  const found = retiredWords();
  if (found.length > 0) process.stderr.write(`${found.join('\n')}\n`);
  process.exit(found.length > 0 ? 1 : 0);
}
