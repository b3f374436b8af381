import { allWords } from './words.ts';

/** Plants that are poisonous, limited by law or not food, by the words a cook would write, with why. */
export const warnings: readonly { words: readonly string[]; refuse: boolean; why: string }[] = [
  {
    words: [
      ...[
        'lily of the valley',
        'foxglove',
        'digitalis',
        'oleander',
        'daffodil',
        'narcissus',
        'hemlock',
        'water dropwort',
      ],
      ...[
        'cowbane',
        'yew',
        'monkshood',
        'aconite',
        'wolfsbane',
        'deadly nightshade',
        'belladonna',
        'black nightshade',
      ],
      ...[
        'woody nightshade',
        'bittersweet nightshade',
        'nightshade berry',
        'henbane',
        'thorn apple',
        'thornapple',
        'datura',
      ],
      ...[
        'jimsonweed',
        'jimson weed',
        'angel trumpet',
        'brugmansia',
        'mandrake',
        'laburnum',
        'autumn crocus',
        'meadow saffron',
      ],
      ...[
        'colchicum',
        'hellebore',
        'christmas rose',
        'larkspur',
        'delphinium',
        'lantana',
        'castor bean',
        'rosary pea',
      ],
      ...[
        'arum',
        'cuckoo pint',
        'lord and lady',
        'wild arum',
        'dieffenbachia',
        'philodendron',
        'spurge',
        'euphorbia',
        'spindle berry',
      ],
      ...[
        'privet',
        'ivy',
        'holly berry',
        'mistletoe',
        'snowberry',
        'mezereon',
        'daphne',
        'rhododendron',
        'azalea',
      ],
      ...[
        'mountain laurel',
        'cherry laurel',
        'laurel cherry',
        'laurel berry',
        'wisteria',
        'sweet pea',
        'snowdrop',
        'bluebell',
      ],
      ...[
        'hyacinth',
        'tulip bulb',
        'bryony',
        'pokeweed',
        'pokeberry',
        'poke berry',
        'baneberry',
        'moonseed',
        'ragwort',
      ],
      ...[
        'giant hogweed',
        'white snakeroot',
        'honeysuckle berry',
        'virginia creeper',
        'horse chestnut',
        'conker',
        'periwinkle',
      ],
      ...[
        'corncockle',
        'bleeding heart',
        'hydrangea',
        'cyclamen',
        'clematis',
        'tomato leaf',
        'potato leaf',
        'potato berry',
        'green potato',
      ],

      ...[
        'buttercup',
        'marsh marigold',
        'lesser celandine',
        'greater celandine',
        'anemone',
        'pasque flower',
        'clivia',
        'box leaf',
      ],
      ...[
        'boxwood',
        'common broom',
        'scotch broom',
        'spanish broom',
        'lupin seed',
        'star of bethlehem',
        'fritillary',
        'gloriosa lily',
      ],
      ...[
        'peace lily',
        'calla lily',
        'iris root',
        'iris rhizome',
        'caladium',
        'elephant ear',
        'castor oil plant',
        'croton',
      ],
      ...[
        'poinsettia',
        'crown of thorn',
        'jerusalem cherry',
        'winter cherry',
        'black locust bark',
        'robinia bark',
        'black locust seed',
        'tree of heaven',
      ],
      ...[
        'golden chain',
        'pheasant eye',
        'false hellebore',
        'veratrum',
        'bloodroot',
        'mayapple',
        'doll eye',
        'jack in the pulpit',
      ],
      ...[
        'skunk cabbage',
        'water arum',
        'dogbane',
        'milkweed',
        'lobelia',
        'groundsel',
        'senecio',
        'butterbur',
      ],
      ...[
        'hound tongue',
        'heliotrope',
        'alder buckthorn',
        'purging buckthorn',
        'black bryony',
        'white bryony',
        'herb paris',
        'fool parsley',
      ],
      ...[
        'death cap',
        'fly agaric',
        'destroying angel',
        'ergot',
        'tobacco',
        'nicotiana',
        'ephedra',
        'yohimbe',
      ],
      ...[
        'sheep laurel',
        'pieris',
        'andromeda',
        'leucothoe',
        'kalmia',
        'duranta',
        'golden dewdrop',
        'allamanda',
      ],
      ...['frangipani', 'plumeria', 'desert rose', 'adenium', 'cycad', 'sago palm', 'physic nut', 'tung nut'],
      ...[
        'horse nettle',
        'chinaberry',
        'leopard bane',
        'arnica',
        'poison ivy',
        'poison oak',
        'water hemlock',
        'poison hemlock',
      ],
      ...[
        'yellow jessamine',
        'carolina jessamine',
        'false jasmine',
        'manchineel',
        'strychnine',
        'nux vomica',
        'calabar bean',
        'jequirity',
      ],
      ...[
        'precatory bean',
        'sandbox tree',
        'corn lily',
        'death camas',
        'japanese star anise',
        'savin',
        'savin juniper',
        'thuja',
      ],
      ...[
        'arborvitae',
        'burning bush',
        'euonymus',
        'cotoneaster berry',
        'pyracantha seed',
        'viburnum leaf',
        'elder wood',
        'wild cherry bark',
      ],
      ...[
        'cherry bark',
        'privet leaf',
        'hyacinth bulb',
        'narcissus bulb',
        'amaryllis',
        'snake root',
        'aristolochia',
        'birthwort',
      ],
      ...[
        'wild ginger asarum',
        'chaparral',
        'germander',
        'celandine',
        'raw cassava',
        'raw kidney bean',
        'ackee unripe',
        'unripe ackee',
      ],
    ],
    refuse: true,
    why: 'It is poisonous, in any amount. It goes into nothing.',
  },
  {
    words: ['rhubarb leaf'],
    refuse: true,
    why: 'Rhubarb leaves are poisonous. Only the stalks are food.',
  },
  {
    words: [
      ...[
        'bitter almond',
        'stone kernel',
        'apricot kernel',
        'cherry kernel',
        'peach kernel',
        'plum kernel',
        'damson kernel',
      ],
      ...[
        'cherry stone',
        'apricot stone',
        'peach stone',
        'plum stone',
        'damson stone',
        'apricot pit',
        'peach pit',
        'cherry pit',
        'plum pit',
      ],
      ...['apple seed', 'apple pip', 'cherry leaf', 'peach leaf'],
    ],
    refuse: true,
    why: 'Stone kernels, pips and bitter almonds give off cyanide.',
  },
  {
    words: [
      'sassafras',
      'calamus',
      'sweet flag',
      'pennyroyal',
      'comfrey',
      'tansy',
      'rue',
      'coltsfoot',
      'borage seed',
    ],
    refuse: true,
    why: 'It is not allowed in food, or harms the liver.',
  },
  {
    words: ['tonka', 'tonka bean', 'woodruff', 'sweet woodruff'],
    refuse: true,
    why: 'It holds coumarin: not allowed in food in the United States, limited in Europe.',
  },
  { words: ['wormwood', 'mugwort'], refuse: true, why: 'It holds thujone, which is limited by law.' },
  {
    words: ['cinchona', 'cinchona bark', 'quinine bark'],
    refuse: true,
    why: 'Quinine is limited by law (83 mg per litre in the United States) and a home infusion cannot be measured.',
  },
  {
    words: ['florist', 'bouquet'],
    refuse: true,
    why: 'Florists’ flowers are sprayed with what is not for eating. Take food-grade flowers.',
  },
  {
    words: [
      'raw elderberry',
      'green elderberry',
      'unripe elderberry',
      'elder leaf',
      'elder bark',
      'elder root',
      'elderberry leaf',
      'elderberry stem',
    ],
    refuse: true,
    why: 'Raw elderberries, leaves and bark are poisonous. Strip the ripe berries and boil them.',
  },
  {
    words: ['liquorice', 'licorice'],
    refuse: false,
    why: 'Liquorice raises blood pressure; its amount is limited, and said on the label in Europe.',
  },
];

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
