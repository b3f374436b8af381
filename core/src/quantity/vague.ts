/** What small measures hold by use, low, typical and high in mL: pinch to a sixteenth or an eighth of a teaspoon, bar measures as bars pour them. */
export const vagueMl: Readonly<Record<string, readonly [low: number, typical: number, high: number]>> = {
  drop: [0.03, 0.05, 0.07],
  smidgen: [0.15, 0.15, 0.2],
  pinch: [0.3, 0.45, 0.62],
  dash: [0.6, 0.9, 1.25],
  shot: [25, 40, 45],
  jigger: [44, 44.4, 45],
  pony: [25, 29.6, 30],
  dessertspoon: [9, 10, 12],
};

/** How much more or less than its measure a spoon or cup holds that is not level: low and high share of it. */
export const notLevel: Readonly<Record<string, readonly [low: number, high: number]>> = {
  heaped: [1.2, 2],
  heaping: [1.2, 2],
  rounded: [1.1, 1.6],
  generous: [1, 1.2],
  good: [1, 1.2],
  scant: [0.85, 1],
  small: [0.7, 1],
  big: [1, 1.4],
  large: [1, 1.4],
};

const COUNTED = new Set(
  [
    'handful sprig bunch stick strip slice piece clove pod head knob splash glug capful leaf spoon mug jar bottle twist curl bag packet box',
    'wedge half segment bulb stalk rib thumb glass bowl jug ladle scoop stem branch umbel cube sachet carton can tin punnet tub package pack ear hand blade star berry thread strand',
    ...Object.keys(vagueMl),
  ].flatMap((words) => words.split(' ')),
);

/**
 * Whether a word, one of several, is what small things are counted by.
 * @example isCounted('sprig') // true
 */
export const isCounted = (word: string): boolean => COUNTED.has(word);

/** How a thing is cut that fills a cup; whole where it is not said. */
export type Shape = 'chopped' | 'sliced' | 'grated' | 'pureed';

/** Words for how a thing is cut, as it fills a cup. */
export const SHAPED: Readonly<Record<string, Shape>> = {
  chopped: 'chopped',
  diced: 'chopped',
  cubed: 'chopped',
  quartered: 'chopped',
  minced: 'grated',
  zested: 'grated',
  shaved: 'grated',
  crushed: 'pureed',
  blended: 'pureed',
  sliced: 'sliced',
  halved: 'sliced',
  grated: 'grated',
  shredded: 'grated',
  pureed: 'pureed',
  mashed: 'pureed',
};

/** What things are bought in: "two 12 oz bags". */
export const PACKED = new Set(
  'bag packet pack package box bottle jar can tin carton punnet tub sachet container sack bottle jug'.split(
    ' ',
  ),
);
