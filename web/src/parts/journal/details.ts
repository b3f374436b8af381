import { inWords } from '@inch/core/quantity';

/** "beforeTrimming" as "before trimming". */
const nameOf = (field: string): string =>
  field.replace(/([a-z])([A-Z])/g, (_, a, b) => `${a} ${b.toLowerCase()}`);

const isId = (text: string): boolean => /^[0-9a-f]{8}-[0-9a-f]{4}-/.test(text);

function wordsOf(value: unknown): string | null {
  if (value === null || value === undefined || value === '' || value === false) return null;
  if (value === true) return 'yes';
  if (typeof value === 'string') return isId(value) ? null : inWords(value);
  if (typeof value === 'number') return String(value);
  if (Array.isArray(value)) {
    const parts = value.map(wordsOf).filter((part) => part !== null);
    return parts.length > 0 ? parts.join('; ') : null;
  }
  const words = detailsOf(value);
  return words === '' ? null : words;
}

/** What a journal row says, in words: without times and ids, which stand in columns of their own or mean nothing to a reader. */
export function detailsOf(payload: unknown): string {
  return Object.entries(payload ?? {})
    .filter(
      ([field]) =>
        field !== 'at' &&
        field !== 'begunAt' &&
        field !== 'happenedAt' &&
        field !== 'inNameOf' &&
        !/Id$|^id$/.test(field),
    )
    .flatMap(([field, value]) => {
      const words = wordsOf(value);
      return words === null ? [] : [`${nameOf(field)} ${words}`];
    })
    .join(', ');
}
