import { warnings } from './warnings.ts';
import { allWords } from './words.ts';

/** Said behind a thing, it is not in: "cherries, stones removed". */
const TAKEN_OUT = new Set(['removed', 'out', 'taken', 'discarded', 'off', 'away']);

/** Whole fruit may go in with its stones: they are not crushed, and the fruit says so itself. */
const STONES = new Set(['stone', 'pit']);
const LEFT_IN = new Set(['left', 'kept', 'in', 'intact']);

/** Whether a phrase stands in some words, and is not said to be left out. */
function stands(words: readonly string[], phrase: readonly string[]): boolean {
  return words.some((_, i) => {
    if (!phrase.every((word, k) => words[i + k] === word)) return false;
    const [before, after] = [words[i - 1] ?? '', words[i + phrase.length] ?? ''];
    const leftIn = STONES.has(phrase.at(-1)!) && LEFT_IN.has(after);
    return !TAKEN_OUT.has(after) && !leftIn && before !== 'without' && before !== 'no';
  });
}

/** Rhubarb said to go in with its leaves. */
const KEPT_ON =
  /\brhubarb,?(?: stalks?)? (?:with|and|including|plus)(?: the| its| their| all| some)* (?:leaf|leaves|tops)\b|\bleaves on\b.*rhubarb|\brhubarb\b.*\bleaves (?:on|and all|left on)\b/;

const phrases = warnings.map((warning) => ({ warning, of: warning.words.map(allWords) }));

/**
 * The warning for a thing by its name as written: one or several, with a hyphen, run together, or turned round ("leaves of rhubarb").
 * @returns undefined where there is none
 * @example warningFor('sour cherries') // undefined
 */
export function warningFor(text: string): (typeof warnings)[number] | undefined {
  const words = allWords(text);
  if (KEPT_ON.test(text.toLowerCase())) return warnings.find((one) => one.words.includes('rhubarb leaf'));
  const turned = allWords(text.replace(/(\p{L}+) of (?:the )?(\p{L}+)/giu, '$2 $1'));
  const near = (phrase: readonly string[]) =>
    stands(words, phrase) ||
    stands(turned, phrase) ||
    (phrase.length > 1 && stands(words, [phrase.join('')]));
  return phrases.find(({ of }) => of.some(near))?.warning;
}
