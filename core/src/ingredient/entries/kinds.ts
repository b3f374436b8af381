import type { Ingredient } from '../types.ts';

/** A kind that has the figures of another entry and a name of its own on the label. */
type Kind = readonly [of: string, id: string, name: string, labelName: string, ...also: string[]];

const KINDS: readonly Kind[] = [
  ['mandarin', 'clementine', 'Clementines, whole', 'clementines', 'clementine'],
  ['mandarin', 'tangerine', 'Tangerines, whole', 'tangerines', 'tangerine'],
  ['mandarin', 'satsuma', 'Satsumas, whole', 'satsumas', 'satsuma'],
  ['mandarin-juice', 'clementine-juice', 'Clementine juice', 'clementine juice', 'juice of clementine'],
  ['mandarin-juice', 'tangerine-juice', 'Tangerine juice', 'tangerine juice', 'juice of tangerine'],
  [
    'mandarin-peel',
    'clementine-peel',
    'Clementine peel',
    'clementine peel',
    'clementine zest',
    'zest of clementine',
  ],
  [
    'mandarin-peel',
    'tangerine-peel',
    'Tangerine peel',
    'tangerine peel',
    'tangerine zest',
    'zest of tangerine',
  ],
  ['palm-sugar', 'coconut-sugar', 'Coconut sugar', 'coconut sugar', 'coconut palm sugar'],
  ['jaggery', 'panela', 'Panela', 'panela', 'piloncillo', 'rapadura'],
  ['whisky', 'bourbon', 'Bourbon, 40 %', 'bourbon whiskey', 'bourbon', 'bourbon whiskey'],
  ['whisky', 'rye-whiskey', 'Rye whiskey, 40 %', 'rye whiskey', 'rye whiskey'],
  ['tequila', 'mezcal', 'Mezcal, 40 %', 'mezcal', 'mezcal'],
  ['fruit-brandy', 'kirsch', 'Kirsch, 40 %', 'kirsch', 'kirsch'],
  ['fruit-brandy', 'plum-brandy', 'Plum brandy, 40 %', 'plum brandy', 'plum brandy', 'slivovitz'],
  ['fruit-brandy', 'apple-brandy', 'Apple brandy, 40 %', 'apple brandy', 'apple brandy'],
  ['fruit-brandy', 'pear-brandy', 'Pear brandy, 40 %', 'pear brandy', 'pear brandy'],
  ['fruit-vinegar', 'raspberry-vinegar', 'Raspberry vinegar', 'raspberry vinegar'],
  ['fruit-vinegar', 'fig-vinegar', 'Fig vinegar', 'fig vinegar'],
];

/** Kinds of the entries given. */
export function kindsOf(entries: readonly Ingredient[]): Ingredient[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  return KINDS.map(([of, id, name, labelName, ...also]) => ({ ...byId.get(of)!, id, name, labelName, also }));
}
