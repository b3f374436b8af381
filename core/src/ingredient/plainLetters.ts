import transliterate from '@sindresorhus/transliterate';

/** Marks that are not seen: joiners, soft hyphens, marks of direction, variation selectors. */
const UNSEEN = /\p{Cf}|\p{Variation_Selector}|\u034f|[\u115f\u1160\u3164\uffa0]|\u17b4|\u17b5/gu;
/** Signs between letters of one word: "f.o.x.g.l.o.v.e" is read as it is meant. */
const SPELT = /\b(?:\p{L}[.\-_·]){3,}\p{L}\b/gu;

/** A text in plain Latin letters, lower case: whatever script it is in, whatever stands unseen between its letters. */
function plain(text: string): string {
  const shown = text.normalize('NFKC').replace(UNSEEN, '');
  const spelt = shown.replace(SPELT, (word) => word.replace(/[^\p{L}]/gu, ''));
  return spelt.replace(/(\p{L})[’'`´ʼ]s\b/giu, '$1s').replace(/[’'`´ʼ]/gu, ' ');
}

/**
 * A text in plain Latin letters, in the ways it may be meant: accents written out as letters, as in German, and left away.
 * @example inPlainLetters('Maiglöckchen') // ['maigloeckchen', 'maiglockchen']
 */
export function inPlainLetters(text: string): string[] {
  const shown = plain(text);
  const bare = shown.normalize('NFKD').replace(/\p{M}/gu, '');
  return [...new Set([shown, bare].map((words) => transliterate(words).toLowerCase()))];
}

/**
 * Whether something of a text cannot be read as Latin letters: nobody can say what it names.
 * @example isUnreadable('夹竹桃') // true
 */
export const isUnreadable = (text: string): boolean =>
  /[^\p{Script=Latin}\p{N}\p{P}\p{S}\p{Z}\p{M}\n\r\t]/u.test(inPlainLetters(text).at(-1)!);
