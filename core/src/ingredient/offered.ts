import type { Ingredient } from './ingredient.ts';
import type { KitchenCatalogue } from './kitchenCatalogue.ts';
import { alsoOf } from './named.ts';

const letters = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** How early a typed part stands in a name: at its beginning, at the beginning of a word, within one; undefined where not. */
function placeIn(name: string, part: string): number | undefined {
  if (name.startsWith(part)) return name === part ? 0 : 1;
  if (name.includes(` ${part}`)) return 2;
  return name.includes(part) ? 4 : undefined;
}

function placeOf(entry: Ingredient, part: string): number | undefined {
  const own = placeIn(letters(entry.name), part);
  const also = [entry.labelName, ...alsoOf(entry)].map((name) => placeIn(letters(name), part));
  const places = [own, ...also.map((place) => (place === undefined ? undefined : place + 0.5))].filter(
    (place) => place !== undefined,
  );
  if (places.length > 0) return Math.min(...places);
  // Every word typed, in any order.
  const words = part.split(' ');
  const all = letters([entry.name, entry.labelName, ...alsoOf(entry)].join(' ')).split(' ');
  return words.length > 1 && words.every((word) => all.some((other) => other.startsWith(word)))
    ? 3
    : undefined;
}

/**
 * Entries that a typed part of a name offers: what begins so, then what has a word that begins so, then what contains it; a kitchen's own first among equals.
 * @param text as far as it is typed; @param catalogue the kitchen's; @param most entries at the most
 * @example offeredFor('lem', catalogue, 3)[0].name // 'Lemon balm'
 */
export function offeredFor(text: string, catalogue: KitchenCatalogue, most: number): Ingredient[] {
  const part = letters(text);
  const found = catalogue.all.flatMap((entry) => {
    const place = part === '' ? 0 : placeOf(entry, part);
    return place === undefined ? [] : [{ entry, place: place - (entry.own ? 0.25 : 0) }];
  });
  return found
    .sort((a, b) => a.place - b.place || a.entry.name.localeCompare(b.entry.name, 'en'))
    .slice(0, most)
    .map(({ entry }) => entry);
}
