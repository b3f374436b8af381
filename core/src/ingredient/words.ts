import { singular } from '../quantity/index.ts';

/** Words that say how a thing is bought or made ready, and nothing of which thing it is. */
const IDLE = new Set(
  [
    'a an of the and with some about approx approximately around each in into on for then just very well only both all few couple',
    'fresh freshly ripe overripe good best organic local wild homegrown firm juicy pure real large small medium big little whole heaped level packed loosely lightly',
    'cold hot warm lukewarm cool tap filtered boiled cooled spring granulated caster castor unwaxed untreated unsweetened unsalted plain ordinary seedless sized seasonal fragrant plump fat thin thick long short heavy',
    'chopped sliced diced crushed grated peeled unpeeled washed rinsed scrubbed wiped stoned pitted hulled cored stripped trimmed cleaned picked destemmed stemmed deseeded seeded shelled',
    'topped tailed halved quartered pricked slit scored bruised torn minced mashed drained thawed defrosted strained sieved sifted squeezed blended pureed cubed shaved cracked pounded smashed muddled flaked broken toasted dissolved split shaken divided crumbled melted softened shredded julienned warmed chilled beaten reserved pressed rubbed wilted stirred skinned destoned destalked snipped',
    'unsprayed edible unbruised undamaged unblemished spotless',
    'rough roughly coarse coarsely fine finely thin thinly gently carefully thoroughly sparingly lengthwise crosswise separately',
  ]
    .join(' ')
    .split(' '),
);

/**
 * Whether a word says how a thing is bought or made ready, and nothing of which thing it is.
 * @param word lower case, one of several
 * @example isIdle('chopped') // true
 */
export const isIdle = (word: string): boolean => IDLE.has(word);

/**
 * Every word of a text, in order, one of several each; signs and figures are none.
 * @example allWords('2 kg Sour cherries') // ['kg', 'sour', 'cherry']
 */
export const allWords = (text: string): string[] =>
  (text.toLowerCase().match(/\p{L}+/gu) ?? []).map(singular);

/** The words of a text that say which thing it is, in order. */
export const tellingWords = (text: string): string[] =>
  allWords(text).filter((word) => !IDLE.has(word) && word.length > 1);
