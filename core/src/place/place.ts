import { z } from 'zod';
/** What a place is, as the warmth of what stands in it goes: a fridge, a freezer, or neither. */
export const PLACE_KINDS = ['fridge', 'freezer', 'warm'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/**
 * What a place is known by: the same however its name is spelt, in capitals or small letters, with spaces, marks or an article.
 * @example placeKey('  The Cold-Room ') // 'cold room'
 */
export function placeKey(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[\p{M}\p{Cf}]/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
  return plain.replace(/^(?:in |at |on )?(?:the |our |my )/, '') || plain;
}

/** Words by which a name says where something is not, but only near to. */
const NEAR = /\b(?:by|near|beside|above|opposite|outside|top of|next to|out of|not|broken)\b/;
const FRIDGE = /fridge|refrigerat|\bcold (?:room|store|shelf|cupboard)\b|\bwalk in\b|\bchill(?:er|ed)?\b/;
const FREEZER = /freez/;
const WARM =
  /\b(?:shelf|shelves|table|stall|market|counter|bench|kitchen|pantry|larder|cupboard|shop|window|car|van|rack|attic|porch|stand|fair|hall|worktop|sill)\b/;

/**
 * What a name says of a place: a kitchen shelf and a market table are warm; a freezer with a fridge in its name is a fridge. Null where the name says nothing.
 * @param name as it was written
 * @example kindByName('kitchen shelf') // 'warm'
 */
export function kindByName(name: string): PlaceKind | null {
  const key = placeKey(name);
  if (NEAR.test(key)) return 'warm';
  if (FRIDGE.test(key)) return 'fridge';
  if (FREEZER.test(key)) return 'freezer';
  return WARM.test(key) ? 'warm' : null;
}

/** What a kitchen said of one of its places: what it is, or another name of it; from when it was written down. */
export const PlaceSaid = z.object({
  name: z.string(),
  /** A fridge, a freezer, or warm; null where only another name was said. */
  kind: z.enum(PLACE_KINDS).nullable(),
  /** Another name of the same place; null where none was said. */
  alsoCalled: z.string().nullable(),
  recordedAt: z.string(),
});
export type PlaceSaid = z.infer<typeof PlaceSaid>;

/**
 * Follows the names of places to the one that each was called first: what is renamed is the same place.
 * @param said what the kitchen said of its places, in any order
 * @returns a function from a name to the key of its place
 * @example placeNames([{ name: 'stall', kind: null, alsoCalled: 'Saturday stall', recordedAt: T(0) }])('Saturday stall') // 'stall'
 */
export function placeNames(said: readonly PlaceSaid[]): (name: string) => string {
  const same = new Map<string, string>();
  const root = (key: string): string => {
    const next = same.get(key);
    return next === undefined ? key : root(next);
  };
  for (const { name, alsoCalled } of [...said].sort((a, b) => a.recordedAt.localeCompare(b.recordedAt))) {
    if (alsoCalled === null) continue;
    const [one, other] = [root(placeKey(name)), root(placeKey(alsoCalled))];
    if (one !== other) same.set(other, one);
  }
  return (name) => root(placeKey(name));
}
