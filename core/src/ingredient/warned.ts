import { inPlainLetters } from './plainLetters.ts';
import { type Warning, warnings } from './warnings.ts';
import { allWords } from './words.ts';

/** Said behind a thing, it is not in: "cherries, stones removed". */
const TAKEN_OUT = new Set(['removed', 'out', 'taken', 'discarded', 'off', 'away', 'free', 'less']);
/** Said before a thing, it is not in. */
const WITHOUT = new Set(['without', 'no', 'not', 'minus', 'never', 'non']);

/** Whole fruit may go in with its stones: they are not crushed, and the fruit says so itself. */
const STONES = new Set(['stone', 'pit']);
const LEFT_IN = new Set(['left', 'kept', 'in', 'intact']);

/** Words between the parts of a name that tell nothing. */
const BETWEEN = new Set(
  [
    'of the a an from with and in fresh dried wild organic homegrown ground whole chopped raw ripe bitter',
    'olive sunflower rapeseed vegetable extra virgin',
  ].flatMap((line) => line.split(' ')),
);

/** Harmless things whose names hold a warned word. */
const HARMLESS = [
  'bouquet garni, ivy gourd, ground ivy tea, sweet pea pod, sugar snap pea, garden sweet pea shoot, brussels sprout, brussel sprout, stone fruit',
  'cherry stone clam, hemlock spruce, narcissus garlic, purple sprouting broccoli, true cinnamon, elder brother, passion fruit daphne',
  'box of cherry, yew dale, mugwort free, poppy seed, hemp seed, hemp heart, cannabis free, soap nut free, soapwort free, weed honey, milkweed free',
  'fireweed, seaweed, chickweed, knotweed honey, lemon thyme, camphor basil, holy basil, tea seed, cough drop free, lithium free, ivy house, holly house',
  'st john bread, saint john bread, salad rocket, iron rich, blue lake bean, mercury vineyard, arsenic free, soda bread',
]
  .flatMap((line) => line.split(', '))
  .map(allWords);

/** Rhubarb said to go in with its leaves. */
const KEPT_ON =
  /\brhubarb,?(?: stalks?)? (?:with|and|including|plus)(?: the| its| their| all| some)* (?:leaf|leaves|tops)\b|\bleaves on\b.*rhubarb|\brhubarb\b.*\bleaves (?:on|and all|left on)\b/;

/** A word of another language without the ending that says how many, or of whom. */
const stem = (word: string): string => (word.length > 5 ? word.replace(/(?:en|n|e|x|s|i)+$/, '') : word);

/** What is warned of with its names in words, of another language without their endings. */
const phrases = warnings.map((warning) => {
  const byStem = warning.languages !== undefined;
  const names = warning.names.flatMap((name) => [...new Set(inPlainLetters(name))].map(allWords));
  return { warning, byStem, of: byStem ? names.map((name) => name.map(stem)) : names };
});

/** The places in some words at which all of a phrase stand side by side, in any order, words that tell nothing left out. */
function placesOf(words: readonly string[], phrase: readonly string[]): number[][] {
  if (phrase.some((word) => !words.includes(word))) return [];
  const kept = words
    .map((word, i) => ({ word, i }))
    .filter(({ word }) => !BETWEEN.has(word) || phrase.includes(word));
  const wanted = [...phrase].sort().join(' ');
  const found: number[][] = [];
  for (let at = 0; at + phrase.length <= kept.length; at += 1) {
    const window = kept.slice(at, at + phrase.length);
    if (
      window
        .map(({ word }) => word)
        .sort()
        .join(' ') === wanted
    )
      found.push(window.map(({ i }) => i));
  }
  return found;
}

/** Whether what stands in some words is said not to be in, or to be left whole in the fruit. */
function isLeftOut(words: readonly string[], places: readonly number[], phrase: readonly string[]): boolean {
  const [first, last] = [Math.min(...places), Math.max(...places)];
  const [before, after] = [words[first - 1] ?? '', words[last + 1] ?? ''];
  const leftIn = phrase.some((word) => STONES.has(word)) && LEFT_IN.has(after);
  return TAKEN_OUT.has(after) || leftIn || WITHOUT.has(before);
}

/** Whether a warned name at some places is part of a harmless one. */
const isHarmless = (words: readonly string[], places: readonly number[]): boolean =>
  HARMLESS.some((name) => placesOf(words, name).some((of) => places.every((p) => of.includes(p))));

/** Whether a phrase stands in some words and is in the thing. */
const stands = (words: readonly string[], phrase: readonly string[]): boolean =>
  placesOf(words, phrase).some((places) => !isLeftOut(words, places, phrase) && !isHarmless(words, places));

/** Words of a text run together, two and three at a time: "monk's hood" is "monkshood", "fox glove" is "foxglove". */
function runTogether(text: string): string[] {
  const raw = (text.match(/\p{L}+/gu) ?? []).map((word) => word.toLowerCase());
  return [2, 3].flatMap((count) =>
    raw
      .slice(0, Math.max(0, raw.length - count + 1))
      .flatMap((_, i) => allWords(raw.slice(i, i + count).join(''))),
  );
}

/** Shortest name that is looked for in words run together, and at the beginning of a longer word: a short one would stand in many. */
const LONG_ENOUGH = 6;
const LONG_ENOUGH_TO_BEGIN = 7;

function standsIn(phrase: readonly string[], words: readonly string[], joined: readonly string[]): boolean {
  if (stands(words, phrase)) return true;
  const key = phrase.join('');
  if (key.length < LONG_ENOUGH) return false;
  const begins = phrase.length === 1 && key.length >= LONG_ENOUGH_TO_BEGIN;
  const one = words.some((word) => word === key || (begins && word.startsWith(key))) || joined.includes(key);
  return one && !WITHOUT.has(words[0] ?? '') && !HARMLESS.some((name) => placesOf(words, name).length > 0);
}

/**
 * The warning for a thing by its name as written: one or several, with a hyphen, run together, turned round ("leaves of rhubarb"), in another language or
 * script, with unseen marks between its letters.
 * @returns undefined where there is none
 * @example warningFor('sour cherries') // undefined
 */
export function warningFor(text: string): Warning | undefined {
  for (const plain of inPlainLetters(text)) {
    if (KEPT_ON.test(plain)) return warnings.find((one) => one.names.includes('rhubarb leaf'));
    const words = allWords(plain);
    const joined = runTogether(plain);
    const [stems, joinedStems] = [words.map(stem), joined.map(stem)];
    const found = phrases.find(({ of, byStem }) =>
      of.some((phrase) => standsIn(phrase, byStem ? stems : words, byStem ? joinedStems : joined)),
    );
    if (found) return found.warning;
  }
  return undefined;
}
