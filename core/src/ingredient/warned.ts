/** Plants that are poisonous, limited by law or not food, by the words a cook would write, with why. */
export const warnings: readonly { words: readonly string[]; refuse: boolean; why: string }[] = [
  {
    words: ['lily of the valley', 'foxglove', 'oleander', 'daffodil', 'hemlock', 'water dropwort', 'yew'],
    refuse: true,
    why: 'It is poisonous, in any amount. It goes into nothing.',
  },
  {
    words: ['rhubarb leaf', 'rhubarb leaves'],
    refuse: true,
    why: 'Rhubarb leaves are poisonous. Only the stalks are food.',
  },
  {
    words: [
      'bitter almond',
      'bitter almonds',
      'stone kernel',
      'stone kernels',
      'apricot kernel',
      'cherry kernel',
      'peach kernel',
      'cherry stones',
      'plum kernel',
    ],
    refuse: true,
    why: 'Stone kernels and bitter almonds give off cyanide.',
  },
  {
    words: ['sassafras', 'calamus', 'sweet flag', 'pennyroyal', 'comfrey'],
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
    words: ['florist', 'florists flowers', 'bouquet'],
    refuse: true,
    why: 'Florists’ flowers are sprayed with what is not for eating. Take food-grade flowers.',
  },
  {
    words: ['raw elderberry', 'raw elderberries', 'elder leaves', 'elder bark'],
    refuse: true,
    why: 'Raw elderberries, leaves and bark are poisonous. Strip the ripe berries and boil them.',
  },
  {
    words: ['liquorice', 'licorice'],
    refuse: false,
    why: 'Liquorice raises blood pressure; its amount is limited, and said on the label in Europe.',
  },
];

/**
 * The warning for a thing by its name as written; undefined where there is none.
 * @example warningFor('sour cherries') // undefined
 */
export function warningFor(text: string): (typeof warnings)[number] | undefined {
  const plain = ` ${text
    .toLowerCase()
    .replace(/[^\p{L}\s]/gu, '')
    .replace(/\s+/g, ' ')} `;
  return warnings.find((w) => w.words.some((word) => plain.includes(` ${word} `)));
}
