import { askedOf, type Ingredient, type KitchenCatalogue } from '../ingredient/index.ts';
import { parseQuantity, toGrams } from '../quantity/index.ts';
import { type Amount, type Line, type LineThing, sentence } from './line.ts';

/** What keeps an amount from becoming grams; null where nothing does. Which country's cups are meant is the kitchen's to say. */
function amountAsks(said: string, entry: Ingredient, catalogue: KitchenCatalogue): string | null {
  try {
    const quantity = parseQuantity(said, { cup: 'us' });
    const ask = askedOf(quantity, entry);
    if (ask) return ask;
    const { grams } = toGrams(quantity, entry, { cup: 'us', measures: catalogue.measures });
    return grams > 0 ? null : 'An amount has to be over 0.';
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return sentence(error.message);
  }
}

/** Grams of an amount where they can be had, to compare two that are said to be the same. */
function gramsIfKnown(said: string, entry: Ingredient, catalogue: KitchenCatalogue): number | null {
  try {
    return toGrams(parseQuantity(said), entry, { cup: 'us', measures: catalogue.measures }).grams;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** Two amounts said to be one may differ by as much as bulk weights do. */
const SAME_WITHIN = 1.4;

/** Asks where two amounts that should be one are not. */
function sameAsks(said: string, same: readonly string[], entry: Ingredient, catalogue: KitchenCatalogue) {
  const grams = gramsIfKnown(said, entry, catalogue);
  for (const other of same) {
    const again = gramsIfKnown(other, entry, catalogue);
    if (grams === null || again === null) continue;
    if (Math.max(grams, again) / Math.min(grams, again) > SAME_WITHIN)
      return `“${said}” and “${other}” are not the same amount. Which is right?`;
  }
  return null;
}

/** Asks where a strength that was said is not the catalogue's. */
export function strengthAsks(entry: Ingredient, percent: number): string | null {
  const stated = /([\d.]+) %/.exec(entry.name)?.[1];
  if (stated !== undefined && Number(stated) === percent) return null;
  if (percent === 100 && stated === undefined) return null;
  if (!entry.liquid) return `${percent} % of what? Write an amount, as in “250 g”.`;
  return `The line says ${percent} %, and the catalogue has “${entry.name}”. Add yours as your own, from its label.`;
}

/** What is known of a thing's amount when it is judged. */
export interface Said {
  amount: Amount | null;
  /** It is a share of what it follows. */
  ratio: boolean;
  toTaste: boolean;
}

/** The question that a thing leaves open: which, how much, or what was said of it; null where it is understood. */
export function queryOf(
  line: Line,
  thing: LineThing,
  entry: Ingredient | undefined,
  how: Said,
): string | null {
  const { said, name, others } = thing;
  if (line.fault) return line.fault;
  if (!entry) {
    if (others.length > 0) return `Which is meant by "${name}"?`;
    return `"${name || line.words.text.trim()}" is not in the catalogue. Choose what it is, or add it as your own; until then it counts for nothing.`;
  }
  const [asked] = line.asks;
  if (asked) return asked;
  if (said === '')
    return how.toTaste
      ? 'How much to begin with? The line says “to taste”.'
      : 'How much? The list does not say.';
  if (how.ratio) return null;
  return (
    amountAsks(said, entry, line.catalogue) ?? sameAsks(said, how.amount?.same ?? [], entry, line.catalogue)
  );
}
