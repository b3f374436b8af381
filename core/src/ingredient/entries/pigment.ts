import type { Ingredient, Pigment } from '../types.ts';

/** What the colour of each is of. What is not here is pale, or brown already. */
const PIGMENTS: Record<Pigment, string> = {
  anthocyanin:
    'sour-cherry sweet-cherry cherry raspberry black-raspberry blackberry strawberry blueberry bilberry blackcurrant redcurrant cranberry lingonberry elderberry mulberry damson plum sloe bullace grape red-grape concord-grape pomegranate rhubarb hibiscus aronia chokeberry barberry haw hawthorn rosehip saskatoon boysenberry loganberry tayberry blood-orange acai red-cabbage rose-petal dried-rose dried-rosebud butterfly-pea violet cornelian-cherry jostaberry huckleberry',
  betalain: 'beet cactus-pear dragon-fruit',
  carotenoid:
    'apricot peach nectarine tomato clementine tangerine satsuma mango orange mandarin seville-orange sea-buckthorn cloudberry papaya persimmon carrot pumpkin passion-fruit physalis tamarillo loquat calamansi kumquat saffron turmeric rowan',
  chlorophyll:
    'mint lemon-balm basil spruce-tip fir-tip pine-needle gooseberry kiwi nettle woodruff lemon-verbena sage parsley coriander-leaf celery cucumber tarragon matcha green-tea thyme rosemary',
};

const OF: ReadonlyMap<string, Pigment> = new Map(
  (Object.entries(PIGMENTS) as [Pigment, string][]).flatMap(([pigment, ids]) =>
    ids.split(' ').map((id): [string, Pigment] => [id, pigment]),
  ),
);

/** Dried until nothing of their colour was left. */
const BROWN: ReadonlySet<string> = new Set(['raisin', 'zante-currant', 'prune']);

/** The fresh thing that a juice, a dried or a frozen one is of. */
const fresh = (id: string): string => id.replace(/^(?:dried|frozen|bottled)-|-juice$/g, '');

/** An entry with what colours it. */
export function withPigment(entry: Ingredient): Ingredient {
  if (BROWN.has(entry.id)) return entry;
  const pigment = OF.get(entry.id) ?? OF.get(entry.formOf ?? '') ?? OF.get(fresh(entry.id));
  return pigment && !['vinegar', 'sugar', 'spirit', 'acid'].includes(entry.family)
    ? { ...entry, pigment }
    : entry;
}
